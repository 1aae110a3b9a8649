"""Findings of the thrust line and the tubes of its mount."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...errors import CannotSay, Gap
from ...judging.band import at_least, band
from ...judging.finding import Finding, q, word
from ...judging.register import rule, verdict
from ...physics.mechanics import TURN_SIGN
from ...resolved.installation import ResolvedInstallation
from .functions import expected_right_sign, rear_port
from .quantities import ThrustLine


@rule(
    "align.rear-clearance",
    "Rear of the unit to the firewall",
    limit="12.7 mm or more; 8 to 12.7 mm watch; less stop",
    source="example from builders, no source; 25 mm is often asked near hoses",
    mark="common practice",
    form="thrust line",
)
def rear_clearance(thrust: ThrustLine) -> Iterable[Finding]:
    c = thrust.rear_clearance
    judged = band(c, "length", ok=at_least(0.0127), watch=at_least(0.008))
    yield verdict(
        "align.rear-clearance",
        judged.level,
        "{c} between unit and firewall" if c >= 0 else "The unit runs {n} into the firewall",
        "Turned as set, nearest rim. Travel of the rubbers is not taken off: it must be less.",
        compared=judged.compared,
        can_suggest=judged.level != "ok",
        c=q(c, "length"),
        n=q(-c, "length"),
    )


@rule(
    "align.thrust-side",
    "Side of the thrust line",
    limit="right for a clockwise tractor",
    source="FAA-H-8083-25, aerodynamics chapter (from memory)",
    mark="from memory",
    form="thrust line",
)
def thrust_side(placed: ResolvedInstallation) -> Iterable[Finding]:
    right = placed.angles[1].value
    if abs(right) <= math.radians(0.25):
        yield verdict("align.thrust-side", "ok", "No side thrust set", "Nothing to compare with the turning direction.")
        return
    turns = placed.installation.propeller.turns
    if turns is None:
        raise CannotSay(Gap(placed.p("propeller/turns"), f"hand of the propeller ({placed.name})"))
    # A tractor: the propeller is ahead of the CG. The only layout of this kind so far.
    wanted = expected_right_sign(TURN_SIGN[turns], -1.0, 0.0)
    same = (right > 0) == (wanted > 0)
    yield verdict(
        "align.thrust-side",
        "ok" if same else "watch",
        "{a} to the {side}" if same else "Thrust points to the {side}",
        "The propeller turns {t} seen from aft looking forward; such a tractor wants its thrust to the {want}. "
        "How much: copy type practice and prove in flight.",
        can_suggest=not same,
        a=q(abs(right), "angle"),
        side=word("right" if right > 0 else "left"),
        t=word(turns),
        want=word("right" if wanted > 0 else "left"),
    )


@rule(
    "align.held-flange",
    "Where the rear goes",
    limit="shown, not judged",
    source="trigonometry",
    mark="statics",
    form="thrust line",
)
def held_flange(thrust: ThrustLine, placed: ResolvedInstallation) -> Iterable[Finding]:
    up, port = thrust.rear_shift
    down, right = (a.value for a in placed.angles)
    yield verdict(
        "align.held-flange",
        "ok",
        "Rear of the unit: {p} to port, {u} up",
        "{n} down and {m} right with the output flange held. Drill nothing from the straight drawing.",
        working=rear_port.working(thrust.length, down, right),
        p=q(port, "length"),
        u=q(up, "length"),
        n=q(down, "angle"),
        m=q(right, "angle"),
    )


@rule(
    "align.tubes",
    "Tubes from unit to firewall",
    limit="every point on both sides known",
    source="geometry",
    mark="statics",
    form="thrust line",
)
def tubes(thrust: ThrustLine, placed: ResolvedInstallation) -> Iterable[Finding]:
    turned, straight = thrust.turned, thrust.straight
    most = max(turned.tube_length_m, key=lambda k: abs(turned.tube_length_m[k] - straight.tube_length_m[k]))
    change = turned.tube_length_m[most] - straight.tube_length_m[most]
    yield verdict(
        "align.tubes",
        "ok",
        "{n} tubes cut to length",
        "Centre to centre. {w} differs most from the straight drawing, by {d}.",
        n=q(len(turned.tube_length_m), "count"),
        w=word(placed.installation.mount.points[most].name),
        d=q(change, "length"),
    )
