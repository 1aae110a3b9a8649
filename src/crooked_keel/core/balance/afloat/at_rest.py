"""Every state of a boat brought to rest on her sections."""

from __future__ import annotations

import numpy as np

from ...errors import CannotSay, Gap, InputError
from ...formula import Out
from ...judging.study import Answer, Study
from ...physics.hull import float_equilibrium
from ..ledger.functions import apply_ledger
from .quantities import AfloatStates


class AtRestOut(Out):
    """A state brought to rest by her sections: trim over the waterline stern down and heel starboard down, beside the
    small-change answer; GM; least freeboard and where; refused: why there is none."""

    id: str
    name: str
    trim_si: float | None
    small_trim_si: float
    heel_si: float | None
    small_heel_si: float | None
    gm_si: float | None
    draft_si: float | None
    freeboard_si: float | None
    freeboard_at: str
    refused: str


class HalfBreadth(Out):
    """A point of a section as drawn: half breadth and height, m."""

    y: float
    z: float


class AtRest(Answer):
    """Every state of a fit by her sections; her sections as drawn, bow first, the widest among them named."""

    states: list[AtRestOut] = []
    sections: list[list[HalfBreadth]] = []
    widest: int = 0


def at_rest(afloat: AfloatStates) -> AtRest:
    """Draft, trim and heel of every state at which weight and buoyancy balance on her sections."""
    floating = afloat.floating
    if not floating.flotation.sections:
        raise CannotSay(Gap("/craft/flotation/sections", "sections of her hull"))
    hull, lcf, length = floating.hull, floating.lcf, floating.length
    made = []
    for state in afloat.states():
        sums = {axis: apply_ledger(afloat.bodies(state.id), axis) for axis in ("x", "y", "z")}
        mass = sums["x"].mass_kg
        fsc = afloat.free_surface(state.id, True, mass)
        cg = (sums["x"].station_m, sums["y"].station_m, sums["z"].station_m + fsc)
        rest, refused = None, ""
        try:
            rest = float_equilibrium(hull, mass, cg, floating.density.value, lcf)
            if rest.gm_m <= 0:
                rest, refused = None, "GM is lost: she does not stay upright, and lolls to one side or the other"
        except InputError as bad:
            refused = bad.message
        least: tuple[float, str] | None = None
        for key, mark in floating.marks if rest else ():
            x, y, sheer = floating.mark_at(key, mark)
            water = rest.draft_m + rest.trim * (x.value - lcf) + rest.heel * y.value if rest else 0.0
            if least is None or sheer.value - water < least[0]:
                least = (sheer.value - water, mark.name)
        made.append(
            AtRestOut(
                id=state.id,
                name=state.name,
                trim_si=rest.trim * length if rest else None,
                small_trim_si=afloat.trim(state.after),
                heel_si=float(np.arctan(rest.heel)) if rest else None,
                small_heel_si=state.after.heel_rad,
                gm_si=rest.gm_m if rest else None,
                draft_si=rest.draft_m if rest else None,
                freeboard_si=least[0] if least else None,
                freeboard_at=least[1] if least else "",
                refused=refused,
            )
        )
    drawn = [
        [HalfBreadth(y=float(y), z=float(z)) for y, z in zip(hull.y[i], hull.z[i], strict=True)]
        for i in range(len(hull.stations))
    ]
    return AtRest(states=made, sections=drawn, widest=int((hull.y.max(1) - hull.y.min(1)).argmax()))


STUDY = Study(
    "at-rest",
    "balance",
    "Every state brought to rest on her sections",
    at_rest,
    AtRest,
    "afloat",
    "this kind of craft does not float",
)
