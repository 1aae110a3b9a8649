"""What the systems bench says of the oil, and its tank as drawn."""

from __future__ import annotations

from ...errors import fields, or_none
from ...formula import record
from ...judging.finding import Value, Ways
from ...judging.values import ValueList
from .functions import Corner, depth, depth_aside, surface, tilted
from .quantities import Oiled


@record
class OilPointOut:
    """A corner: aft and up, m."""

    aft_si: float
    up_si: float


@record
class TankOut:
    """An oil tank as it lies, from the side or from behind: outline, oil in it, pickup, and how deep that is under the
    oil (negative bare)."""

    words: str
    nose_up: float
    outline: list[OilPointOut]
    level_si: float | None
    pickup: OilPointOut | None
    depth_si: float | None


def oil_values(oiled: Oiled) -> list[Value]:
    """How deep the pickup is."""
    out = ValueList("systems")
    if not oiled.begun or oiled.o.kept_in == "in the fuel" or oiled.electric:
        return out.values
    ways, level = Ways("under the oil", "bare"), "level surface in the tank's outline: statics"
    out.add(
        "pickup",
        "Oil pickup at the lower mark, steepest",
        "length",
        lambda: worst_depth(oiled)[1],
        ways=ways,
        source=level,
    )
    return out.values


def worst_depth(oiled: Oiled) -> tuple[str, float]:
    """The attitude in which the pickup is least deep, and how deep, m."""
    volume = oiled.volume("least", "oil at the lower mark").si
    with fields(volume=oiled.p("least"), outline=oiled.p("outline")):
        found = [(w, depth(oiled.outline, oiled.width.si, volume, oiled.pickup, angle)) for w, angle in oiled.attitudes]
    return min(found, key=lambda f: f[1])


def tank_table(oiled: Oiled) -> list[TankOut]:
    """The tank level and in the steepest attitudes, at the lower mark; nothing where there is none."""
    return or_none(lambda: _tanks(oiled)) or []


def _tanks(oiled: Oiled) -> list[TankOut]:
    outline, width = oiled.outline, oiled.width.si
    volume, pickup = or_none(lambda: oiled.volume("least", "").si), or_none(lambda: oiled.pickup)
    made = []
    for words, angle in or_none(lambda: oiled.attitudes) or [("level", 0.0)]:
        lying = [tilted(p, angle) for p in outline]
        level = or_none(lambda at=lying: surface(at, width, volume)) if volume is not None else None
        at = tilted(pickup, angle) if pickup is not None else None
        made.append(
            TankOut(
                words=words,
                nose_up=angle,
                outline=[_corner(p) for p in lying],
                level_si=level,
                pickup=_corner(at) if at is not None else None,
                depth_si=level - at[1] if level is not None and at is not None else None,
            )
        )
    aside = or_none(lambda: _aside(oiled)) if oiled.feels_side else None
    return [*made, aside] if aside is not None else made


def _aside(oiled: Oiled) -> TankOut:
    """The tank over to a side, seen from astern, its low side to the right: as wide and as high as it is."""
    side, half, up = oiled.side, oiled.width.si / 2, oiled.pickup[1]
    volume, high = oiled.volume("least", "").si, max(z for _, z in oiled.outline)
    box = [tilted(p, side) for p in ((-half, 0.0), (half, 0.0), (half, high), (-half, high))]
    at = tilted((-oiled.across, up), side)
    deep = depth_aside(oiled.outline, oiled.width.si, volume, (oiled.across, up), side)
    return TankOut(
        words="heeled, from astern" if oiled.resolved.has("afloat") else "in a long bend, from behind",
        nose_up=side,
        outline=[_corner(p) for p in box],
        level_si=at[1] + deep,
        pickup=_corner(at),
        depth_si=deep,
    )


def _corner(point: Corner) -> OilPointOut:
    return OilPointOut(aft_si=point[0], up_si=point[1])
