"""Demonstration: a small launch after her first evening. Figures invented; what nobody measured stands in roughly."""

from __future__ import annotations

import re
from typing import Any

from ..core.document import Project, apply_operations
from ..core.first import first_page
from ..core.reference.kinds import new_project

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
    made: list[dict[str, Any]] = new_project("boat", NAME, "single screw", UNIT, "mm-kg")
    made.append(
        {"op": "add", "path": "/craft/description", "value": "open launch, her single replaced by a smaller twin"}
    )
    fresh = apply_operations(Project(name=NAME, kind="boat"), made)
    for group in first_page(fresh, "a").groups:
        for line in group.lines:
            for pointer in (line.pointer, line.out, line.into):
                if pointer is None:
                    continue
                text = next(t for pattern, t in TYPED if re.search(pattern, pointer))
                value: Any = text if line.kind == "choice" else {"entered": text, "source": line.source}
                made.append({"op": "add", "path": pointer, "value": value})
    return made
