"""Demonstration: a small launch after her first evening. Figures invented; what nobody measured stands in roughly."""

from __future__ import annotations

from typing import Any

from .evening import typed

NAME = "Wigeon"
UNIT = "twin diesel, 14 hp"

# What was typed that evening, by the end of its pointer; the first pattern that is found counts.
TYPED = (
    (r"marks/bow-port/freeboard", "742 mm ±5 mm"),
    (r"marks/bow-starboard/freeboard", "748 mm ±5 mm"),
    (r"marks/stern-port/freeboard", "531 mm ±5 mm"),
    (r"marks/stern-starboard/freeboard", "527 mm ±5 mm"),
    (r"flotation/read$", "afloat, nobody aboard, lines slack"),
    (r"flotation/length", "6.15 m ±30 mm"),
    (r"flotation/beam", "2.05 m ±20 mm"),
    (r"flotation/keel", "-120 mm ±15 mm"),
    (r"tanks/fuel/station", "5150 mm"),
    (r"trial/speed", "5.2 kn ±0.2 kn"),
    (r"trial/wanted", "5.6 kn"),
    (r"old_installations/.*unit/mass", "172 kg"),
    (r"unit/mass", "118 kg"),
    (r"old_installations/.*condition", "wet"),
    (r"condition", "dry"),
    (r"old_installations/.*unit/length", "810 mm"),
    (r"unit/length", "690 mm"),
    (r"old_installations/.*unit/power", "7.4 kW"),
    (r"unit/power", "10.3 kW"),
    (r"old_installations/.*rated_speed", "1500 rpm"),
    (r"rated_speed", "3600 rpm"),
    (r"old_installations/.*ratio", "1.9"),
    (r"stages/.*ratio", "2.6"),
    (r"old_installations/.*propeller/diameter", "405 mm"),
    (r"propeller/diameter", "380 mm"),
    (r"propeller/pitch", "250 mm"),
    (r"propeller/blades", "3"),
    (r"flange_station", "4380 mm"),
    (r"flange_water_line", "-60 mm"),
    (r"propeller_station", "5890 mm"),
    (r"propeller_water_line", "-335 mm"),
    (r"loads/", "155 kg"),
    (r"fuel/", "35 L"),
)


def operations() -> list[dict[str, Any]]:
    """Everything, in the order of the page."""
    return typed(NAME, "single screw", UNIT, "open launch, her single replaced by a smaller twin", TYPED)
