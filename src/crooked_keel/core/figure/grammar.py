"""The one parser: what people write, and everything that we print, to SI."""

from __future__ import annotations

import math
import re
from dataclasses import dataclass
from fractions import Fraction
from typing import Literal

from ..errors import InputError
from .units import BY_WORD, DIMENSIONLESS, PLAUSIBLE, UNITS, WORDS_BY_FIRST, Unit

# Rough: never typed, of figures that stand in for blank ones.
Source = Literal["measured", "maker", "estimated", "hearsay", "template", "computed", "rough"]


SOURCES: tuple[str, ...] = ("measured", "maker", "estimated", "hearsay", "template", "computed")


NumberStyle = Literal["point", "comma"]


_VULGAR = {"½": "1/2", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8", "⅓": "1/3", "⅔": "2/3"}


_VULGAR_SIGN = re.compile("[" + "".join(_VULGAR) + "]")


_MINUS = "-−–‒"


_TOLERANCE = re.compile(r"\s*(?:±|\+\s*/\s*[-−–]|\+\s*[-−–])\s*")


_NO_NUMBER = re.compile(r"(?i)(nan|inf)")


_DIGITS = re.compile(r"(?:\d[\d.,]*|[.,]\d[\d.,]*)(?:[eE][+\-−]?\d+)?")


_FRACTION = re.compile(r"(?P<whole>\d+)(?:\s+|\s*-\s*)(?P<num>\d+)\s*/\s*(?P<den>\d+)|(?P<n>\d+)\s*/\s*(?P<d>\d+)")


@dataclass(frozen=True, slots=True)
class Parsed:
    """What a text was understood to say: SI value, tolerance in SI with its text, source word, unit and remark."""

    entered: str
    si: float
    plus_minus_entered: str | None
    plus_minus_si: float | None
    source: str | None
    unit: Unit
    remark: str | None


def accepted_units(dimension: str) -> str:
    """Names of the units accepted for a dimension, for messages."""
    seen = dict.fromkeys(u.name for u in UNITS if u.dimension == dimension and u.name)
    return ", ".join(seen) or "a plain number"


def _fail(message: str, text: str, dimension: str) -> InputError:
    return InputError("", message, given=text, allowed=accepted_units(dimension))


def _number(text: str, style: NumberStyle, whole: str, dimension: str) -> float:
    """A run of digits with marks → float, by the project's number style. Ambiguous marks are refused, not guessed."""
    mark, group = (".", ",") if style == "point" else (",", ".")
    mantissa, _, exponent = text.replace("−", "-").lower().partition("e")
    head, _, tail = mantissa.partition(mark)
    if group in tail or mark in tail:
        raise _fail(f"'{text}' has too many marks for a number", whole, dimension)
    if group in head:
        parts = head.split(group)
        # Nobody separates thousands behind a nought: 0.305 is no 305.
        if not (1 <= len(parts[0]) <= 3) or any(len(p) != 3 for p in parts[1:]) or parts[0].startswith("0"):
            raise _fail(
                f"'{text}': this project writes numbers with a decimal {'point' if mark == '.' else 'comma'}; "
                f"'{group}' only separates thousands, in groups of three",
                whole,
                dimension,
            )
        head = "".join(parts)
    value = float(f"{head or '0'}.{tail or '0'}" + (f"e{exponent}" if exponent else ""))
    if not math.isfinite(value):
        raise _fail(f"'{text}' is beyond any number that can be meant here", whole, dimension)
    return value


def _take_number(text: str, at: int, style: NumberStyle, dimension: str) -> tuple[float, int]:
    """A decimal, a fraction or a mixed number at `at` → (value, end)."""
    fraction = _FRACTION.match(text, at)
    if fraction:
        group = fraction.groupdict()
        den = int(group["den"] or group["d"])
        if den == 0:
            raise _fail("a fraction over zero", text, dimension)
        value = Fraction(int(group["whole"] or 0)) + Fraction(int(group["num"] or group["n"]), den)
        return float(value), fraction.end()
    digits = _DIGITS.match(text, at)
    if not digits:
        raise _fail(f"'{text[at:] or text}' does not start with a number", text, dimension)
    run = digits.group()
    end = digits.end()
    while run and run[-1] in ".,":
        run, end = run[:-1], end - 1
    return _number(run, style, text, dimension), end


def _take_unit(text: str, at: int, dimension: str) -> tuple[Unit | None, int]:
    """The longest unit word at `at` whose dimension fits; else the longest of any dimension."""
    while at < len(text) and text[at] == " ":
        at += 1
    other: tuple[Unit, int] | None = None
    for word in WORDS_BY_FIRST.get(text[at : at + 1], ()):
        if not text.startswith(word, at):
            continue
        end = at + len(word)
        if end < len(text) and word[-1].isalpha() and (text[end].isalpha() or text[end] in "·/³²"):
            continue
        for unit in BY_WORD[word]:
            if unit.dimension == dimension:
                return unit, end
        other = other or (BY_WORD[word][0], end)
    return (None, at) if other is None else other


def _quantity(
    text: str, dimension: str, style: NumberStyle, fallback: Unit | None, difference: bool = False
) -> tuple[float, Unit]:
    """`3' 7 1/4"`, `12 lb 6 oz`, `-470 mm` → (SI, last unit). difference: between two, so that a scale's nought does
    not count."""
    text = text.strip()
    sign = 1.0
    if text[:1] and text[0] in _MINUS:
        sign, text = -1.0, text[1:].lstrip()
    elif text[:1] == "+":
        text = text[1:].lstrip()
    if not text:
        raise _fail("no figure here", text, dimension)
    if _NO_NUMBER.match(text):
        raise _fail(f"'{text}' is not a number", text, dimension)
    total, at, unit, first = 0.0, 0, None, True
    while at < len(text):
        value, at = _take_number(text, at, style, dimension)
        found, after = _take_unit(text, at, dimension)
        if found is None:
            rest = text[at:].strip()
            if rest:
                raise _fail(f"'{rest}' is not a unit known here", text, dimension)
            if dimension in DIMENSIONLESS:
                found = Unit("", dimension, 1.0, ())
            elif fallback is not None:
                found = fallback
            else:
                raise _fail("a bare number: write its unit", text, dimension)
        if found.dimension != dimension:
            raise _fail(
                f"'{found.name or found.words[0]}' is a {found.dimension} unit; a {dimension} is wanted",
                text,
                dimension,
            )
        if not first and unit is not None and found.factor >= unit.factor:
            raise _fail(f"'{text}' reads as two figures", text, dimension)
        total += value * found.factor
        unit, at, first = found, after, False
        while at < len(text) and text[at] == " ":
            at += 1
    assert unit is not None
    return sign * total + (0.0 if difference else unit.offset), unit


# Digits, the decimal mark and exactly three more: where people elsewhere separate thousands.
_THREE = {
    style: re.compile(rf"(?<![\d.,])[1-9]\d{{0,2}}{re.escape(mark)}\d{{3}}(?![\d.,])")
    for style, mark in (("point", "."), ("comma", ","))
}
_ONE_TO = re.compile(r"\s*1\s*:\s*(\d+(?:[.,]\d+)?)\s*")


def _help(text: str, dimension: str, style: NumberStyle) -> None:
    """Raises InputError for what reads two ways: a ratio written 1:2.43, a speed of 5.600 rpm."""
    turned = _ONE_TO.fullmatch(text)
    if turned and dimension == "number":
        way = turned.group(1)
        raise InputError(
            "",
            f"'{text.strip()}' reads two ways: which shaft turns faster?",
            given=text.strip(),
            allowed=f"{way} where the driver turns {way} times for one turn of what it drives, 1/{way} the other way",
        )
    three = _THREE[style].search(text) if dimension == "rotation" else None
    if three:
        mark = "." if style == "point" else ","
        head, tail = three.group().split(mark)
        raise InputError(
            "",
            f"'{three.group()}' reads two ways: {head} and a fraction, or {head} thousand {int(tail)}?",
            given=text.strip(),
            allowed=f"{head}{tail} rpm, or {head}{mark}{tail.rstrip('0') or '0'} rpm",
        )


def reads_two_ways(text: str) -> bool:
    """Whether a mark in a text is a decimal mark to some and separates thousands to others: 5.600, 1,234."""
    return any(pattern.search(text) for pattern in _THREE.values())


# Marks in a number: between digits, or before the first.
_MARK = re.compile(r"(?<=\d)[.,](?=\d)|(?<![\w.,])[.,](?=\d)")
_SWAP = str.maketrans(".,", ",.")


def swapped(text: str) -> str:
    """A text with its decimal marks for those that separate thousands, and the other way round."""
    return _MARK.sub(lambda m: m.group().translate(_SWAP), text)


def in_style(text: str, dimension: str, style: NumberStyle) -> str:
    """The text of a figure with the decimal mark of a style, also one that was written before a project changed it."""
    try:
        parse_figure(text, dimension, style)
    except InputError:
        return swapped(text)
    return text


def read_number(text: str, style: NumberStyle = "point") -> float:
    """A bare number of any size, as people write it: a check sum of a sheet, not a figure of the craft.

    Raises InputError with what would be accepted. Source: own grammar."""
    return _quantity(text, "number", style, None)[0]


def parse_figure(text: str, dimension: str, style: NumberStyle = "point") -> Parsed:
    """Read one figure as people write it.

    dimension: a key of `PLAUSIBLE`; style: decimal mark of the project. Returns SI value and tolerance.
    Raises InputError with what would be accepted. Source: own grammar, tested by round trip.
    """
    if len(text) > 200:
        raise _fail("too long for one figure", text[:40] + "…", dimension)
    whole = text.strip()
    plain = whole
    if _VULGAR_SIGN.search(plain):
        for sign, fraction in _VULGAR.items():
            plain = re.sub(rf"(\d)\s*{sign}", rf"\1 {fraction}", plain).replace(sign, fraction)
    plain = plain.replace("\u00a0", " ").replace("\u202f", " ")
    source = None
    words = plain.rsplit(None, 1)
    if len(words) == 2 and words[1].lower() in SOURCES:
        plain, source = words[0], words[1].lower()
    if not plain:
        raise _fail("no figure here", whole, dimension)
    parts = _TOLERANCE.split(plain)
    _help(parts[0], dimension, style)
    if len(parts) > 2:
        raise _fail("more than one ± in one figure", whole, dimension)
    try:
        si, unit = _quantity(parts[0], dimension, style, None)
        tolerance_text = tolerance_si = None
        if len(parts) == 2:
            tolerance_text = parts[1].strip()
            if tolerance_text.endswith("%"):
                share, _ = _quantity(tolerance_text[:-1], "number", style, None)
                tolerance_si = abs(si - unit.offset) * share / 100
            else:
                tolerance_si, _ = _quantity(tolerance_text, dimension, style, unit, difference=True)
            if tolerance_si < 0:
                raise _fail("a tolerance cannot be negative", whole, dimension)
    except InputError as bad:
        bad.given = whole
        raise
    if abs(si) > PLAUSIBLE[dimension]:
        raise _fail("far beyond anything that can be meant here: check the unit", whole, dimension)
    if tolerance_si is not None and tolerance_si > PLAUSIBLE[dimension]:
        raise _fail("the ± is far beyond anything that can be meant here: check its unit", whole, dimension)
    if dimension == "count" and si != round(si):
        raise _fail("a whole number is wanted", whole, dimension)
    entered = parts[0].strip()
    return Parsed(entered, si, tolerance_text, tolerance_si, source, unit, unit.remark)
