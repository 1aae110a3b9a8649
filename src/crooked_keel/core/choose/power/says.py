"""What the choose bench says of a unit, and its curve as drawn."""

from __future__ import annotations

from ...errors import or_none
from ...formula import record
from ...judging.finding import Value
from ...judging.values import ValueList
from .curve import power_of
from .quantities import Lasting, built_up, fuel_flow, power_left


@record
class CurveOut:
    """Speed, torque and power along the curve, SI."""

    speed_si: float
    torque_si: float
    power_si: float


def lasting_values(unit: Lasting) -> list[Value]:
    """Power, fuel, heat and mass of the unit."""
    out = ValueList("choose")
    old = unit.old
    known = lambda ask: (lambda: ask(old)) if old is not None else None
    if unit.need.altitude is not None:
        out.add(
            "power-there",
            "Lasting power where it is used",
            "power",
            lambda: unit.power_there,
            before=known(lambda o: o.power_there),
            working=lambda: power_left.working(unit.continuous[0], unit.share_left),
        )
    out.add(
        "lasting",
        "Power that lasts",
        "power",
        lambda: unit.continuous[0],
        before=known(lambda o: o.continuous[0]),
        source="its ratings, or as rated",
    )
    if unit.unit.curve:
        peak = lambda: unit.curve.peak()
        out.add(
            "peak",
            "Greatest power of its curve",
            "power",
            lambda: peak()[1],
            working=lambda: power_of.working(unit.curve.torque_at(peak()[0]), peak()[0]),
        )
        out.add("peak-at", "Speed of its greatest power", "rotation", lambda: peak()[0], source="its curve")
    burning = [u for u in (unit.unit, old.unit if old else None) if u is not None and u.kind != "electric"]
    if any(u.consumption is not None for u in burning) and unit.unit.kind != "electric":
        out.add(
            "burns",
            "Fuel at the power that lasts",
            "fuel_flow",
            lambda: unit.burns,
            before=known(lambda o: o.burns) if len(burning) > 1 else None,
            working=lambda: fuel_flow.working(unit.consumption, unit.continuous[0]),
        )
    if unit.unit.heat is not None or (old is not None and old.unit.heat is not None):
        label, by = "Heat into its coolant at its rated power", "its sheet, or the bench"
        out.add("heat", label, "power", lambda: unit.heat, before=known(lambda o: o.heat), source=by)
    if unit.unit.accessories:
        out.add(
            "installed-mass",
            "Mass with all that hangs on it",
            "mass",
            lambda: unit.installed_doubt,
            working=lambda: built_up.working(unit.installed_mass - unit.extra_mass, unit.extra_mass),
        )
    return out.values


def curve_table(unit: Lasting) -> list[CurveOut]:
    """The curve as drawn."""
    at = lambda s, t: CurveOut(speed_si=s, torque_si=t, power_si=s * t)
    return or_none(lambda: [at(s, t) for s, t in unit.curve.drawn()]) or []
