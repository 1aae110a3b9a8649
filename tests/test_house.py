"""Rules of the house that no linter knows: where numbers may become text, what words may not be used, who has a
source."""

from __future__ import annotations

import ast
import re
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[1]
CORE = ROOT / "src" / "crooked_keel" / "core"
WEB = ROOT / "web" / "src"
# A format specification within an f-string: {x:.2f}, {x:g}.
FORMATTED = re.compile(r"\{[^{}\n]*:[-+,0-9.]*[0-9.]*[efgd%]\}")
# Suggestions write figures as a person would type them; that text is then read by the parser like any other.
TYPES_FIGURES = {"suggest.py", "propose.py"}


def python_files() -> list[Path]:
    return sorted(p for p in CORE.rglob("*.py"))


@pytest.mark.parametrize("file", python_files(), ids=lambda p: str(p.relative_to(CORE)))
def test_the_core_formats_no_number(file: Path) -> None:
    if file.name not in TYPES_FIGURES:
        assert not FORMATTED.findall(file.read_text()), "a number becomes text only at the edge"


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
    for file in python_files():
        assert not banned.search(file.read_text()), file


def test_no_bench_asks_for_a_kind() -> None:
    for bench in ("craft", "balance", "drive", "mount", "align"):
        for file in (CORE / bench).glob("*.py"):
            assert not re.search(r"\bproject\.kind\b|\.kind == \"aeroplane\"", file.read_text()), file


def test_public_functions_of_the_core_say_what_they_do() -> None:
    for file in python_files():
        if file.name.endswith("rules.py"):
            continue  # a rule is described by its registration
        tree = ast.parse(file.read_text())
        owners = [tree, *(n for n in tree.body if isinstance(n, ast.ClassDef))]
        for owner in owners:
            for node in owner.body:
                if isinstance(node, ast.FunctionDef | ast.ClassDef) and not node.name.startswith("_"):
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
