"""Figures for the demonstration projects, as people would type them."""

from __future__ import annotations

from typing import Any


def f(text: str, source: str = "measured", **more: str) -> dict[str, Any]:
    """A figure as a person would type it."""
    return {"entered": text, "source": source, **more}


def aft(text: str, source: str = "measured", origin: str = "datum") -> dict[str, Any]:
    """A station; negative is ahead."""
    forward = text.startswith("-")
    return f(text.lstrip("-"), source, **{"from": origin, "dir": "forward" if forward else "aft"})


def ahead(text: str, source: str = "measured", origin: str = "datum") -> dict[str, Any]:
    """A station forward of its origin."""
    return f(text, source, **{"from": origin, "dir": "forward"})


def side(text: str, source: str = "measured") -> dict[str, Any]:
    """Butt line; negative is port."""
    port = text.startswith("-")
    return f(text.lstrip("-"), source, dir="port" if port else "starboard")


def up(text: str, source: str = "measured") -> dict[str, Any]:
    """Water line; negative is below."""
    down = text.startswith("-")
    return f(text.lstrip("-"), source, dir="down" if down else "up")


def at(x: str, y: str, z: str, source: str = "measured") -> dict[str, Any]:
    """A place: station, butt line, water line."""
    return {"station": aft(x, source), "butt_line": side(y, source), "water_line": up(z, source)}


def rows(*rows: tuple[str, str, str, dict[str, Any], dict[str, Any]]) -> dict[str, Any]:
    """Ledger rows: id, kind, name, mass, place."""
    return {
        key: {"name": name, "kind": kind, "rank": float(rank), "mass": mass, **at}
        for rank, (key, kind, name, mass, at) in enumerate(rows)
    }


def local(text: str, way: str, source: str = "measured", origin: str = "unit flange") -> dict[str, Any]:
    """A distance from the unit's flange in a direction; negative is the other way."""
    other = {"aft": "forward", "starboard": "port", "up": "down"}
    return f(text.lstrip("-"), source, **{"from": origin, "dir": other[way] if text.startswith("-") else way})


def cg(x: str, y: str, z: str, source: str = "measured") -> dict[str, Any]:
    """CG of a unit from its flange: aft, starboard, up."""
    return {
        "cg_aft": local(x, "aft", source),
        "cg_starboard": local(y, "starboard", source),
        "cg_up": local(z, "up", source),
    }


def box(length: str, height: str, x: str | None, z: str) -> dict[str, Any]:
    """Envelope of a unit: length, height, its middle aft and up of its flange."""
    made = {"length": f(length), "height": f(height), "box_up": local(z, "up")}
    return made if x is None else {**made, "box_aft": local(x, "aft")}


def gears(*ratios: str) -> dict[str, Any]:
    """Gears of a box, lowest first, by their ratios."""
    names = ("first", "second", "third", "fourth", "fifth", "sixth")
    return {
        n: {"name": n, "rank": float(i), "ratio": f(r, "maker")}
        for i, (n, r) in enumerate(zip(names, ratios, strict=False))
    }


def space(
    name: str, rank: float, along: tuple[str, str], across: tuple[str, str], high: tuple[str, str]
) -> dict[str, Any]:
    """A space for packs: its ends, sides, floor and lid."""
    return {
        "name": name,
        "rank": rank,
        "forward": aft(along[0]),
        "aft": aft(along[1]),
        "port": side(across[0]),
        "starboard": side(across[1]),
        "low": up(high[0]),
        "high": up(high[1]),
    }


def size(length: str, width: str, height: str) -> dict[str, Any]:
    """How large a pack is."""
    return {"length": f(length), "width": f(width), "height": f(height)}
