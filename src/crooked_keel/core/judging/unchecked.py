"""What no rule of a bench looks at, by the form of the craft that has it: said on every screen and every print."""

from __future__ import annotations

from functools import lru_cache
from typing import NamedTuple

from ..reference.kinds import Form
from .finding import Bench


class Unchecked(NamedTuple):
    """One thing that no rule looks at. form: only craft that have it are told."""

    bench: Bench
    what: str
    form: Form | None = None


_U = Unchecked
UNCHECKED: tuple[Unchecked, ...] = (
    _U("craft", "whether the craft is sound: cracks, corrosion, rot, old repairs"),
    _U("craft", "its papers: registration, type, insurance"),
    _U("choose", "whether a maker's figures are true of the unit on the floor"),
    _U("choose", "its wear, hours and faults"),
    _U("choose", "noise, emissions and what the law allows"),
    _U("balance", "flutter, stall, spin and control in flight", "cg limits"),
    _U("balance", "bending and shear of fuselage and spars but at the wing root", "cg limits"),
    _U("balance", "large angles, flooding, wind and waves", "afloat"),
    _U("balance", "strength of hull and deck under what is moved", "afloat"),
    _U("balance", "brakes, steering, springs and dampers", "stands on wheels"),
    _U("balance", "strength of frame or body under what is moved", "stands on wheels"),
    _U("drive", "how hard twisting shakes: its damping, gear mesh and joints", "air propeller"),
    _U("drive", "how hard twisting shakes: its damping, gear mesh and joints", "marine propeller"),
    _U("drive", "torsional vibration and speeds to keep clear of", "driven wheel"),
    _U("drive", "strength of keys, gears, bearings and clutch, and how long shafts last"),
    _U("drive", "stress, flutter and hub of the blades; noise", "air propeller"),
    _U("drive", "climb at height and on a hot day, cruise, the length of the take-off", "air propeller"),
    _U("drive", "cavitation, wake and vibration of the propeller", "marine propeller"),
    _U("drive", "the gear's own rating and its time astern", "marine propeller"),
    _U("drive", "slip of clutch or belt, and gears changed under load", "driven wheel"),
    _U("drive", "cables, fuses, contactors, insulation and charging of an electric unit"),
    _U("mount", "welds, bolts and their locking, fatigue"),
    _U("mount", "the structure behind the points"),
    _U("mount", "buckling of tubes, and diagonals that are missing", "thrust line"),
    _U("mount", "a propeller that strikes or an engine that seizes", "air propeller"),
    _U("mount", "vibration that reaches the craft, and what the mounts stretch"),
    _U("align", "what grows warm: expansion between cold and hot"),
    _U("align", "run-out of the shaft itself, wear of bearings and seals", "shaft line"),
    _U("align", "stern gland, struts and cutless bearing", "shaft line"),
    _U("align", "what flight does to trim: only flying tells the angles", "thrust line"),
    _U("align", "wheel alignment of the craft itself", "stands on wheels"),
    _U("systems", "whether hoses, clips, crimps and plugs are well made"),
    _U("systems", "fire: extinguishers, shut-offs, sealed bulkheads"),
    _U("systems", "noise, and gas in the cabin: only an alarm tells"),
    _U("systems", "carburettor ice, and vapour in hot fuel lines", "cg limits"),
    _U("systems", "galvanic corrosion, bonding and zincs", "afloat"),
    _U("systems", "what waves and a following sea do at exhaust and vents", "afloat"),
    _U("systems", "brake servo, heater, charging and lights of the law", "stands on wheels"),
    _U("systems", "cells: their cooling, their balance, their fire"),
    _U("build", "whether work was done well, and whether what is written down is true"),
    _U("build", "who may sign what: local rules and licensed people say"),
    _U("build", "days off, other work, and how long a delivery really takes"),
    _U("build", "locking, wire and cotter pins: look at each"),
    _U("prove", "what no card asks for: handling, noise, stalls, spray, waves"),
    _U("prove", "whether an instrument is right: try it against another"),
    _U("prove", "gusts, waves, slopes and streams of the day"),
    _U("prove", "how long it lasts: hours tell, and the oil"),
)


@lru_cache(maxsize=256)
def unchecked(bench: Bench, forms: frozenset[Form]) -> tuple[str, ...]:
    """What no rule of a bench looks at on a craft of these forms."""
    return tuple(u.what for u in UNCHECKED if u.bench == bench and (u.form is None or u.form in forms))
