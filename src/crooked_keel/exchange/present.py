"""Numbers and sentences at the edge, in the view's units. The front end has the same in TypeScript; both are held to
one table of examples."""

from __future__ import annotations

import re
from collections.abc import Iterable

from ..core.errors import Gap
from ..core.figure.units import VIEWS
from ..core.formula import FUNCTIONS, Working
from ..core.judging.finding import Message, Param, Value, Ways

MINUS = "−"


def number(si: float, dimension: str, units: str) -> str:
    """`71.0 kg`, `−6 mm`. Half is rounded away from zero; a rounded zero has no sign."""
    spec = VIEWS[units].get(dimension)
    if spec is None:
        raise KeyError(f"no way to print a {dimension}")
    value = (si - spec.offset) / spec.factor
    digits = f"{_round_half_away(abs(value), spec.decimals):.{spec.decimals}f}"
    negative = value < 0 and float(digits) != 0
    gap = "" if spec.unit in ("", "°", "%") else "\u00a0"
    if spec.unit == "%":
        gap = "\u00a0"
    return f"{MINUS if negative else ''}{digits}{gap}{spec.unit}"


def _round_half_away(value: float, decimals: int) -> float:
    scale = 10.0**decimals
    return int(value * scale + 0.5 + 1e-9) / scale


def directed(si: float, dimension: str, units: str, ways: Ways | None) -> str:
    """A number whose sign is a direction, in words: `13 mm to port`; what prints as nought has none."""
    if ways is None:
        return number(si, dimension, units)
    text = number(abs(si), dimension, units)
    return f"{text}\u00a0{ways.under if si < 0 else ways.over}" if re.search("[1-9]", text) else text


def answer(v: Value, units: str) -> tuple[str | None, str | None]:
    """What a headline value was and is, None where it cannot be said; a direction that stays is said once, last."""
    now = v.text if v.text is not None else None if v.si is None else directed(v.si, v.dimension, units, v.ways)
    if v.before_si is None:
        return None, now
    before = directed(v.before_si, v.dimension, units, v.ways)
    if v.ways is not None and v.si is not None and (v.si < 0) == (v.before_si < 0) and before != now:
        before = number(abs(v.before_si), v.dimension, units)
    return before, now


def param(p: Param, units: str) -> str:
    """One slot of a message."""
    return p.text if p.text is not None else directed(p.si or 0.0, p.dimension or "number", units, p.ways)


def sentence(message: Message, units: str) -> str:
    """A message with its slots filled."""
    return re.sub(
        r"\{(\w+)\}",
        lambda m: param(message.params[m.group(1)], units) if m.group(1) in message.params else m.group(0),
        message.template,
    )


def needed(gaps: Iterable[Gap]) -> str:
    """What is missing, or what cannot be used with what was given and what would be accepted."""
    return ", ".join(_named(gap) for gap in gaps)


def _named(gap: Gap) -> str:
    if not gap.given:
        return gap.what
    return f"{gap.what} (given: {gap.given}{f'; accepted: {gap.allowed}' if gap.allowed else ''})"


def _put(told: str, at: re.Match[str]) -> str:
    """A number in the place of a symbol: apart where its minus or its unit would be taken for the formula's."""
    before, after = at.string[: at.start()].rstrip()[-1:], at.string[at.end() :][:1]
    less, raised = told.startswith("−") and before not in ("", "("), after in "²³⁴^" and after != ""
    return f"({told})" if less or (raised and not told.isdecimal() and told != at.group(0)) else told


def working(w: Working, units: str) -> list[str]:
    """Three lines: the formula, the formula with its numbers, the result."""
    symbol, expression = (part.strip() for part in w.text.split("=", 1))
    # A function keeps its name though a symbol is spelt with one of its letters.
    words = {name: name for name in FUNCTIONS} | {t.symbol: number(t.si, t.dimension, units) for t in w.terms}
    names = sorted(words, key=len, reverse=True)
    filled = re.sub("|".join(re.escape(n) for n in names), lambda m: _put(words[m.group(0)], m), expression)
    return [f"{symbol} = {expression}", f"  = {filled}", f"  = {number(w.result.si, w.result.dimension, units)}"]
