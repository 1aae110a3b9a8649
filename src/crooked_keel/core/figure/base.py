"""A figure as it was typed, beside its value in SI, its tolerance and its source."""

from __future__ import annotations

import math
from typing import Any, ClassVar, Self

from pydantic import BaseModel, ConfigDict, ValidationInfo, model_validator
from pydantic_core import PydanticCustomError

from ..errors import InputError
from .grammar import NumberStyle, Parsed, Source, accepted_units, in_style, parse_figure


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
    # What is possible, both ends included, in SI: refused outside. Blank ends are the grammar's own.
    least: ClassVar[float | None] = None
    most: ClassVar[float | None] = None
    least_words: ClassVar[str] = ""
    most_words: ClassVar[str] = ""
    # What is accepted, as people write it, where the two ends do not say it.
    allowed: ClassVar[str] = ""
    # Whether a ± is wide by its share of the figure, however small it is: of bores and other small sizes.
    by_share: ClassVar[bool] = False
    # What is usual, both ends included, in SI: outside it a figure is asked about.
    usual: ClassVar[tuple[float, float]] = (-math.inf, math.inf)

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
    def _parsed(cls, entered: str, style: NumberStyle, si: Any) -> tuple[Parsed, NumberStyle]:
        """What a text says, and the decimal mark it was written with: the project's; or the other, of a figure that was
        there before the project changed its mark, where it cannot be read with this one and its own SI agrees."""
        try:
            return parse_figure(entered, cls.dimension, style), style
        except InputError:
            other: NumberStyle = "comma" if style == "point" else "point"
            try:
                before = parse_figure(entered, cls.dimension, other)
            except InputError:
                before = None
            if before is None or not _says(si, before.si):
                raise
            return before, other

    @classmethod
    def _tolerance(cls, entered: str, tolerance: str, style: NumberStyle, si: Any) -> Parsed:
        """A text with a ± that was written beside it, which may have been written with the other decimal mark."""
        try:
            return parse_figure(f"{entered} ± {tolerance}", cls.dimension, style)
        except InputError:
            other: NumberStyle = "comma" if style == "point" else "point"
            try:
                whole = f"{in_style(entered, cls.dimension, other)} ± {tolerance}"
                before = parse_figure(whole, cls.dimension, other)
            except InputError:
                before = None
            if before is None or not _says(si, before.plus_minus_si or 0.0):
                raise
            return before

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
        given = value.get("plus_minus")
        parsed, style = cls._parsed(value["entered"], style, value.get("si"))
        tolerance_text, tolerance_si = parsed.plus_minus_entered, parsed.plus_minus_si
        if tolerance_text is None and isinstance(given, dict) and isinstance(given.get("entered"), str):
            again = cls._tolerance(value["entered"], given["entered"], style, given.get("si"))
            tolerance_text, tolerance_si = again.plus_minus_entered, again.plus_minus_si
        for name, typed, si in (
            ("the value", value.get("si"), parsed.si),
            ("the tolerance", given.get("si") if isinstance(given, dict) else None, tolerance_si),
        ):
            if typed is not None and not (si is not None and _says(typed, si)):
                shown = str(typed)[:40]
                raise InputError("", f"{name} in SI ({shown}) disagrees with its text ({si})", given=value["entered"])
        if cls.least is not None and parsed.si < cls.least:
            raise InputError("", cls.least_words, given=value["entered"], allowed=cls.allowed or None)
        if cls.most is not None and parsed.si > cls.most:
            raise InputError("", cls.most_words, given=value["entered"], allowed=cls.allowed or None)
        normal = {k: v for k, v in value.items() if k not in ("entered", "si", "plus_minus")}
        normal["entered"], normal["si"] = parsed.entered, parsed.si
        if tolerance_text is not None:
            normal["plus_minus"] = {"entered": tolerance_text, "si": tolerance_si}
        if parsed.source is not None:
            normal["source"] = parsed.source
        return normal


def _says(typed: Any, si: float) -> bool:
    """Whether a number beside a text is the same figure."""
    if isinstance(typed, bool) or not isinstance(typed, int | float):
        return False
    try:
        return abs(float(typed) - si) <= 1e-9 * max(1.0, abs(si))
    except OverflowError:
        return False
