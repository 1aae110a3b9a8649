"""All rough figures that could stand in a document, where there is a blank."""

from __future__ import annotations

from collections.abc import Iterator

from ..document import Installation, Project
from ..reference.kinds import Kind
from ..resolved.references import kind_of
from .of_craft import of_craft
from .of_unit import of_unit
from .stand import Stand, copied

# What a second unit is taken to have in common with the first.
_IN_COMMON = (
    *(f"unit/{f}" for f in ("mass", "length", "width", "height", "power", "rated_speed", "cg_aft", "cg_up")),
    *(f"propeller/{f}" for f in ("diameter", "pitch", "blades", "mass")),
    *(f"placement/{f}" for f in ("flange_station", "flange_water_line", "propeller_station", "propeller_water_line")),
)


def twins(project: Project, fit_id: str | None) -> Iterator[Stand]:
    """What a second unit of a craft has in common with the first, mirrored, where it is blank. Told before `stands`,
    which are made of it."""
    sides = [("/old_installations", project.old_installations)]
    if fit_id is not None:
        sides.append((f"/fits/{fit_id}/installations", project.fits[fit_id].installations))
    for base, units in sides:
        if len(units) != 2 or "across" in kind_of(project).forms:
            continue
        (_, lead), (key, second) = sorted(units.items(), key=lambda i: (i[1].rank, i[0]))
        how, name = f"as the {lead.unit.name}", second.unit.name
        for path in _IN_COMMON:
            part, field = path.split("/")
            there, mine = getattr(getattr(lead, part), field), getattr(getattr(second, part), field)
            if mine is None and there is not None:
                yield Stand(f"{base}/{key}/{path}", copied(there, 0.0), f"{field.replace('_', ' ')} ({name})", how)
        for stage, has in lead.drive.stages.items():
            other = second.drive.stages.get(stage)
            if other is not None and other.ratio is None and has.ratio is not None:
                pointer = f"{base}/{key}/drive/stages/{stage}/ratio"
                yield Stand(pointer, copied(has.ratio, 0.0), f"ratio of the {other.name} ({name})", how)
        out = lead.placement.flange_butt_line
        if second.placement.flange_butt_line is None and out is not None:
            way = "port" if out.dir == "starboard" else "starboard"
            pointer = f"{base}/{key}/placement/flange_butt_line"
            yield Stand(pointer, copied(out, 0.02, way), f"flange butt line ({name})", f"{how}, on the other side")


def stands(project: Project, fit_id: str | None) -> Iterator[Stand]:
    """Every rough figure that could stand in a document with a fit."""
    kind, layout, old = kind_of(project), project.craft.layout, project.old_installations
    for key, installation in _alike(old, kind).items():
        yield from of_unit(kind, layout, f"/old_installations/{key}", installation, None, len(old))
    if fit_id is not None:
        new = project.fits[fit_id].installations
        for key, installation in _alike(new, kind).items():
            was = old.get(key) or (next(iter(old.values())) if len(old) == len(new) == 1 else None)
            yield from of_unit(kind, layout, f"/fits/{fit_id}/installations/{key}", installation, was, len(new))
    yield from of_craft(project, kind, fit_id)


def _alike(units: dict[str, Installation], kind: Kind) -> dict[str, Installation]:
    """Units of a pair, the second in the condition in which the first was weighed where its own is not said."""
    if len(units) != 2 or "across" in kind.forms:
        return units
    (_, lead), (key, second) = sorted(units.items(), key=lambda i: (i[1].rank, i[0]))
    if second.unit.condition is not None:
        return units
    unit = second.unit.model_copy(update={"condition": lead.unit.condition})
    return {**units, key: second.model_copy(update={"unit": unit})}
