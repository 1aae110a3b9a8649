"""The page of all formulas, made from their register: what `docs/formulas.md` is."""

from __future__ import annotations

from itertools import groupby

from ..core import benches
from ..core.formula import FORMULAS, Formula
from .present import number

_HEAD = """# Formulas

Every formula that a working is shown of, made from the register by `crooked-keel formulas > docs/formulas.md`. A test
holds text and function against the worked example and against each other, and this page against the register. Symbols
are in SI inside, printed in the view's units. Where no range is said, it holds by definition or by geometry.
"""
_COLUMNS = "| | formula | with | example | holds for | source |\n|---|---|---|---|---|---|\n"


def formulas_page() -> str:
    """All formulas by subject, with their symbols and numbered sources, as Markdown."""
    assert benches.RULES_OF  # every module that registers a formula has been imported by the benches
    made = sorted(FORMULAS.values(), key=lambda f: f.id)
    numbers = {source: i + 1 for i, source in enumerate(sorted({f.source for f in made}, key=str.casefold))}
    parts = [_HEAD]
    for subject, group in groupby(made, key=lambda f: f.id.split(".")[0]):
        parts.append(f"\n## {subject.capitalize()}\n\n{_COLUMNS}")
        parts += [_row(f, numbers[f.source]) for f in group]
    parts.append("\n## Sources\n\n")
    parts += [f"{place}. {source[0].upper() + source[1:]}\n" for source, place in numbers.items()]
    return "".join(parts)


def _row(f: Formula, source: int) -> str:
    symbol, dimension, meaning = f.result
    named = [(symbol, (dimension, meaning)), *f.symbols.items()]
    words = "; ".join(f"`{s}` {m} ({d.replace('_', ' ')})" for s, (d, m) in named)
    given = ", ".join(f"{s} {_shown(v, d)}" for v, (s, (d, _)) in zip(f.example[0], f.symbols.items(), strict=True))
    example = f"{given} → {_shown(f.example[1], dimension)}"
    return f"| {f.id} | `{f.text.replace('|', chr(92) + '|')}` | {words} | {example} | {f.valid} | {source} |\n"


def _shown(si: float, dimension: str) -> str:
    return number(si, dimension, "mm-kg")
