"""What this bench could look at; a rule names what it judges of it."""

from __future__ import annotations

from ..judging.register import Matter

TWISTING = Matter("torsional vibration and speeds to keep clear of")
KEYS = Matter("strength of keys")
CLIMB_THERE = Matter("climb at height and on a hot day", "air propeller")
CRUISE = Matter("cruise", "air propeller")
CAVITATION = Matter("cavitation of the propeller", "marine propeller")
CLUTCH = Matter("slip of the clutch", "driven wheel")

MATTERS = (
    TWISTING,
    Matter("how hard twisting shakes: its damping, gear mesh and joints"),
    KEYS,
    Matter("strength of gears, bearings and clutch, and how long shafts last"),
    Matter("stress, flutter and hub of the blades; noise", "air propeller"),
    CLIMB_THERE,
    CRUISE,
    Matter("the length of the take-off", "air propeller"),
    CAVITATION,
    Matter("wake and vibration of the propeller", "marine propeller"),
    Matter("the gear's own rating and its time astern", "marine propeller"),
    CLUTCH,
    Matter("slip of a belt, and gears changed under load", "driven wheel"),
)
