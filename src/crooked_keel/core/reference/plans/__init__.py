"""Plans by kind of craft and work. Hours and waits are starting guesses to be changed: common practice, no source."""

from __future__ import annotations

from typing import NamedTuple

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


class Offers(NamedTuple):
    """Plans of a kind of craft: the likeliest for an engine and for a motor, and others that may do."""

    engine: str
    electric: str
    others: tuple[str, ...] = ()


OFFERS: dict[str, Offers] = {
    "aeroplane": Offers("tractor-aircraft", "tractor-aircraft", ("pusher-canard", "turbine-conversion")),
    "boat": Offers("inboard-diesel-single", "inboard-diesel-single", ("inboard-twin", "classic-runabout")),
    "motorcycle": Offers("motorcycle-engine", "scooter-electric"),
    "scooter": Offers("scooter-swing-unit", "scooter-electric"),
    "road-vehicle": Offers("motorcycle-engine-small-car", "small-car-electric"),
}

__all__ = [
    "ENGINE",
    "FUEL",
    "LIQUID",
    "OFFERS",
    "PACK",
    "SEA",
    "TEMPLATES",
    "WITH_PACKS",
    "Offers",
    "PlanTask",
    "PlanTemplate",
    "fitted",
]
