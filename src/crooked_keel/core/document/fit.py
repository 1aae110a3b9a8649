"""Installations and fits: a power unit with its placement, drive, mount and alignment."""

from __future__ import annotations

from typing import ClassVar, Literal

from ..figure.kinds import (
    Offset,
    Power,
)
from ..figure.narrow import (
    ThrustAngle,
)
from ..figure.place import (
    ButtLine,
    Station,
    WaterLine,
)
from .align import Align
from .balance import LedgerRow, Pack, Space, Tank
from .base import Item, Key, Part
from .build import Plan, Task
from .choose import MoneyLine
from .drive import Drive, Propeller, Wheel
from .mount import Mount
from .prove import RunLimits
from .systems import Systems
from .unit import PowerUnit, YesNo


class Placement(Part):
    """Where the output flange sits and which way it points: by angles, or by the far end of the shaft line."""

    flange_station: Station | None = None
    flange_butt_line: ButtLine | None = None
    flange_water_line: WaterLine | None = None
    down: ThrustAngle | None = None
    right: ThrustAngle | None = None
    propeller_station: Station | None = None
    propeller_water_line: WaterLine | None = None


class Installation(Item):
    """One power unit with all that belongs to it. lies: on which side of its output flange it lies: aft of it in a
    tractor, ahead of it in a pusher. Packs side by side share one voltage, in a row theirs add up. charger: out of the
    wall."""

    deep: ClassVar[bool] = True

    unit: PowerUnit = PowerUnit()
    lies: Literal["aft of its flange", "ahead of its flange"] | None = None
    placement: Placement = Placement()
    drive: Drive = Drive()
    propeller: Propeller = Propeller()
    wheel: Wheel = Wheel()
    packs: dict[Key, Pack] = {}
    packs_joined: Literal["side by side", "in a row"] | None = None
    charger: Power | None = None
    mount: Mount = Mount()
    align: Align = Align()
    systems: Systems = Systems()
    run_limits: RunLimits = RunLimits()


class Fit(Item):
    """One candidate repower. fuel: whether the craft keeps its tanks; how far front and rear of a two-wheeler stand
    higher than before; what petrol asks below a deck."""

    deep: ClassVar[bool] = True

    front_rise: Offset | None = None
    rear_rise: Offset | None = None

    fuel: Literal["kept", "out"] | None = None
    ventilated: YesNo | None = None
    ignition_protected: YesNo | None = None
    vapour_detected: YesNo | None = None

    installations: dict[Key, Installation] = {}
    ledger: dict[Key, LedgerRow] = {}
    tanks: dict[Key, Tank] = {}
    spaces: dict[Key, Space] = {}
    money: dict[Key, MoneyLine] = {}
    tasks: dict[Key, Task] = {}
    plan: Plan = Plan()
