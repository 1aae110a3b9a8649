"""Findings of a motor on the crank of an engine."""

from __future__ import annotations

from collections.abc import Iterable

from ....errors import CannotSay, Gap, ask_all, or_gap
from ....judging.band import at_least, at_most, band
from ....judging.finding import LeftOut, Ways, q
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import adjust, buy, decide
from .functions import back_voltage, both_torque, round_energy
from .quantities import HelperMotor


@rule(
    "drive.both-torque",
    "Engine and motor on one shaft",
    limit="0.90 of what the weakest part may be given, with its doubt, ok; all of it watch; more stop",
    source="its maker; 0.90: common practice, no source",
    mark="common practice",
    settles=adjust("Hold the motor back by its controller, or a stronger part behind both."),
)
def torque(helper: HelperMotor) -> Iterable[Verdict]:
    if not helper.fitted or helper.placed.old:
        return
    both, weakest = ask_all(lambda: helper.both, lambda: helper.weakest)
    share = both.value / weakest.si
    doubt = 2 * (both.u / weakest.si + share * weakest.u / weakest.si)
    judged = band(share, "percent", ok=at_most(0.90), watch=at_most(1.0), doubt=doubt)
    yield verdict(
        judged,
        "Engine and motor give {t}, the weakest part is given {w}"
        if share > 1
        else "Engine and motor give {t} of {w} that the weakest part may be given",
        "As if both gave their greatest at one speed. A controller that holds the motor back under load is not counted "
        "on; shock of the road comes on top. Torsion of the longer line is judged apart.",
        working=both_torque.working(helper.torques[0].si, helper.torques[1].si),
        can_suggest=judged.level != "ok",
        t=q(both.value, "torque"),
        w=q(weakest.si, "torque"),
    )


@rule(
    "drive.back-voltage",
    "Voltage of a motor that the engine turns",
    limit="0.95 of controller and full pack, 3 % over the limiter, with its doubt, ok; all of it watch; more stop",
    source="definition of its speed of one volt; 3 % and 0.95: common practice, no source",
    mark="common practice",
    settles=buy("A motor wound for more speed of one volt, or a limiter that cuts in sooner."),
)
def voltage(helper: HelperMotor) -> Iterable[Verdict]:
    if not helper.fitted or helper.placed.old:
        return
    made, stands = ask_all(lambda: helper.voltage, lambda: helper.stands)
    share = made.value / stands
    judged = band(share, "percent", ok=at_most(0.95), watch=at_most(1.0), doubt=2 * made.u / stands)
    yield verdict(
        judged,
        "Turned by the engine the motor makes {v} of {s}" if share <= 1 else "The motor makes {v}, only {s} is stood",
        "{n} at the limiter and 3 % over. Above the pack its diodes charge it with nothing to hold them; above the "
        "controller they break. It makes that voltage with the main switch open too: high voltage kills, leave it to "
        "people licensed for it.",
        working=back_voltage.working(*helper.voltage_terms),
        can_suggest=judged.level != "ok",
        v=q(made.value, "voltage"),
        s=q(stands, "voltage"),
        n=q(helper.fastest.si, "rotation"),
    )


@rule(
    "drive.coupled",
    "What an engine and a motor on its crank cannot do apart",
    limit="with a clutch between ok, without watch",
    source="kinematics",
    mark="statics",
    settles=decide("A clutch between the two, or live with one stopping the other."),
)
def coupled(helper: HelperMotor) -> Iterable[Verdict]:
    if not helper.fitted or helper.placed.old:
        return
    if helper.helper.apart is None:
        what = f"whether a clutch sits between engine and motor ({helper.train.name})"
        raise CannotSay(Gap(helper.p("apart"), what))
    free, drag = helper.helper.apart == "a clutch between", helper.drag
    yield verdict(
        "ok" if free else "watch",
        "A clutch lets engine and motor turn apart" if free else "Motor and engine always turn together",
        "With the clutch open the motor moves the craft alone, and a stopped engine does not hold it."
        if free
        else "No way on electricity alone: the engine is turned with it. An engine that seizes stops both, a motor "
        "likewise; a motor or controller that is dead leaves the engine, which then turns it at {d}. The engine can "
        "be started by it.",
        can_suggest=not free,
        d=q(drag.si, "torque"),
    )


_OUT = Ways("taken", "put in")
# Rounds that a pack lasts for where nothing is taken out of it: as many as one likes.
_MANY = 1e4


@rule(
    "drive.rounds",
    "Laps or trips on the pack of a motor on the crank",
    limit="1.1 times the rounds that are wanted, with its doubt, ok; as many watch; fewer stop; pushing with more "
    "than lasts, watch at the best",
    source="power is kept; 1.1: proposed",
    mark="proposed",
    settles=decide("Push for less of a round, charge for more, or a larger pack."),
)
def rounds(helper: HelperMotor) -> Iterable[Verdict]:
    if not helper.fitted or helper.placed.old or not helper.round_begun:
        return
    wanted, out, stored = ask_all(lambda: helper.wanted, lambda: helper.of_a_round, lambda: helper.stored)
    # What the motor bears is a question of its own: not known, it hides no pack that is too small.
    lasting, greatest = or_gap(lambda: helper.lasting), or_gap(lambda: helper.greatest)
    unsaid = [g for g in (lasting, greatest) if isinstance(g, CannotSay)]
    most_asked = max((helper.round_terms[0], helper.round_terms[3]), key=lambda r: r.si - 2 * r.u)
    if not isinstance(greatest, CannotSay) and most_asked.si - 2 * most_asked.u > greatest.si + 2 * greatest.u:
        yield verdict(
            "unknown",
            "{t} in a round, {g} is the most that the motor gives: which?",
            "It neither pushes nor charges with more than its greatest torque.",
            needs=[
                Gap(helper.p("helps_with"), "torque that the motor pushes with, in a round"),
                Gap(helper.p("torque"), "greatest torque of the motor on its crank"),
            ],
            t=q(most_asked.si, "torque"),
            g=q(greatest.si, "torque"),
        )
        return
    holds = stored.value
    empties = out.value > holds / _MANY
    made = holds / out.value if empties else _MANY
    # What is out of the pack may be more by its doubt, what it holds less.
    most = out.value + 2 * out.u
    least = (holds - 2 * stored.u) / most if most > holds / _MANY else _MANY
    share = made / wanted.si
    judged = band(share, "number", ok=at_least(1.1), watch=at_least(1.0), doubt=max((made - least) / wanted.si, 0.0))
    with_ = helper.round_terms[0]
    lasts = None if isinstance(lasting, CannotSay) else lasting.si - 2 * lasting.u
    hot = lasts is not None and with_.si + 2 * with_.u > lasts
    yield verdict(
        judged.or_by("watch", "it pushes with more than lasts", hot),
        "The pack lasts {n} rounds of {w} wanted" if empties else "Rounds put back what they take: {w} are wanted",
        "A round: {e}; {h} are to be used. "
        + ("It pushes with {t}, {l} lasts: for how long its maker says. " if hot else "")
        + "A cold pack holds less, a full one takes nothing back. The current that it bears, and what charging takes "
        "off the engine, are not looked at. Empty, the craft goes on by its engine alone, with less.",
        working=round_energy.working(*(t.si for t in helper.round_terms)),
        left_out=LeftOut(["whether the motor bears it"], [n for g in unsaid for n in g.needs]) if unsaid else None,
        n=q(made, "number"),
        w=q(wanted.si, "count"),
        e=q(out.value, "energy", _OUT),
        h=q(holds, "energy"),
        t=q(with_.si, "torque"),
        l=q(lasts or 0.0, "torque"),
    )
