"""The page of all formulas, made from their register: what `docs/formulas.md` is."""

from __future__ import annotations

from itertools import groupby

from ..core import benches
from ..core.formula import FORMULAS, Formula

_HEAD = """# Formulas

Every formula that a working is shown of, made from the register by `crooked-keel formulas > docs/formulas.md`. A test
holds text against function, and this page against the register. Symbols are in SI inside, printed in the view's units.
"""


def formulas_page() -> str:
    """All formulas by subject, with their symbols and numbered sources, as Markdown."""
    assert benches.RULES_OF  # every module that registers a formula has been imported by the benches
    made = sorted(FORMULAS.values(), key=lambda f: f.id)
    numbers = {source: i + 1 for i, source in enumerate(sorted({f.source for f in made}, key=str.casefold))}
    parts = [_HEAD]
    for subject, group in groupby(made, key=lambda f: f.id.split(".")[0]):
        parts.append(f"\n## {subject.capitalize()}\n\n| | formula | with | source |\n|---|---|---|---|\n")
        parts += [_row(f, numbers[f.source]) for f in group]
    parts.append("\n## Sources\n\n")
    parts += [f"{number}. {source[0].upper() + source[1:]}\n" for source, number in numbers.items()]
    return "".join(parts)


def _row(f: Formula, number: int) -> str:
    symbol, dimension, meaning = f.result
    named = [(symbol, (dimension, meaning)), *f.symbols.items()]
    words = "; ".join(f"`{s}` {m} ({d.replace('_', ' ')})" for s, (d, m) in named)
    return f"| {f.id} | `{f.text.replace('|', chr(92) + '|')}` | {words} | {number} |\n"
