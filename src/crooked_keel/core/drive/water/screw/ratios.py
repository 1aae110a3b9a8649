"""Ratios of a gear side by side: with each the best diameter, pitch and blade area, and how fast she then goes."""

from __future__ import annotations

import math
from collections.abc import Iterator
from typing import NamedTuple

import numpy as np

from ....errors import ask_all, or_none
from ....figure.units import IN_M
from ....formula import Out
from ....judging.finding import LEVELS, Level, Operation
from ....judging.propose import computed, on_the_tape, tape_text, to_buy
from ....judging.study import Answer, Study
from ....physics.screws import AREAS, Screw, efficiency, fitted
from ....resolved.ratios import along_the_train
from ...kept import is_kept
from ..marine.functions import tip_clearance_share
from .functions import area_wanted, loading, resistance, ten_per_cent
from .pushing import SEA_KG_M3
from .quantities import ScrewMatch
from .rules import SLOW_M_S

# Ratios in which gears for boats are sold. Common practice, no source.
FAMILY = (1.5, 1.75, 2.0, 2.25, 2.5, 2.75, 3.0, 3.5)
# Diameters that are looked at, of the largest that has room; propellers are sold by the inch.
_SMALLEST, _INCH = 0.55, IN_M
# Speeds that are looked at, of that which she made before; and steps of the area of the blades.
_SPEEDS, _PLACES, _AREA = (0.25, 2.0), 71, 0.05


class RatioOut(Out):
    """One ratio: the propeller that suits it best, and what she does with it; None where none of the series does."""

    id: str
    ratio: float
    own: bool
    shaft_si: float
    most_si: float
    diameter_si: float | None
    pitch_si: float | None
    area: float | None
    boat_si: float | None
    efficiency: float | None
    slip: float | None
    level: Level
    against: list[str]
    operations: list[Operation]


class Ratios(Answer):
    """Ratios side by side, the least first. measured: whether the room under the hull was."""

    ratios: list[RatioOut] = []
    blades: int = 0
    measured: bool = False


class _Best(NamedTuple):
    """The fastest of the screws that were looked at: itself, her speed, m/s, thrust, N."""

    screw: Screw
    boat_m_s: float
    thrust: float


def _fastest(match: ScrewMatch, shaft: float, torque: float, most_m: float) -> _Best | None:
    """The best propeller at a shaft speed. Raises CannotSay, InputError."""
    blades = match.screw.blades
    inches = range(math.ceil(_SMALLEST * most_m / _INCH), math.floor(most_m / _INCH + 1e-9) + 1)
    found = [b for i in inches if (b := _of_diameter(match, i * _INCH, blades, shaft, torque)) is not None]
    return max(found, key=lambda b: b.boat_m_s, default=None)


def _of_diameter(match: ScrewMatch, diameter: float, blades: int, shaft: float, torque: float) -> _Best | None:
    """With as much blade as its thrust asks for, where the shaft's depth is known."""
    low, high = AREAS[blades]
    area = min(max(match.screw.area_ratio, low), high)
    best = _of_area(match, Screw(diameter, 1.0, area, blades), shaft, torque)
    depth = or_none(lambda: match.depth)
    if best is None or depth is None or best.boat_m_s > SLOW_M_S:
        return best
    allowance = 0.2 if match.count == 1 else 0.1
    wanted = area_wanted(blades, best.thrust, SEA_KG_M3, depth, diameter, allowance)
    stepped = min(max(math.ceil(wanted / _AREA - 1e-9) * _AREA, low), high)
    return _of_area(match, best.screw._replace(area_ratio=stepped), shaft, torque)


def _of_area(match: ScrewMatch, screw: Screw, shaft: float, torque: float) -> _Best | None:
    """Where its thrust, at the pitch that takes the torque, is what holds her back."""
    speeds = np.linspace(*_SPEEDS, _PLACES) * match.before_m_s
    made = fitted(screw.diameter_m, screw.area_ratio, screw.blades, shaft, torque, speeds * match.comes, SEA_KG_M3)
    holds = np.array([resistance(*match.drag_terms(float(v))) for v in speeds])
    beside = np.array([sum(o.held(float(v), o.screw).thrust for o in match.unlike) for v in speeds])
    left = (1 - match.suction) * ((1 + len(match.alike)) * made.thrust + beside) - holds
    for i in range(len(speeds) - 1):
        if left[i] > 0 >= left[i + 1]:  # no number is neither
            share = left[i] / (left[i] - left[i + 1])
            at = lambda a, i=i, s=share: float(a[i] + s * (a[i + 1] - a[i]))
            return _Best(screw._replace(pitch_ratio=at(made.pitch_ratio)), at(speeds), at(made.thrust))
    return None


def _room(match: ScrewMatch, shaft: float) -> tuple[float, bool]:
    """The largest diameter: that leaves the tips clear of the hull, else the own; and whether the room was measured."""
    terms = or_none(lambda: match.sea.clearance_terms)
    if terms is None:
        return match.screw.diameter_m, False
    return terms[0] / (0.5 + tip_clearance_share(shaft)), True


def _row(match: ScrewMatch, ratio: float, own: bool) -> RatioOut:
    rated = match.train.rated_speed
    shaft = rated / ratio
    torque = match.curve.torque_at(rated) * ratio * match.train.efficiency
    most, _ = _room(match, shaft)
    best = _fastest(match, shaft, torque, most)
    against, level = _against(match, best, shaft)
    screw = best.screw if best is not None else None
    inflow = best.boat_m_s * match.comes if best is not None else 0.0
    turns = shaft / (2 * math.pi)
    return RatioOut(
        id=str(round(ratio, 3)),
        ratio=ratio,
        own=own,
        shaft_si=shaft,
        most_si=most,
        diameter_si=screw.diameter_m if screw else None,
        pitch_si=screw.pitch_ratio * screw.diameter_m if screw else None,
        area=screw.area_ratio if screw else None,
        boat_si=best.boat_m_s if best is not None else None,
        efficiency=efficiency(inflow / (turns * screw.diameter_m), screw) if screw else None,
        slip=1 - best.boat_m_s / (turns * screw.pitch_ratio * screw.diameter_m) if screw and best else None,
        level=level,
        against=against,
        operations=list(_taken(match, ratio, own, screw)) if screw is not None else [],
    )


def _against(match: ScrewMatch, best: _Best | None, shaft: float) -> tuple[list[str], Level]:
    if best is None:
        return ["no propeller of the series suits it"], "stop"
    against: list[str] = []
    level: Level = "ok"

    def worse(than: Level, why: str) -> None:
        nonlocal level
        against.append(why)
        level = min(level, than, key=LEVELS.index)

    of, depth = best.screw, or_none(lambda: match.depth)
    wanted_m_s = or_none(lambda: match.sea.wanted)
    if wanted_m_s is not None and best.boat_m_s < 0.97 * wanted_m_s:
        worse("stop" if best.boat_m_s < 0.90 * wanted_m_s else "watch", "slower than is wanted")
    if depth is None:
        worse("unknown", "cavitation cannot be said: how deep is the shaft?")
        return against, level
    inflow = best.boat_m_s * match.comes
    load, number = loading(best.thrust, of.diameter_m, shaft, inflow, of.pitch_ratio, of.area_ratio, depth, SEA_KG_M3)
    if load > ten_per_cent(number):
        worse("stop" if load > 1.2 * number else "watch", "the blades' backs cavitate")
    # By a series, from memory: only full throttle afloat settles it.
    return against, min(level, "watch", key=LEVELS.index)


def _taken(match: ScrewMatch, ratio: float, own: bool, screw: Screw) -> Iterator[Operation]:
    """What writes ratio and propeller down: bought, so a guess until the maker's figures are there. Nothing where the
    gear stays, or has teeth of its own."""
    units, said = match.resolved.project.units, match.propeller
    if not own:
        stages = along_the_train(match.train.drive)
        if len(stages) != 1 or stages[0][1].ratio is None or is_kept(match.placed, match.resolved, stages[0][0]):
            return
        yield Operation(op="replace", path=match.p(f"drive/stages/{stages[0][0]}/ratio"), value=to_buy(f"{ratio}:1"))
    pitch = on_the_tape(screw.pitch_ratio * screw.diameter_m, units, up=False)
    put = {
        "diameter": to_buy(f"{round(screw.diameter_m / IN_M)} in ±0.02 in"),
        "pitch": computed(said.pitch, tape_text(pitch, units)),
        "area": to_buy(f"{round(100 * screw.area_ratio)} % ±1 %"),
    }
    for part, value in put.items():
        yield Operation(op="replace", path=match.p(f"propeller/{part}"), value=value)
    gone = ("trial_speed", "inertia")
    for part in gone:
        if getattr(said, part) is not None:
            # What was read was of the propeller as it stood.
            yield Operation(op="remove", path=match.p(f"propeller/{part}"))


def ratios(match: ScrewMatch) -> Ratios:
    """Ratios side by side, the own among them. Raises CannotSay, InputError."""
    screw, own, _, _ = ask_all(
        lambda: match.screw,
        lambda: match.train.ratio,
        lambda: match.drag_terms(match.before_m_s),
        lambda: (match.given, match.train.rated_speed),
    )
    others = [r for r in FAMILY if abs(r / own - 1) > 0.01]
    rows = [_row(match, r, r == own) for r in sorted([own, *others])]
    return Ratios(ratios=rows, blades=screw.blades, measured=_room(match, match.train.propeller_speed)[1])


STUDY = Study(
    "gear-ratios",
    "drive",
    "Gear ratios side by side",
    ratios,
    Ratios,
    form="marine propeller",
    refused="gear ratios are laid beside each other for a fit with a marine propeller",
    of_unit=True,
)
