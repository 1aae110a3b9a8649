"""Plans by kind of craft and work. Hours and waits are starting guesses to be changed: common practice, no source."""

from __future__ import annotations

from .boats import CLASSIC_RUNABOUT, INBOARD_DIESEL_SINGLE, INBOARD_TWIN
from .kit import ENGINE, FUEL, LIQUID, SEA, PlanTask, PlanTemplate, fitted
from .wheels import (
    MOTORCYCLE_ENGINE,
    MOTORCYCLE_ENGINE_SMALL_CAR,
    PACK,
    PARALLEL_HYBRID,
    SCOOTER_ELECTRIC,
    SCOOTER_SWING_UNIT,
    SMALL_CAR_ELECTRIC,
)
from .wings import PUSHER_CANARD, TRACTOR_AIRCRAFT, TURBINE_CONVERSION

TEMPLATES: dict[str, PlanTemplate] = {
    t.id: t
    for t in (
        TRACTOR_AIRCRAFT,
        PUSHER_CANARD,
        TURBINE_CONVERSION,
        INBOARD_DIESEL_SINGLE,
        INBOARD_TWIN,
        CLASSIC_RUNABOUT,
        SCOOTER_SWING_UNIT,
        SCOOTER_ELECTRIC,
        MOTORCYCLE_ENGINE,
        MOTORCYCLE_ENGINE_SMALL_CAR,
        SMALL_CAR_ELECTRIC,
        PARALLEL_HYBRID,
    )
}
# Plans that have the packs, wires and tests of an electric unit in them.
WITH_PACKS = frozenset({SCOOTER_ELECTRIC.id, SMALL_CAR_ELECTRIC.id, PARALLEL_HYBRID.id})

__all__ = [
    "ENGINE",
    "FUEL",
    "LIQUID",
    "PACK",
    "SEA",
    "TEMPLATES",
    "WITH_PACKS",
    "PlanTask",
    "PlanTemplate",
    "fitted",
]
