"""Older documents are lifted dict → dict on reading; what is stored is never rewritten."""

from __future__ import annotations

from collections.abc import Callable
from copy import deepcopy
from typing import Any


def _to_2(raw: dict[str, Any]) -> dict[str, Any]:
    """One old installation becomes a collection; the gear of an aeroplane a layout; the firewall side of a mount point
    the side of the structure."""
    made = {**raw, "schema_version": 2}
    if "gear" in made.get("craft", {}):
        made["craft"] = {("layout" if k == "gear" else k): v for k, v in made["craft"].items()}
    old = made.pop("old_installation", None)
    made["old_installations"] = {"main": _structure(old)} if old else {}
    made["fits"] = {
        key: {**fit, "installations": {k: _structure(i) for k, i in fit.get("installations", {}).items()}}
        for key, fit in made.get("fits", {}).items()
    }
    return made


def _structure(installation: dict[str, Any]) -> dict[str, Any]:
    mount = installation.get("mount", {})
    points = {
        key: {k.replace("firewall_", "structure_"): v for k, v in point.items()}
        for key, point in mount.get("points", {}).items()
    }
    return {**installation, "mount": {**mount, "points": points}}


def _to_3(raw: dict[str, Any]) -> dict[str, Any]:
    """The stand belongs to the craft, on the road or not; what is new since is left blank."""
    made, craft = {**raw, "schema_version": 3}, dict(raw.get("craft", {}))
    road = dict(craft.get("road", {}))
    if "stand" in road:
        craft["stand"] = road.pop("stand")
        made["craft"] = {**craft, "road": road}
    return made


def _to_4(raw: dict[str, Any]) -> dict[str, Any]:
    """Parts with nothing in them are no longer written; nothing else changed."""
    return {**raw, "schema_version": 4}


def _to_5(raw: dict[str, Any]) -> dict[str, Any]:
    """New figures, left blank: full charge of a pack and how packs are joined, the held member of a planetary stage,
    the water that a hydrostatic table was made for."""
    return {**raw, "schema_version": 5}


_LAY = {"aeroplane": "aft of its flange", "boat": "ahead of its flange"}


def _to_6(raw: dict[str, Any]) -> dict[str, Any]:
    """Which side of its flange a unit lies belongs to the installation: as the kind of craft had it so far, left blank
    in a canard, whose unit was placed as if it pulled. All else that is new is left blank."""
    side = None if raw.get("craft", {}).get("layout") == "canard" else _LAY.get(raw.get("kind", "aeroplane"))
    if side is None:
        return {**raw, "schema_version": 6}
    lay = lambda made: {key: {**installation, "lies": side} for key, installation in made.items()}
    fits = {k: {**f, "installations": lay(f.get("installations", {}))} for k, f in raw.get("fits", {}).items()}
    old = lay(raw.get("old_installations", {}))
    parts = {name: part for name, part in (("fits", fits), ("old_installations", old)) if part}
    return {**raw, **parts, "schema_version": 6}


def _to_7(raw: dict[str, Any]) -> dict[str, Any]:
    """What surrounds the unit, and the shape of a tank, are new, and left blank."""
    return {**raw, "schema_version": 7}


# Figures that nothing was made of, by their part of the systems.
_UNUSED = (("cooling", "exit"), ("oil", "tank"), ("high_voltage", "makes"))


def _to_8(raw: dict[str, Any]) -> dict[str, Any]:
    """The plan and the limits of a run are new, and left blank; figures of systems that nothing was made of go."""

    def of_systems(made: dict[str, Any]) -> dict[str, Any]:
        parts = {k: {n: v for n, v in p.items() if (k, n) not in _UNUSED} for k, p in made.items()}
        for part, path in (("cooling", "loop"), ("cooling", "water"), ("oil", "path"), ("exhaust", "path")):
            for piece in parts.get(part, {}).get(path, {}).values():
                for unused in ("fineness", "passes"):
                    piece.pop(unused, None)
        return parts

    raw = deepcopy(raw)
    for fit in raw.get("fits", {}).values():
        for installation in fit.get("installations", {}).values():
            if "systems" in installation:
                installation["systems"] = of_systems(installation["systems"])
    return {**raw, "schema_version": 8}


def _to_9(raw: dict[str, Any]) -> dict[str, Any]:
    """Rough figures and the CG of a mount are new: nothing stands in, and nothing is said of it."""
    return {**raw, "schema_version": 9}


def _to_10(raw: dict[str, Any]) -> dict[str, Any]:
    """What twists, how a reduction heats, how banks are charged are new: nothing is said of them."""
    return {**raw, "schema_version": 10}


def _to_11(raw: dict[str, Any]) -> dict[str, Any]:
    """Cross shafts, a motor on the crank, both ends of a variator in its stage are new: nothing is said of them."""
    return {**raw, "schema_version": 11}


def _to_12(raw: dict[str, Any]) -> dict[str, Any]:
    """Which way a crank across turns, the length of a propeller shaft, spokes and laps are new: nothing is said."""
    return {**raw, "schema_version": 12}


# version → function that lifts a document of that version to the next one.
STEPS: dict[int, Callable[[dict[str, Any]], dict[str, Any]]] = {
    1: _to_2,
    2: _to_3,
    3: _to_4,
    4: _to_5,
    5: _to_6,
    6: _to_7,
    7: _to_8,
    8: _to_9,
    9: _to_10,
    10: _to_11,
    11: _to_12,
}


def lift(raw: dict[str, Any]) -> dict[str, Any]:
    """The document in the current version."""
    while (step := STEPS.get(raw["schema_version"])) is not None:
        raw = step(raw)
    return raw
