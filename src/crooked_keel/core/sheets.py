"""Sheets: which figures stand on which bench, in what groups, under what label, for each form.

One declaration for the screen, the printed sheets and the way from a missing figure to its field; each bench has its
own in its `sheet.py`.
"""

from __future__ import annotations

import re

from .benches import TABLE
from .reference.kinds import Kind
from .sheet.kit import Block, Entry, field

BLOCKS: tuple[Block, ...] = tuple(block for entry in TABLE.values() for block in entry.sheet)

_BY_ITSELF = (
    Block(
        "craft",
        "Its mass and size, from its output flange",
        (
            field("~/unit/condition", "Weighed", "choice"),
            field("~/unit/mass", "Mass"),
            field("~/unit/cg_aft", "CG aft"),
            field("~/unit/cg_starboard", "CG sideways"),
            field("~/unit/cg_up", "CG height"),
            field("~/unit/length", "Length"),
            field("~/unit/width", "Width"),
            field("~/unit/height", "Height"),
            field("~/unit/box_aft", "Middle of the unit, aft"),
            field("~/unit/box_up", "Middle of the unit, up"),
        ),
        hint="As it would sit in the craft, its shaft level.",
    ),
    Block(
        "craft",
        "Turning",
        (
            field("~/unit/cylinders", "Cylinders"),
            field("~/unit/peak_torque", "Peak torque"),
            field("~/unit/turns", "Turns, seen from aft looking forward", "choice"),
        ),
    ),
    Block(
        "craft",
        "Mount points, from its output flange",
        (
            field("unit_aft", "aft"),
            field("unit_starboard", "sideways"),
            field("unit_up", "height"),
            field("strength", "strength"),
        ),
        table="~/mount/points",
        one="point",
    ),
    Block(
        "craft",
        "Its own stages, from the crank",
        (
            field("type", "type", "choice"),
            field("driver_teeth", "driving"),
            field("driven_teeth", "driven"),
            field("ratio", "or ratio"),
            field("turning", "turning", "choice"),
            field("offset_up", "offset up"),
            field("offset_starboard", "sideways"),
        ),
        table="~/drive/stages",
        one="stage",
        fresh=(("type", "gear"),),
    ),
    Block(
        "craft",
        "Its own drive as a whole",
        (
            field("~/drive/mass", "Mass"),
            field("~/drive/efficiency", "Efficiency"),
            field("~/drive/down_angle", "Down-angle"),
            field("~/drive/reverse", "Reverses by", "choice"),
        ),
        hint="Where it is not in the mass of the unit.",
        folded=True,
    ),
    Block(
        "craft",
        "Packs that go with it",
        (
            field("mass", "mass"),
            field("length", "long"),
            field("width", "wide"),
            field("height", "high"),
            field("voltage", "voltage"),
            field("full_voltage", "fully charged"),
            field("current", "largest current"),
            field("energy", "energy"),
        ),
        table="~/packs",
        one="pack",
        electric=True,
    ),
)


def library_sheet() -> list[Block]:
    """The blocks of a unit of the library: what the benches ask of a unit by itself, in the words of no trade."""
    own = [
        b
        for b in BLOCKS
        if b.table.startswith("~/unit") or (b.entries and all(e.pointer.startswith("~/unit") for e in b.entries))
    ]
    of = {"choose": 0, "drive": 1, "balance": 2}
    asked = sorted(
        (
            b
            for b in own
            if b.bench in of and b.title != "Power unit" and "ifting" not in b.title and "crane" not in b.title
        ),
        key=lambda b: of[b.bench],
    )
    plain = [
        b._replace(title=_worded(b.title), entries=tuple(e._replace(label=_worded(e.label)) for e in b.entries))
        for b in asked
    ]
    paper = [b for b in plain if not b.folded]
    return [*paper, *_BY_ITSELF, *(b for b in plain if b.folded)]


def _worded(text: str) -> str:
    return text.replace("{unit flange}", "its output flange")


def sheet(kind: Kind) -> list[Block]:
    """The blocks of a kind, with the words of its trade; the outline's measures on craft."""
    choices = {
        "/craft/layout": kind.layouts,
        "/craft/as_found/method": ("freeboards" if "afloat" in kind.forms else "weighing", "report"),
    }
    made = [
        b._replace(
            title=_said(b.title, kind),
            entries=tuple(
                e._replace(label=_said(e.label, kind), choices=choices.get(e.pointer, e.choices)) for e in b.entries
            ),
        )
        for b in BLOCKS
        if (b.form is None or b.form in kind.forms) and (b.without is None or b.without not in kind.forms)
    ]
    outline = tuple(Entry(f"/craft/outline/{k}", w[0].upper() + w[1:]) for k, w in kind.outline.items())
    return [*made, Block("craft", "Outline, for the profile", outline)]


def _said(text: str, kind: Kind) -> str:
    said = re.sub(r"\{([a-z ]+)\}", lambda m: kind.words[m.group(1)], text)
    return said[0].upper() + said[1:] if text[:1] == "{" else said
