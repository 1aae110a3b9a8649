"""Rules of the house that no linter knows: where numbers may become text, what words may not be used, who has a
source."""

from __future__ import annotations

import ast
import re
from collections import defaultdict
from pathlib import Path

import pytest

from crooked_keel.core.benches import BUILT, RULES_OF
from crooked_keel.core.judging.register import RULES
from crooked_keel.core.setup import set_up
from crooked_keel.core.topic.workspace import Scope
from tests.conftest import DEMO_OF

ROOT = Path(__file__).parents[1]
CORE = ROOT / "src" / "crooked_keel" / "core"
WEB = ROOT / "web" / "src"
# A format specification within an f-string: {x:.2f}, {x:g}.
FORMATTED = re.compile(r"\{[^{}\n]*:[-+,0-9.]*[0-9.]*[efgd%]\}")
# Suggestions write figures as a person would type them; that text is then read by the parser like any other.
TYPES_FIGURES = {"suggest.py", "suggest_weighed.py", "propose.py"}


def python_files() -> list[Path]:
    return sorted(p for p in CORE.rglob("*.py"))


def test_the_core_formats_no_number() -> None:
    """A number becomes text only at the edge."""
    for file in python_files():
        assert file.name in TYPES_FIGURES or not FORMATTED.findall(file.read_text()), file


def test_the_pattern_finds_what_it_is_for() -> None:
    assert FORMATTED.search('f"{x:.2f} kg"') and FORMATTED.search('f"{x:g}"')
    assert not FORMATTED.search('f"{base}/{key}"')


def test_screens_format_no_number_and_write_no_sentence_of_a_finding() -> None:
    allowed = {WEB / "figure" / "format.ts", WEB / "figure" / "fields.ts"}
    for file in sorted(WEB.rglob("*.ts*")):
        if file in allowed or file.name.endswith((".test.ts", "schema.d.ts")):
            continue
        text = file.read_text()
        assert not re.search(r"\.(toFixed|toPrecision|toExponential)\(", text), file
        assert not re.search(r"(Forward|Aft) limit (passed|kept)", text), file


def test_the_core_reads_no_clock_no_file_no_network() -> None:
    banned = re.compile(
        r"^\s*(import|from) (time|datetime|os|pathlib|socket|urllib|requests|sqlite3|logging|random)\b", re.M
    )
    # A day is a value; which day it is, is handed in.
    days = re.compile(r"^from datetime import (date|timedelta|date, timedelta)$", re.M)
    for file in python_files():
        text = days.sub("", file.read_text())
        assert not banned.search(text) and not re.search(r"\.(today|now|utcnow)\(", text), file


def test_no_bench_asks_for_a_kind() -> None:
    for bench in BUILT:
        for file in (CORE / bench).rglob("*.py"):
            assert not re.search(r"\bproject\.kind\b|\.kind == \"aeroplane\"", file.read_text()), file


def test_public_functions_of_the_core_say_what_they_do() -> None:
    for file in python_files():
        if file.name.endswith("rules.py"):
            continue  # a rule is described by its registration
        tree = ast.parse(file.read_text())
        owners = [tree, *(n for n in tree.body if isinstance(n, ast.ClassDef))]
        for owner in owners:
            for node in owner.body:
                stub = any(isinstance(d, ast.Name) and d.id == "overload" for d in getattr(node, "decorator_list", []))
                if isinstance(node, ast.FunctionDef | ast.ClassDef) and not stub and not node.name.startswith("_"):
                    assert ast.get_docstring(node), f"{file.relative_to(CORE)}: {node.name}"


def test_readme_names_the_command_that_continuous_integration_runs() -> None:
    readme = (ROOT / "README.md").read_text().splitlines()
    at = readme.index("<!-- test-command -->")
    assert readme[at + 1] == "    make test"
    assert "README.md" in (ROOT / ".ci" / "run").read_text()


def test_pins_name_no_address() -> None:
    for name in ("requirements.txt", "requirements-dev.txt", "requirements-uv.txt"):
        assert "://" not in (ROOT / name).read_text()
    assert '"resolved"' not in (ROOT / "web" / "package-lock.json").read_text()


# --- rooms

SOURCE = ROOT / "src" / "crooked_keel"
# Aligned tables of numbers, where a row is a line.
TABLES = {"figure/units.py", "figure/doubt.py", "reference/load_cases.py", "reference/tyres.py"}
MOST_LINES, MOST_IN_A_SECTION = 430, 175


def test_no_file_holds_more_than_one_reads_at_a_sitting() -> None:
    long = {
        str(f.relative_to(SOURCE)): n
        for f in SOURCE.rglob("*.py")
        if (n := len(f.read_text().split("\n"))) > MOST_LINES
    }
    assert not long


def test_a_section_only_composes_what_its_topics_say() -> None:
    long = {
        f.parent.name: n for f in CORE.glob("*/section.py") if (n := len(f.read_text().split("\n"))) > MOST_IN_A_SECTION
    }
    assert not long


def test_only_tables_are_kept_from_the_formatter() -> None:
    for file in python_files():
        if str(file.relative_to(CORE)) not in TABLES:
            assert "fmt: skip" not in file.read_text() and "fmt: off" not in file.read_text(), file


def test_no_module_imports_itself_by_a_roundabout_way() -> None:
    """Nor from within a function, where Python would not mind."""
    graph = {_module(f): _imports(f) for f in sorted(SOURCE.rglob("*.py"))}
    done: set[str] = set()

    def walk(name: str, path: tuple[str, ...]) -> None:
        assert name not in path, " → ".join((*path[path.index(name) :], name))
        if name not in done:
            for other in graph.get(name, ()):
                walk(other, (*path, name))
            done.add(name)

    for name in graph:
        walk(name, ())


def _module(file: Path) -> str:
    return ".".join(file.relative_to(SOURCE).with_suffix("").parts)


def _imports(file: Path) -> set[str]:
    """Modules of the program that a module imports, by their names within it."""
    at = file.relative_to(SOURCE).parts[:-1]
    made = set()
    for node in ast.walk(ast.parse(file.read_text())):
        if isinstance(node, ast.ImportFrom) and node.level:
            base = ".".join([*at[: len(at) - node.level + 1], *(node.module or "").split(".")]).strip(".")
            for alias in node.names:
                inner = f"{base}.{alias.name}".strip(".")
                made.add(inner if (SOURCE / Path(*inner.split("."))).with_suffix(".py").exists() else base)
    return made - {_module(file)}


def test_a_class_name_stands_for_one_thing() -> None:
    """Of the core: who reads `Point` need not ask which."""
    where: dict[str, list[str]] = defaultdict(list)
    for file in python_files():
        for node in ast.parse(file.read_text()).body:
            if isinstance(node, ast.ClassDef) and not node.name.startswith("_"):
                where[node.name].append(str(file.relative_to(CORE)))
    assert {name: files for name, files in where.items() if len(files) > 1} == {}


# --- rules


def test_every_rule_that_is_written_is_asked() -> None:
    written = {
        found for f in python_files() for found in re.findall(r'@rule\(\s*"([a-z]+\.[a-z0-9-]+)"', f.read_text())
    }
    assert written == set(RULES) == {a.rule.id for asked in RULES_OF.values() for a in asked}


def test_a_rule_whose_form_a_craft_has_finds_all_that_it_takes() -> None:
    """A rule is not asked where a topic that it takes is not there: that may be only what is of an electric unit."""
    silent = set()
    for project in DEMO_OF.values():
        for fit in project.fits:
            benches = set_up(project, fit)
            forms = benches.resolved.references.kind.forms
            for one in benches.installations:
                topics = [benches.resolved, *benches.craft.topics(), *benches.balance.topics(), *one.topics()]
                topics += benches.build.topics() if benches.build else []
                scope = Scope("", *topics)
                silent |= {
                    a.rule.id
                    for asked in RULES_OF.values()
                    for a in asked
                    if (a.rule.form is None or a.rule.form in forms) and not scope.has(a.takes)
                }
    assert silent == {
        "drive.pack",
        "drive.voltage",
        "drive.continuous",
        "drive.range",
        "drive.phase-current",
        "drive.duty",
        "drive.puts-back",
        "drive.lasting-torque",
        "drive.motor-possible",
        "drive.downhill-voltage",
        "drive.pack-possible",
        "systems.voltage-isolation",
        "systems.voltage-precharge",
        "systems.voltage-discharge",
        "systems.voltage-fuse",
        "systems.voltage-interlock",
        "systems.voltage-moving",
        # Of what all benches said, which is there when they have spoken.
        "prove.promised",
        "prove.rated-speed",
        "prove.diagnosis",
    }


def whole_run(request: pytest.FixtureRequest) -> set[Path]:
    """The files of the tests that this run collected; a run of a part of them has nothing to say."""
    if not any(Path(a).resolve() == ROOT / "tests" for a in request.config.args):
        pytest.skip("a part of the tests says nothing of all of them")
    return {item.path for item in request.session.items}


def test_every_test_that_is_written_is_collected(request: pytest.FixtureRequest) -> None:
    """No folder is left out by its name, as `build` was by pytest's own list of what not to look into."""
    collected = whole_run(request)
    ignored = [Path(i).resolve() for i in request.config.getoption("--ignore") or ()]
    written = {f for f in (ROOT / "tests").rglob("test_*.py") if not any(f.is_relative_to(i) for i in ignored)}
    assert written - collected == set()


def test_every_rule_is_named_by_a_test(request: pytest.FixtureRequest) -> None:
    """By one that runs: what stands in a file that nobody collects tests nothing."""
    texts = "\n".join(f.read_text() for f in whole_run(request))
    assert not [
        rule for rule in RULES if f'"{rule}' not in texts and f"{rule}:" not in texts and f"{rule}@" not in texts
    ]


# --- names


def test_a_rule_writes_its_id_once() -> None:
    """In its registration: what it says is named by the register, so that no verdict can go by another's name."""
    for file in CORE.rglob("rules.py"):
        text = file.read_text()
        for id in re.findall(r'@rule\(\s*"([a-z]+\.[a-z0-9-]+)"', text):
            assert text.count(f'"{id}"') == 1, id


def test_what_was_compared_comes_from_a_band_alone() -> None:
    """Level, margin and what was compared are one statement: nobody writes the second or third by hand."""
    for file in python_files():
        if "judging" not in file.parts:
            assert not re.search(r"\bCompared\(|\bMargin\(", file.read_text()), file
