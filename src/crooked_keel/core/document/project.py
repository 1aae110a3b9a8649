"""The document: one craft being repowered."""

from __future__ import annotations

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from ..figure.grammar import NumberStyle
from ..figure.kinds import (
    Length,
    Mass,
)
from ..figure.narrow import (
    Clearance,
    Depth,
    Efficiency,
    Factor,
    Gain,
    TipMach,
    TurnRate,
)
from .balance import LedgerRow, Loading
from .base import Item, Key, Name, Part
from .choose import Need
from .craft import Craft
from .fit import Fit, Installation
from .unit import YesNo

SCHEMA_VERSION = 12


REFERENCE_VERSION = "2026-11"


class Instrument(Item):
    """A scale or a tape that several figures were read with: how far its readings may all be off together, in parts of
    the reading or by a length. A bound; figures name it."""

    gain: Gain | None = None
    offset: Length | None = None


class Assumptions(Part):
    """Defaults that a person may change. A blank takes the default that the catalogue names."""

    tip_mach: TipMach | None = None
    ground_clearance: Clearance | None = None
    pitch_rate: TurnRate | None = None
    yaw_rate: TurnRate | None = None
    shock: Factor | None = None
    depth_of_discharge: Depth | None = None
    motor_efficiency: Efficiency | None = None
    tolerance_school: Literal["two standard deviations", "largest error"] | None = None
    seat_mass: Mass | None = None
    coupling_school: Literal["by diameter", "flat 0.003 in", "both"] | None = None


class Project(Part):
    """A project document. Collections are maps from a short stable id to an item with a rank. rough: whether rough
    figures stand in for those that are blank; blank is no."""

    deep: ClassVar[bool] = True

    schema_version: Annotated[int, Field(ge=SCHEMA_VERSION, le=SCHEMA_VERSION)] = SCHEMA_VERSION
    reference_version: str = REFERENCE_VERSION
    name: Name
    kind: Key = "aeroplane"
    units: Literal["mm-kg", "in-lb"] = "mm-kg"
    number_style: NumberStyle = "point"
    rough: YesNo | None = None
    craft: Craft = Craft()
    old_installations: dict[Key, Installation] = {}
    instruments: dict[Key, Instrument] = {}
    ledger: dict[Key, LedgerRow] = {}
    loadings: dict[Key, Loading] = {}
    fits: dict[Key, Fit] = {}
    chosen_fit: Key | None = None
    need: Need = Need()
    assumptions: Assumptions = Assumptions()
