"""The command line: output, exit status, bad input on standard error."""

from __future__ import annotations

import json
import subprocess
import sys
from pathlib import Path

import pytest

from crooked_keel.core.document import dump
from tests.conftest import made_lapwing


@pytest.fixture(scope="module")
def file(tmp_path_factory: pytest.TempPathFactory) -> Path:
    made = tmp_path_factory.mktemp("cli") / "lapwing.keel.json"
    made.write_text(dump(made_lapwing()))
    return made


def run(*words: str | Path) -> subprocess.CompletedProcess[str]:
    return subprocess.run([sys.executable, "-m", "crooked_keel", *map(str, words)], capture_output=True, text=True)


def test_assess_in_words(file: Path) -> None:
    done = run("assess", file)
    assert done.returncode == 0
    assert "STOP       Forward limit passed by 19\u00a0mm" in done.stdout
    assert "= 275.87\u00a0kg·m / 490.0\u00a0kg − 582\u00a0mm" in done.stdout
    assert "Not checked: anything else" in done.stdout
    assert "safe" not in done.stdout.lower()


def test_strict_is_1_for_a_stop_and_0_without(file: Path) -> None:
    assert run("assess", file, "--strict").returncode == 1
    assert run("assess", file, "--strict", "--fit", "B  flat-twin, direct").returncode == 0


def test_assess_as_json(file: Path) -> None:
    made = json.loads(run("assess", file, "--fit", "b", "--json").stdout)
    assert made["fit"] == "b" and made["findings"]


def test_bad_input_is_2_with_its_sentence(file: Path, tmp_path: Path) -> None:
    bad = tmp_path / "bad.keel.json"
    bad.write_text(file.read_text().replace('"entered":"74.0 kg"', '"entered":"74.0 mm"'))
    done = run("assess", bad)
    assert done.returncode == 2
    assert "/fits/a/installations/main/unit/mass: 'mm' is a length unit; a mass is wanted" in done.stderr
    assert "Accepted: kg, g" in done.stderr
    assert run("assess", tmp_path / "nowhere.json").returncode == 2
    assert "no such fit" in run("assess", file, "--fit", "zz").stderr


def test_import_and_export_give_the_same_bytes(file: Path, tmp_path: Path) -> None:
    id = run("import", file, "--data", tmp_path).stdout.strip()
    out = tmp_path / "out.json"
    assert run("export", id, out, "--data", tmp_path).returncode == 0
    assert out.read_bytes() == file.read_bytes()
    assert run("export", "nobody", out, "--data", tmp_path).returncode == 2


def test_schema() -> None:
    assert json.loads(run("schema").stdout)["title"] == "Project"


def test_a_host_that_others_reach_wants_a_passphrase(tmp_path: Path) -> None:
    done = run("serve", "--host", "0.0.0.0", "--data", tmp_path)
    assert done.returncode == 2 and "passphrase" in done.stderr


def test_serving_does_not_import_scipy() -> None:
    """Start to first page has a budget; scipy alone takes a second."""
    code = "import sys, crooked_keel.api.app, crooked_keel.cli; sys.exit('scipy' in sys.modules)"
    assert subprocess.run([sys.executable, "-c", code]).returncode == 0
