"""Rough figures of one power unit with its mount, drive and propeller.

Each is common practice or from memory, wide enough that a maker's figure should lie inside; none is a measurement. A
model that lacks what it is made of stands in for nothing.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from functools import lru_cache

from ..document import Figure, Installation
from ..document.unit import Accessory, PowerUnit
from ..figure.kinds import Mass
from ..reference.kinds import Kind
from .stand import Stand, class_at, copied, middle, rough

# Shares of the mass of the unit with the half of what they may be off. Proposed.
MOUNT_SHARE, MOUNT_BY = 0.06, 0.6
GEAR_SHARE, GEAR_BY = 0.2, 0.5
LEFT_OUT_SHARE, LEFT_OUT_BY = 0.12, 0.9
# CG of a unit in its box: along it from its flange, and above its shaft, in parts of length and height. Proposed.
CG_ALONG, CG_ALONG_BY, CG_UP_BY, CG_ASIDE_BY = 0.5, 0.15, 0.2, 0.05
HEIGHT_SHARE = 0.7
# A propeller by its diameter: of air kg/m² (wood or composite, two or three blades), of bronze kg/m³. Proposed.
AIR_PROPELLER, AIR_BY, SEA_PROPELLER, SEA_BY = 2.6, 0.6, 75.0, 0.4
# The new flange where the old one was, m; a thrust line along the craft, rad. Proposed.
PLACE_BY_M, THRUST_BY_RAD = 0.1, math.radians(3)


def of_unit(
    kind: Kind, layout: str | None, base: str, i: Installation, was: Installation | None, units: int
) -> Iterator[Stand]:
    """Every rough figure of an installation. base: its pointer; was: the one that it replaces; units: how many there
    are in all."""
    side = kind.unit_side
    if side and i.lies is not None:
        side = 1 if i.lies == "aft of its flange" else -1
    elif layout == "canard":
        side = 0
    yield from _of_its_cg(base, i.unit, side)
    yield from _of_its_box(base, i.unit, side)
    yield from _of_its_mass(base, i)
    yield from _of_its_place(base, i, was, kind, units)
    yield from _of_its_mount(base, i, side, kind)
    yield from _of_its_drive(base, i, side, kind)
    if was is not None and "driven wheel" in kind.forms:
        for part, what in (("radius", "rolling radius"), ("width", "tyre"), ("aspect", "tyre"), ("rim", "rim")):
            there, mine = getattr(was.wheel, part), getattr(i.wheel, part)
            if mine is None and there is not None:
                how = "the wheel that is there"
                yield Stand(f"{base}/wheel/{part}", copied(there, 0.0), f"{what} of the driven wheel", how)


def _cls(pattern: str) -> type[Figure]:
    return class_at(f"/old_installations/*/{pattern}")


def _of_its_cg(base: str, unit: PowerUnit, side: int) -> Iterator[Stand]:
    if side and unit.cg_aft is None and unit.length is not None:
        long = unit.length.si
        figure = rough(_cls("unit/cg_aft"), CG_ALONG * long, CG_ALONG_BY * long, "aft" if side > 0 else "forward")
        yield Stand(f"{base}/unit/cg_aft", figure, f"CG along the {unit.name}", "half way along its length")
    if unit.cg_starboard is None and (unit.mass is not None or unit.length is not None):
        by = max(CG_ASIDE_BY * unit.width.si, 0.01) if unit.width is not None else 0.03
        figure = rough(_cls("unit/cg_starboard"), 0.0, by, "starboard")
        yield Stand(f"{base}/unit/cg_starboard", figure, f"CG across the {unit.name}", "over its shaft")
    if side and unit.cg_up is None and (unit.mass is not None or unit.length is not None):
        by = CG_UP_BY * unit.height.si if unit.height is not None else 0.1
        figure = rough(_cls("unit/cg_up"), 0.0, by, "up")
        yield Stand(
            f"{base}/unit/cg_up",
            figure,
            f"CG height of the {unit.name}",
            "level with its shaft",
        )


def _of_its_box(base: str, unit: PowerUnit, side: int) -> Iterator[Stand]:
    long = unit.length.si if unit.length is not None else None
    ahead = "aft" if side > 0 else "forward"
    for field, there, way, far in (
        ("box_aft", unit.cg_aft, ahead, CG_ALONG * long if long is not None and side else None),
        ("box_up", unit.cg_up, "up", 0.0 if side and long is not None else None),
    ):
        if getattr(unit, field) is not None:
            continue
        what = f"middle of the {unit.name}, {'along it' if field == 'box_aft' else 'height'}"
        if there is not None:
            yield Stand(f"{base}/unit/{field}", copied(there, 0.1), what, "at its CG")
        elif far is not None:
            yield Stand(f"{base}/unit/{field}", rough(_cls(f"unit/{field}"), far, 0.1, way), what, "at its CG")
    if unit.height is None and long is not None:
        figure = rough(_cls("unit/height"), HEIGHT_SHARE * long, 0.3 * long)
        yield Stand(f"{base}/unit/height", figure, f"height of the {unit.name}", "by its length")


def _of_its_mass(base: str, i: Installation) -> Iterator[Stand]:
    unit, mass = i.unit, i.unit.mass
    if mass is None:
        return
    told = mass.source not in ("measured", "computed")
    dry = unit.condition == "dry" or (unit.condition is None and told)
    if dry and not unit.accessories and unit.length is not None and unit.kind != "electric":
        by = LEFT_OUT_SHARE * mass.si
        figure = rough(_cls("unit/mass"), by, LEFT_OUT_BY * by)
        what = f"what the mass of the {unit.name} leaves out: liquids, exhaust, wiring"
        item = _left_out(figure)
        yield Stand(
            f"{base}/unit/accessories/rough",
            figure,
            what,
            "a share of its mass",
            typed_at=f"{base}/unit/condition",
            item=item,
        )


@lru_cache(maxsize=256)
def _left_out(mass: Figure) -> Accessory:
    assert isinstance(mass, Mass)
    return Accessory(name="liquids, exhaust, wiring", rank=0.0, mass=mass, counted="on top of it")


def _of_its_place(base: str, i: Installation, was: Installation | None, kind: Kind, units: int) -> Iterator[Stand]:
    p, name = i.placement, i.unit.name
    if "thrust line" in kind.forms and i.unit.mass is not None:
        for field in ("down", "right"):
            if getattr(p, field) is None:
                figure = rough(_cls(f"placement/{field}"), 0.0, THRUST_BY_RAD)
                what = f"{field} thrust ({name})"
                yield Stand(f"{base}/placement/{field}", figure, what, "straight along the craft")
    asked = ["flange_station", "flange_butt_line", "flange_water_line"]
    if "shaft line" in kind.forms:
        asked += ["propeller_station", "propeller_water_line"]
    for field in asked:
        if getattr(p, field) is not None:
            continue
        there = getattr(was.placement, field) if was is not None else None
        what = f"{field.replace('_', ' ')} ({name})"
        if there is not None:
            yield Stand(f"{base}/placement/{field}", copied(there, PLACE_BY_M), what, "where the old one was")
        elif field == "flange_butt_line" and i.unit.mass is not None and units == 1 and "across" not in kind.forms:
            yield middle(f"{base}/placement/{field}", "/old_installations/*/placement/flange_butt_line", what, 0.03)


def _of_its_mount(base: str, i: Installation, side: int, kind: Kind) -> Iterator[Stand]:
    if "spring points" not in kind.forms:
        return
    unit, mount, name = i.unit, i.mount, i.unit.name
    points = f"{base}/mount/points/"
    if mount.mass is None and unit.mass is not None:
        at = MOUNT_SHARE * unit.mass.si
        figure = rough(_cls("mount/mass"), at, MOUNT_BY * at)
        yield Stand(f"{base}/mount/mass", figure, f"mass of the mount ({name})", "a share of the mass of the unit")
    if any(getattr(p, f) is not None for p in mount.points.values() for f in ("unit_aft", "unit_up")):
        return
    long = unit.length.si if unit.length is not None else None
    along, across, up_it = (f"CG {way} the mount ({name})" for way in ("along", "across", "height of"))
    own_cg = "at the CG of the unit"
    if mount.cg_aft is None:
        if side > 0 and "firewall" in kind.forms and long is not None:
            figure = rough(_cls("mount/cg_aft"), 0.9 * long, 0.25 * long, "aft")
            yield Stand(f"{base}/mount/cg_aft", figure, along, "at the far end of the unit", points)
        else:
            own = unit.cg_aft
            way = own.dir if own is not None else ("aft" if side > 0 else "forward")
            where = own.si if own is not None else CG_ALONG * long if long is not None and side else None
            if where is not None:
                figure = rough(_cls("mount/cg_aft"), where, 0.25 * long if long is not None else 0.15, way)
                yield Stand(f"{base}/mount/cg_aft", figure, along, own_cg, points)
    if mount.cg_starboard is None and unit.mass is not None:
        side_at = unit.cg_starboard
        figure = rough(
            _cls("mount/cg_starboard"), side_at.si if side_at else 0.0, 0.05, side_at.dir if side_at else "starboard"
        )
        yield Stand(f"{base}/mount/cg_starboard", figure, across, own_cg, points)
    if mount.cg_up is None and unit.mass is not None and (side or unit.cg_up is not None):
        up = unit.cg_up
        figure = rough(_cls("mount/cg_up"), up.si if up else 0.0, 0.15, up.dir if up else "up")
        yield Stand(f"{base}/mount/cg_up", figure, up_it, own_cg, points)


def _of_its_drive(base: str, i: Installation, side: int, kind: Kind) -> Iterator[Stand]:
    unit, drive, propeller, name = i.unit, i.drive, i.propeller, i.unit.name
    air, sea = "air propeller" in kind.forms, "marine propeller" in kind.forms
    if not (air or sea):
        return
    if drive.stages and side and unit.mass is not None:
        if drive.mass is None:
            at = GEAR_SHARE * unit.mass.si
            figure = rough(_cls("drive/mass"), at, GEAR_BY * at)
            yield Stand(
                f"{base}/drive/mass", figure, f"mass of the reduction ({name})", "a share of the mass of the unit"
            )
        long = drive.length.si if drive.length is not None else 0.25
        if drive.length is None:
            figure = rough(_cls("drive/length"), long, 0.12)
            yield Stand(f"{base}/drive/length", figure, f"length of the reduction ({name})", "as most are")
        if drive.cg_aft is None:
            figure = rough(_cls("drive/cg_aft"), 0.5 * long, 0.5 * long, "aft" if side > 0 else "forward")
            yield Stand(f"{base}/drive/cg_aft", figure, f"CG of the reduction ({name})", "half way along it")
        for key, stage in drive.stages.items():
            s = f"{base}/drive/stages/{key}"
            if stage.offset_starboard is None:
                figure = rough(_cls("drive/stages/*/offset_starboard"), 0.0, 0.02, "starboard")
                yield Stand(f"{s}/offset_starboard", figure, f"sideways offset of the {stage.name}", "none")
            if stage.offset_up is None:
                figure = rough(_cls("drive/stages/*/offset_up"), 0.08, 0.08, "down" if sea else "up")
                how = (
                    "its output a hand's breadth below its input"
                    if sea
                    else "its output a hand's breadth above its input"
                )
                yield Stand(f"{s}/offset_up", figure, f"offset up of the {stage.name}", how)
    if propeller.mass is None and propeller.diameter is not None:
        across = propeller.diameter.si
        at, by = (AIR_PROPELLER * across**2, AIR_BY) if air else (SEA_PROPELLER * across**3, SEA_BY)
        figure = rough(_cls("propeller/mass"), at, by * at)
        yield Stand(f"{base}/propeller/mass", figure, f"mass of the propeller ({name})", "by its diameter")
    if air and propeller.spacer is None and propeller.diameter is not None:
        figure = rough(_cls("propeller/spacer"), 0.0, 0.025)
        yield Stand(f"{base}/propeller/spacer", figure, f"length of the spacer ({name})", "no spacer")
