"""What the systems bench says of what is more than can be touched."""

from __future__ import annotations

from ...errors import or_none
from ...judging.finding import Value
from ...judging.values import ValueList
from .functions import precharge_time
from .quantities import VoltageLane


def voltage_values(voltage: VoltageLane) -> list[Value]:
    """Isolation, pre-charge, discharge."""
    out = ValueList("systems")
    if voltage.low:
        return out.values
    by = "method of UN R100 (from memory)"
    out.add(
        "isolation",
        "Isolation of the weaker pole",
        "resistance_per_volt",
        lambda: voltage.isolation_per_volt,
        source=by,
    )
    c = lambda: voltage.capacitance.si
    out.add(
        "precharge",
        "Pre-charge to 95 %",
        "short_time",
        lambda: voltage.t95,
        working=lambda: precharge_time.working(voltage.resistor.si, c()),
    )
    by = "first-order discharge"
    out.add("discharge", "Link below 60 V after", "short_time", lambda: voltage.discharge, source=by)
    return out.values


def pack_table(voltage: VoltageLane) -> float | None:
    """Voltage of the pack, fully charged, where it is more than can be touched."""
    return None if voltage.low else or_none(lambda: voltage.pack)
