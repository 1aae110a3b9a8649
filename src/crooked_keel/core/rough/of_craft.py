"""Rough figures of the craft: what stands on the scales, seats and tanks, the height of her CG.

Common practice or from memory, each with the doubt that it deserves.
"""

from __future__ import annotations

from collections.abc import Iterator

from ..document import Figure, Project
from ..document.craft import Support
from ..figure.place import Place
from ..reference.kinds import Kind
from ..resolved.references import kind_of
from .stand import Stand, class_at, copied, middle, rough

# Of fuel, kg/m³, by what it is. Common practice, no source.
DENSITY = {"petrol": (740.0, 35.0), "diesel": (835.0, 20.0), "kerosene": (808.0, 35.0)}
# Height of the CG over the ground in parts of wheelbase (wheels in line) or of track. From memory.
CG_BY_BASE, CG_BY_TRACK, CG_OVER_BY = 0.36, 0.4, 0.25


def of_craft(project: Project, kind: Kind, fit_id: str | None) -> Iterator[Stand]:
    """Every rough figure of the craft with a fit."""
    water = _waterline(project)
    yield from _of_supports(project, kind)
    yield from _of_tanks(project, kind, fit_id, water)
    yield from _of_hull(project, water)


def _of_tanks(project: Project, kind: Kind, fit_id: str | None, water: float | None) -> Iterator[Stand]:
    fuel = _fuel(project, kind, fit_id)
    tanks = [("/craft/tanks", project.craft.tanks)]
    if fit_id is not None:
        tanks.append((f"/fits/{fit_id}/tanks", project.fits[fit_id].tanks))
    for base, held in tanks:
        for key, tank in held.items():
            if tank.station is None:
                continue
            if tank.density is None and fuel is not None:
                at, by = DENSITY[fuel]
                figure = rough(class_at("/craft/tanks/*/density"), at, by)
                yield Stand(f"{base}/{key}/density", figure, f"density in the {tank.name}", f"that of {fuel}")
            what = f"butt line of the {tank.name}"
            if tank.butt_line is None and len(held) == 1:
                yield middle(f"{base}/{key}/butt_line", "/craft/tanks/*/butt_line", what, 0.1)
            if tank.water_line is None and water is not None:
                yield Stand(f"{base}/{key}/water_line", _at_height(water, 0.3), f"height of the {tank.name}", _AFLOAT)
            beam = project.craft.flotation.beam
            if water is not None and beam is not None:
                broad = 0.25 * beam.si
                for field, at, by in (("surface_length", 0.8, 0.4), ("surface_breadth", broad, 0.6 * broad)):
                    if getattr(tank, field) is None:
                        figure = rough(class_at(f"/craft/tanks/*/{field}"), at, by)
                        what = f"{field.replace('_', ' ')} in the {tank.name}"
                        yield Stand(f"{base}/{key}/{field}", figure, what, "as most are, by her beam")


def _fuel(project: Project, kind: Kind, fit_id: str | None) -> str | None:
    """What it burns: as its unit says, the new before the old, else what its trade mostly burns."""
    units = list(project.fits[fit_id].installations.values()) if fit_id is not None else []
    for i in [*units, *project.old_installations.values()]:
        said = i.unit.ports.fuel.kind
        if said in DENSITY:
            return said
        if i.unit.kind == "diesel":
            return "diesel"
        if i.unit.kind == "electric":
            return None
    return "diesel" if "afloat" in kind.forms else "petrol"


def _of_supports(project: Project, kind: Kind) -> Iterator[Stand]:
    held = project.craft.supports
    for key, support in held.items():
        if support.reading is None:
            continue
        if support.tare is None:
            figure = rough(class_at("/craft/supports/*/tare"), 0.0, 0.5)
            yield Stand(f"/craft/supports/{key}/tare", figure, f"tare under the {support.name}", "set to nought")
        others = [s for k, s in held.items() if k != key and s.role == support.role]
        if len(others) > 1:
            continue
        if support.butt_line is None:
            yield from _across(key, support, others[0] if others else None)
        if others and support.station is None and others[0].station is not None:
            how = f"abreast of the {others[0].name}"
            figure = copied(others[0].station, 0.01)
            yield Stand(f"/craft/supports/{key}/station", figure, f"station of the {support.name}", how)
    weighed = any(s.reading is not None for s in held.values())
    if project.craft.as_found.butt_line is None and weighed and ("wheels in line" in kind.forms or len(held) == 2):
        yield middle("/craft/as_found/butt_line", "/craft/as_found/butt_line", "butt line of the CG as found", 0.02)
    for key, seat in project.craft.seats.items():
        if seat.butt_line is None and seat.station is not None:
            what = f"butt line of the {seat.name}"
            yield middle(f"/craft/seats/{key}/butt_line", "/craft/seats/*/butt_line", what, 0.1)
    if project.craft.as_found.water_line is None and "stands on wheels" in kind.forms:
        yield from _height_on_wheels(project, kind)


def _across(key: str, support: Support, other: Support | None) -> Iterator[Stand]:
    pointer, what = f"/craft/supports/{key}/butt_line", f"butt line of the {support.name}"
    if other is None:
        yield middle(pointer, "/craft/supports/*/butt_line", what, 0.02)
    elif other.butt_line is not None:
        way = "port" if other.butt_line.dir == "starboard" else "starboard"
        yield Stand(pointer, copied(other.butt_line, 0.02, way), what, f"as far out as the {other.name}")


def _along(place: Place | None) -> float | None:
    return place.along_m if place is not None and place.origin in ("datum", "centreline", "level line") else None


def _height_on_wheels(project: Project, kind: Kind) -> Iterator[Stand]:
    craft = project.craft
    if craft.as_found.raised.lift is not None or not any(s.reading is not None for s in craft.supports.values()):
        return
    at = [x for s in craft.supports.values() if (x := _along(s.station)) is not None]
    out = [y for s in craft.supports.values() if (y := _along(s.butt_line)) is not None]
    ground = [z for s in craft.supports.values() if (z := _along(s.water_line)) is not None]
    in_line = "wheels in line" in kind.forms
    span = (max(at) - min(at) if at else 0.0) if in_line else (max(out) - min(out) if out else 0.0)
    if span <= 0 or not ground:
        return
    height = (CG_BY_BASE if in_line else CG_BY_TRACK) * span
    figure = _at_height(min(ground) + height, CG_OVER_BY * height)
    how = "by its wheelbase" if in_line else "by its track"
    instead = "/craft/as_found/raised/"
    yield Stand("/craft/as_found/water_line", figure, "height of the CG as found", how, instead)


_AFLOAT = "at her waterline"


def _waterline(project: Project) -> float | None:
    """Where she floats as found, over the level line, m; None where she does not or the freeboards are not read."""
    if "afloat" not in kind_of(project).forms:
        return None
    over = [
        m.sheer.along_m - m.freeboard.si
        for m in project.craft.flotation.marks.values()
        if m.sheer is not None and m.freeboard is not None
    ]
    return sum(over) / len(over) if over else None


def _at_height(up: float, by_m: float) -> Figure:
    return rough(class_at("/craft/as_found/water_line"), abs(up), by_m, "up" if up >= 0 else "down")


def _of_hull(project: Project, water: float | None) -> Iterator[Stand]:
    beam = project.craft.flotation.beam
    if water is None or beam is None or project.craft.as_found.water_line is not None:
        return
    what = "height of the CG as found (KG)"
    yield Stand("/craft/as_found/water_line", _at_height(water, 0.08 * beam.si), what, f"{_AFLOAT}, by her beam")
