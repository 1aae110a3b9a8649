"""From the library to a fit, and back: what a unit must say, the fit that it makes, what stays when it takes another's
place."""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Any, Literal, NamedTuple

from ..document import (
    Align,
    Face,
    Installation,
    LibraryUnit,
    Project,
    Propeller,
    Stage,
    SwingUnit,
    Wheel,
    plain,
    restyled,
    taken_out,
    turned,
)
from ..errors import InputError
from ..resolved.ratios import OUTSIDE
from ..resolved.references import kind_of
from .power.curve import OnTheCurve, check_curve

_TURNED = (
    "it was turned end for end, to lie on the side of its flange that the old one lay: sides and the way it turns are "
    "mirrored"
)
_GUESS = "guess: where the output flange of the old unit sits"


class Made(NamedTuple):
    """Operations that make or change a fit; its id; in words: what stays, what goes, what to look at again."""

    operations: list[dict[str, Any]]
    fit: str
    stays: list[str]
    goes: list[str]
    again: list[str]


def check_unit(shelf: LibraryUnit) -> None:
    """What a unit of the library must say. Raises InputError at the field: a mass without its condition, a curve that
    is none, a rating without a limit that has a time."""
    u = shelf.unit
    if u.mass is not None and u.condition is None:
        raise InputError(
            "/unit/condition", f"mass of the {u.name} without its condition", allowed="dry, wet, ready to run"
        )
    for key, r in u.ratings.items():
        if r.limit == "without a limit" and r.lasts is not None:
            raise InputError(
                f"/unit/ratings/{key}/limit",
                f"the rating {r.name} has no limit, and a time",
                given=r.lasts.entered,
                allowed="for so long",
            )
    if u.curve is None:
        return
    try:
        check_curve(
            [
                OnTheCurve(c.speed.si, c.torque.si if c.torque else None, c.power.si if c.power else None)
                for c in u.curve
            ]
        )
    except InputError as bad:
        raise InputError(
            f"/unit/{bad.field or 'curve'}", f"{u.name}: {bad.message}", given=bad.given, allowed=bad.allowed
        ) from None


def slug(name: str, taken: Iterable[str], otherwise: str = "unit") -> str:
    """An id from a name, not among those taken."""
    stem = re.sub(r"[^a-z0-9]+", "-", name.casefold()).strip("-")[:34].strip("-") or otherwise
    there = set(taken)
    return next(k for k in (stem, *(f"{stem}-{n}" for n in range(2, 9999))) if k not in there)


def kept(project: Project, installation: Installation) -> LibraryUnit:
    """The unit of an installation as the library keeps it: without the chains and belts that belong to the craft."""
    shelf = taken_out(installation)
    outside = _outside(project, installation.drive.stages)
    own = {k: s for k, s in shelf.drive.stages.items() if k not in outside}
    return shelf.model_copy(update={"drive": shelf.drive.model_copy(update={"stages": own})})


def new_fit(project: Project, key: str, shelf: LibraryUnit) -> Made:
    """A fit with this unit in the place of each old one: placement guessed, what hangs on it in the ledger, its price
    among the money; what is kept of the old beyond the unit is said."""
    name = shelf.unit.name
    names = {f.name for f in project.fits.values()}
    fit_id = slug(name, project.fits, "fit")
    olds = project.old_installations or {"main": Installation(name=name)}
    installations = {i: _in_place_of(old, project, key, shelf) for i, old in olds.items()}
    fit: dict[str, Any] = {
        "name": name if name not in names else f"{name} ({fit_id})",
        "rank": max([f.rank for f in project.fits.values()], default=0.0) + 1.0,
        "installations": installations,
        "ledger": _on_top(project, shelf, len(olds), {}),
        "money": _price(project, shelf, len(olds)),
    }
    old = next(iter(olds.values()))
    said = _Said([], [], [])
    said.of("stays", "place and direction of the output flange, as a guess", old.placement.flange_station)
    propeller = old.propeller != Propeller()
    said.of("stays", "propeller", propeller)
    said.of("again", "propeller: whether it takes the power, fits the flange and turns the right way", propeller)
    outside = _outside(project, old.drive.stages) and not _outside(project, shelf.drive.stages)
    said.of("stays", "chains and belts outside the unit", outside)
    said.of("again", "the ratio", outside)
    said.of("stays", "driven wheel", old.wheel != Wheel())
    said.of("again", _TURNED, _end_for_end(project, shelf, old))
    burns = old.unit.kind != "electric" and shelf.unit.kind == "electric"
    said.of("again", "the tanks, which may go: a row of the ledger takes them out", burns)
    return Made([{"op": "add", "path": f"/fits/{fit_id}", "value": fit}], fit_id, said.stays, said.goes, said.again)


def _in_place_of(old: Installation, project: Project, key: str, shelf: LibraryUnit) -> dict[str, Any]:
    placement = plain(old.placement)
    for field in ("flange_station", "flange_butt_line", "flange_water_line"):
        if field in placement:
            placement[field] = {**placement[field], "source": "estimated", "note": _GUESS}
            placement[field].pop("plus_minus", None)
    made = _of(project, key, shelf, old)
    outside = {k: plain(s) for k, s in _outside(project, old.drive.stages).items()}
    # What is outside the unit comes after its own stages, unless it brings its own.
    if outside and not _outside(project, shelf.drive.stages):
        last = max((s.rank for s in shelf.drive.stages.values()), default=0.0)
        own = made["drive"].setdefault("stages", {})
        for n, (k, s) in enumerate(outside.items(), 1):
            own[slug(k, own)] = {**s, "rank": last + n}
    return {
        **made,
        "name": old.name if len(project.old_installations) > 1 else shelf.unit.name,
        "rank": old.rank,
        "placement": placement,
        **({"lies": old.lies} if old.lies else {}),
        "propeller": plain(old.propeller),
        "wheel": plain(old.wheel),
    }


def _of(project: Project, key: str, shelf: LibraryUnit, like: Installation) -> dict[str, Any]:
    """Unit, drive, mount and packs of a library unit, in the number style of the project, lying on the side of its
    flange that it must."""
    made: dict[str, Any] = restyled(plain(shelf), "point", project.number_style)
    made = turned(made) if _end_for_end(project, shelf, like) else made
    return {**made, "unit": {**made["unit"], "origin": key}}


def _end_for_end(project: Project, shelf: LibraryUnit, like: Installation) -> bool:
    """Whether a unit must be turned: its CG lies on the other side of its flange than that of the unit it replaces, or
    than units of such a craft do. Not where its place is not known, and not in a craft whose units lie across."""
    at, there, usual = shelf.unit.cg_aft, like.unit.cg_aft, kind_of(project).unit_side
    said = {"aft of its flange": 1.0, "ahead of its flange": -1.0, None: None}[like.lies]
    wanted = said if said is not None else there.along_m if there is not None else usual
    return usual != 0 and at is not None and at.along_m * wanted < 0


def _outside(project: Project, stages: Mapping[str, Stage]) -> dict[str, Stage]:
    """Stages that belong to the craft, in order: chains and belts to a driven wheel. All others are taken for a unit's
    own."""
    if "driven wheel" not in kind_of(project).forms:
        return {}
    return {k: s for k, s in sorted(stages.items(), key=lambda s: s[1].rank) if s.type in OUTSIDE}


def _on_top(project: Project, shelf: LibraryUnit, units: int, there: Mapping[str, Any]) -> dict[str, Any]:
    """Rows of the ledger for what comes on top of the quoted mass, where it sits still to be measured."""
    rows: dict[str, Any] = {}
    for key, a in sorted(shelf.unit.accessories.items(), key=lambda a: a[1].rank):
        if a.counted == "in its mass" or a.mass is None:
            continue
        for n in range(units):
            mass = restyled(plain(a.mass), "point", project.number_style)
            rows[slug(f"{key}-{n + 1}" if units > 1 else key, [*there, *rows])] = {
                "name": a.name,
                "kind": "installed",
                "rank": 800.0 + len(rows),
                "mass": mass,
            }
    return rows


def _price(project: Project, shelf: LibraryUnit, units: int) -> dict[str, Any]:
    """A line of money for each unit, where its price is known."""
    if shelf.unit.cost is None:
        return {}
    said: dict[str, Any] = {
        "planned": plain(shelf.unit.cost),
        **({"wait": plain(shelf.unit.wait)} if shelf.unit.wait else {}),
    }
    said = restyled(said, "point", project.number_style)
    return {
        f"unit-{n + 1}": {
            "name": shelf.unit.name if units == 1 else f"{shelf.unit.name}, {n + 1}",
            "rank": float(n + 1),
            "state": "open",
            **said,
        }
        for n in range(units)
    }


def into_fit(project: Project, fit_id: str, key: str, shelf: LibraryUnit, known: LibraryUnit | None) -> Made:
    """This unit in the place of those of a fit. known: the library's unit that goes out, which tells its own stages
    from those of the craft.

    Raises InputError for a fit that is not there or has no installation."""
    fit = project.fits.get(fit_id)
    if fit is None or not fit.installations:
        raise InputError(
            "/fit", "no such fit with an installation", given=fit_id, allowed=", ".join(project.fits) or "none yet"
        )
    said = _Said(
        ["place and direction of the output flange"],
        ["the unit with all that was entered of it"],
        ["where the CG of the unit is now"],
    )
    operations = []
    for i, here in fit.installations.items():
        new = {"name": shelf.unit.name} if here.name == here.unit.name else {}
        for part, value in {**new, **_swapped(project, here, key, shelf, known, said)}.items():
            operations.append({"op": "replace", "path": f"/fits/{fit_id}/installations/{i}/{part}", "value": value})
    operations += _ledger(project, fit_id, shelf, said) + _money(project, fit_id, shelf, said)
    said.of("stays", "tanks of this fit", fit.tanks)
    said.of("stays", "spaces for packs", fit.spaces)
    said.of("stays", "tasks", fit.tasks)
    said.of("again", "the tasks", fit.tasks)
    if fit.name in {i.unit.name for i in fit.installations.values()}:
        operations.append({"op": "replace", "path": f"/fits/{fit_id}/name", "value": shelf.unit.name})
    return Made(operations, fit_id, said.stays, said.goes, said.again)


@dataclass
class _Said:
    """In words: what stays, what goes, what to look at again."""

    stays: list[str]
    goes: list[str]
    again: list[str]

    def of(self, where: Literal["stays", "goes", "again"], words: str, there: object) -> None:
        """Says it once, if there is such a thing."""
        if there and words not in getattr(self, where):
            getattr(self, where).append(words)


def _swapped(
    project: Project, here: Installation, key: str, shelf: LibraryUnit, known: LibraryUnit | None, said: _Said
) -> dict[str, Any]:
    """The parts of an installation that another unit changes."""
    new = _of(project, key, shelf, here)
    outside = _outside(project, here.drive.stages)
    own = {k for k in here.drive.stages if (k in known.drive.stages if known else k not in outside)}
    left = sorted(((k, s) for k, s in here.drive.stages.items() if k not in own), key=lambda s: s[1].rank)
    drive = new["drive"]
    stages = {k: s for k, s in drive.get("stages", {}).items() if not left or s.get("type", "gear") not in OUTSIDE}
    last = max((s["rank"] for s in stages.values()), default=0.0)
    for n, (k, s) in enumerate(left, 1):
        stages[slug(k, stages)] = {**plain(s), "rank": last + n}
    made = {"unit": new["unit"], "drive": {**drive, "stages": stages}, "align": {}}
    made["mount/points"] = new["mount"].get("points", {})
    said.of("again", _TURNED, _end_for_end(project, shelf, here))
    said.of("goes", "its own stages and gears", own or here.drive.gears)
    said.of("stays", "chains and belts outside the unit", left)
    said.of("again", "the ratio", left)
    said.of("goes", "the points of its mount: their pattern was the other unit's", here.mount.points)
    said.of("again", "mass of the mount", here.mount.mass)
    said.of("again", "torque factor of the mount: it was the other unit's", here.mount.torque_factor)
    said.of("again", "thrust on the mount", here.mount.thrust)
    said.of(
        "again",
        "whether it sits on rubber, and where its thrust is taken",
        here.mount.seating or here.mount.thrust_taken,
    )
    said.of("again", "pivot, shock, and the mass of what swings", here.mount.swing != SwingUnit())
    said.of("again", "overhang of the motor on the face", here.mount.face != Face())
    said.of("goes", "readings of the alignment: they were taken with the other unit", here.align != Align())
    propeller = here.propeller != Propeller()
    said.of("stays", "propeller", propeller)
    said.of("again", "propeller: whether it takes the power, fits the flange and turns the right way", propeller)
    said.of("stays", "driven wheel", here.wheel != Wheel())
    if shelf.packs or shelf.unit.kind != "electric":
        made["packs"] = new.get("packs", {})
        said.of("goes", "the packs", here.packs)
    else:
        said.of("stays", "the packs", here.packs)
        said.of("again", "whether the packs suit its voltage and current", here.packs)
    return made


def _ledger(project: Project, fit_id: str, shelf: LibraryUnit, said: _Said) -> list[dict[str, Any]]:
    """Rows that hung on the outgoing units go, by their names; those of the new one come; the others stay."""
    fit = project.fits[fit_id]
    hung = {a.name.casefold() for i in fit.installations.values() for a in i.unit.accessories.values()}
    gone = [k for k, r in fit.ledger.items() if r.kind == "installed" and r.name.casefold() in hung]
    kept = {k: r for k, r in fit.ledger.items() if k not in gone}
    said.of("goes", "rows of the ledger for what hung on it", gone)
    said.of("stays", "the other rows of the ledger", kept)
    base = f"/fits/{fit_id}/ledger"
    come = _on_top(project, shelf, len(fit.installations), kept)
    return [{"op": "remove", "path": f"{base}/{k}"} for k in gone] + [
        {"op": "add", "path": f"{base}/{k}", "value": r} for k, r in come.items()
    ]


def _money(project: Project, fit_id: str, shelf: LibraryUnit, said: _Said) -> list[dict[str, Any]]:
    """Lines that bear the name of an outgoing unit go; one on which something was ordered or paid stays, for it is a
    fact."""
    fit = project.fits[fit_id]
    names = tuple(i.unit.name.casefold() for i in fit.installations.values())
    named = {k: m for k, m in fit.money.items() if m.name.casefold().startswith(names)}
    gone = [k for k, m in named.items() if m.committed is None and m.spent is None]
    said.of("goes", "its line of money", gone)
    said.of("again", "what was ordered or paid for it", len(named) > len(gone))
    kept = [k for k in fit.money if k not in gone]
    base, rank = f"/fits/{fit_id}/money", max((m.rank for m in fit.money.values()), default=0.0)
    made: list[dict[str, Any]] = [{"op": "remove", "path": f"{base}/{k}"} for k in gone]
    for n, line in enumerate(_price(project, shelf, len(fit.installations)).values(), 1):
        k = slug(shelf.unit.name, kept)
        kept.append(k)
        made.append({"op": "add", "path": f"{base}/{k}", "value": {**line, "rank": rank + n}})
    return made
