"""What of the old unit meets what of the new one: port by port, and what must change. A blank is never the same."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from functools import partial
from typing import Literal, NamedTuple

from ...reference.kinds import Form

Status = Literal["missing", "new", "change", "adapter", "unmeasured", "same"]
Value = float | str | None


class Attribute(NamedTuple):
    """Something of a port that is compared: its field, its words, how far two may differ and still be one (SI, or a
    share of the old when relative), whether an adapter can bridge it, and whether it is chosen from words."""

    field: str
    words: str
    tolerance: float = 0.0
    relative: bool = False
    adaptable: bool = False
    chosen: bool = False


class PortSort(NamedTuple):
    """A kind of port: its key in the document, its name, what is compared, what usually must change, what to mind; and
    the form that a craft must have for it."""

    key: str
    name: str
    attributes: tuple[Attribute, ...]
    buy: str
    task: str
    caution: str
    form: Form | None = None


_A = Attribute
_C = partial(Attribute, chosen=True)
# Tolerances: common practice, no source. Changes: facts of the trade.
KINDS: tuple[PortSort, ...] = (
    PortSort(
        "mounting",
        "mount pattern",
        (
            _A("bolts", "bolts"),
            _A("along", "spacing along", 0.5e-3, adaptable=True),
            _A("across", "spacing across", 0.5e-3, adaptable=True),
            _A("hole", "hole", 0.5e-3, adaptable=True),
            _A("foot_height", "height of the feet", 0.5e-3, adaptable=True),
        ),
        "adapter plate or spacers",
        "make and fit the adapter of the mount",
        "The load path changes: the mount bench judges it anew.",
    ),
    PortSort(
        "output",
        "output",
        (
            _A("flange", "flange", 0.1e-3, adaptable=True),
            _A("pilot", "spigot", 0.02e-3, adaptable=True),
            _A("circle", "bolt circle", 0.1e-3, adaptable=True),
            _A("bolts", "bolts"),
            _A("shaft", "shaft", 0.02e-3),
            _A("height", "shaft over the mounts", 2e-3),
            _C("turns", "turns"),
            _A("ratio", "ratio", 0.01, relative=True),
        ),
        "adapter turned to fit",
        "turn the adapter, check its runout",
        "A spigot is a fit: measure it, a catalogue is not enough.",
    ),
    PortSort(
        "fuel",
        "fuel",
        (
            _C("kind", "kind"),
            _A("hose", "hose", adaptable=True),
            _C("returns", "return line"),
        ),
        "hose, filter, pump, label of the filler",
        "re-plumb and leak-test the fuel",
        "Fuel lines, vents and bonding follow local rules; a wrong fuel label is a fire.",
    ),
    PortSort(
        "electrical",
        "electrical system",
        (
            _A("voltage", "voltage"),
            _A("charging", "charging", 0.20, relative=True, adaptable=True),
            _C("stop", "stopped by"),
            _C("earth", "earth"),
        ),
        "converter or senders, cable, regulator",
        "re-wire and fuse",
        "Senders and gauges are pairs: replacing one moves the needle, not the reading.",
    ),
    PortSort(
        "coolant",
        "coolant",
        (_A("hose", "hose", adaptable=True), _C("side", "side"), _C("bypass", "bypass")),
        "formed hoses, bleed point",
        "re-plumb and bleed the coolant",
        "Hot coolant under pressure scalds.",
    ),
    PortSort(
        "sea_water",
        "sea water",
        (_A("hose", "hose", adaptable=True), _C("side", "side")),
        "step in the hose near the unit",
        "re-plumb the sea water, check its flow",
        "Every hose under water wants two clips and a seacock that shuts.",
        "afloat",
    ),
    PortSort(
        "exhaust",
        "exhaust",
        (
            _A("outlet", "outlet", 1e-3, adaptable=True),
            _C("side", "side"),
            _A("angle", "angle", 0.0175, adaptable=True),
        ),
        "riser or elbow",
        "make up the exhaust, check back pressure",
        "Exhaust gas kills: leak-test it, fit an alarm.",
    ),
    PortSort(
        "oil",
        "oil",
        (_C("pump", "pump"), _A("hose", "hose", adaptable=True), _A("volume", "volume", 0.1, relative=True)),
        "lines, cooler",
        "re-plumb and prime the oil",
        "Prime it before the first start.",
    ),
    PortSort(
        "gear_cooling",
        "gear oil cooling",
        (_A("hose", "hose", adaptable=True),),
        "cooler loop for the gear",
        "plumb the gear's cooler",
        "Often missing on the new gear: it burns up in hours.",
    ),
    PortSort(
        "air",
        "air intake",
        (_A("hose", "intake", 1e-3, adaptable=True), _C("side", "side")),
        "duct or filter box",
        "make up the intake",
        "Nothing loose in front of an intake.",
    ),
    PortSort(
        "controls",
        "throttle and shift",
        (_A("travel", "travel", 2e-3, adaptable=True), _C("opens", "opens by"), _C("end", "cable end", adaptable=True)),
        "bracket, cable, lever",
        "rig and check full travel both ways",
        "What a broken cable leaves the engine doing is a choice: make it.",
    ),
    PortSort(
        "instruments",
        "instruments",
        (_A("pulses", "pulses a turn"), _C("bus", "carried by")),
        "senders with their gauges, or a converter",
        "calibrate the gauges",
        "A gauge that reads low hides a hot engine.",
    ),
)


class PortLine(NamedTuple):
    """One port: what comes of it, the attributes that differ, and those not measured on either side."""

    kind: PortSort
    status: Status
    differs: tuple[Attribute, ...]
    blank: tuple[Attribute, ...]


def _differs(a: Value, b: Value, attribute: Attribute) -> bool:
    if isinstance(a, str) or isinstance(b, str) or a is None or b is None:
        return a != b
    allowed = attribute.tolerance * (abs(a) if attribute.relative else 1.0)
    return abs(a - b) > allowed + 1e-12


def compare_interfaces(
    old: Mapping[str, Mapping[str, Value]], new: Mapping[str, Mapping[str, Value]], kinds: Sequence[PortSort] = KINDS
) -> list[PortLine]:
    """Every port that either unit has, by what comes of it: missing (the old only), new (the new only), change, adapter
    (all that differs can be adapted), unmeasured, same (every attribute measured on both sides, and alike). A port that
    has nothing entered is not there."""
    made = []
    for kind in kinds:
        a, b = old.get(kind.key), new.get(kind.key)
        if not a and not b:
            continue
        if not a or not b:
            made.append(PortLine(kind, "missing" if a else "new", (), ()))
            continue
        blank = tuple(x for x in kind.attributes if a.get(x.field) is None or b.get(x.field) is None)
        differs = tuple(x for x in kind.attributes if x not in blank and _differs(a.get(x.field), b.get(x.field), x))
        status: Status = "same"
        if differs:
            status = "adapter" if all(x.adaptable for x in differs) else "change"
        elif blank:
            status = "unmeasured"
        made.append(PortLine(kind, status, differs, blank))
    return made
