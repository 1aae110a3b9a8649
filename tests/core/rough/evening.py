"""Documents as they stand after the first evening: what the page of first figures asks, typed."""

from __future__ import annotations

import re

from crooked_keel.core.document import Project, apply_operations, value_at
from crooked_keel.core.figure.place import Place
from crooked_keel.core.first import first_page
from crooked_keel.core.reference.kinds import KINDS, new_project

EVENINGS = [(kind, layout) for kind in KINDS for layout in KINDS[kind].layouts]

# What stands on the list, by the pointer; the first pattern that is found counts.
AEROPLANE = [
    (r"supports/(tail|nose)/reading", "22 kg"),
    (r"reading", "148 kg"),
    (r"supports/main[^/]*/station", "640 mm"),
    (r"supports/main-port/butt_line", "-870 mm"),
    (r"supports/tail/station", "5100 mm"),
    (r"supports/nose/station", "-420 mm"),
    (r"seats/.*/station", "1000 mm"),
    (r"tanks/.*/station", "600 mm"),
    (r"limits/forward", "600 mm"),
    (r"limits/aft", "1150 mm"),
    (r"limits/gross", "520 kg"),
    (r"old_installations/.*unit/mass", "77 kg"),
    (r"unit/mass", "62 kg"),
    (r"condition", "ready to run"),
    (r"unit/length", "640 mm"),
    (r"unit/power", "48 kW"),
    (r"rated_speed", "2600 rpm"),
    (r"propeller/diameter", "1.68 m"),
    (r"flange_station", "-930 mm"),
    (r"flange_water_line", "0 mm"),
    (r"lies", "ahead of its flange"),
    (r"loads/", "82 kg"),
    (r"fuel/", "40 L"),
]
BOAT = [
    (r"marks/bow.*freeboard", "900 mm"),
    (r"marks/stern.*freeboard", "660 mm"),
    (r"flotation/read", "afloat, nobody aboard, lines slack"),
    (r"flotation/length", "7.4 m"),
    (r"flotation/beam", "2.35 m"),
    (r"flotation/keel", "380 mm"),
    (r"tanks/.*station", "5900 mm"),
    (r"trial/speed", "6.1 kn"),
    (r"trial/wanted", "6.4 kn"),
    (r"old_installations/.*unit/mass", "210 kg"),
    (r"unit/mass", "158 kg"),
    (r"condition", "ready to run"),
    (r"unit/length", "860 mm"),
    (r"unit/power", "18 kW"),
    (r"rated_speed", "3000 rpm"),
    (r"stages/.*ratio", "2.2"),
    (r"propeller/diameter", "410 mm"),
    (r"propeller/pitch", "280 mm"),
    (r"propeller/blades", "3"),
    (r"flange_station", "5100 mm"),
    (r"flange_butt_line", "-450 mm"),
    (r"flange_water_line", "-80 mm"),
    (r"propeller_station", "6700 mm"),
    (r"propeller_water_line", "-400 mm"),
    (r"loads/", "150 kg"),
    (r"fuel/", "60 L"),
]
ON_WHEELS = [
    (r"supports/[^/]*front[^/]*/reading|supports/front/reading", "88 kg"),
    (r"reading", "97 kg"),
    (r"rear[^/]*/station", "1420 mm"),
    (r"front_axle", "240 kg"),
    (r"rear_axle", "420 kg"),
    (r"gross", "560 kg"),
    (r"load_index", "66"),
    (r"old_installations/.*unit/mass", "48 kg"),
    (r"unit/mass", "41 kg"),
    (r"condition", "ready to run"),
    (r"unit/length", "420 mm"),
    (r"unit/power", "17 kW"),
    (r"rated_speed", "7500 rpm"),
    (r"peak_torque", "26 N·m"),
    (r"unit/cg_aft", "-160 mm"),
    (r"unit/cg_up", "60 mm"),
    (r"gears/first/ratio", "8.2"),
    (r"gears/top/ratio", "2.9"),
    (r"variator/low", "2.6"),
    (r"variator/ratio", "0.9"),
    (r"driver_teeth", "15"),
    (r"driven_teeth", "40"),
    (r"stages/.*ratio", "3.1"),
    (r"flange_station", "820 mm"),
    (r"flange_butt_line", "-90 mm"),
    (r"flange_water_line", "330 mm"),
    (r"wheel/radius", "300 mm"),
]


def text_of(kind: str, pointer: str) -> str:
    """What is typed at a pointer."""
    list_of = {"aeroplane": AEROPLANE, "boat": BOAT}.get(kind, ON_WHEELS)
    return next(text for pattern, text in list_of if re.search(pattern, pointer))


def evening(kind: str, layout: str) -> Project:
    """A new project with its first figures typed."""
    made = new_project(kind, "Evening", layout, "new unit", "mm-kg")
    project = apply_operations(Project(name="x", kind=kind), made)
    for group in first_page(project, "a").groups:
        for line in group.lines:
            for pointer in (line.pointer, line.out, line.into):
                if pointer is None:
                    continue
                text = text_of(kind, pointer)
                there = value_at(project, pointer)
                # As on the screen: what stands there keeps the way it is taken.
                way = {"from": there.origin, "dir": there.dir} if isinstance(there, Place) else {}
                value = text if line.kind == "choice" else {"entered": text, "source": line.source, **way}
                project = apply_operations(project, [{"op": "add", "path": pointer, "value": value}])
    return project
