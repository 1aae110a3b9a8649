"""Kinds of craft: which forms a kind has, the supports and references it starts with, and its own words.

A bench asks for forms, never for a kind.
"""

from __future__ import annotations

from typing import Any, Literal, NamedTuple

Gear = Literal["tailwheel", "tricycle"]


class Kind(NamedTuple):
    """forms: what benches ask about; template: operations that a new project starts with."""

    name: str
    forms: tuple[str, ...]
    gears: tuple[Gear, ...]
    words: dict[str, str]


KINDS: dict[str, Kind] = {
    "aeroplane": Kind(
        name="aeroplane",
        forms=("three supports", "air propeller", "firewall mount", "thrust line"),
        gears=("tailwheel", "tricycle"),
        words={"flange": "output flange", "structure": "firewall"},
    ),
}


def new_project(name: str, gear: Gear, unit_name: str, units: str) -> list[dict[str, Any]]:
    """Operations that turn an empty document into a new project: every place to fill in, nothing filled in."""
    third = "tail" if gear == "tailwheel" else "nose"
    supports = {
        "main-port": {"name": "port main", "rank": 1.0, "role": "main"},
        "main-starboard": {"name": "starboard main", "rank": 2.0, "role": "main"},
        third: {"name": f"{third} wheel", "rank": 3.0, "role": third},
    }
    points = {
        key: {"name": words, "rank": float(i)}
        for i, (key, words) in enumerate(
            (
                ("top-port", "top port"),
                ("top-starboard", "top starboard"),
                ("low-starboard", "low starboard"),
                ("low-port", "low port"),
            )
        )
    }

    def installation(unit: str) -> dict[str, Any]:
        return {"name": unit, "unit": {"name": unit}, "mount": {"points": points}}

    values: dict[str, Any] = {
        "/name": name,
        "/craft/gear": gear,
        "/units": units,
        "/craft/references/firewall": {"name": "firewall", "rank": 1.0},
        "/craft/seats/pilot": {"name": "pilot", "rank": 1.0},
        "/craft/tanks/main": {"name": "main tank", "rank": 1.0},
        "/loadings/solo": {"name": "Pilot alone, full tank", "rank": 1.0},
        "/old_installation": installation("old engine"),
        "/fits/a": {"name": unit_name, "rank": 1.0, "installations": {"main": installation(unit_name)}},
    }
    values |= {f"/craft/supports/{k}": v for k, v in supports.items()}
    return [{"op": "add", "path": path, "value": value} for path, value in values.items()]
