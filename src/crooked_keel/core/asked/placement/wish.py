"""How far things may go."""

from __future__ import annotations

from typing import NamedTuple


class Wish(NamedTuple):
    """How far the unit may go forward and aft, m; least clearance to the firewall, m; whether the propeller stays; how
    far a battery or pack without a space of its own may go along the craft, m; most lead, kg."""

    forward_m: float = 0.3
    aft_m: float = 0.3
    clearance_m: float = 0.0127
    propeller_stays: bool = False
    battery_m: float = 1.0
    lead_kg: float = 10.0
