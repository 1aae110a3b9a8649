"""Formulas, each registered once beside its function: text, symbols, dimensions, source.

A working is a formula with numbers put in. It is never formatted here: screen, print and command line each print
it in the view's units.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, TypeVar, dataclass_transform

from pydantic import BaseModel, ConfigDict


class Out(BaseModel):
    """Base of everything the assessment returns."""

    model_config = ConfigDict(json_schema_serialization_defaults_required=True, frozen=True)


T = TypeVar("T")


@dataclass_transform(frozen_default=True)
def record(made: type[T]) -> type[T]:
    """A small part of the assessment, of which it has hundreds: a plain dataclass is built many times faster than a
    model."""
    made.__pydantic_config__ = ConfigDict(json_schema_serialization_defaults_required=True)  # type: ignore[attr-defined]
    return dataclass(frozen=True, slots=True)(made)


@record
class WorkingTerm:
    """One symbol of a working with its value in SI."""

    symbol: str
    meaning: str
    dimension: str
    si: float


@record
class Working:
    """A formula with its numbers: enough to print `x = Σmx / m = 193.6 kg·m / 343.4 kg = 0.564 m`."""

    formula: str
    text: str
    terms: list[WorkingTerm]
    result: WorkingTerm
    source: str
    valid: str = ""


Example = tuple[tuple[float, ...], float]


@dataclass(frozen=True, slots=True)
class Formula:
    """A registered formula. `text` is `result = expression` in the symbols; `function` takes them in order.

    example: numbers in that order and what comes out, SI, worked by hand; valid: within what it holds, where it does
    not hold by definition."""

    id: str
    text: str
    symbols: dict[str, tuple[str, str]]
    result: tuple[str, str, str]
    source: str
    example: Example
    valid: str
    function: Callable[..., float]

    def __call__(self, *values: float) -> float:
        return self.function(*values)

    def working(self, *values: float) -> Working:
        """The working with these numbers (SI, in the order of the symbols)."""
        symbol, dimension, meaning = self.result
        return Working(
            formula=self.id,
            text=self.text,
            terms=[
                WorkingTerm(symbol=s, meaning=m, dimension=d, si=v)
                for (s, (d, m)), v in zip(self.symbols.items(), values, strict=True)
            ],
            result=WorkingTerm(symbol=symbol, meaning=meaning, dimension=dimension, si=self.function(*values)),
            source=self.source,
            valid=self.valid,
        )


FORMULAS: dict[str, Formula] = {}


def formula(
    id: str,
    text: str,
    *,
    result: tuple[str, str],
    source: str,
    example: Example,
    valid: str = "",
    **symbols: tuple[str, str],
) -> Callable[[Callable[..., float]], Formula]:
    """Register the decorated function as a formula.

    text: `symbol = expression`; result: (dimension, meaning); symbols: name → (dimension, meaning), in argument order.
    example, valid: as the formula carries them.
    """

    def register(function: Callable[..., float]) -> Formula:
        made = Formula(id, text, symbols, (text.split("=")[0].strip(), *result), source, example, valid, function)
        if id in FORMULAS:
            raise ValueError(f"formula {id} is registered twice")
        FORMULAS[id] = made
        return made

    return register


_PYTHON = {
    "^": "**",
    "·": "*",
    "⁴": "**4",
    "×": "*",
    "²": "**2",
    "√": "sqrt",
    "∛": "cbrt",
    "π": "pi",
    "−": "-",
    "½": "0.5",
}


# What the text of a formula calls by name.
FUNCTIONS = ("sqrt", "cbrt", "sin", "cos", "tan", "atan", "hypot", "ln", "max", "min", "abs")


def evaluate_text(text: str, values: dict[str, float]) -> float:
    """Evaluate the right side of a formula's text with numbers; for the test that text and function agree."""
    import math

    expression = text.split("=", 1)[1]
    for sign, python in _PYTHON.items():
        expression = expression.replace(sign, python)
    own: dict[str, Any] = {"ln": math.log, "max": max, "min": min, "abs": abs}
    allowed = {n: own.get(n) or getattr(math, n) for n in FUNCTIONS} | {"pi": math.pi}
    chance = {"Φ": lambda x: 0.5 * (1 + math.erf(x / math.sqrt(2)))}
    return float(eval(expression, {"__builtins__": {}}, {**allowed, **chance, **values}))
