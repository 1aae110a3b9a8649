"""Findings of a craft on its wheels in the shop: what each carries at every step of the work, and how near it is to
tipping."""

from __future__ import annotations

import math
from collections.abc import Iterable
from typing import Any

from ...errors import or_none
from ...judging.band import at_least, band, beyond
from ...judging.finding import LeftOut, Level, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust
from ...resolved.craft import Resolved
from ..ledger.quantities import Ledger
from ..wheels.functions import stand_load
from ..wheels.quantities import UNDER_M, Axles
from .functions import HAND_KG, LEAST_SHARE, hung_weight, stand_required, tipping_margins
from .quantities import StandingSteps
from .supports import OnSupports


@rule(
    "balance.supports",
    "Every wheel keeps its load",
    limit="stop below zero, watch below 5 % of the mass",
    source="statics; 5 %: common practice, no source",
    mark="common practice",
    form="scales",
    settles=adjust("A stand or weight on the light wheel whenever nobody holds it."),
)
def supports(supports: OnSupports, ledger: Ledger) -> Iterable[Verdict]:
    after, before = supports.after, dict(supports.before)
    name, load = min(after, key=lambda r: r[1])
    share = load / ledger.empty.mass_kg
    judged = band(load, "mass", ok=at_least(0.05 * ledger.empty.mass_kg), watch=at_least(0.0))
    level = judged.level
    words = {
        "ok": "Empty and level: {a} → {b}, {p} of the mass.",
        "watch": "Empty and level: {a} → {b}, under 5 % of the mass: it steers and stands lightly.",
        "stop": "Empty and level: {a} → {b}. It needs a stand or ballast before anybody leaves it.",
    }
    yield verdict(
        judged,
        "{s} carries {b}" if load >= 0 else "{s} lifts: the craft tips",
        words[level],
        s=word(name),
        a=q(before[name], "mass"),
        b=q(load, "mass"),
        p=q(share, "percent"),
    )


def _every_step(standing: StandingSteps, resolved: Resolved) -> Iterable[Verdict]:
    """The step of the work that leaves least on a wheel, with what keeps it down."""
    step = min(standing.steps, key=lambda s: s.loads[s.light] / s.mass_kg)
    light = step.light
    load, least = step.loads[light], LEAST_SHARE * step.mass_kg
    leaning = step.hand_kg is not None and step.hand_kg < 0
    judged = band(load, "mass", ok=at_least(least), watch=at_least(0.0)).or_by(
        "watch", "a hand on its far end lifts it", leaning
    )
    level = judged.level
    params: dict[str, Any] = {}
    message = "{s}: {m}, in the attitude in which it stands. "
    mains = [p[0] for p, s in zip(step.places, standing.stands, strict=True) if s.role == "main"]
    third = standing.stands[light].role in ("nose", "tail")
    working = None
    if level == "ok":
        message += "It stands by itself at every step."
    elif leaning and load >= least:
        message += "A hand of {h} on the far end lifts it. Put a stand there while you work."
        params["h"] = q(HAND_KG, "mass")
    elif mains and third:
        main_m = sum(mains) / len(mains)
        terms = (step.mass_kg, step.x_m, main_m, step.places[light][0], least)
        working = hung_weight.working(*terms)
        params["w"] = q(max(hung_weight(*terms), 0.0), "mass")
        message += "{w} hung at {n} leaves 5 % of the mass on it"
        stand = or_none(
            lambda: resolved.references.place(resolved.project.craft.stand, "/craft/stand", "stand", "x").value
        )
        carried = (
            or_none(lambda: stand_required(step.mass_kg, step.x_m, main_m, step.places[light][0], stand))
            if stand is not None
            else None
        )
        if carried is not None and carried > step.mass_kg - least:
            carried = None  # so near the CG it would lift the mains: it is no stand
        if stand is not None and carried is not None:
            message += "; or a stand at {x}, which then carries {r}"
            params |= {"x": q(stand, "length"), "r": q(carried, "mass")}
        else:
            message += "; or a stand beyond the CG"
        message += ". Set it before the last bolt comes out."
    else:
        message += "A stand beyond the CG keeps it down. Set it before the last bolt comes out."
    yield verdict(
        judged,
        "It tips: {n} lifts" if load < 0 else "{n} keeps {l} at every step" if level == "ok" else "{n} is down to {l}",
        message,
        left_out=standing.unsaid,
        n=word(standing.stands[light].name),
        l=q(load, "mass"),
        s=word(step.name),
        m=q(load, "mass"),
        working=working,
        **params,
    )


@rule(
    "balance.tipping",
    "Near to tipping",
    limit="stop within two standard deviations of an edge between wheels, or on wheels in one line; watch within 50 mm "
    "or 10°",
    source="statics; 50 mm and 10°: common practice, no source",
    mark="common practice",
    form="scales",
    settles=adjust("A stand under the side to which it leans, set before the step that its sentence names."),
)
def tipping(standing: StandingSteps, resolved: Resolved) -> Iterable[Verdict]:
    if resolved.in_line:
        return
    if standing.in_one_line:
        yield verdict(
            "stop",
            "Its {n} wheels stand in one line: it tips over",
            "By the stations and butt lines that were entered nothing holds it beside that line. A stand to one side, "
            "or look at the places again.",
            n=q(float(len(standing.stands)), "count"),
        )
        return
    found = []
    for step in standing.steps:
        nearest = tipping_margins(step.x_m, step.y_m, step.height_m if step.height_m is not None else 0.0, step.places)[
            0
        ]
        found.append((nearest.inside_m, step, nearest))
    inside, step, edge = min(found, key=lambda f: f[0])
    shallow = step.height_m is not None and edge.angle_rad < math.radians(10)
    judged = band(inside, "length", ok=at_least(0.05), watch=at_least(0.0), doubt=2 * step.u_m)
    judged = judged.or_by("stop", "its doubt reaches over the edge", inside < 2 * step.u_m).or_by(
        "watch", "it tips over at less than 10°", shallow
    )
    unsaid = standing.unsaid
    blank = LeftOut(["the height of its CG"], step.height_needs) if step.height_m is None else LeftOut()
    a, b = (standing.stands[i].name for i in edge.between)
    yield verdict(
        judged,
        "CG {d} inside its wheels" if inside >= 0 else "CG {d} outside its wheels",
        "{s}: nearest to the line between {a} and {b}, doubt ±{u}"
        + (
            ". It tips over as it stands."
            if inside < 0
            else ", tips over at {t}."
            if step.height_m is not None
            else "; its height is not known, no angle said."
        ),
        left_out=unsaid + blank,
        d=q(abs(inside), "length"),
        s=word(step.name),
        a=word(a),
        b=word(b),
        u=q(2 * step.u_m, "length"),
        t=q(edge.angle_rad, "angle"),
    )


@rule(
    "balance.engine-out",
    "With the engine out",
    limit="stop where a wheel lifts at any step, CG within two standard deviations, or where the stand is under 50 mm "
    "from the wheel that should stay down; watch under 5 % of the mass, or where a hand of 20 kg lifts it",
    source="statics; 50 mm, 5 % and 20 kg: common practice, no source",
    mark="statics",
    form="scales",
    settles=adjust("The stand or weight that its sentence names, set before the last bolt comes out."),
)
def engine_out(standing: StandingSteps, axles: Axles | None, ledger: Ledger, resolved: Resolved) -> Iterable[Verdict]:
    if axles is None or not resolved.has("wheels in line"):
        yield from _every_step(standing, resolved)
        return
    out = ledger.engine_out
    under = axles.stand_under(out)
    if under is not None:
        yield verdict(
            beyond(under[1], "length", at_least(UNDER_M), "stop"),
            "With the engine out the stand carries all, {d} from the {w} axle",
            "The CG is at the stand or beyond it, and under 50 mm from that axle nothing steadies it: it tips over "
            "that wheel. Stand it elsewhere, or hang weight on before the last bolt comes out.",
            w=word(under[0]),
            d=q(under[1], "length"),
        )
        return
    was, now = axles.on_stand(ledger.before), axles.on_stand(out)
    margin = abs(out.station_m - axles.stand)
    if now[1] > out.mass_kg:
        yield verdict(
            "stop",
            "With the engine out it tips over the {w} wheel",
            "The CG lies beyond that wheel: the stand would have to pull. {m} on the wheel of {a} in all. Stand it "
            "elsewhere, or hang weight on before the last bolt comes out.",
            working=stand_load.working(out.mass_kg, out.station_m, axles.stand, now[2]),
            w=word(now[0]),
            m=q(now[1], "mass"),
            a=q(out.mass_kg, "mass"),
        )
        return
    doubt = 2 * math.hypot(out.station.u, axles.stand_place.u)
    level: Level = "watch" if was[0] != now[0] or margin < 0.03 + doubt else "ok"
    yield verdict(
        level,
        "With the engine out the {w} wheel stays down, {m}"
        if was[0] == now[0]
        else "With the engine out it tips from the {o} wheel to the {w} wheel",
        "On the stand the CG is {d} "
        + ("ahead of" if out.station_m < axles.stand else "behind")
        + " it. Strap the wheel that is down, and stand under the frame before the last bolt comes out.",
        working=stand_load.working(out.mass_kg, out.station_m, axles.stand, now[2]),
        w=word(now[0]),
        o=word(was[0]),
        m=q(now[1], "mass"),
        d=q(margin, "length"),
    )
