"""compare(document) → the old unit, the need and every fit side by side, where they are used: hard limits first, then
the score.

Each fit is assessed whole, so that balance, drive, mount and line are judged in the same row. Asked for when somebody
looks."""

from __future__ import annotations

from collections.abc import Callable

from ..assess import assess
from ..balance.ledger.functions import Centre
from ..benches import BUILT
from ..choose.power.says import CurveOut, curve_table
from ..choose.section import ChooseTopics
from ..document import Project
from ..errors import CannotSay, Gap, InputError, or_none
from ..figure.base import Figure
from ..formula import Out
from ..judging.finding import Bench, Level
from ..judging.scoring import Criterion, not_beaten, score_options, turning_points
from ..reference.outlines import Point
from ..resolved.draw import local_silhouette
from ..resolved.references import got
from ..rough import stood_in
from ..setup import Benches, set_up
from ..topic.memo import Memo
from ..topic.workspace import Workspace

NAMES = {
    "power": "power that lasts there",
    "mass": "installed mass",
    "cost": "cost",
    "wait": "wait",
    "parts": "supply of parts",
}


# Sources from the surest to what is hardly one.
WORST = ("measured", "computed", "maker", "estimated", "template", "hearsay", "rough")


class BenchLevelOut(Out):
    """Worst level of a bench."""

    bench: Bench
    level: Level


class PartOut(Out):
    """What one criterion gives to a score."""

    name: str
    points: float


class Candidate(Out):
    """A fit, or the old unit (id `none`): figures that are known, SI, and what the others need; what it gives for a
    short time (low down), and how long; size as length, width, height; where each figure comes
    from, by its worst; worst level of each bench; score with its parts, or every reason why it is out; whether another
    is at least as good in everything; silhouette: its first unit side on, from its output flange, its shaft level."""

    id: str
    name: str
    power_si: float | None
    short_si: float | None
    short_s: float | None
    speed_si: float | None
    output_speed_si: float | None
    mass_si: float | None
    size_si: list[float | None]
    burns_si: float | None
    heat_si: float | None
    empty_si: float | None
    cg_si: float | None
    cost_si: float | None
    wait_si: float | None
    parts: float | None
    hearsay: list[str]
    sources: dict[str, str]
    levels: list[BenchLevelOut]
    curve: list[CurveOut]
    score: float | None
    score_parts: list[PartOut]
    out: list[str]
    beaten: bool
    needs: list[Gap]
    silhouette: list[list[Point]]


class TurnOut(Out):
    """A share of the weight at which another comes first."""

    criterion: str
    share: float
    winner: str


class Comparison(Out):
    """The old unit first, then every fit; the first by score; where that changes; and what stops the scoring, in
    words."""

    candidates: list[Candidate]
    best: str
    turns: list[TurnOut]
    refused: str


def compare(project: Project) -> Comparison:
    """Every candidate side by side. A figure that is missing leaves its candidate unscored, and is named."""
    # What one candidate has in common with the next, the craft above all, is worked out once.
    shared = Workspace()
    rows = [_candidate(project, None, shared)]
    rows += [_candidate(project, k, shared) for k, _ in sorted(project.fits.items(), key=lambda f: f[1].rank)]
    criteria = _criteria(project)
    fits = rows[1:]
    known = {r.id: _figures(r) for r in fits}
    # What is limited must be known as well: an unknown mass keeps no limit of mass.
    wanted = [c for c in criteria if c.weight > 0 or c.least is not None or c.most is not None]
    options = {k: v for k, v in known.items() if all(c.name in v for c in wanted)}
    try:
        scored = score_options(options, criteria)
        turns = turning_points(options, criteria)
    except InputError as bad:
        return Comparison(candidates=rows, best="", turns=[], refused=f"{bad.message}: say what counts how much")
    left = set(not_beaten({k: v for k, v in options.items() if k in scored.scores}, criteria))
    made = [rows[0]]
    for r in fits:
        lacking = r.needs if any(c.name not in known[r.id] for c in wanted) else []
        parts = scored.parts.get(r.id, {})
        made.append(
            r.model_copy(
                update={
                    "score": scored.scores.get(r.id),
                    "score_parts": [PartOut(name=NAMES[n], points=p) for n, p in parts.items()],
                    "out": [NAMES[n] for n in scored.excluded.get(r.id, [])],
                    "beaten": r.id in scored.scores and r.id not in left,
                    "needs": lacking,
                }
            )
        )
    names = {r.id: r.name for r in rows}
    return Comparison(
        candidates=made,
        best=scored.best or "",
        refused="",
        turns=[TurnOut(criterion=NAMES[t.criterion], share=t.share, winner=names[t.winner]) for t in turns],
    )


def _criteria(project: Project) -> list[Criterion]:
    n = project.need
    si = lambda f: f.si if f is not None else None
    weight = lambda f: f.si if f is not None else 0.0
    w = n.weights
    return [
        Criterion("power", weight(w.power), "more", least=si(n.least_power)),
        Criterion("mass", weight(w.mass), "less", most=si(n.most_mass)),
        Criterion("cost", weight(w.cost), "less", most=si(n.most_cost)),
        Criterion("wait", weight(w.wait), "less", most=si(n.longest_wait)),
        Criterion("parts", weight(w.parts), "more", least=si(n.least_parts)),
    ]


def _figures(row: Candidate) -> dict[str, float]:
    given = {"power": row.power_si, "mass": row.mass_si, "cost": row.cost_si, "wait": row.wait_si, "parts": row.parts}
    return {k: v for k, v in given.items() if v is not None}


def _candidate(project: Project, fit_id: str | None, shared: Workspace) -> Candidate:
    made = assess(project, fit_id, shared, drawn=False)
    benches = set_up(stood_in(project, fit_id, Memo(1))[0], fit_id, shared.standing)
    needs: dict[str, Gap] = {}

    def ask(question: Callable[[], float]) -> float | None:
        try:
            return question()
        except CannotSay as gap:
            needs.update({n.pointer: n for n in gap.needs})
        except InputError as bad:
            needs[bad.field] = bad.gap
        return None

    units: list[ChooseTopics] = [i.choose for i in benches.installations]
    if not units:
        raise InputError("/old_installations", "no unit to compare")
    first = benches.installations[0]
    figures = [(n, u.lasting.name, f) for u in units for n in NAMES for f in _behind(u, n)]
    hears = list(dict.fromkeys(f"{NAMES[n]} of the {name}" for n, name, f in figures if f.source == "hearsay"))
    sources = {n: max((f.source for k, _, f in figures if k == n), key=WORST.index, default="") for n in NAMES}
    there = lambda u: u.lasting.power_there if project.need.altitude is not None else u.lasting.continuous[0]
    parts = lambda: min(_parts(u) for u in units)
    return Candidate(
        id=fit_id or "none",
        name=project.fits[fit_id].name if fit_id else "as found",
        power_si=ask(lambda: sum(there(u) for u in units)),
        short_si=or_none(lambda: sum(u.lasting.short[0] for u in units)),
        short_s=or_none(lambda: min(u.lasting.short[1] for u in units)),
        speed_si=or_none(lambda: first.drive.train.rated_speed),
        output_speed_si=or_none(lambda: first.drive.train.propeller_speed),
        mass_si=ask(lambda: _installed(benches)),
        size_si=[
            f.si if f else None
            for f in (units[0].lasting.unit.length, units[0].lasting.unit.width, units[0].lasting.unit.height)
        ],
        burns_si=or_none(lambda: sum(u.lasting.burns for u in units)),
        heat_si=or_none(lambda: sum(u.lasting.heat for u in units)),
        empty_si=or_none(lambda: _sums(benches, fit_id).mass_kg),
        cg_si=or_none(lambda: _sums(benches, fit_id).station_m),
        cost_si=ask(lambda: _cost(units)) if fit_id else None,
        wait_si=ask(lambda: max(u.spending.wait_s() for u in units)) if fit_id else None,
        parts=ask(parts) if fit_id else None,
        hearsay=hears,
        sources={n: s for n, s in sources.items() if s},
        levels=[
            BenchLevelOut(bench=b.bench, level=b.level)
            for b in made.benches
            if b.bench in BUILT and b.level is not None
        ],
        curve=curve_table(units[0].lasting),
        score=None,
        score_parts=[],
        out=[],
        beaten=False,
        needs=list(needs.values()),
        silhouette=or_none(lambda: local_silhouette(first.placed.installation.unit, first.placed.side)) or [],
    )


def _behind(bench: ChooseTopics, name: str) -> list[Figure]:
    """The figures that an answer of a candidate stands on: of its money and wait the lines, where it has any."""
    u, fit = bench.lasting.unit, bench.spending.fit
    parts: list[Figure | None]
    lines = list(fit.money.values()) if fit is not None else []
    if name in ("cost", "wait") and lines:
        parts = [f for m in lines for f in ((m.wait,) if name == "wait" else (m.planned, m.committed, m.spent))]
    elif name == "power":
        parts = [r.power for r in u.ratings.values() if r.limit == "without a limit"] or [u.power]
    else:
        parts = [getattr(u, name)]
    return [f for f in parts if f is not None]


def _sums(benches: Benches, fit_id: str | None) -> Centre:
    """The empty craft with it, along x."""
    return benches.balance.ledger.empty if fit_id else benches.balance.ledger.before


def _installed(benches: Benches) -> float:
    """The unit, what its quoted mass leaves out, reduction, propeller, mount and packs, kg."""
    return float(
        sum(sum(got(b.mass).value for b in i.placed.parts) + i.choose.lasting.extra_mass for i in benches.installations)
    )


def _cost(units: list[ChooseTopics]) -> float:
    """The lines of money of the fit with the prices of units that have none, or the prices of all its units."""
    lines = units[0].spending
    if not lines.money:
        return sum(u.spending.cost() for u in units)
    extra = sum(u.lasting.unit.cost.si for u in units if u.spending.not_in_lines and u.lasting.unit.cost is not None)
    return lines.spending.forecast + extra


def _parts(unit: ChooseTopics) -> float:
    of = unit.lasting
    if of.unit.parts is None:
        raise CannotSay(Gap(of.p("parts"), f"supply of parts of the {of.name}, 1 to 5"))
    return of.unit.parts.si
