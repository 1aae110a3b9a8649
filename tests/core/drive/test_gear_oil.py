"""The oil of a reduction: an exponential drawn on from three readings, and what more oil does and does not."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.document import Project
from crooked_keel.core.drive.heat.functions import conductance, cooled_beside, levels_off, time_constant
from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.units import ZERO_C_K
from crooked_keel.core.judging.finding import Finding
from tests.conftest import DEMO_OF, put
from tests.kept import assess

BOAT = DEMO_OF["boat"]
H = "/fits/a/installations/main/drive/heat"


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def found(project: Project) -> list[Finding]:
    return [f for f in assess(project, "a").findings if f.rule == "drive.gear-oil"]


@given(st.floats(290, 330), st.floats(340, 450), st.floats(60, 3000), st.floats(120, 3000))
def test_three_points_of_an_exponential_give_its_end_and_its_time(
    start: float, end: float, step: float, tau: float
) -> None:
    t = [end + (start - end) * math.exp(-n * step / tau) for n in range(3)]
    if t[2] - t[1] < 1e-3:
        return
    assert levels_off(*t) == pytest.approx(end, abs=0.02)
    assert time_constant(*t, step) == pytest.approx(tau, rel=1e-3)


@pytest.mark.parametrize("readings", [(70, 80, 91), (80, 70, 65), (70, 70, 70), (70, 80, 80), (70, 90, 85)])
def test_what_does_not_level_off_is_refused(readings: tuple[float, float, float]) -> None:
    with pytest.raises(InputError, match="not levelling off"):
        levels_off(*readings)


def test_conductance_of_a_trial_and_what_it_had_to_become() -> None:
    """2 % of 200 hp at 30 °C: 300 °F is 25.089 W/K, 245 °F 33.768 W/K, a third more area. Heat balance, by hand."""
    fahrenheit = lambda f: (f - 32) / 1.8 + ZERO_C_K
    old, new = (conductance(200 * 745.699872, 0.98, fahrenheit(f), 30 + ZERO_C_K) for f in (300, 245))
    assert (old, new) == (pytest.approx(25.089, abs=1e-3), pytest.approx(33.768, abs=1e-3))
    assert new / old == pytest.approx(1.346, abs=1e-3)


@pytest.mark.parametrize(
    ("changes", "said"),
    [
        ({}, "ok"),
        ({"hottest": m("46 °C")}, "ok"),
        ({"hottest": m("46 °C ±30 °C")}, "watch"),
        ({"hottest": m("72 °C")}, "watch"),
        ({"first": m("96 °C"), "second": m("108 °C"), "third": m("115 °C")}, "stop"),
        ({"first": m("84 °C"), "second": m("96 °C"), "third": m("103 °C")}, "watch"),
        # Straight as a rule: too early to say.
        ({"first": m("40 °C"), "second": m("42 °C"), "third": m("43.7 °C")}, "watch"),
        ({"first": m("70 °C"), "second": m("80 °C"), "third": m("91 °C")}, "stop"),
        ({"first": m("80 °C"), "second": m("70 °C"), "third": m("65 °C")}, "unknown"),
        ({"air": None}, "unknown"),
        ({"hottest": None}, "unknown"),
        ({"second": None}, "unknown"),
    ],
)
def test_judged(changes: dict[str, Any], said: str) -> None:
    (one,) = found(put(BOAT, {f"{H}/{k}": v for k, v in changes.items()}))
    assert one.level == said


def test_twice_the_oil_is_later_and_as_hot() -> None:
    values = {v.id: v.si for v in assess(BOAT, "a").values}
    steady, constant, passes, twice = (
        values[f"drive.{k}"] for k in ("gear-oil", "gear-constant", "gear-passes", "gear-twice")
    )
    assert steady is not None and constant is not None and passes is not None and twice is not None
    # 46, 58, 65 °C a quarter of an hour apart.
    assert steady - ZERO_C_K == pytest.approx((46 * 65 - 58**2) / (46 + 65 - 116))
    assert constant == pytest.approx(-900 / math.log(7 / 12))
    # 2.1 kg of oil take 4200 J for a kelvin more.
    assert twice - constant == pytest.approx(2.1 * 2000 / passes)


def test_nothing_is_asked_before_a_trial() -> None:
    assert found(put(BOAT, {H: None})) == []


def test_two_trials_at_one_power_need_neither_power_nor_loss() -> None:
    """300 °F before and 245 °F after fins, both in air of 30 °C: 1.346 times as well (worked by hand; the ratio of both
    conductances above). Oil no hotter than its air is refused, at its field."""
    assert cooled_beside(422.04, 303.15, 391.48, 303.15) == pytest.approx(1.346, abs=1e-3)
    trials = put(BOAT, {f"{H}/earlier": m("95 °C"), f"{H}/earlier_air": m("21 °C")})
    values = {v.id: v for v in assess(trials, "a").values}
    steady = values["drive.gear-oil"].si
    assert steady is not None
    assert values["drive.gear-beside"].si == pytest.approx((95 - 21) / (steady - ZERO_C_K - 21))
    cold = put(BOAT, {f"{H}/earlier": m("20 °C"), f"{H}/earlier_air": m("21 °C")})
    (needs,) = [v.needs for v in assess(cold, "a").values if v.id == "drive.gear-beside"]
    assert [n.pointer for n in needs] == [f"{H}/earlier"]
    assert "drive.gear-beside" not in {v.id for v in assess(BOAT, "a").values}
