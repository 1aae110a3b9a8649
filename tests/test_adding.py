"""What `docs/adding.md` says is done, in a copy of the program, and the program is asked what came of it."""

from __future__ import annotations

import re
import shutil
import subprocess
import sys
from pathlib import Path

import pytest

from crooked_keel.core.document import dump
from tests.conftest import DEMO_OF

ROOT = Path(__file__).parent.parent
STEP = re.compile(r"^```(diff|new) (\S+)\n(.*?)^```$", re.M | re.S)


def steps(chapter: str) -> list[tuple[str, str, str]]:
    """How, which file and what, of each step of a chapter."""
    page = (ROOT / "docs" / "adding.md").read_text()
    text = page[page.index(f"\n## {chapter}") + 1 :]
    made = STEP.findall(text.split("\n## ")[0])
    assert made
    return made


def done(copy: Path, chapter: str) -> list[str]:
    """Do the steps in a copy; the files that they touch."""
    for how, name, text in steps(chapter):
        path = copy / name if name.startswith("web/") else copy / "crooked_keel" / name
        path.parent.mkdir(parents=True, exist_ok=True)
        if how == "new":
            assert not path.exists()
            path.write_text(text)
            continue
        lines = text.splitlines()
        before = "\n".join(line[1:] for line in lines if not line.startswith("+"))
        after = "\n".join(line[1:] for line in lines if not line.startswith("-"))
        source = path.read_text()
        assert source.count(before) == 1, f"{name}: {before}"
        path.write_text(source.replace(before, after))
    return sorted({name for _, name, _ in steps(chapter)})


@pytest.fixture
def copy(tmp_path: Path) -> Path:
    skip = shutil.ignore_patterns("static", "__pycache__")
    shutil.copytree(ROOT / "src" / "crooked_keel", tmp_path / "crooked_keel", ignore=skip)
    shutil.copytree(ROOT / "web" / "src", tmp_path / "web" / "src")
    (tmp_path / "demo.keel.json").write_text(dump(DEMO_OF["road-vehicle"]))
    return tmp_path


def asked(copy: Path, question: str) -> list[str]:
    """What a fresh interpreter on the copy prints; `project` is the demonstration road vehicle."""
    opening = "\n".join(
        (
            "from crooked_keel.core.assess import assess",
            "from crooked_keel.core.document import apply_operations, load",
            "from crooked_keel.core.sheets import BLOCKS",
            "project = load(open('demo.keel.json').read())",
            "fit = sorted(project.fits)[0]",
            "unit = sorted(project.fits[fit].installations)[0]",
        )
    )
    command = [sys.executable, "-c", f"{opening}\n{question}"]
    run = subprocess.run(command, cwd=copy, env={"PYTHONPATH": str(copy)}, capture_output=True, text=True, check=False)
    assert run.returncode == 0, run.stderr
    return run.stdout.splitlines()


def test_a_figure_with_its_rule_and_drawing_is_six_files(copy: Path) -> None:
    assert len(done(copy, "A figure")) <= 6
    level = asked(
        copy,
        """
base = f'/fits/{fit}/installations/{unit}'
assert '~/mount/face/steady_at' in {e.pointer for b in BLOCKS for e in b.entries}
hangs = {'op': 'add', 'path': f'{base}/mount/face/overhang', 'value': {'entered': '200 mm', 'source': 'measured'}}
for at in (None, '900 mm', '10 mm', '900 mm ±2000 mm'):
    put = {'op': 'add', 'path': f'{base}/mount/face/steady_at', 'value': None}
    if at:
        put['value'] = {'entered': at.split(' ±')[0], 'source': 'measured'}
        if '±' in at:
            put['value']['plus_minus'] = {'entered': at.split('±')[1]}
        made = assess(apply_operations(project, [hangs, put]), fit)
    else:
        made = assess(project, fit)
    assert not made.failures, made.failures
    found = [f.level for f in made.findings if f.key == 'mount.steady']
    print(found, [i.steady is not None for i in made.shapes.installations if not i.old])
""",
    )
    assert level == ["[] [False]", "['ok'] [True]", "['watch'] [True]", "['watch'] [True]"]


def test_a_topic_is_a_folder_and_a_line_of_its_bench(copy: Path) -> None:
    touched = done(copy, "A topic")
    assert [t for t in touched if not t.startswith("core/mount/hang/")] == ["core/mount/section.py"]
    said = asked(
        copy,
        """
made = assess(project, fit)
assert not made.failures, made.failures
(value,) = [v for v in made.values if v.id == 'mount.hang']
unit, old = project.fits[fit].installations[unit].unit, project.old_installations[unit].unit
print([f.level for f in made.findings if f.rule == 'mount.hang'], value.si == unit.mass.si * 9.80665)
print(value.before_si == old.mass.si * 9.80665)
""",
    )
    share = DEMO_OF["road-vehicle"]
    fit = sorted(share.fits)[0]
    masses = [i["main"].unit.mass for i in (share.fits[fit].installations, share.old_installations)]
    assert masses[0] is not None and masses[1] is not None
    heavier = masses[0].si / masses[1].si
    level = "ok" if heavier <= 1 else "watch" if heavier <= 1.5 else "stop"
    assert said == [f"['{level}'] True", "True"]


def test_a_bench_is_a_folder_and_an_entry(copy: Path) -> None:
    touched = done(copy, "A bench")
    own = [t for t in touched if not t.startswith("core/upkeep/")]
    assert sorted(set(own)) == ["core/benches.py", "core/judging/finding.py"]
    said = asked(
        copy,
        """
made = assess(project, fit)
assert not made.failures, made.failures
print([f.key for f in made.findings if f.bench == 'upkeep'], [v.id for v in made.values if v.bench == 'upkeep'])
print([(b.level, b.built) for b in made.benches if b.bench == 'upkeep'])
print([b.title for b in BLOCKS if b.bench == 'upkeep'])
""",
    )
    assert said == ["['upkeep.bolts'] ['upkeep.nose-up']", "[('watch', True)]", "['What it weighs']"]
