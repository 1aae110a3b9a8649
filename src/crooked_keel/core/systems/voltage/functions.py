"""High voltage: pre-charge and discharge of the link, isolation by two readings."""

from __future__ import annotations

import math

from ...errors import InputError
from ...formula import formula

# Direct current above this can kill, V. ISO 6469-3, UN R100 (from memory).
HAZARD_V = 60.0


@formula(
    "systems.precharge",
    "t = R·C·3",
    result=("short_time", "until the link is at 95 % of the pack"),
    R=("resistance", "pre-charge resistor"),
    C=("capacitance", "capacitance of the link"),
    source="first-order charge: −ln(0.05) is 3.0",
    example=((100.0, 2e-3), 0.6),
    valid="nothing draws from the link meanwhile",
)
def precharge_time(resistance_ohm: float, capacitance_f: float) -> float:
    """Time to 95 %, s, by the rule of three time constants."""
    return 3 * resistance_ohm * capacitance_f


def precharge_peak(volts: float, resistance_ohm: float) -> float:
    """What the resistor takes at the first moment, W."""
    return volts**2 / resistance_ohm


def charge_time(resistance_ohm: float, capacitance_f: float, share: float) -> float:
    """Time to a share of the pack's voltage, s."""
    return -resistance_ohm * capacitance_f * math.log(1 - share)


@formula(
    "systems.discharge",
    "t = R·C·ln(max(U, 60) / 60)",
    result=("short_time", "until the link is below 60 V"),
    R=("resistance", "bleeder"),
    C=("capacitance", "capacitance of the link"),
    U=("voltage", "pack, fully charged"),
    source="first-order discharge",
    example=((2000.0, 2e-3, 96.0), 1.880015),
    valid="shaft at rest: a magnet motor that turns fills the link again",
)
def discharge_time(resistance_ohm: float, capacitance_f: float, volts: float) -> float:
    """Time to 60 V, s; none at all where it is below that."""
    return resistance_ohm * capacitance_f * math.log(max(volts / HAZARD_V, 1.0))


@formula(
    "systems.isolation",
    "R = Ro·Ub·(1/U2 − 1/U1)",
    result=("resistance", "isolation of the weaker pole"),
    Ro=("resistance", "test resistor"),
    Ub=("voltage", "pack"),
    U2=("voltage", "that pole to the frame with the resistor"),
    U1=("voltage", "the larger pole to the frame"),
    source="method of UN R100, annex (from memory)",
    example=((100e3, 96.0, 23.27273, 59.07692), 250000.0),
    valid="meter of 10 MΩ or more; taken on a live pack by a qualified person",
)
def isolation(test_ohm: float, pack_v: float, after_v: float, first_v: float) -> float:
    """Isolation, Ω. Raises InputError for readings that cannot be."""
    if after_v <= 0:
        raise InputError("after", "a reading of nothing with the test resistor is no reading", allowed="above zero")
    if first_v < pack_v / 2 * (1 - 1e-9):
        raise InputError(
            "first",
            "that is the smaller pole: put the test resistor at the other one",
            allowed="half of the pack's voltage or more",
        )
    if after_v > first_v:
        raise InputError("after", "with the test resistor it reads less, not more", allowed="below the first reading")
    return test_ohm * pack_v * (1 / after_v - 1 / first_v)
