"""What to measure next, so that the least sure margin of the balance is settled soonest."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable
from typing import NamedTuple

from ..document import Figure, Project, value_at
from ..errors import CannotSay, Gap, or_none
from ..figure.doubt import measured_uncertainty
from ..figure.kinds import Mass
from ..figure.trace import Origin
from ..formula import Out
from ..judging.certainty import (
    SETTLED,
    Gradient,
    Reading,
    ToMeasure,
    accuracy_needed,
    all_settled,
    break_even,
    plan,
    rank,
    sigma,
)
from ..judging.study import Answer, Study
from ..resolved.references import got
from .afloat.quantities import EMPTY, OK_TRIM
from .ledger.functions import Centre
from .loadings.frontier import Side
from .loadings.quantities import LoadedCase, TrailPoint
from .section import Balance
from .wheels.quantities import End

# Minutes of work. Common practice, no source.
_MINUTES = {"mass": 20.0, "length": 30.0, "angle": 15.0}
_LIFT_MINUTES, _WEIGHING_MINUTES, _ONE_SCALE_MINUTES = 45.0, 120.0, 30.0
# Standard uncertainty of a CG found on scales: 3 mm on the tape, two standard deviations.
_CG_R_M = 1.5e-3
# A freeboard is read to 3 mm, two standard deviations, and two sets are compared.
_FREEBOARD_R_M, _FREEBOARD_MINUTES = 0.003 / math.sqrt(2), 40.0
_MOST_ROWS = 8
_MOST_LOOKED_AT = 60
_WORTH_SHOWING = 0.005


class MeasureOut(Out):
    """Something to measure: the figure it gives (or several), minutes, share of the doubt, what would be left and how
    much less that is (m), chance that the question is then answered, and the ± wanted of the instrument to settle it
    alone (SI of the figure; None if even an exact one would not, or where several figures are given)."""

    id: str
    name: str
    pointer: str | None
    dimension: str | None
    minutes: float
    share: float | None
    left_si: float
    drop_si: float
    settles: float
    plus_minus_wanted_si: float | None


class BreakEvenOut(Out):
    """A unit's mass as it stands and the mass at which the margin is just gone, kg; installed, or taken out."""

    name: str
    installed: bool
    mass_si: float
    at_si: float


class MeasureNext(Answer):
    """The margin that is least sure, its standard uncertainty, in its dimension; what could be measured by the doubt it
    takes off, and a plan in order; quickest: what takes most off for each minute of work.
    settled: nothing more is needed for the verdict to stand. break_even: what each unit may weigh before the margin is
    gone."""

    margin: str = ""
    dimension: str = "length"
    margin_si: float | None = None
    sigma_si: float | None = None
    settled: bool = False
    rows: list[MeasureOut] = []
    quickest: str = ""
    plan: list[str] = []
    plan_settles: bool = False
    break_even: list[BreakEvenOut] = []


class _Margin(NamedTuple):
    """A worst point: words, margin and its dimension, its gradient, and the margin with so much more at a station."""

    words: str
    value: float
    dimension: str
    gradient: dict[Origin, float]
    with_more: Callable[[float, float], float]


def _margins(bench: Balance) -> list[_Margin]:
    if bench.resolved.has("cg limits"):
        return [m for case in bench.loadings.cases for m in _of_case(bench, case)]
    made = list(_of_mass(bench))
    if bench.resolved.has("stands on wheels"):
        made += _of_axles(bench)
    if bench.resolved.has("afloat"):
        made.append(_of_trim(bench))
    if not made:
        raise CannotSay(Gap("/craft/limits/gross", "gross mass"))
    return made


def _of_case(bench: Balance, case: LoadedCase) -> Iterable[_Margin]:
    """Margins of a loading to its CG limits, at its worst points along the burn."""
    sides: tuple[tuple[Side, float], ...] = (("forward", 1.0), ("aft", -1.0))
    for side, sign in sides:
        point = case.worst(side)
        slope = point.forward_slope_m_kg if side == "forward" else point.aft_slope_m_kg
        gradient = {o: sign * s for o, s in point.centre.margin_slopes(slope).items()}

        def with_more(kg: float, x: float, point: TrailPoint = point, side: Side = side) -> float:
            cut = bench.limits.envelope.cut(point.mass_kg + kg)
            if cut is None:
                return math.nan
            cg = (point.centre.moment_kg_m + kg * x) / (point.mass_kg + kg)
            return cg - cut.forward_m if side == "forward" else cut.aft_m - cg

        yield _Margin(f"{side} limit, {case.name}", point.margin(side), "length", gradient, with_more)


def _of_mass(bench: Balance) -> Iterable[_Margin]:
    """What is left of the gross mass in the heaviest loading; none where no gross mass is given."""
    if bench.resolved.project.craft.limits.gross is None:
        return
    name, centre = bench.loadings.heaviest_loading
    left = bench.limits.gross - centre.mass_kg
    gradient = {o: -s for o, s in centre.mass_slopes().items()}
    yield _Margin(f"gross mass, {name}", left, "mass", gradient, lambda kg, _: left - kg)


def _of_axles(bench: Balance) -> Iterable[_Margin]:
    """What is left of the plate of each axle, in the loading that bears hardest on it."""
    axles, limits = bench.rolls, bench.resolved.project.craft.limits
    ends: tuple[tuple[End, Mass | None], ...] = (("front", limits.front_axle), ("rear", limits.rear_axle))
    for end, cap in ends:
        if cap is None:
            continue
        stance = max(axles.stances(), key=lambda s: s.front_kg if end == "front" else s.rear_kg)
        load = axles.load_slopes(stance, end)
        front, base = axles.wheels.front_m, stance.base_m
        left = cap.si - (stance.front_kg if end == "front" else stance.rear_kg)

        def with_more(
            kg: float, x: float, end: str = end, left: float = left, front: float = front, base: float = base
        ) -> float:
            rear = kg * (x - front) / base
            return left - (kg - rear if end == "front" else rear)

        yield _Margin(f"{end} axle, {stance.name}", left, "mass", {o: -s for o, s in load.items()}, with_more)


def _of_trim(bench: Balance) -> _Margin:
    """What is left of the change of trim that is still ok, in the state that trims most; small changes, her waterplane
    held."""
    afloat = bench.floats
    state = afloat.worst("trim")
    change, allowed = state.after.trim_m - state.before.trim_m, OK_TRIM * afloat.floating.length
    sums = Centre()
    for body in bench.resolved.ledger:
        if body.sign:
            sums.add(body.sign, got(body.mass), got(body.x))
    lcf, mct = afloat.floating.lcf, state.after.mct_kg
    by_mass, by_moment = sums.mass_slopes(), sums.moment_slopes()
    sign = math.copysign(1.0, change)
    gradient = {o: -sign * (by_moment[o] - lcf * by_mass[o]) / mct for o in by_mass}
    return _Margin(
        f"trim, {state.name}",
        allowed - abs(change),
        "length",
        gradient,
        lambda kg, x: allowed - sign * (change + kg * (x - lcf) / mct),
    )


def measure_next(bench: Balance) -> MeasureNext:
    """What to measure next for the limits of a craft: CG limits, every loading and its burn included; or gross mass,
    plates of the axles and trim, whichever it has."""
    project = bench.resolved.project
    margins = _margins(bench)
    least = min(margins, key=lambda m: abs(m.value) / (sigma(m.gradient) or 1e-12))
    words, margin, gradient = least.words, least.value, least.gradient
    pairs = [(m.value, m.gradient) for m in margins]
    doubt = sigma(gradient)
    candidates = list(_candidates(project, bench, gradient))
    rows = [
        MeasureOut(
            id=r.candidate.id,
            name=r.candidate.name,
            pointer=r.candidate.pointer,
            dimension=_dimension(project, r.candidate.pointer),
            minutes=r.candidate.minutes,
            share=_share(gradient, r.candidate, doubt),
            left_si=r.sigma_after,
            drop_si=r.drop,
            settles=r.settles,
            plus_minus_wanted_si=_wanted(gradient, r.candidate, margin, doubt),
        )
        for r in rank(gradient, margin, candidates)[:_MOST_ROWS]
        if r.drop >= _WORTH_SHOWING * doubt
    ]
    # The plan is for before the fitting: the finished craft can only be weighed when there is one.
    before = [c for c in candidates if c.id not in ("finished", "one scale")]
    steps = plan(pairs, before)
    known = [reading for step in steps for reading in step.readings]
    quickest = max(rows, key=lambda r: r.drop_si / r.minutes, default=None)
    return MeasureNext(
        quickest=quickest.name if quickest else "",
        margin=words,
        dimension=least.dimension,
        margin_si=margin,
        sigma_si=doubt,
        settled=doubt > 0 and abs(margin) >= SETTLED * doubt,
        rows=rows,
        plan=[s.name for s in steps],
        plan_settles=all_settled(pairs, known),
        break_even=_break_even(bench, least),
    )


def _break_even(bench: Balance, least: _Margin) -> list[BreakEvenOut]:
    """What each unit may weigh: the mass at which the margin is just gone, between nothing and three times as much."""
    made = []
    units = [f"{i.pointer}/unit" for i in [*bench.resolved.old, *bench.resolved.installations]]
    for body in bench.resolved.ledger:
        if body.pointer not in units or not body.sign:
            continue
        mass, x = got(body.mass).value, got(body.x).value

        def margin_at(change: float, sign: int = body.sign, x: float = x) -> float:
            return least.with_more(sign * change, x)

        change = break_even(margin_at, -mass, 2 * mass)
        if change is not None:
            made.append(BreakEvenOut(name=body.name, installed=body.sign > 0, mass_si=mass, at_si=mass + change))
    return made


def _candidates(project: Project, bench: Balance, gradient: Gradient) -> Iterable[ToMeasure]:
    # What carries less of the doubt than these can never lead the list.
    most = sorted(gradient, key=lambda o: -abs(gradient[o] * o.u))[:_MOST_LOOKED_AT]
    for origin in most:
        slope = gradient[origin]
        figure = value_at(project, origin)
        if not isinstance(figure, Figure) or not origin.u or not slope or figure.dimension not in _MINUTES:
            continue
        r = measured_uncertainty(figure)
        if 0 < r < origin.u:
            # The new figure stands in the place of the old one: a reading that leaves exactly r of the two together.
            reading = Reading({origin: 1.0}, r * origin.u / math.sqrt(origin.u**2 - r**2))
            yield ToMeasure(origin, origin.what, (reading,), _MINUTES[figure.dimension], str(origin))
    for installation in bench.resolved.installations:
        lift: dict[Origin, float] = {}
        total = 0.0
        for body in bench.resolved.ledger:
            if body.derived and body.sign > 0 and body.pointer.startswith(installation.pointer):
                mass = got(body.mass)
                total += mass.value
                for origin, slope in mass.slopes.items():
                    lift[origin] = lift.get(origin, 0.0) + slope  # a scale that all were weighed on counts for all
        if len(lift) > 1:
            name = f"{installation.name}, drive, propeller and mount in one lift"
            yield ToMeasure(f"lift:{installation.id}", name, (Reading(lift, _mass_r(total)),), _LIFT_MINUTES)
    empty: Centre = bench.ledger.empty
    one = or_none(lambda: _light_wheel(bench))
    if one is not None:
        name, x_main, x_light = one
        by_mass, by_moment = empty.mass_slopes(), empty.moment_slopes()
        gradient = {o: (x_main * by_mass[o] - by_moment[o]) / (x_main - x_light) for o in by_mass}
        load = (x_main * empty.mass_kg - empty.moment_kg_m) / (x_main - x_light)
        yield ToMeasure(
            "one scale",
            f"the {name} of the finished craft on one scale",
            (Reading(gradient, _mass_r(load)),),
            _ONE_SCALE_MINUTES,
        )
    if bench.resolved.has("afloat"):
        afloat = bench.floats
        by_mass, by_moment, lcf = empty.mass_slopes(), empty.moment_slopes(), afloat.floating.lcf
        r = afloat.floating.hydro.immersion_kg_m * _FREEBOARD_R_M / 2
        about = {o: by_moment[o] - lcf * by_mass[o] for o in by_mass}
        trimmed = afloat.state(EMPTY).after.mct_kg * _FREEBOARD_R_M
        yield ToMeasure(
            "finished",
            "her freeboards at four corners, work done",
            (Reading(by_mass, r), Reading(about, trimmed)),
            _FREEBOARD_MINUTES,
        )
        return
    readings = (Reading(empty.mass_slopes(), _mass_r(empty.mass_kg)), Reading(empty.slopes(), _CG_R_M))
    yield ToMeasure("finished", "the finished craft on its scales", readings, _WEIGHING_MINUTES)


def _light_wheel(bench: Balance) -> tuple[str, float, float]:
    """Nose or tail wheel: its name and station, and that of the mains, m."""
    stands = bench.standing.stands
    mains = [s.x_m for s in stands if s.role == "main"]
    light = next((s for s in stands if s.role in ("nose", "tail")), None)
    if not mains or light is None:
        raise CannotSay(Gap("/craft/supports", "a nose or tail wheel"))
    return light.name, sum(mains) / len(mains), light.x_m


def _mass_r(mass_kg: float) -> float:
    """Standard uncertainty of a mass on scales: ±0.2 %, 0.2 kg at least, two standard deviations. Common practice, no
    source."""
    return max(0.2, 0.002 * mass_kg) / 2


def _dimension(project: Project, pointer: str | None) -> str | None:
    return str(value_at(project, pointer).dimension) if pointer else None


def _only(gradient: Gradient, candidate: ToMeasure) -> tuple[Origin, float] | None:
    """The one figure that a candidate gives, with its slope."""
    if candidate.pointer is None:
        return None
    origin = next(iter(candidate.readings[0].gradient))
    return origin, gradient[origin]


def _share(gradient: Gradient, candidate: ToMeasure, doubt: float) -> float | None:
    one = _only(gradient, candidate)
    return (one[1] * one[0].u / doubt) ** 2 if one and doubt else None


def _wanted(gradient: Gradient, candidate: ToMeasure, margin: float, doubt: float) -> float | None:
    """± of the figure, two standard deviations, that settles the margin by this figure alone, if the estimate
    stands."""
    one = _only(gradient, candidate)
    if one is None or abs(margin) / SETTLED >= doubt or margin == 0:
        return None
    r, u = accuracy_needed(one[1], one[0].u, doubt, abs(margin) / SETTLED), one[0].u
    return 2 * r * u / math.hypot(r, u) if r else None


STUDY = Study("measure-next", "balance", "What to measure next", measure_next, MeasureNext)
