"""Places: a distance from a named reference in a named direction."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import ConfigDict, Field

from .base import Figure

# Sign of each direction word along its axis: x aft, y starboard, z up.
DIRECTIONS: dict[str, int] = {"aft": 1, "forward": -1, "starboard": 1, "port": -1, "up": 1, "down": -1}


class Place(Figure):
    """A distance along one axis, measured from a named reference in a named direction.

    `si` is the distance as measured; `along_m` is signed on the axis. The place itself follows its reference
    when that moves, so it is computed in `resolve`, never stored.
    """

    model_config = ConfigDict(
        extra="forbid", strict=True, allow_inf_nan=False, frozen=True, validate_by_name=True, validate_by_alias=True
    )
    dimension = "length"
    origin: Annotated[str, Field(alias="from")] = "datum"
    dir: str
    usual = (-60.0, 60.0)

    @property
    def along_m(self) -> float:
        """Distance along the positive axis, m."""
        return self.si * DIRECTIONS[self.dir]


class Station(Place):
    """Along x, positive aft."""

    dir: Literal["aft", "forward"] = "aft"


class ButtLine(Place):
    """Along y, positive to starboard."""

    origin: Annotated[str, Field(alias="from")] = "centreline"
    dir: Literal["starboard", "port"] = "starboard"
    usual = (-12.0, 12.0)


class WaterLine(Place):
    """Along z, positive up."""

    origin: Annotated[str, Field(alias="from")] = "level line"
    dir: Literal["up", "down"] = "up"
    usual = (-15.0, 15.0)


class UnitStation(Station):
    """Along the shaft of the unit, measured from its own output flange."""

    origin: Annotated[Literal["unit flange"], Field(alias="from")] = "unit flange"
    usual = (-4.0, 4.0)


class UnitButtLine(ButtLine):
    """Across the unit, from the axis of its output flange."""

    origin: Annotated[Literal["unit flange"], Field(alias="from")] = "unit flange"
    usual = (-2.0, 2.0)


class UnitWaterLine(WaterLine):
    """Up from the axis of the unit's output flange."""

    origin: Annotated[Literal["unit flange"], Field(alias="from")] = "unit flange"
    usual = (-2.0, 2.0)


class DriveStation(Station):
    """Along the shaft, measured from the flange that the propeller or spacer bolts to."""

    origin: Annotated[Literal["output flange"], Field(alias="from")] = "output flange"
    usual = (-2.0, 2.0)


class StageButtLine(ButtLine):
    """Across, from the driving shaft of a stage to the driven one."""

    origin: Annotated[Literal["driving shaft"], Field(alias="from")] = "driving shaft"
    usual = (-1.5, 1.5)


class StageWaterLine(WaterLine):
    """Up, from the driving shaft of a stage to the driven one."""

    origin: Annotated[Literal["driving shaft"], Field(alias="from")] = "driving shaft"
    usual = (-1.5, 1.5)
