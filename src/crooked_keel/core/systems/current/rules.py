"""Findings of the current: source against loads, wires and fuses, batteries, earth, senders, trigger, single parts."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...document.systems import Bank, Wire
from ...errors import CannotSay, Gap, ask_all, or_none
from ...figure.trace import Uncertain
from ...judging.band import at_least, at_most, band, beyond, within
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy, decide
from ...judging.subjects import Subject, one_by_one
from ..fuel.quantities import Fuelled
from .functions import drop, fuse_for, single_points, trigger_error
from .quantities import CurrentLane


@rule(
    "systems.current-source",
    "What the generator gives against what is taken",
    limit="15 % over at idle and at cruise ok, enough watch, less at cruise stop, less at idle watch",
    source="sum of the loads; 15 %: common practice",
    mark="common practice",
    settles=decide("A larger generator, or less at once: what is switched off is written down."),
)
def source(current: CurrentLane) -> Iterable[Verdict]:
    if not current.begun or current.electric:
        return
    demand, idle, cruise = ask_all(
        lambda: current.known_demand, lambda: current.source("idle"), lambda: current.source("cruise")
    )
    if demand.si <= 0:
        raise CannotSay(Gap(current.p("loads"), "what takes current, all of it"))
    spare = [
        Uncertain(s.si / demand.si - 1, math.hypot(s.u, s.si * demand.u / demand.si) / demand.si)
        for s in (idle, cruise)
    ]
    judged = band(spare[1].value, "percent", ok=at_least(0.15), watch=at_least(0.0), doubt=2 * spare[1].u)
    low = spare[0].value - 2 * spare[0].u < 0
    judged = judged.or_by("watch", "at idle less is given than taken", low)
    yield verdict(
        judged,
        "{d} taken, {c} given at cruise, {i} at idle",
        "Each load for its share of the time; everything at once takes {e}. "
        + ("At idle the battery gives the rest. " if low else "")
        + "A hot generator gives less than its plate.",
        left_out=current.taken.left_out,
        d=q(demand.si, "small_power"),
        c=q(cruise.si, "small_power"),
        i=q(idle.si, "small_power"),
        e=q(current.everything, "small_power"),
    )


@rule(
    "systems.current-wire",
    "Wires by what they lose and what they carry",
    limit="both kept ok; one within 5 % of its limit watch; past it stop; thinner than AWG 18, past what that carries "
    "stop",
    source="ABYC E-11: drop, ampacity of 105 °C insulation, engine space, bundles (from memory)",
    mark="from memory",
    settles=buy("A larger wire, a shorter way, or two of them."),
)
def wire(current: CurrentLane) -> Iterable[Verdict]:
    if not current.begun:
        return
    if not current.wires:
        raise CannotSay(Gap(current.p("wires"), "the wires, each with its current and its length out and back"))
    yield from one_by_one([Subject(k, w.name, w) for k, w in current.wires], lambda s: _wire(current, s))


def _wire(current: CurrentLane, s: Subject[Wire]) -> Iterable[Verdict]:
    w = s.of
    over = current.over_thin(s.key, w)
    if over is not None:
        flows, most = over
        better = or_none(lambda: current.better(s.key, current.in_the_table(w)))
        yield verdict(
            beyond(flows.si, "fine_current", at_most(most), "stop"),
            "{n}: {i} in {z}, where AWG 18 carries {c}",
            "It is thinner than the smallest wire of the table and carries less than that one does there; what it "
            "loses is not judged. " + ("{b} would do." if better else "A larger wire, or two of them."),
            subject=s.key,
            can_suggest=better is not None,
            n=word(w.name),
            i=q(flows.si, "fine_current"),
            z=word(w.size or ""),
            c=q(most, "fine_current"),
            b=word(better or ""),
        )
        return
    made = current.wired(s.key, w)
    starts, used, doubt = w.runs == "for seconds, to start", made.used, 2 * made.used_u
    judged = band(used, "percent", ok=at_most(0.95), watch=at_most(1.0), doubt=doubt)
    level = judged.level
    assert w.size is not None
    better = current.better(s.key, w)
    yield verdict(
        judged,
        "{n}: {z} loses {u}, may lose {m}",
        ("{i} for seconds: what it carries for long is not asked. " if starts else "{i} of {c} that it carries there. ")
        + "{r} out and back. "
        + ("{b} would do. " if level != "ok" and better else "")
        + ("No single wire would do: two of them, or a higher voltage. " if level != "ok" and better is None else "")
        + "Crimps, plugs and switches lose theirs besides.",
        subject=s.key,
        working=drop.working(made.current.si, made.run.si, made.area_m2),
        can_suggest=level != "ok" and better is not None,
        n=word(w.name),
        z=word(w.size),
        u=q(made.lost.value, "fine_voltage"),
        m=q(made.most_v, "fine_voltage"),
        i=q(made.current.si, "fine_current"),
        c=q(0.0 if starts else made.carries_a, "fine_current"),
        r=q(made.run.si, "length"),
        b=word(better or ""),
    )


@rule(
    "systems.current-fuse",
    "Fuses",
    limit="1.25 times the current or more, not over what the wire carries, within 0.18 m of the source ok; else stop; "
    "nearer its current watch",
    source="ABYC E-11 (from memory)",
    mark="from memory",
    settles=buy("A fuse between what flows and what the wire carries, at the source."),
)
def fuse(current: CurrentLane) -> Iterable[Verdict]:
    if not current.begun:
        return
    yield from one_by_one([Subject(k, w.name, w) for k, w in current.wires], lambda s: _fuse(current, s))


def _fuse(current: CurrentLane, s: Subject[Wire]) -> Iterable[Verdict]:
    w, at = s.of, current.p(f"wires/{s.key}")
    if w.runs == "for seconds, to start":
        return  # the one usual exception
    rated, taken, carries, far = ask_all(
        lambda: current.read(w.fuse, f"{at}/fuse", f"fuse of {w.name}"),
        lambda: current.read(w.current, f"{at}/current", f"current in {w.name}"),
        lambda: current.carries(s.key, w),
        lambda: current.read(w.fuse_at, f"{at}/fuse_at", f"how far the fuse of {w.name} is from its source", zero=True),
    )
    large, away = rated.si > carries, far.si - 2 * far.u > 0.18
    small = rated.si < 1.25 * taken.si
    judged = band(rated.si, "current", ok=within(1.25 * taken.si, carries), watch=at_most(carries))
    judged = judged.or_by("stop", "too far from its source", away).or_by(
        "watch", "it may be too far from its source", far.si + 2 * far.u > 0.18
    )
    level = judged.level
    better = fuse_for(taken.si, carries)
    yield verdict(
        judged,
        "{n}: fuse {f}, the wire carries {c}" + (", fuse {d} from its source" if away else ""),
        ("The wire burns before this fuse does. " if large else "")
        + ("What is ahead of the fuse is not guarded: 0.18 m is asked. " if away else "")
        + ("It blows in use: {i} is drawn. " if small else "")
        + ("{b} would do. " if level != "ok" and better else "")
        + ("No standard fuse lets that current pass and guards that wire: a larger wire. " if better is None else "")
        + "What it can break is not looked at here.",
        subject=s.key,
        can_suggest=(large or small) and better is not None,
        n=word(w.name),
        f=q(rated.si, "fine_current"),
        c=q(carries, "fine_current"),
        d=q(far.si, "length"),
        i=q(taken.si, "fine_current"),
        b=q(better or 0.0, "fine_current"),
    )


# Share of the system's voltage that must stand under load. Common practice: 9.6 of 12 V to start, 10.5 for a thruster.
_STANDS = {"start": 0.80, "thruster": 0.875}


@rule(
    "systems.current-bank",
    "Batteries",
    limit="house and ignition: 1.2 times the time wanted ok, the time watch, less stop; start 0.80 and thruster 0.875 "
    "of the voltage under load ok, 5 % less watch, less stop",
    source="Peukert, Ohm (from memory); shares: common practice",
    mark="common practice",
    settles=buy("A larger battery, or shorter and thicker cables to it."),
)
def bank(current: CurrentLane) -> Iterable[Verdict]:
    if not current.begun:
        return
    yield from one_by_one([Subject(k, b.name, b) for k, b in current.banks], lambda s: _bank(current, s))


def _bank(current: CurrentLane, s: Subject[Bank]) -> Iterable[Verdict]:
    b, at = s.of, current.p(f"banks/{s.key}")
    purpose = current.chosen(b.purpose, f"banks/{s.key}/purpose", f"what {b.name} is for")
    if purpose in _STANDS:
        volts, stands = current.under_load(s.key, b), _STANDS[purpose] * current.voltage
        judged = band(volts.value, "voltage", ok=at_least(stands), watch=at_least(0.95 * stands), doubt=2 * volts.u)
        yield verdict(
            judged,
            "{n} stands at {v} under load, {w} is asked",
            "New, full and warm; at freezing it gives about half. Cold cranking amperes are not its resistance.",
            subject=s.key,
            n=word(b.name),
            v=q(volts.value, "fine_voltage"),
            w=q(stands, "fine_voltage"),
        )
        return
    time, wanted = ask_all(
        lambda: current.lasting_bank(s.key, b),
        lambda: current.read(b.lasts, f"{at}/lasts", f"how long {b.name} is to last"),
    )
    judged = band(time.value, "hours", ok=at_least(1.2 * wanted.si), watch=at_least(wanted.si), doubt=2 * time.u)
    yield verdict(
        judged,
        "{n} lasts {t}, {w} is wanted",
        "Of its capacity half is used, of lithium eight tenths. An old one holds less: it is weighed by a discharge.",
        subject=s.key,
        n=word(b.name),
        t=q(time.value, "hours"),
        w=q(wanted.si, "hours"),
    )


@rule(
    "systems.current-ignition",
    "An ignition that stops without current",
    limit="its battery lasts as long as the fuel ok, 30 min or more watch, less, or none, stop; only in the air",
    source="30 min: former 14 CFR 23.1353 (from memory); as long as the fuel: common practice",
    mark="from memory",
    form="cg limits",
    settles=buy("A battery for the ignition alone, with a lamp that says when it feeds."),
)
def ignition(current: CurrentLane, fuelled: Fuelled) -> Iterable[Verdict]:
    if not current.begun or current.electric:
        return
    said = current.chosen(current.e.ignition, "ignition", "whether ignition or injection needs current")
    if said == "makes its own":
        return
    own = [(k, b) for k, b in current.banks if b.purpose == "ignition"]
    if not own:
        yield verdict(
            "stop",
            "Nothing feeds the ignition when charging fails",
            "It needs current, and no battery is said to be for it.",
            needs=[Gap(current.p("banks"), "a battery for the ignition")],
        )
        return
    time, fuel = ask_all(lambda: current.lasting_bank(*own[0]), lambda: fuelled.time)
    judged = band(time.value, "hours", ok=at_least(fuel.value), watch=at_least(1800.0), doubt=2 * time.u)
    yield verdict(
        judged,
        "The ignition's battery lasts {t}, the fuel {f}",
        "From the moment charging fails, if that is noticed: a lamp or a voltmeter in sight.",
        t=q(time.value, "hours"),
        f=q(fuel.value, "hours"),
    )


@rule(
    "systems.current-earth",
    "Earth of the unit",
    limit="a strap, or a cable back, ok; none yet stop",
    source="common practice, no source",
    mark="common practice",
    settles=buy("A strap as large as the starter's cable, bare metal at both ends."),
)
def earth(current: CurrentLane) -> Iterable[Verdict]:
    if not current.begun:
        return
    none = current.e.earth == "none yet"
    yield verdict(
        "stop" if none else "ok",
        "The unit has no earth" if none else "The unit is earthed",
        "On soft mounts the starter's current finds its way through cables, bearings or the fuel pipe. A strap as "
        "large as the starter's cable."
        if none
        else "Its size is that of the starter's cable; a meter shows less than 0.2 V over it while it cranks.",
    )


@rule(
    "systems.current-senders",
    "Senders with their gauges",
    limit="pairs, or through a converter, ok; new senders on old gauges stop",
    source="fact of the trade: common practice, no source",
    mark="common practice",
    settles=buy("The gauges that belong to the new senders, or a converter."),
)
def senders(current: CurrentLane) -> Iterable[Verdict]:
    if not current.begun:
        return
    said = current.chosen(current.e.senders, "senders", "which senders go with which gauges")
    wrong = said == "new on old gauges"
    yield verdict(
        "stop" if wrong else "ok",
        "New senders on old gauges" if wrong else "Senders go with their gauges",
        "The needle moves and says nothing true: a hot engine looks cool. Keep pairs, or a converter."
        if wrong
        else "As said; proved in hot water and with a known pressure before the first start.",
    )


@rule(
    "systems.current-trigger",
    "Trigger of the ignition",
    limit="gap 0.5 to 1.5 mm, run-out 0.25 mm or less, teeth within half a degree ok; within one degree watch; else "
    "stop",
    source="common practice, no source",
    mark="common practice",
    settles=adjust("Set gap and run-out; true it, and prove the angle with a lamp."),
)
def trigger(current: CurrentLane) -> Iterable[Verdict]:
    t = current.e.trigger
    if not current.begun or t.teeth is None:
        return
    at = lambda part: current.p(f"trigger/{part}")
    radius, off, gap, runout, turns = ask_all(
        lambda: current.read(t.radius, at("radius"), "radius of the trigger"),
        lambda: current.read(t.placed_within, at("placed_within"), "how exactly its teeth are placed", zero=True),
        lambda: current.read(t.gap, at("gap"), "gap between sensor and teeth", zero=True),
        lambda: current.read(t.runout, at("runout"), "run-out of the trigger", zero=True),
        lambda: current.chosen(t.turns, "trigger/turns", "whether the trigger turns at crank speed"),
    )
    error = trigger_error(off.si + 2 * off.u, radius.si) * (2.0 if turns == "at half crank speed" else 1.0)
    wide = not 0.5e-3 <= gap.si <= 1.5e-3
    shakes = abs(runout.si) > 0.25e-3
    judged = band(error, "angle", ok=at_most(math.radians(0.5)), watch=at_most(math.radians(1.0)))
    judged = judged.or_by("stop", "its gap is not 0.5 to 1.5 mm", wide).or_by(
        "stop", "it runs out by more than 0.25 mm", shakes
    )
    shift = or_none(
        lambda: ask_all(
            lambda: current.read(t.old_angle, at("old_angle"), "old angle to top dead centre", zero=True),
            lambda: current.read(t.new_angle, at("new_angle"), "new angle to top dead centre", zero=True),
        )
    )
    yield verdict(
        judged,
        "Trigger: {e} either way, gap {g}, run-out {r}",
        (
            "Its angle moves by {s}: enter that, and prove it with a lamp. "
            if shift
            else "The angle to top dead centre is proved with a lamp. "
        )
        + "A crank that turns the other way round turns the sensor's sign as well. At half crank speed it does not "
        "know which turn it is.",
        e=q(error, "angle"),
        g=q(gap.si, "fine_length"),
        r=q(abs(runout.si), "fine_length"),
        s=q(abs(shift[1].si - shift[0].si) if shift else 0.0, "angle"),
    )


@rule(
    "systems.current-single",
    "What hangs on a single part",
    limit="no part whose loss alone stops a load ok; one watch; two loads by one part, or a load that nothing feeds, "
    "stop",
    source="reachability in the circuit",
    mark="statics",
    settles=adjust("Feed one of the two by a way of its own: switch, fuse and wire."),
)
def single(current: CurrentLane) -> Iterable[Verdict]:
    if not current.begun or not current.e.circuit:
        return
    circuit = current.circuit
    names = {k: p.name for k, p in current.e.circuit.items()}
    loads = [k for k, (role, _) in circuit.items() if role == "load"]
    if not loads:
        raise CannotSay(Gap(current.p("circuit"), "the loads that matter, in the circuit"))
    by = {load: single_points(circuit, load) for load in loads}
    shared = sorted({p for p in circuit if sum(p in points for points in by.values()) > 1})
    alone = [load for load in loads if by[load]]
    judged = band(float(len(alone)), "count", ok=at_most(0.0)).or_by(
        "stop", "loads that matter share one part", len(loads) > 1 and bool(shared)
    )
    level = judged.level
    yield verdict(
        judged,
        "All stop with {p}" if level == "stop" else "{l} hangs on one part" if alone else "No load hangs on one part",
        "Loads: {a}. "
        + ("Each alone on: {p}. " if alone and not shared else "")
        + "Two that share a part are one. What fails together by heat or water is not in it.",
        p=word(", ".join(names[k] for k in (shared or sorted({p for points in by.values() for p in points})))),
        l=word(", ".join(names[k] for k in alone)),
        a=word(", ".join(names[k] for k in loads)),
    )
