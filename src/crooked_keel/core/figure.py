"""Figures: what a person typed, kept as typed, beside its SI value, tolerance and source.

One parser for all that people write (`43 1/4 in ±1/8 in`, `3' 7 1/4"`, `12 lb 6 oz`, `.062 in`, `−77.1 kg`) and for
all that the tool prints. A stored figure is never parsed again.
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated, Any, ClassVar, Literal, Self

from pydantic import BaseModel, ConfigDict, Field, ValidationInfo, model_validator
from pydantic_core import PydanticCustomError

from .errors import InputError
from .units import BY_WORD, DIMENSIONLESS, PLAUSIBLE, UNITS, WORDS_LONGEST_FIRST, Unit

Source = Literal["measured", "maker", "estimated", "hearsay", "template", "computed"]
SOURCES: tuple[str, ...] = ("measured", "maker", "estimated", "hearsay", "template", "computed")
NumberStyle = Literal["point", "comma"]

_VULGAR = {"½": "1/2", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8", "⅓": "1/3", "⅔": "2/3"}
_MINUS = "-−–‒"
_TOLERANCE = re.compile(r"\s*(?:±|\+\s*/\s*[-−–]|\+\s*[-−–])\s*")
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
        if not (1 <= len(parts[0]) <= 3) or any(len(p) != 3 for p in parts[1:]):
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
    for word in WORDS_LONGEST_FIRST:
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


def _quantity(text: str, dimension: str, style: NumberStyle, fallback: Unit | None) -> tuple[float, Unit]:
    """`3' 7 1/4"`, `12 lb 6 oz`, `-470 mm` → (SI, last unit)."""
    text = text.strip()
    sign = 1.0
    if text[:1] and text[0] in _MINUS:
        sign, text = -1.0, text[1:].lstrip()
    elif text[:1] == "+":
        text = text[1:].lstrip()
    if not text:
        raise _fail("no figure here", text, dimension)
    if re.match(r"(?i)(nan|inf)", text):
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
    return sign * total, unit


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
    if len(parts) > 2:
        raise _fail("more than one ± in one figure", whole, dimension)
    try:
        si, unit = _quantity(parts[0], dimension, style, None)
        tolerance_text = tolerance_si = None
        if len(parts) == 2:
            tolerance_text = parts[1].strip()
            if tolerance_text.endswith("%"):
                share, _ = _quantity(tolerance_text[:-1], "number", style, None)
                tolerance_si = abs(si) * share / 100
            else:
                tolerance_si, _ = _quantity(tolerance_text, dimension, style, unit)
            if tolerance_si < 0:
                raise _fail("a tolerance cannot be negative", whole, dimension)
    except InputError as bad:
        bad.given = whole
        raise
    if abs(si) > PLAUSIBLE[dimension]:
        raise _fail("far beyond anything that can be meant here: check the unit", whole, dimension)
    if dimension == "count" and si != round(si):
        raise _fail("a whole number is wanted", whole, dimension)
    entered = parts[0].strip()
    return Parsed(entered, si, tolerance_text, tolerance_si, source, unit, unit.remark)


class Tolerance(BaseModel):
    """± as typed and in SI. For measured figures two standard deviations; otherwise a bound."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False, frozen=True)
    entered: str
    si: float


class Earlier(BaseModel):
    """What a figure was before a measurement that disagrees with it."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False, frozen=True)
    entered: str
    si: float
    plus_minus: Tolerance | None = None
    source: Source


class Figure(BaseModel):
    """One figure. A client sends `entered`; only the server computes `si`."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False, frozen=True)
    dimension: ClassVar[str] = "number"
    # The dimension by which a view prints it, where that is finer or of another trade than `dimension`.
    shown: ClassVar[str | None] = None
    least: ClassVar[float | None] = None
    least_words: ClassVar[str] = ""

    entered: str
    si: float = 0.0
    plus_minus: Tolerance | None = None
    source: Source = "estimated"
    note: str | None = None
    instrument: str | None = None
    earlier: Earlier | None = None

    @model_validator(mode="wrap")
    @classmethod
    def _read(cls, value: Any, handler: Any, info: ValidationInfo) -> Self:
        context = info.context or {}
        if isinstance(value, cls) or context.get("trusted"):
            return handler(value)  # type: ignore[no-any-return]
        try:
            return handler(cls._normal(value, context.get("number_style", "point")))  # type: ignore[no-any-return]
        except InputError as bad:
            raise PydanticCustomError(
                "figure",
                "{reason}",
                {"reason": bad.message, "given": bad.given, "allowed": bad.allowed},
            ) from None

    @classmethod
    def _normal(cls, value: Any, style: NumberStyle) -> dict[str, Any]:
        if isinstance(value, bool | int | float):
            raise InputError(
                "", "a bare number: write its unit", given=str(value)[:40], allowed=accepted_units(cls.dimension)
            )
        if isinstance(value, str):
            value = {"entered": value}
        if not isinstance(value, dict) or not isinstance(value.get("entered"), str):
            raise InputError(
                "", "a figure is a text with its unit", given=str(value)[:40], allowed=accepted_units(cls.dimension)
            )
        parsed = parse_figure(value["entered"], cls.dimension, style)
        tolerance_text, tolerance_si = parsed.plus_minus_entered, parsed.plus_minus_si
        given = value.get("plus_minus")
        if tolerance_text is None and isinstance(given, dict) and isinstance(given.get("entered"), str):
            again = parse_figure(f"{value['entered']} ± {given['entered']}", cls.dimension, style)
            tolerance_text, tolerance_si = again.plus_minus_entered, again.plus_minus_si
        for name, typed, si in (
            ("the value", value.get("si"), parsed.si),
            ("the tolerance", given.get("si") if isinstance(given, dict) else None, tolerance_si),
        ):
            if typed is not None and (
                isinstance(typed, bool)
                or not isinstance(typed, int | float)
                or si is None
                or abs(typed - si) > 1e-9 * max(1.0, abs(si))
            ):
                raise InputError("", f"{name} in SI ({typed}) disagrees with its text ({si})", given=value["entered"])
        if cls.least is not None and parsed.si < cls.least:
            raise InputError("", cls.least_words, given=value["entered"])
        normal = {k: v for k, v in value.items() if k not in ("entered", "si", "plus_minus")}
        normal["entered"], normal["si"] = parsed.entered, parsed.si
        if tolerance_text is not None:
            normal["plus_minus"] = {"entered": tolerance_text, "si": tolerance_si}
        if parsed.source is not None:
            normal["source"] = parsed.source
        return normal


class Mass(Figure):
    """A mass, kg."""

    dimension = "mass"
    least = 0.0
    least_words = "a mass cannot be negative; to take it out, use the kind 'removed'"


class MassMoment(Figure):
    """A mass times its station, kg·m; negative ahead of the datum."""

    dimension = "mass_moment"


class Length(Figure):
    """A length, m, zero or more."""

    dimension = "length"
    least = 0.0
    least_words = "a length cannot be negative"


class Offset(Figure):
    """A signed distance between two things, m."""

    dimension = "length"


class Angle(Figure):
    """An angle, rad, either sign."""

    dimension = "angle"


class Power(Figure):
    """A power, W."""

    dimension = "power"
    least = 0.0
    least_words = "a power cannot be negative"


class Torque(Figure):
    """A torque, N·m."""

    dimension = "torque"
    least = 0.0
    least_words = "a torque cannot be negative; the way it turns is asked for on its own"


class Rotation(Figure):
    """A speed of rotation, rad/s."""

    dimension = "rotation"
    least = 0.0
    least_words = "a speed of rotation cannot be negative; the way it turns is asked for on its own"


class Force(Figure):
    """A force, N."""

    dimension = "force"
    least = 0.0
    least_words = "a force cannot be negative"


class Volume(Figure):
    """A volume, m³."""

    dimension = "volume"
    least = 0.0
    least_words = "a volume cannot be negative"


class Density(Figure):
    """A density, kg/m³."""

    dimension = "density"
    least = 1.0
    least_words = "a density must be above 1 kg/m³"


class Inertia(Figure):
    """A polar moment of inertia, kg·m²."""

    dimension = "inertia"
    least = 0.0
    least_words = "an inertia cannot be negative"


class Stiffness(Figure):
    """A stiffness, N/m."""

    dimension = "stiffness"
    least = 1e-9
    least_words = "a stiffness must be more than zero"


class FineLength(Length):
    """A gap or a runout, m: read with feelers or a dial."""

    shown = "fine_length"


class FineOffset(Figure):
    """A step or a dial reading, m, either sign."""

    dimension = "length"
    shown = "fine_length"


class Area(Figure):
    """An area, m²."""

    dimension = "area"
    least = 0.0
    least_words = "an area cannot be negative"


class SeaSpeed(Figure):
    """A speed through the water, m/s."""

    dimension = "speed"
    shown = "sea_speed"
    least = 0.0
    least_words = "a speed cannot be negative"


class RoadSpeed(SeaSpeed):
    """A speed on the road, m/s."""

    shown = "road_speed"


class Voltage(Figure):
    """A voltage, V."""

    dimension = "voltage"
    least = 0.0
    least_words = "a voltage cannot be negative"


class Current(Figure):
    """A current, A."""

    dimension = "current"
    least = 0.0
    least_words = "a current cannot be negative"


class Energy(Figure):
    """An energy, J."""

    dimension = "energy"
    least = 0.0
    least_words = "an energy cannot be negative"


class Duration(Figure):
    """A time, s."""

    dimension = "time"
    least = 0.0
    least_words = "a time cannot be negative"


class Altitude(Figure):
    """A height over the sea, m."""

    dimension = "altitude"


class Money(Figure):
    """An amount in the currency of the project."""

    dimension = "money"
    least = 0.0
    least_words = "an amount cannot be negative"


class Wait(Figure):
    """How long something takes to come, s."""

    dimension = "wait"
    least = 0.0
    least_words = "a wait cannot be negative"


class Consumption(Figure):
    """Fuel for work, kg/J."""

    dimension = "consumption"
    least = 1e-12
    least_words = "a consumption must be more than zero; a motor burns nothing: leave it blank"


class Number(Figure):
    """A plain number: a ratio, a factor."""

    dimension = "number"


class Ratio(Number):
    """A ratio above zero."""

    least = 1e-9
    least_words = "a ratio must be more than zero"


class Count(Figure):
    """A whole number above zero."""

    dimension = "count"
    least = 1.0
    least_words = "at least one is wanted"


# Sign of each direction word along its axis: x aft, y starboard, z up.
DIRECTIONS: dict[str, int] = {"aft": 1, "forward": -1, "starboard": 1, "port": -1, "up": 1, "down": -1}


class Place(Figure):
    """A distance along one axis, measured from a named reference in a named direction.

    `si` is the distance as measured; `along_m` is signed on the axis. The place itself follows its reference
    when that moves, so it is computed in `resolve`, never stored.
    """

    model_config = ConfigDict(
        extra="forbid", strict=True, allow_inf_nan=False, frozen=True, validate_by_name=True, validate_by_alias=True
    )
    dimension = "length"
    origin: Annotated[str, Field(alias="from")] = "datum"
    dir: str

    @property
    def along_m(self) -> float:
        """Distance along the positive axis, m."""
        return self.si * DIRECTIONS[self.dir]


class Station(Place):
    """Along x, positive aft."""

    dir: Literal["aft", "forward"] = "aft"


class ButtLine(Place):
    """Along y, positive to starboard."""

    origin: Annotated[str, Field(alias="from")] = "centreline"
    dir: Literal["starboard", "port"] = "starboard"


class WaterLine(Place):
    """Along z, positive up."""

    origin: Annotated[str, Field(alias="from")] = "level line"
    dir: Literal["up", "down"] = "up"


class UnitStation(Station):
    """Along the shaft of the unit, measured from its own output flange."""

    origin: Annotated[Literal["unit flange"], Field(alias="from")] = "unit flange"


class UnitButtLine(ButtLine):
    """Across the unit, from the axis of its output flange."""

    origin: Annotated[Literal["unit flange"], Field(alias="from")] = "unit flange"


class UnitWaterLine(WaterLine):
    """Up from the axis of the unit's output flange."""

    origin: Annotated[Literal["unit flange"], Field(alias="from")] = "unit flange"


class DriveStation(Station):
    """Along the shaft, measured from the flange that the propeller or spacer bolts to."""

    origin: Annotated[Literal["output flange"], Field(alias="from")] = "output flange"


class StageButtLine(ButtLine):
    """Across, from the driving shaft of a stage to the driven one."""

    origin: Annotated[Literal["driving shaft"], Field(alias="from")] = "driving shaft"


class StageWaterLine(WaterLine):
    """Up, from the driving shaft of a stage to the driven one."""

    origin: Annotated[Literal["driving shaft"], Field(alias="from")] = "driving shaft"


# Common practice, no source; editable defaults that every answer names as assumptions: (share of value, least).
_DEFAULT_BOUND: dict[str, dict[str, tuple[float, float]]] = {
    "mass": {"measured": (0.002, 0.2), "maker": (0.05, 0.0), "estimated": (0.15, 0.0), "hearsay": (0.25, 0.0),
             "template": (0.25, 0.0), "computed": (0.0, 0.0)},
    "length": {"measured": (0.0, 0.003), "maker": (0.0, 0.015), "estimated": (0.0, 0.030), "hearsay": (0.0, 0.075),
               "template": (0.0, 0.075), "computed": (0.0, 0.0)},
}  # fmt: skip


School = Literal["two standard deviations", "largest error"]


def std_uncertainty(bound: float, source: str, school: School = "two standard deviations") -> float:
    """Standard uncertainty of a stated ±, same unit. Measured: ± is two standard deviations, or by the other school the largest error;
    otherwise a bound of even chance, ±/√3. Source: JCGM 100:2008, 4.3 (from memory). Raises InputError on a negative tolerance."""
    if bound < 0:
        raise InputError("", "a tolerance cannot be negative", given=str(bound))
    return bound / 2 if source == "measured" and school == "two standard deviations" else bound / math.sqrt(3)


def measured_uncertainty(figure: Figure) -> float:
    """Standard uncertainty that a figure would have if it were measured, in SI: the visible default; 0 where there is none."""
    table = _DEFAULT_BOUND.get(figure.dimension)
    if table is None:
        return 0.0
    share, least = table["measured"]
    return std_uncertainty(max(share * abs(figure.si), least), "measured")


def figure_uncertainty(figure: Figure, school: School = "two standard deviations") -> float:
    """Standard uncertainty of a figure in SI: its own ±, or the visible default for its source."""
    if figure.plus_minus is not None:
        return std_uncertainty(figure.plus_minus.si, figure.source, school)
    table = _DEFAULT_BOUND.get(figure.dimension)
    if table is None:
        return 0.0
    share, least = table[figure.source]
    return std_uncertainty(max(share * abs(figure.si), least), figure.source, school)


def surprises(new: Figure, old: Figure) -> bool:
    """Whether a measurement lies further from what was told or estimated than three standard deviations of both together. One
    measurement after another is a correction, not a surprise.

    Source: JCGM 100:2008 (from memory)."""
    if new.source != "measured" or old.source not in ("maker", "estimated", "hearsay") or type(new) is not type(old):
        return False
    along = lambda f: f.along_m if isinstance(f, Place) else f.si
    if isinstance(new, Place) and isinstance(old, Place) and new.origin != old.origin:
        return False
    u, r = figure_uncertainty(old), figure_uncertainty(new)
    return u > 0 and abs(along(new) - along(old)) > 3 * math.hypot(u, r)


def with_earlier(new: Figure, old: Figure) -> Figure:
    """A measurement that surprises, with the figure it replaces kept beside it; any other as it is."""
    if not surprises(new, old):
        return new
    kept = Earlier(entered=old.entered, si=old.si, plus_minus=old.plus_minus, source=old.source)
    return new.model_copy(update={"earlier": kept})
