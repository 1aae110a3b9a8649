"""Righting arms of a boat by her sections, in every state: before the work and after it."""

from __future__ import annotations

import math
from itertools import pairwise

from ...errors import CannotSay, Gap, InputError
from ...formula import Out
from ...judging.study import Answer, Study
from ...physics.hull import Arm, righting_arm
from ..ledger.functions import apply_ledger
from .quantities import AfloatStates

# Heels that are followed, degrees.
STEP, MOST = 5, 60


class RightingArmOut(Out):
    """One point of a curve: heel, rad; GZ, m; whether the deck edge is under, from where the deck is taken as tight."""

    heel_si: float
    gz_si: float
    deck_under: bool


class CurveOfArms(Out):
    """The curve of one state: heel at which it is greatest, and at which it is gone (None: not within 60°); refused:
    why it ends early."""

    id: str
    name: str
    arms: list[RightingArmOut]
    greatest_at_si: float | None
    gone_at_si: float | None
    refused: str


class RightingArms(Answer):
    """Curves by state, the craft as found first. toward: the side that she is heeled to, where her arms are less."""

    curves: list[CurveOfArms] = []
    toward: str = ""


def righting_arms(afloat: AfloatStates) -> RightingArms:
    """GZ of every state to 60° of heel, to the side of her list, where the arms are less."""
    floating = afloat.floating
    if not floating.flotation.sections:
        raise CannotSay(Gap("/craft/flotation/sections", "sections of her hull"))
    curves: list[CurveOfArms] = []
    toward = ""
    for state in afloat.states():
        for after in (False, True) if not curves else (True,):
            sums = {axis: apply_ledger(afloat.bodies(state.id, after), axis) for axis in ("x", "y", "z")}
            mass, y = sums["x"].mass_kg, sums["y"].station_m
            cg = (sums["x"].station_m, abs(y), sums["z"].station_m + afloat.free_surface(state.id, after, mass))
            name = state.name if after else f"{state.name}, as found"
            curves.append(_curve(afloat, f"{state.id}{'' if after else '-before'}", name, mass, cg))
            toward = "port" if y < 0 else "starboard"
    return RightingArms(curves=curves, toward=toward)


def _curve(afloat: AfloatStates, id: str, name: str, mass_kg: float, cg: tuple[float, float, float]) -> CurveOfArms:
    floating, arms, refused = afloat.floating, [], ""
    for degrees in range(0, MOST + 1, STEP):
        try:
            heel = math.radians(degrees)
            arms.append(righting_arm(floating.hull, mass_kg, cg, floating.density.value, floating.lcf, heel))
        except InputError as bad:
            refused = bad.message
            break
    return CurveOfArms(
        id=id,
        name=name,
        arms=[RightingArmOut(heel_si=a.heel_rad, gz_si=a.gz_m, deck_under=a.deck_under) for a in arms],
        greatest_at_si=max(arms, key=lambda a: a.gz_m).heel_rad if arms else None,
        gone_at_si=_gone(arms),
        refused=refused,
    )


def _gone(arms: list[Arm]) -> float | None:
    """Heel at which the arm falls through nought, between two that were worked out."""
    for a, b in pairwise(arms):
        if a.gz_m > 0 >= b.gz_m:
            return a.heel_rad + (b.heel_rad - a.heel_rad) * a.gz_m / (a.gz_m - b.gz_m)
    return None


STUDY = Study(
    "righting-arms",
    "balance",
    "Righting arms by her sections",
    righting_arms,
    RightingArms,
    "afloat",
    "this kind of craft does not float",
)
