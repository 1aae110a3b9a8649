"""Ways out of a propeller that does not suit its unit: another pitch, or the blades turned."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator

from ....errors import or_none
from ....judging.finding import Message, Operation, Param, q
from ....judging.propose import Proposal, computed, on_the_tape, tape_text
from .quantities import AIM, AirMatch

# In the climb a way out leaves this share of the fastest speed allowed.
_CLIMB = 0.985


def pitch(match: AirMatch) -> Iterator[Proposal]:
    """The pitch, or the blade angle, that turns so fast as it should standing, and not too fast in the climb."""
    allowed = match.allowed
    wanted = match.pitch_for(0.0, AIM * allowed)
    flying = or_none(lambda: match.climb_airspeed)
    if flying is not None:
        in_climb = match.pitch_for(flying, _CLIMB * allowed)
        wanted = None if wanted is None or in_climb is None else max(wanted, in_climb)
    if wanted is not None:
        yield pitched(match, wanted)


def pitched(match: AirMatch, pitch_m: float) -> Proposal:
    """Blades of a pitch, said as a pitch or as an angle, as the propeller is."""
    units, said = match.resolved.project.units, match.propeller
    if said.blade_angle is not None:
        degrees = math.ceil(math.degrees(match.angle_at(pitch_m)) * 4 - 0.1) / 4
        value, shown = computed(said.blade_angle, f"{degrees:g}°"), q(math.radians(degrees), "angle")
        return _to("blade_angle", "Blades at {a}, at three quarters of the radius", match, value, shown)
    length = on_the_tape(pitch_m, units, up=True)
    return _to("pitch", "Pitch {a}", match, computed(said.pitch, tape_text(length, units)), q(length, "length"))


def _to(field: str, template: str, match: AirMatch, value: object, shown: Param) -> Proposal:
    operations = [Operation(op="replace", path=match.p(f"propeller/{field}"), value=value)]
    if field == "blade_angle" and match.propeller.pitch is not None:
        operations.append(Operation(op="remove", path=match.p("propeller/pitch")))
    if match.propeller.static_speed is not None and match.propeller.read_angle is None:
        # What was read was of the blade as it stands.
        read = computed(None, f"{math.degrees(match.blade_angle):.2f}°")
        operations.append(Operation(op="add", path=match.p("propeller/read_angle"), value=read))
    message = Message(template=template + "; then read it standing, chocked and held", params={"a": shown})
    return Proposal(field, message, operations)


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {"drive.static-speed": pitch}
