"""An invented shelf of air propellers to lay beside one's own: sizes as they are made, none of them a real one."""

from __future__ import annotations

from typing import NamedTuple


class Shelved(NamedTuple):
    """A propeller off the shelf: diameter, pitch (None: its blades are set on the ground) in m, blades, mass in kg."""

    key: str
    name: str
    diameter_m: float
    pitch_m: float | None
    blades: int
    mass_kg: float


SHELF: tuple[Shelved, ...] = (
    Shelved("beech-two", "laminated beech, long", 1.93, 0.96, 2, 5.6),
    Shelved("beech-fine", "laminated beech, fine", 1.80, 0.76, 2, 5.0),
    Shelved("beech-coarse", "laminated beech, coarse", 1.68, 1.27, 2, 4.7),
    Shelved("metal-two", "one-piece metal", 1.83, 1.17, 2, 11.8),
    Shelved("wide-two", "composite, wide blades", 1.75, None, 2, 4.2),
    Shelved("light-three", "composite, light", 1.73, None, 3, 3.9),
    Shelved("long-three", "composite, long", 1.90, None, 3, 5.2),
    Shelved("short-four", "composite, short", 1.60, None, 4, 5.0),
    Shelved("quiet-four", "composite, quiet", 1.83, None, 4, 6.3),
    Shelved("short-five", "composite, many blades", 1.60, None, 5, 6.1),
)
