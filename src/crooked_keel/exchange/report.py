"""An assessment as plain lines, for the command line."""

from __future__ import annotations

from collections.abc import Iterator

from ..core.assess import Assessment
from ..core.benches import BUILT
from ..core.figure.units import between
from .present import answer, needed, number, sentence, working

_WORDS = {"ok": "ok", "watch": "watch", "stop": "STOP", "unknown": "cannot say"}


def lines(assessment: Assessment, units: str) -> Iterator[str]:
    """Findings by bench, worst first, with their workings; then the headline values."""
    for bench in BUILT:
        yield bench.capitalize()
        for f in assessment.findings:
            if f.bench != bench:
                continue
            yield f"  {_WORDS[f.level]:<11}{_capital(sentence(f.title, units))}"
            yield f"             {_capital(sentence(f.message, units))}"
            if f.needs:
                yield f"             needs {needed(f.needs)}"
            if f.working and f.level != "ok":
                yield from (f"             {line}" for line in working(f.working, units))
        for v in assessment.values:
            if v.bench == bench and (v.si is not None or v.text):
                was, shown = answer(v, units)
                before = f"{was} → " if was is not None else ""
                yield f"  {_capital(v.label)}: {before}{shown}"
        state = next(b for b in assessment.benches if b.bench == bench)
        yield f"  Not checked: {'; '.join(state.unchecked)}."
        if state.silent:
            yield f"  Found nothing to judge: {'; '.join(state.silent)}."
    if assessment.rough:
        yield f"Rough figures stand in: {len(assessment.rough)}"
        for r in assessment.rough:
            by = number(r.plus_minus_si, between(r.dimension), units)
            yield f"  {_capital(r.what)}: {number(r.si, r.dimension, units)} ±{by}, {r.how}"
    yield (
        "Checked: what is listed above, with the figures entered. Not checked: anything else. Local rules and "
        "licensed people decide."
    )


def _capital(line: str) -> str:
    """A sentence begins with a capital, also where it begins with a name."""
    return line[:1].upper() + line[1:]
