"""Findings of the thrust line and the tubes of its mount."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...errors import CannotSay, Gap
from ...judging.band import at_least, band
from ...judging.finding import Ways, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy
from ...physics.mechanics import TURN_SIGN
from ...resolved.installation import ResolvedInstallation
from .functions import expected_right_sign, rear_port
from .quantities import ThrustLine


@rule(
    "align.rear-clearance",
    "Unit to the firewall",
    limit="12.7 mm or more; 8 to 12.7 mm watch; less stop",
    source="example from builders, no source; 25 mm is often asked near hoses",
    mark="common practice",
    form="thrust line",
    settles=buy("A shorter mount is not to be had: a shorter unit or accessory."),
)
def rear_clearance(thrust: ThrustLine) -> Iterable[Verdict]:
    c = thrust.rear_clearance
    judged = band(c, "length", ok=at_least(0.0127), watch=at_least(0.008))
    yield verdict(
        judged,
        "{c} between unit and firewall" if c >= 0 else "The unit runs {n} into the firewall",
        "Turned as set, nearest rim. Travel of the rubbers is not taken off: it must be less.",
        can_suggest=judged.level != "ok",
        c=q(c, "length"),
        n=q(-c, "length"),
    )


@rule(
    "align.thrust-side",
    "Side of the thrust line",
    limit="right for a clockwise tractor, left for a clockwise pusher",
    source="FAA-H-8083-25, aerodynamics chapter (from memory); pusher: statics",
    mark="from memory",
    form="thrust line",
    settles=adjust("Turn the thrust line to the other side, and prove it in small steps."),
)
def thrust_side(placed: ResolvedInstallation) -> Iterable[Verdict]:
    right = placed.angles[1].value
    if abs(right) <= math.radians(0.25):
        yield verdict("ok", "No side thrust set", "Nothing to compare with the turning direction.")
        return
    turns = placed.installation.propeller.turns
    if turns is None:
        raise CannotSay(Gap(placed.p("propeller/turns"), f"hand of the propeller ({placed.name})"))
    side = placed.side
    wanted = expected_right_sign(TURN_SIGN[turns], side)
    same = (right > 0) == (wanted > 0)
    yield verdict(
        "ok" if same else "watch",
        "{a} to the {side}" if same else "Thrust points to the {side}",
        "The propeller turns {t} seen from aft looking forward; such a {kind} wants its thrust to the {want}. "
        "How much: copy type practice and prove in flight.",
        can_suggest=not same,
        a=q(abs(right), "angle"),
        side=word("right" if right > 0 else "left"),
        t=word(turns),
        kind=word("tractor" if side > 0 else "pusher"),
        want=word("right" if wanted > 0 else "left"),
    )


@rule(
    "align.held-flange",
    "Where its far end goes",
    limit="shown, not judged",
    source="trigonometry",
    mark="statics",
    form="thrust line",
)
def held_flange(thrust: ThrustLine, placed: ResolvedInstallation) -> Iterable[Verdict]:
    up, port = thrust.rear_shift
    down, right = (a.value for a in placed.angles)
    yield verdict(
        "ok",
        "Far end of the unit: {p}, {u}",
        "Thrust {n} and {m}, the output flange held. Drill nothing from the straight drawing.",
        working=rear_port.working(thrust.length, down, right),
        p=q(port, "length", thrust.port_or_starboard),
        u=q(up, "length", thrust.up_or_down),
        n=q(down, "angle", Ways("down", "up")),
        m=q(right, "angle", Ways("to the right", "to the left")),
    )


@rule(
    "align.tubes",
    "Tubes from unit to firewall",
    limit="every point on both sides known",
    source="geometry",
    mark="statics",
    form="thrust line",
)
def tubes(thrust: ThrustLine, placed: ResolvedInstallation) -> Iterable[Verdict]:
    turned, straight = thrust.turned, thrust.straight
    most = max(turned.tube_length_m, key=lambda k: abs(turned.tube_length_m[k] - straight.tube_length_m[k]))
    change = turned.tube_length_m[most] - straight.tube_length_m[most]
    yield verdict(
        "ok",
        "Length of {n} tubes",
        "Centre to centre, for cutting. {w} differs most from the straight drawing: {d}. Buckling, welds and "
        "whether they brace each other were not looked at: four tubes without a diagonal sway.",
        n=q(len(turned.tube_length_m), "count"),
        w=word(placed.installation.mount.points[most].name),
        d=q(change, "length", Ways("longer", "shorter")),
    )


# A CG nearer its flange than this says nothing of the side on which the unit lies, m. Proposed.
_BY_THE_FLANGE_M = 0.03


@rule(
    "align.lies",
    "Side of its flange on which the unit lies",
    limit="its CG on the same side, or within 30 mm of the flange",
    source="geometry; 30 mm: proposed",
    mark="proposed",
)
def lies(placed: ResolvedInstallation) -> Iterable[Verdict]:
    at, said = placed.installation.unit.cg_aft, placed.installation.lies
    if said is None or at is None or abs(at.along_m) <= _BY_THE_FLANGE_M or at.along_m * placed.side >= 0:
        return
    yield verdict(
        "unknown",
        "The {n} is said to lie {s}, and its CG {c} of it: which?",
        "All that is said of clearance, propeller, thrust and mount follows from it.",
        needs=[Gap(placed.p("lies"), f"whether the {placed.name} lies aft or ahead of its flange")],
        n=word(placed.name),
        s=word(said),
        c=q(at.along_m, "length", Ways("aft", "ahead")),
    )
