"""Demonstration: a twin-screw launch after her first evening, on V-drives. Figures invented."""

from __future__ import annotations

from typing import Any

from .evening import typed

NAME = "Dunlin"
UNIT = "four-cylinder diesel, 110 hp"

# What was typed that evening, by the end of its pointer; the first pattern that is found counts.
TYPED = (
    (r"marks/bow-port/freeboard", "1240 mm ±6 mm"),
    (r"marks/bow-starboard/freeboard", "1236 mm ±6 mm"),
    (r"marks/stern-port/freeboard", "905 mm ±6 mm"),
    (r"marks/stern-starboard/freeboard", "908 mm ±6 mm"),
    (r"flotation/read$", "afloat, nobody aboard, lines slack"),
    (r"flotation/length", "8.90 m ±40 mm"),
    (r"flotation/beam", "3.02 m ±20 mm"),
    (r"flotation/keel", "-360 mm ±20 mm"),
    (r"tanks/fuel/station", "5600 mm"),
    (r"trial/speed", "17.5 kn ±0.5 kn"),
    (r"trial/wanted", "16.5 kn"),
    (r"old_installations/.*unit/mass", "418 kg"),
    (r"unit/mass", "352 kg"),
    (r"old_installations/.*condition", "wet"),
    (r"condition", "dry"),
    (r"old_installations/.*unit/length", "1180 mm"),
    (r"unit/length", "960 mm"),
    (r"old_installations/.*unit/power", "95 kW"),
    (r"unit/power", "81 kW"),
    (r"old_installations/.*rated_speed", "3800 rpm"),
    (r"rated_speed", "3400 rpm"),
    (r"old_installations/.*ratio", "1.9"),
    (r"stages/.*ratio", "1.75"),
    (r"old_installations/.*propeller/diameter", "430 mm"),
    (r"propeller/diameter", "430 mm"),
    (r"propeller/pitch", "400 mm"),
    (r"propeller/blades", "4"),
    (r"placement/flange_station", "6150 mm"),
    (r"flange_water_line", "-40 mm"),
    (r"propeller_station", "8150 mm"),
    (r"propeller_water_line", "-540 mm"),
    (r"flange_butt_line", "620 mm"),
    (r"loads/", "240 kg"),
    (r"fuel/", "160 L"),
)
_V_DRIVE = (
    ("type", "V-drive"),
    ("turning", "flips"),
)
_TURNS = {"port": ("clockwise", "anticlockwise"), "starboard": ("anticlockwise", "clockwise")}


def operations() -> list[dict[str, Any]]:
    """Everything, in the order of the page; then the V-drives, and which way each screw turns."""
    made = typed(NAME, "twin screw", UNIT, "fast twin-screw launch, her petrol engines out", TYPED)
    for side, (unit, screw) in _TURNS.items():
        base = f"/fits/a/installations/{side}"
        made += [{"op": "add", "path": f"{base}/drive/stages/gear/{part}", "value": word} for part, word in _V_DRIVE]
        made.append({"op": "add", "path": f"{base}/drive/stages/gear/name", "value": "V-drive"})
        made.append({"op": "add", "path": f"{base}/unit/turns", "value": unit})
        made.append({"op": "add", "path": f"{base}/propeller/turns", "value": screw})
    return made
