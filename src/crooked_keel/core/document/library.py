"""A unit of the library: what a fit is given a copy of. Its figures are written with a decimal point."""

from __future__ import annotations

import json
from typing import Any

from pydantic import BaseModel, ValidationError

from ..errors import InputError
from ..figure.base import Figure
from ..figure.grammar import NumberStyle, swapped
from .balance import Pack
from .base import Key, Part
from .drive import Drive
from .files import parse_json, plain, validation_to_input_error
from .fit import Installation
from .mount import Mount, MountPoint
from .patch import check_id
from .project import SCHEMA_VERSION
from .unit import PowerUnit


class LibraryUnit(Part):
    """A power unit with what belongs to it whatever craft it goes into: its own reduction, its mount points, its
    packs."""

    unit: PowerUnit
    drive: Drive = Drive()
    mount: Mount = Mount()
    packs: dict[Key, Pack] = {}


def restyled(value: Any, was: NumberStyle, to: NumberStyle) -> Any:
    """A plain part whose figures were written in one number style, written in another."""
    if was == to:
        return value
    if isinstance(value, dict):
        return {
            k: swapped(v) if k == "entered" and isinstance(v, str) else restyled(v, was, to) for k, v in value.items()
        }
    return [restyled(v, was, to) for v in value] if isinstance(value, list) else value


_OTHER = {
    "aft": "forward",
    "forward": "aft",
    "starboard": "port",
    "port": "starboard",
    "clockwise": "anticlockwise",
    "anticlockwise": "clockwise",
    "front": "rear",
    "rear": "front",
}
# Where a word says a side or a turning: of a place, of a port, of a shaft.
_SIDED = ("dir", "side", "turns")


def turned(value: Any) -> Any:
    """A plain unit turned end for end about the vertical: what lay aft lies forward, starboard is port, and its shaft
    turns the other way seen from aft."""
    if isinstance(value, dict):
        return {k: _OTHER.get(v, v) if k in _SIDED and isinstance(v, str) else turned(v) for k, v in value.items()}
    return [turned(v) for v in value] if isinstance(value, list) else value


def taken_out(installation: Installation) -> LibraryUnit:
    """What of an installation belongs to its unit: without where it sits in the craft, without what only the project
    knows."""
    bare = lambda p: MountPoint(**{n: getattr(p, n) for n in MountPoint.model_fields if not n.startswith("structure_")})
    off = {"station": None, "butt_line": None, "water_line": None, "space": None}
    made = LibraryUnit(
        unit=installation.unit.model_copy(update={"origin": None}),
        drive=installation.drive,
        mount=Mount(points={k: bare(p) for k, p in installation.mount.points.items()}),
        packs={k: p.model_copy(update=off) for k, p in installation.packs.items()},
    )
    return _without_project(made)  # type: ignore[no-any-return]


def _without_project(value: Any) -> Any:
    if isinstance(value, Figure):
        return value.model_copy(update={"instrument": None, "earlier": None})
    if isinstance(value, BaseModel):
        return value.model_copy(update={n: _without_project(getattr(value, n)) for n in type(value).model_fields})
    if isinstance(value, dict):
        return {k: _without_project(v) for k, v in value.items()}
    return [_without_project(v) for v in value] if isinstance(value, list) else value


# The first version that had files of units; a unit is written the same way since.
_FIRST = 3


def load_unit(raw: Any, pointer: str = "", trusted: bool = False) -> LibraryUnit:
    """A plain unit, its figures checked against their text unless it comes from the application's own store. Raises
    InputError."""
    try:
        return LibraryUnit.model_validate(raw, context={"trusted": True} if trusted else {"number_style": "point"})
    except ValidationError as bad:
        raise validation_to_input_error(bad, pointer) from None


def load_library(text: str | bytes) -> dict[str, LibraryUnit]:
    """A file of units → units by their id, checked whole. Raises InputError: not such a file, written by a newer
    version, a unit that is wrong."""
    raw = parse_json(text, "file of units")
    if not isinstance(raw, dict) or not isinstance(raw.get("units"), dict) or "schema_version" not in raw:
        raise InputError("", "this is not a file of units: it has no schema_version or no units")
    version = raw["schema_version"]
    known = range(_FIRST, SCHEMA_VERSION + 1)
    if isinstance(version, int) and version > SCHEMA_VERSION:
        why = f"this file was written by a newer version ({version}); this one reads up to {SCHEMA_VERSION}"
        raise InputError("/schema_version", why)
    if version not in known or isinstance(version, bool):
        allowed = f"{known[0]} to {known[-1]}"
        raise InputError(
            "/schema_version", "no file of units has this version", given=str(version)[:40], allowed=allowed
        )
    for key in raw["units"]:
        check_id(key, "/units")
    return {key: load_unit(value, f"/units/{key}") for key, value in raw["units"].items()}


def dump_library(units: dict[str, LibraryUnit]) -> str:
    """Units as a file; the same units always give the same text."""
    body = {"schema_version": SCHEMA_VERSION, "units": {k: plain(u) for k, u in units.items()}}
    return json.dumps(body, ensure_ascii=False, indent=1, allow_nan=False)
