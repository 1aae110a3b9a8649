"""The command line: output, exit status, bad input on standard error."""

from __future__ import annotations

import json
import subprocess
import sys
from pathlib import Path

import pytest
from click.testing import Result
from typer.testing import CliRunner

from crooked_keel.cli import app
from crooked_keel.core.document import dump
from tests.conftest import DEMO_OF, KIND_IDS, made_lapwing

RUNNER = CliRunner()


@pytest.fixture(scope="module")
def file(tmp_path_factory: pytest.TempPathFactory) -> Path:
    made = tmp_path_factory.mktemp("cli") / "lapwing.keel.json"
    made.write_text(dump(made_lapwing()))
    return made


def run(*words: str | Path) -> Result:
    return RUNNER.invoke(app, [str(w) for w in words])


def test_a_program_of_its_own_says_the_same(file: Path) -> None:
    for words, status in ((["assess", str(file), "--strict"], 1), (["assess", "nowhere.json"], 2)):
        done = subprocess.run([sys.executable, "-m", "crooked_keel", *words], capture_output=True, text=True)
        within = run(*words)
        assert done.returncode == within.exit_code == status
        assert (done.stdout, done.stderr) == (within.stdout, within.stderr)


def test_assess_in_words(file: Path) -> None:
    done = run("assess", file)
    assert done.exit_code == 0
    assert "STOP       Forward limit passed by 19\u00a0mm" in done.stdout
    assert "= 275.87\u00a0kg·m / 490.0\u00a0kg − 582\u00a0mm" in done.stdout
    assert "Not checked: anything else" in done.stdout
    assert "safe" not in done.stdout.lower()


def test_strict_is_1_for_a_stop_and_0_without(file: Path) -> None:
    assert run("assess", file, "--strict").exit_code == 1
    assert run("assess", file, "--strict", "--fit", "B  flat-twin, direct").exit_code == 0


def test_assess_as_json(file: Path) -> None:
    made = json.loads(run("assess", file, "--fit", "b", "--json").stdout)
    assert made["fit"] == "b" and made["findings"]


def test_bad_input_is_2_with_its_sentence(file: Path, tmp_path: Path) -> None:
    bad = tmp_path / "bad.keel.json"
    bad.write_text(file.read_text().replace('"entered":"74.0 kg"', '"entered":"74.0 mm"'))
    done = run("assess", bad)
    assert done.exit_code == 2
    assert "/fits/a/installations/main/unit/mass: 'mm' is a length unit; a mass is wanted" in done.stderr
    assert "Accepted: kg, g" in done.stderr
    assert run("assess", tmp_path / "nowhere.json").exit_code == 2
    assert "no such fit" in run("assess", file, "--fit", "zz").stderr


def test_import_and_export_give_the_same_bytes(file: Path, tmp_path: Path) -> None:
    id = run("import", file, "--data", tmp_path).stdout.strip()
    out = tmp_path / "out.json"
    assert run("export", id, out, "--data", tmp_path).exit_code == 0
    assert out.read_bytes() == file.read_bytes()
    assert run("export", "nobody", out, "--data", tmp_path).exit_code == 2


def test_the_page_of_formulas_is_what_the_register_says() -> None:
    page = (Path(__file__).parent.parent / "docs" / "formulas.md").read_text()
    assert run("formulas").stdout == page
    assert "| balance.cg | `x = Σmx / Σm` |" in page


def test_schema() -> None:
    assert json.loads(run("schema").stdout)["title"] == "Project"


def test_a_host_that_others_reach_wants_a_passphrase(tmp_path: Path) -> None:
    done = run("serve", "--host", "0.0.0.0", "--data", tmp_path)
    assert done.exit_code == 2 and "passphrase" in done.stderr


def test_serving_does_not_import_scipy() -> None:
    """Start to first page has a budget; scipy alone takes a second."""
    code = "import sys, crooked_keel.api.app, crooked_keel.cli; sys.exit('scipy' in sys.modules)"
    assert subprocess.run([sys.executable, "-c", code]).returncode == 0


@pytest.mark.parametrize("kind", KIND_IDS)
def test_every_kind_is_assessed_in_words(kind: str, tmp_path: Path) -> None:
    file = tmp_path / "craft.keel.json"
    file.write_text(dump(DEMO_OF[kind]))
    said = RUNNER.invoke(app, ["assess", str(file), "--fit", "a", "--strict"])
    assert said.exit_code == 1 and "STOP" in said.output  # fit a of each has a stop
    assert "{" not in said.output and "safe" not in said.output.lower()
    assert RUNNER.invoke(app, ["assess", str(file), "--fit", "b", "--strict"]).exit_code == 0


def test_backup_and_restore(file: Path, tmp_path: Path) -> None:
    here, there, saved = tmp_path / "here", tmp_path / "there", tmp_path / "saved.keelbackup"
    RUNNER.invoke(app, ["import", str(file), "--data", str(here)])
    made = RUNNER.invoke(app, ["backup", str(saved), "--data", str(here)])
    assert made.exit_code == 0 and "1 projects, 1 revisions, proved" in made.output
    back = RUNNER.invoke(app, ["restore", str(saved), "--data", str(there)])
    assert back.exit_code == 0 and "1 projects, 1 revisions are back" in back.output
    out = tmp_path / "out.json"
    assert RUNNER.invoke(app, ["export", "Lapwing", str(out), "--data", str(there)]).exit_code == 0
    assert out.read_bytes() == file.read_bytes()


def test_a_spoilt_backup_replaces_nothing(file: Path, tmp_path: Path) -> None:
    here, saved = tmp_path / "here", tmp_path / "saved.keelbackup"
    RUNNER.invoke(app, ["import", str(file), "--data", str(here)])
    saved.write_bytes(b"not a backup")
    done = RUNNER.invoke(app, ["restore", str(saved), "--data", str(here)])
    assert done.exit_code == 2
    out = tmp_path / "out.json"
    assert RUNNER.invoke(app, ["export", "Lapwing", str(out), "--data", str(here)]).exit_code == 0
    assert out.read_bytes() == file.read_bytes()
