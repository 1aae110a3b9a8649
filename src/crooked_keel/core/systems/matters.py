"""What this bench could look at; a rule names what it judges of it."""

from __future__ import annotations

from ..judging.register import Matter

CHARGING = Matter("charging of the batteries")

MATTERS = (
    Matter("whether hoses, clips, crimps and plugs are well made"),
    Matter("fire: extinguishers, shut-offs, sealed bulkheads"),
    Matter("noise, and gas in the cabin: only an alarm tells"),
    Matter("carburettor ice, and vapour in hot fuel lines", "cg limits"),
    Matter("galvanic corrosion, bonding and zincs", "afloat"),
    Matter("what waves and a following sea do at exhaust and vents", "afloat"),
    CHARGING,
    Matter("brake servo, heater and lights of the law", "stands on wheels"),
    Matter("cells: their charger, their cooling, their balance, their fire"),
)
