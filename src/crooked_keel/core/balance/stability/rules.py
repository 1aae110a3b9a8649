"""Findings of stability: GM, heel, free surfaces, people to one side."""

from __future__ import annotations

import math
from collections.abc import Iterable

from ...errors import CannotSay, Gap, ask_all
from ...figure.trace import need
from ...judging.band import at_least, at_most, band, within
from ...judging.finding import BUTT_LINE, LeftOut, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, decide, measure
from ...physics.hydrostatics import heel_angle, metacentric_height
from ...physics.stability import fluid_gm, loll, offset_load_limit, wall_sided_heel, wall_sided_limit
from ...resolved.craft import Resolved
from ...resolved.loads import Loads
from ...resolved.references import Body, got
from ..afloat.quantities import AfloatStates, State
from ..afloat.rules import HEEL_OK, HEEL_STOP
from ..fuel.quantities import OFF_CENTRE_M, Fuel

GM_LEAST_M = 0.15


GM_WATCH_M = 0.35


@rule(
    "balance.heel",
    "Heel",
    limit="1° or less ok, 3° or less watch, more stop; in every loading, with the list she has now",
    source="common practice, no source",
    mark="common practice",
    form="afloat",
    settles=adjust("Move a part to the other side; no part can be moved far enough by itself."),
)
def heel(afloat: AfloatStates) -> Iterable[Verdict]:
    s = afloat.worst("heel")
    angle = s.after.heel_rad
    if angle is None:
        return
    doubt = afloat.doubts(s.id)[1]
    judged = band(angle, "angle", ok=within(-HEEL_OK, HEEL_OK), watch=within(-HEEL_STOP, HEEL_STOP), doubt=doubt)
    yield verdict(
        judged,
        "Lists {d} to {side}",
        "{s}: {a} → {b}, ±{u}; 1° is allowed, above 3° it stops. Linear, good for small angles.",
        left_out=afloat.unsaid_stiff,
        working=heel_angle.working(s.after.heel_moment_kg_m, s.after.displacement_kg, s.after.gm_m),
        can_suggest=judged.level != "ok",
        d=q(abs(angle), "angle"),
        side=word("starboard" if angle >= 0 else "port"),
        s=word(s.name),
        a=q(s.before.heel_rad or 0.0, "angle", BUTT_LINE),
        b=q(angle, "angle", BUTT_LINE),
        u=q(doubt, "angle"),
    )


@rule(
    "balance.gm",
    "Metacentric height",
    limit="0.15 m or more, else stop; and 0.35 m, else watch; not inclined: never better than watch",
    source="IMO 2008 IS Code, 0.15 m general (from memory); nothing applies straight to small pleasure craft",
    mark="from memory",
    form="afloat",
    settles=measure("Incline her; then weight low, or out from high up."),
)
def gm(afloat: AfloatStates) -> Iterable[Verdict]:
    s = afloat.worst("gm")
    value = s.after.gm_m
    if value <= 0:
        hydro = afloat.floating.hydro
        angle = loll(value, hydro.bm_m) if hydro.kb_m > 0 else None
        yield verdict(
            band(value, "length", ok=at_least(GM_WATCH_M), watch=at_least(GM_LEAST_M)),
            "GM is lost: {a} → {b}",
            "{s}. She will not stay upright."
            + (" By a wall-sided hull she lolls to {l}." if angle is not None else "")
            + " Take weight off high up or put weight low; fill slack low tanks, the low side first. Never move "
            "weight to the high side: she flops over to a greater angle.",
            working=metacentric_height.working(afloat.floating.hydro.km_m, s.after.kg_m),
            a=q(s.before.gm_m, "length"),
            b=q(value, "length"),
            s=word(s.name),
            l=q(angle if angle is not None else 0.0, "angle"),
        )
        return
    by, floating = afloat.floating.gm_by, afloat.floating
    drop = 1 - value / s.before.gm_m if s.before.gm_m > 0 else 1.0
    settled, doubt = by == "inclined", afloat.doubts(s.id)[2]
    judged = band(value, "length", ok=at_least(GM_WATCH_M), watch=at_least(GM_LEAST_M), doubt=doubt)
    judged = judged.or_by("watch", "it drops by more than 15 %", drop > 0.15).or_by(
        "watch", "it is an estimate", not settled
    )
    words = {
        "form estimate": "An estimate is not settled: incline her or time ten rolls.",
        "timed roll": "By the lowest roll coefficient: incline her to be sure.",
        "inclined": "By the inclining test, as found.",
    }
    said = words.get(by, "The height of her CG is an entry: incline her to be sure.")
    slack, unknown = afloat.slack(s.id, True)
    yield verdict(
        judged,
        "GM {a} → {b}, {by}",
        f"{{s}}, ±{{u}}. {said}"
        + (
            " Free surface of slack tanks is taken off."
            if not unknown
            else " Free surface of slack tanks is not all taken off."
        )
        + (" Less than {w} is little." if value - doubt < GM_WATCH_M else ""),
        left_out=LeftOut(
            [*afloat.unsaid.names, *(["the free surface of every tank"] if unknown else [])],
            [*afloat.unsaid.needs, *unknown],
        ),
        u=q(doubt, "length"),
        working=metacentric_height.working(floating.hydro.km_m, s.after.kg_m)
        if not slack
        else fluid_gm.working(floating.hydro.km_m, s.after.kg_m, floating.hydro.km_m - s.after.kg_m - s.after.gm_m),
        a=q(s.before.gm_m, "length"),
        b=q(value, "length"),
        s=word(s.name),
        w=q(GM_WATCH_M, "length"),
        by=word(by),
    )


@rule(
    "balance.free-surface",
    "Free surface of slack tanks",
    limit="10 % of GM or less ok, 50 % or less watch, more stop",
    source="common practice, no source; ship stability texts (from memory)",
    mark="common practice",
    form="afloat",
    settles=adjust("Shut the pipe across, press tanks full, or divide them lengthwise."),
)
def free_surface(afloat: AfloatStates, loads: Loads) -> Iterable[Verdict]:
    found = [(s, afloat.free_surface(s.id, True, s.after.displacement_kg)) for s in afloat.states()]
    needs = {n.pointer: n for s in afloat.states() for n in afloat.slack(s.id, True)[1]}
    if needs:
        raise CannotSay(*needs.values())
    if not any(fsc for _, fsc in found):
        if afloat.unsaid.names:
            raise CannotSay(*afloat.unsaid.needs)
        return
    state, fsc = max(found, key=lambda f: f[1] / (f[0].after.gm_m + f[1]) if f[0].after.gm_m + f[1] > 0 else math.inf)
    solid = state.after.gm_m + fsc
    share = fsc / solid if solid > 0 else 1.0
    open_across = any(t.joined == "pipe across, open" for _, _, t in loads.tanks(True))
    judged = band(share, "percent", ok=at_most(0.1), watch=at_most(0.5))
    level = judged.level
    yield verdict(
        judged,
        "Slack tanks take {d} off GM",
        "{s}: {p} of it."
        + (
            " The pipe across is open: what is in the tanks runs from side to side. Shut it."
            if open_across
            else " A tight baffle along a tank divides it by the square of its parts."
            if level != "ok"
            else ""
        ),
        left_out=afloat.unsaid,
        d=q(fsc, "length"),
        s=word(state.name),
        p=q(share, "percent"),
    )


@rule(
    "balance.one-side-tank",
    "One tank of a pair empty",
    limit="2° or less ok, 5° or less watch, more stop",
    source="common practice, no source",
    mark="common practice",
    form="afloat",
    settles=adjust("Draw from both sides, or fit a transfer pump."),
)
def one_side_tank(fuel: Fuel, afloat: AfloatStates) -> Iterable[Verdict]:
    if not fuel.on_sides:
        fuel.every_side  # noqa: B018  a tank of which nobody said where it lies is not on the centreline
        return
    found = []
    for s in afloat.states():
        if s.id == "empty":
            continue
        for body in fuel.bodies(s.id):
            if abs(got(body.y).value) > OFF_CENTRE_M and got(body.mass).value > 0:
                found.append((*_without(afloat, s, body), s, body))
    if not found:
        if afloat.unsaid_stiff.names:
            raise CannotSay(*afloat.unsaid_stiff.needs)
        return
    angle, gm, state, body = max(found, key=lambda f: abs(f[0]))
    if gm <= 0:
        yield verdict(
            "stop",
            "With the {t} empty GM is lost",
            "{s}: {g} is left. She will not stay upright.",
            left_out=afloat.unsaid_stiff,
            t=word(body.name),
            s=word(state.name),
            g=q(gm, "length"),
        )
        return
    judged = band(
        angle, "angle", ok=within(-math.radians(2), math.radians(2)), watch=within(-math.radians(5), math.radians(5))
    )
    yield verdict(
        judged,
        "With the {t} empty she lists {a}",
        "{s}, the others as they are. Linear, GM as it is then."
        + ("" if judged.level == "ok" else " Draw from both, or shut one off in good time."),
        left_out=afloat.unsaid_stiff,
        working=heel_angle.working(
            state.after.heel_moment_kg_m - got(body.mass).value * got(body.y).value,
            state.after.displacement_kg - got(body.mass).value,
            gm,
        ),
        t=word(body.name),
        a=q(abs(angle), "angle"),
        s=word(state.name),
    )


def _without(afloat: AfloatStates, state: State, body: Body) -> tuple[float, float]:
    """Heel (rad) and GM (m) of a state with one tank empty: mass, moment and height of the CG without it."""
    after, kg = state.after, got(body.mass).value
    mass = after.displacement_kg - kg
    height = got(body.z).value - afloat.floating.keel
    over_keel = (after.displacement_kg * after.kg_m - kg * height) / mass
    surface = afloat.free_surface(state.id, True, after.displacement_kg) * after.displacement_kg / mass
    gm = afloat.floating.hydro.km_m - over_keel - surface
    moment = after.heel_moment_kg_m - kg * got(body.y).value
    return (heel_angle(moment, mass, gm) if gm > 0 else math.inf), gm


@rule(
    "balance.offset-load",
    "Everybody on one side",
    limit="half of 10° + (24 − L)³/600 ok, all of it watch, more stop; from 6 to 24 m",
    source="ISO 12217-1 offset-load test (from memory); wall-sided heel",
    mark="from memory",
    form="afloat",
    settles=decide("Fewer people, or weight low; deck edge and openings are a surveyor's to judge."),
)
def offset_load(afloat: AfloatStates, loads: Loads, resolved: Resolved) -> Iterable[Verdict]:
    crowd = resolved.project.craft.flotation.crowd
    if crowd is None:
        return
    afloat, place, outline = afloat, resolved.references.place, resolved.project.craft.outline
    ends = [
        lambda: place(outline.nose, "/craft/outline/nose", "station of the bow", "x"),
        lambda: place(outline.tail, "/craft/outline/tail", "station of the stern", "x"),
    ]
    ask_all(*ends)
    limit = offset_load_limit(ends[1]().value - ends[0]().value)
    hydro = afloat.floating.hydro
    found = []
    for s in afloat.states():
        if s.id == "empty":
            continue
        people = sum(got(b.mass).value for b in loads.people(s.id))
        tcg = people * crowd.si / s.after.displacement_kg
        angle = (
            wall_sided_heel(s.after.gm_m, hydro.bm_m, tcg)
            if hydro.kb_m > 0
            else heel_angle(people * crowd.si, s.after.displacement_kg, s.after.gm_m)
        ) + abs(s.after.heel_rad or 0.0)  # they go to the side to which she lists already
        found.append((angle, s, people))
    if not found:
        raise CannotSay(Gap("/loadings", "a loading: who is aboard"))
    angle, state, people = max(found, key=lambda f: f[0])
    marks = afloat.marks(state.id)
    if not marks:
        raise CannotSay(Gap("/craft/flotation/marks", "marks where freeboards are read"))
    freeboard = min(m.after_si for m in marks)
    if afloat.floating.by == "sections":
        beam = afloat.floating.hull.beam_m
    else:
        beam = need(resolved.project.craft.flotation.beam, "/craft/flotation/beam", "beam at the waterline").si
    valid = wall_sided_limit(freeboard, afloat.floating.draft.value, beam)
    under = angle > math.atan(2 * freeboard / beam)
    judged = band(angle, "angle", ok=at_most(limit / 2), watch=at_most(limit))
    judged = judged.or_by("stop", "her deck edge goes under", under).or_by(
        "watch", "beyond what the estimate is good for", angle > valid
    )
    yield verdict(
        judged,
        "With everybody on one side she heels {a}",
        "{s}: {m} of people and load {y} out, to the side to which she lists. {l} is allowed."
        + (
            " Her deck edge goes under."
            if under
            else " Beyond {v} the estimate is not good: bilge or deck edge is at the water."
            if angle > valid
            else ""
        ),
        left_out=afloat.unsaid_stiff,
        a=q(angle, "angle"),
        s=word(state.name),
        m=q(people, "mass"),
        y=q(crowd.si, "length"),
        l=q(limit, "angle"),
        v=q(valid, "angle"),
    )
