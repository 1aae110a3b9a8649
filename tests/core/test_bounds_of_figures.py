"""Every figure of the document says what is possible of it and what is usual: each bound is tried from both sides."""

from __future__ import annotations

import math

import pytest
from pydantic import ValidationError

from crooked_keel.core.document.fields import all_fields, is_unusual
from crooked_keel.core.figure.base import Figure
from crooked_keel.core.figure.grammar import PLAUSIBLE
from crooked_keel.core.figure.place import Place
from crooked_keel.core.figure.units import UNITS

CLASSES = sorted({f.figure for f in all_fields() if f.figure is not None}, key=lambda c: c.__name__)
# Without bounds of its own a figure keeps those of its dimension; these are the ones without a least, and why.
NO_LEAST = {"length": "either direction is possible", "angle": "either way round is possible"}


def written(figure: type[Figure], si: float) -> str:
    """A number of SI units as it would be typed."""
    if figure.dimension == "money":
        return f"{si:.12g}"
    unit = next(u for u in UNITS if u.dimension == figure.dimension)
    number = f"{si / unit.factor:.12g}"
    return f"{number} {unit.name}".strip()


def typed(figure: type[Figure], si: float) -> Figure:
    place = {"dir": "aft" if "Station" in figure.__name__ else "port" if "Butt" in figure.__name__ else "up"}
    return figure.model_validate({"entered": written(figure, si), **(place if issubclass(figure, Place) else {})})


def by(figure: type[Figure], bound: float) -> float:
    """A step that is seen beside a bound: a whole one where only whole numbers count."""
    width = (
        abs(bound) or min(abs(b) for b in figure.usual if b) if math.isfinite(figure.usual[0]) else abs(bound) or 1.0
    )
    return 1.0 if figure.dimension == "count" else width * 1e-3


@pytest.mark.parametrize("figure", CLASSES, ids=lambda c: c.__name__)
def test_what_is_possible_is_said_and_kept(figure: type[Figure]) -> None:
    if issubclass(figure, Place):
        return
    most = figure.most or PLAUSIBLE[figure.dimension]
    typed(figure, most - by(figure, most))
    with pytest.raises(ValidationError) as refused:
        typed(figure, most + by(figure, most))
    assert figure.most is None or figure.most_words in str(refused.value) or "check the unit" in str(refused.value)
    if figure.least is None:
        assert figure.dimension in NO_LEAST, "without a least, and without a reason"
    else:
        typed(figure, figure.least + by(figure, figure.least))
        with pytest.raises(ValidationError):
            typed(figure, figure.least - by(figure, figure.least))


@pytest.mark.parametrize("figure", CLASSES, ids=lambda c: c.__name__)
def test_what_is_usual_is_said_and_asked_about_outside(figure: type[Figure]) -> None:
    low, high = figure.usual
    if figure.dimension in ("money",):
        assert math.isinf(low) and math.isinf(high)
        return
    assert low < high and math.isfinite(high)
    assert not is_unusual(typed(figure, high - by(figure, high)))
    if figure.most is None or figure.most > high + by(figure, high):
        assert is_unusual(typed(figure, high + by(figure, high)))
    if figure.least is not None and figure.least < low - by(figure, low):
        assert not is_unusual(typed(figure, low + by(figure, low)))
        assert is_unusual(typed(figure, low - by(figure, low)))
