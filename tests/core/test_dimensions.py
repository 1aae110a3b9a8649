"""Formulas hold in whatever units: with another metre, kilogram, second, kelvin and ampere the same numbers come out.

Dimensions of derived units: the SI brochure, 9th edition, tables 4 to 6 (from memory). An angle has none."""

from __future__ import annotations

import math
import random

import pytest

from crooked_keel.core.figure.units import VIEWS
from crooked_keel.core.formula import FORMULAS

# Exponents of length, mass, time, temperature and current.
_L, _M, _T, _K, _A = (tuple(float(i == k) for i in range(5)) for k in range(5))
NONE = (0.0,) * 5


def of(*parts: tuple[tuple[float, ...], float]) -> tuple[float, ...]:
    """Exponents of a product of powers."""
    return tuple(sum(p[i] * n for p, n in parts) for i in range(5))


FORCE = of((_M, 1), (_L, 1), (_T, -2))
ENERGY = of((FORCE, 1), (_L, 1))
POWER = of((ENERGY, 1), (_T, -1))
VOLT = of((POWER, 1), (_A, -1))
DIMENSIONS: dict[str, tuple[float, ...]] = {
    **dict.fromkeys(("number", "percent", "count", "angle", "fine_angle"), NONE),
    **dict.fromkeys(("length", "fine_length", "bore", "distance", "sea_distance"), _L),
    "area": of((_L, 2)),
    "wire_area": of((_L, 2)),
    **dict.fromkeys(("volume", "fine_volume"), of((_L, 3))),
    "mass": _M,
    **dict.fromkeys(("time", "short_time", "hours", "wait"), _T),
    **dict.fromkeys(("speed", "road_speed", "sea_speed", "climb"), of((_L, 1), (_T, -1))),
    "acceleration": of((_L, 1), (_T, -2)),
    **dict.fromkeys(("rotation", "frequency"), of((_T, -1))),
    "temperature": _K,
    "absolute_temperature": _K,
    "density": of((_M, 1), (_L, -3)),
    "mass_moment": of((_M, 1), (_L, 1)),
    "inertia": of((_M, 1), (_L, 2)),
    "immersion": of((_M, 1), (_L, -1)),
    **dict.fromkeys(("mass_flow", "fuel_flow"), of((_M, 1), (_T, -1))),
    **dict.fromkeys(("flow", "hourly_flow", "air_flow"), of((_L, 3), (_T, -1))),
    "force": FORCE,
    **dict.fromkeys(("moment", "torque", "twist"), ENERGY),
    "stiffness": of((FORCE, 1), (_L, -1)),
    **dict.fromkeys(("pressure", "stress"), of((FORCE, 1), (_L, -2))),
    "energy": ENERGY,
    "energy_per_length": FORCE,
    "power": POWER,
    "heat_flux": of((POWER, 1), (_L, -2)),
    "conductance": of((POWER, 1), (_K, -1)),
    "consumption": of((_M, 1), (ENERGY, -1)),
    "current": _A,
    "charge": of((_A, 1), (_T, 1)),
    **dict.fromkeys(("voltage", "fine_voltage"), VOLT),
    "resistance": of((VOLT, 1), (_A, -1)),
    "capacitance": of((_A, 1), (_T, 1), (VOLT, -1)),
}

# What carries a number with a dimension of its own: the pull of the earth, a property of air, water, fuel or copper, or
# an old rule whose constant is for one system of units.
EARTH = "pull of the earth, 9.80665 m/s²"
PER_VOLT = "a figure per volt, printed as a speed"
CARRIES: dict[str, str] = {
    "build.task-days": "a week of 604800 s",
    "build.tensile-area-unified": "threads an inch, printed as a number",
    "drive.back-voltage": PER_VOLT,
    "drive.torque-of-current": PER_VOLT,
    "drive.blade-area": "pressure of the air and of the vapour of water",
    "drive.level-power": "factors of a polar that was fitted to two speeds",
    "hydro.roll-gm": "the code's own factor, for metres and seconds",
    "systems.discharge": "60 V, above which it may not be touched",
    "systems.drop": "resistivity of copper",
    "systems.growth": "growth for each kelvin, printed as a number",
    "systems.radiant": "constant of Stefan and Boltzmann",
    **dict.fromkeys(
        (
            "drive.bending",
            "drive.climb-rate",
            "drive.climb-there",
            "drive.power-asked",
            "drive.road-load",
            "mount.face-moment",
            "mount.third-point",
            "physics.two-strings",
        ),
        EARTH,
    ),
}


def scaled(dimension: str, scales: tuple[float, ...]) -> float:
    """By how much a number of a dimension grows where the base units are so much smaller."""
    return math.prod(s**n for s, n in zip(scales, DIMENSIONS[dimension], strict=True))


def holds(id: str) -> bool:
    """Whether a formula gives the same in other base units, for its own example."""
    formula, chance = FORMULAS[id], random.Random(id)
    given, _ = formula.example
    for _ in range(3):
        scales = tuple(chance.uniform(0.6, 1.7) for _ in range(5))
        other = [v * scaled(d, scales) for v, (d, _) in zip(given, formula.symbols.values(), strict=True)]
        if formula(*other) != pytest.approx(formula(*given) * scaled(formula.result[1], scales), rel=1e-9, abs=1e-12):
            return False
    return True


@pytest.mark.parametrize("id", sorted(set(FORMULAS) - set(CARRIES)))
def test_a_formula_holds_in_whatever_units(id: str) -> None:
    assert holds(id), FORMULAS[id].text


@pytest.mark.parametrize("id", sorted(CARRIES))
def test_what_carries_a_number_of_its_own_does_not(id: str) -> None:
    """Else it would be left out of the test above for nothing."""
    assert not holds(id), f"{id} carries no {CARRIES[id]}"


@pytest.mark.parametrize("id", sorted(k for k, why in CARRIES.items() if why == EARTH))
def test_what_hangs_on_the_pull_of_the_earth_says_so(id: str) -> None:
    """Its number stands in the text that is printed."""
    assert "9.80665" in FORMULAS[id].text


def test_every_dimension_of_a_formula_is_known() -> None:
    used = {d for f in FORMULAS.values() for d in (f.result[1], *(d for d, _ in f.symbols.values()))}
    assert used <= set(DIMENSIONS) <= set(VIEWS["mm-kg"])


def test_a_formula_that_does_not_hold_is_noticed() -> None:
    formula = FORMULAS["balance.cg"]
    scales = (2.0, 3.0, 1.0, 1.0, 1.0)
    wrong = [v * scaled(d, scales) for v, d in zip(formula.example[0], ("mass", "mass"), strict=True)]
    assert formula(*wrong) != pytest.approx(formula(*formula.example[0]) * scaled("length", scales))


@pytest.mark.parametrize(
    ("dimension", "exponents"),
    [
        ("force", (1, 1, -2, 0, 0)),
        ("pressure", (-1, 1, -2, 0, 0)),
        ("energy", (2, 1, -2, 0, 0)),
        ("power", (2, 1, -3, 0, 0)),
        ("voltage", (2, 1, -3, 0, -1)),
        ("resistance", (2, 1, -3, 0, -2)),
        ("capacitance", (-2, -1, 4, 0, 2)),
        ("charge", (0, 0, 1, 0, 1)),
        ("conductance", (2, 1, -3, -1, 0)),
        ("consumption", (-2, 0, 2, 0, 0)),
    ],
)
def test_derived_units_are_those_of_the_brochure(dimension: str, exponents: tuple[int, ...]) -> None:
    """SI brochure, 9th edition, table 4 (from memory): newton, pascal, joule, watt, volt, ohm, farad, coulomb."""
    assert DIMENSIONS[dimension] == tuple(float(e) for e in exponents)
