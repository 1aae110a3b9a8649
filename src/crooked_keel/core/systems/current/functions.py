"""Conductors, fuses, batteries, trigger wheels, and what still runs when a part is lost."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from typing import get_args

from ...document.systems import WireSize
from ...errors import InputError
from ...formula import formula

# Copper as the circular-mil rule of ABYC E-11 has it (from memory), Ω·m.
RHO_OHM_M = 1.787108e-8
# Amperes that a single wire of 105 °C insulation carries outside an engine space, by gauge. ABYC E-11 (from memory).
AMPACITY = {
    18: 20.0,
    16: 25.0,
    14: 35.0,
    12: 45.0,
    10: 60.0,
    8: 80.0,
    6: 120.0,
    4: 160.0,
    2: 210.0,
    1: 245.0,
    0: 285.0,
    -1: 330.0,
    -2: 385.0,
    -3: 445.0,
}
HOT = 0.85
FUSES = (
    1,
    2,
    3,
    5,
    7.5,
    10,
    15,
    20,
    25,
    30,
    40,
    50,
    60,
    70,
    80,
    100,
    125,
    150,
    175,
    200,
    225,
    250,
    300,
    350,
    400,
)


def gauge_area(gauge: int) -> float:
    """Area of a conductor by its American gauge, m²; 0 is 1/0, −1 is 2/0. Source: ASTM B258 (from memory)."""
    d = 0.127e-3 * 92 ** ((36 - gauge) / 39)
    return float(math.pi / 4 * d**2)


def wire_area(size: str) -> float:
    """Area of a conductor by the words of its size, m²."""
    if size.endswith("mm²"):
        return float(size.split()[0]) * 1e-6
    return gauge_area(_gauge(size))


def _gauge(size: str) -> int:
    said = size.removeprefix("AWG ")
    return 1 - int(said.split("/")[0]) if "/" in said else int(said)


def bundle_factor(wires: float) -> float:
    """What is left of the ampacity in a bundle. Source: ABYC E-11 (from memory)."""
    return 1.0 if wires < 2 else 0.7 if wires < 4 else 0.6 if wires < 7 else 0.5 if wires < 25 else 0.4


# What the table of currents begins with, and the first metric size that is no smaller.
FIRST, FIRST_METRIC = "AWG 18", "1 mm²"


def is_thin(size: str) -> bool:
    """Whether a wire is smaller than the table of what wires carry begins with."""
    return wire_area(size) * (1 + 1e-6) < wire_area(FIRST)


def ampacity(size: str, hot: bool, wires: float) -> float:
    """What a wire of 105 °C insulation carries, A: a metric size takes the row of the next smaller gauge.

    Raises InputError for one that is smaller than the table begins with."""
    area = wire_area(size) * (1 + 1e-6)
    if is_thin(size):
        raise InputError("size", f"{size} is smaller than the table begins with", allowed="AWG 18 (0.82 mm²) or larger")
    rows = [g for g in AMPACITY if gauge_area(g) <= area]
    return AMPACITY[min(rows)] * (HOT if hot else 1.0) * bundle_factor(wires)


@formula(
    "systems.drop",
    "U = 1.787108e-8·I·L / A",
    result=("fine_voltage", "voltage lost, out and back"),
    I=("current", "current"),
    L=("length", "length out and back"),
    A=("wire_area", "area of the conductor"),
    source="Ohm's law, copper as in ABYC E-11 (from memory)",
    example=((30.0, 9.0, 21.15e-6), 0.228141),
    valid="copper, warm; crimps and switches not taken",
)
def drop(current_a: float, round_trip_m: float, area_m2: float) -> float:
    """Voltage lost in a conductor out and back, V."""
    return RHO_OHM_M * current_a * round_trip_m / area_m2


def wanted_size(
    current_a: float, round_trip_m: float, most_v: float, lasting_a: float, hot: bool, wires: float, metric: bool
) -> str | None:
    """The smallest size that keeps the drop and carries what lasts of the current; None where no single one does."""
    for size in sorted(get_args(WireSize), key=wire_area):
        if size.startswith("AWG") == metric:
            continue
        try:
            carries = ampacity(size, hot, wires)
        except InputError:
            continue
        if carries >= lasting_a and drop(current_a, round_trip_m, wire_area(size)) <= most_v:
            return str(size)
    return None


def fuse_for(current_a: float, carries_a: float) -> float | None:
    """The smallest standard fuse of 1.25 times the current that guards the wire, A; None where none does."""
    return next((f for f in FUSES if 1.25 * current_a <= f <= carries_a), None)


@formula(
    "systems.peukert",
    "t = H·(C / (I·H))^k",
    result=("hours", "how long it lasts"),
    H=("hours", "time that its capacity is rated over"),
    C=("charge", "capacity"),
    I=("current", "current"),
    k=("number", "Peukert's number"),
    source="Peukert (from memory)",
    example=((72000.0, 360000.0, 10.0, 1.25), 30272.27),
    valid="new, warm and full",
)
def peukert(rated_s: float, capacity_c: float, current_a: float, exponent: float) -> float:
    """How long a battery gives a current, s."""
    return float(rated_s * (capacity_c / (current_a * rated_s)) ** exponent)


# Peukert's number, and how much of the capacity may be used, by cells. Common practice.
CELLS = {"flooded": (1.25, 0.5), "mat": (1.15, 0.5), "lithium": (1.05, 0.8)}


def trigger_error(placed_within_m: float, radius_m: float) -> float:
    """How far a wheel's teeth may be off, rad. Source: arc over radius."""
    return placed_within_m / radius_m


Feeds = Mapping[str, tuple[str, tuple[str, ...]]]


def fed(circuit: Feeds, without: str | None = None) -> set[str]:
    """Parts that have current. circuit: role ("source", "part", "load") and what feeds each, either will do; without:
    a part that is lost."""
    live = {k for k, (role, _) in circuit.items() if role == "source" and k != without}
    while True:
        more = {k for k, (_, by) in circuit.items() if k not in live and k != without and any(b in live for b in by)}
        if not more:
            return live
        live |= more


def single_points(circuit: Feeds, load: str) -> list[str]:
    """Parts whose loss alone stops a load; the load itself is left out. Source: reachability."""
    return [k for k in circuit if k != load and load not in fed(circuit, k)]


def dead_loads(circuit: Feeds, names: Iterable[str]) -> list[str]:
    """Loads among names that nothing feeds even with everything whole."""
    live = fed(circuit)
    return [n for n in names if n not in live]
