"""Propellers side by side: one's own, as many blades as there may be at its diameter, and an invented shelf."""

from __future__ import annotations

import math
from collections.abc import Iterator
from typing import Literal, NamedTuple

from ....errors import ask_all, or_none
from ....formula import Out
from ....judging.finding import LEVELS, Level, Operation
from ....judging.propose import computed, on_the_tape, tape_text, to_buy, typed_text
from ....judging.study import Answer, Study
from ....physics.blades import ACTIVITY, SOLIDITY, BladeSet
from ....reference.propellers import SHELF
from ..propeller.functions import ground_clearance, helical_mach, max_diameter_tip, tip_mach
from ..propeller.quantities import AirPropeller
from .functions import blade_angle, told_thrust
from .judged import judged
from .quantities import AIM, DOUBT, FAST, SLOW, STALLED, STEEP_RAD, AirMatch

Of = Literal["as entered", "as many blades", "off the shelf"]
# Tips quiet near dwellings, as is common, and loud for short bursts. Common practice, no source.
SCHOOLS = (0.80, 0.85, 0.90)
# As many blades as are looked at.
_COUNTS = (2, 3, 4, 5, 6)
# In the climb a pitch that is looked for leaves this share of the fastest speed allowed.
_CLIMB = 0.985


class BesideOut(Out):
    """One propeller: what it is, how it matches, what speaks against it, and what would write it down here."""

    id: str
    name: str
    of: Of
    blades: int
    diameter_si: float
    pitch_si: float | None
    angle_si: float | None
    mass_si: float | None
    solidity: float
    activity: float
    mach: float | None
    clearance_si: float | None
    standing_si: float | None
    climbing_si: float | None
    standing_thrust_si: float | None
    climbing_thrust_si: float | None
    stalled: float | None
    level: Level
    against: list[str]
    operations: list[Operation]


class SchoolOut(Out):
    """A school of tip Mach numbers: the largest diameter that it allows at the fastest, standing, and in flight at the
    fastest airspeed, where that was said. chosen: the one that is judged by."""

    mach: float
    standing_si: float
    flying_si: float | None
    chosen: bool


class Beside(Answer):
    """Propellers side by side, the own first; and how large each school of tip Mach numbers lets them be."""

    propellers: list[BesideOut] = []
    schools: list[SchoolOut] = []


class _Drawn(NamedTuple):
    key: str
    name: str
    of: Of
    blades: BladeSet | None  # None: no pitch within reach turns the unit as it should
    diameter: float
    number: int
    mass: float | None


def _pitched(match: AirMatch, diameter: float, number: int) -> BladeSet | None:
    """Blades of the pitch that turns the unit so fast as it should standing, and not too fast in the climb."""
    blades = BladeSet(diameter, diameter / 2, number)
    standing = match.pitch_for(0.0, AIM * match.allowed, blades)
    climbing = match.pitch_for(match.climb_airspeed, _CLIMB * match.allowed, blades)
    if standing is None or climbing is None:
        return None
    return blades._replace(pitch_m=on_the_tape(max(standing, climbing), match.resolved.project.units, up=True))


def _all(match: AirMatch) -> Iterator[_Drawn]:
    own = match.blades
    mass = match.propeller.mass
    yield _Drawn("own", "as entered", "as entered", own, own.diameter_m, own.number, mass.si if mass else None)
    for n in _COUNTS:
        made = _pitched(match, own.diameter_m, n)
        yield _Drawn(f"blades-{n}", "at this diameter", "as many blades", made, own.diameter_m, n, None)
    for s in SHELF:
        fixed = BladeSet(s.diameter_m, s.pitch_m, s.blades) if s.pitch_m is not None else None
        made = fixed or _pitched(match, s.diameter_m, s.blades)
        yield _Drawn(s.key, s.name, "off the shelf", made, s.diameter_m, s.blades, s.mass_kg)


def _row(match: AirMatch, air: AirPropeller, drawn: _Drawn) -> BesideOut:
    against: list[str] = []
    level: Level = "ok"

    def worse(than: Level, why: str) -> None:
        nonlocal level
        against.append(why)
        level = min(level, than, key=LEVELS.index)

    size, blades = drawn.diameter, drawn.blades
    mach = or_none(lambda: tip_mach(size, match.train.fastest, air.sound))
    if mach is not None and air.airspeed is not None:
        mach = helical_mach(mach, air.airspeed, air.sound)
    if mach is not None and mach > air.mach_limit:
        worse("stop" if mach > air.mach_limit + 0.03 else "watch", "tips too fast")
    clear = or_none(lambda: min(ground_clearance(*air.hub, a, size) for a in air.attitudes))
    if clear is None:
        worse("unknown", "clearance cannot be said")
    elif clear < air.clearance_wanted:
        worse("stop", "tips too near the ground")
    static = climb = None
    if blades is None:
        worse("stop", "no pitch turns the unit as it should")
    else:
        static, climb = match.match(0.0, blades), match.match(match.climb_airspeed, blades)
        angle = blade_angle(blades.pitch_m, size) + blades.turned_rad
        useless = static.stalled > STALLED or angle > STEEP_RAD
        said = judged(static, climb, match.allowed, match.doubt if drawn.of == "as entered" else DOUBT, useless)
        if said.propped != "as it should":
            worse("stop", said.propped)
        elif useless:
            worse("watch", "stalled or steep, standing: its figures there are not to be used")
        elif not said.sure:
            within = SLOW <= said.standing <= FAST and said.climbing <= 1
            worse("watch", "not sure before it is read standing" if within else "near the edge of what is wanted")
    runs = static is not None and "runs away" in (static.state, climb.state if climb else None)
    return BesideOut(
        id=drawn.key,
        name=drawn.name,
        of=drawn.of,
        blades=drawn.number,
        diameter_si=size,
        pitch_si=blades.pitch_m if blades else None,
        angle_si=blade_angle(blades.pitch_m, size) if blades else None,
        mass_si=drawn.mass,
        solidity=SOLIDITY * drawn.number,
        activity=ACTIVITY * drawn.number,
        mach=mach,
        clearance_si=clear,
        standing_si=static.speed if static and static.state == "full" else None,
        climbing_si=climb.speed if climb and climb.state == "full" else None,
        standing_thrust_si=told_thrust(static.thrust) if static and not runs else None,
        climbing_thrust_si=told_thrust(climb.thrust) if climb and not runs else None,
        stalled=static.stalled if static else None,
        level=level,
        against=against,
        operations=_taken(match, drawn) if blades and drawn.of != "as entered" else [],
    )


def _taken(match: AirMatch, drawn: _Drawn) -> list[Operation]:
    """What writes a propeller down in place of the own: its figures stand as a guess until its maker's are there, and
    what was read of the own goes."""
    said, project, blades = match.propeller, match.resolved.project, drawn.blades
    assert blades is not None
    size = on_the_tape(drawn.diameter, project.units, up=False)
    put = {
        "diameter": to_buy(tape_text(size, project.units)) if drawn.of == "off the shelf" else None,
        "pitch": computed(said.pitch, tape_text(on_the_tape(blades.pitch_m, project.units, up=True), project.units)),
        "blades": to_buy(str(drawn.number)),
    }
    if drawn.mass is not None:
        put["mass"] = to_buy(typed_text(drawn.mass, "mass", project.units, project.number_style))
    made = [
        Operation(op="replace" if getattr(said, k) is not None else "add", path=match.p(f"propeller/{k}"), value=v)
        for k, v in put.items()
        if v is not None
    ]
    gone = ("blade_angle", "static_speed", "read_angle", "inertia", *(("mass",) if drawn.mass is None else ()))
    made += [Operation(op="remove", path=match.p(f"propeller/{k}")) for k in gone if getattr(said, k) is not None]
    return made


def beside(match: AirMatch, air: AirPropeller) -> Beside:
    """Propellers side by side. Raises CannotSay, InputError."""
    ask_all(lambda: match.blades, lambda: match.allowed, lambda: match.climb_airspeed)
    rows = [_row(match, air, drawn) for drawn in _all(match)]
    return Beside(propellers=rows, schools=or_none(lambda: _schools(match, air)) or [])


def _schools(match: AirMatch, air: AirPropeller) -> list[SchoolOut]:
    """The schools, quiet first."""
    fastest, sound, v = match.train.fastest, air.sound, air.airspeed
    made = []
    for mach in SCHOOLS:
        left = math.sqrt(max(mach**2 - (v / sound) ** 2, 0.0)) if v is not None else None
        made.append(
            SchoolOut(
                mach=mach,
                standing_si=max_diameter_tip(mach, sound, fastest),
                flying_si=max_diameter_tip(left, sound, fastest) if left is not None else None,
                chosen=abs(mach - air.mach_limit) < 1e-6,
            )
        )
    return made


STUDY = Study(
    "propellers",
    "drive",
    "Propellers side by side",
    beside,
    Beside,
    form="air propeller",
    refused="propellers are laid beside each other for a fit with an air propeller",
    of_unit=True,
)
