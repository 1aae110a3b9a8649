"""Findings of the second weighing."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import ask_all
from ...judging.band import at_least, band
from ...judging.finding import Compared, Finding, Level, q, word
from ...judging.register import rule, verdict
from .quantities import Weighed

_OK, _WATCH, _ALONG_M = 0.01, 0.02, 0.005


@rule(
    "prove.second-weighing",
    "The second weighing beside the ledger",
    limit="within 1 % of the mass and 5 mm of the CG with the ± of the readings ok; 2 % watch; more stop",
    source="common practice, no source",
    mark="common practice",
    form="scales",
)
def second(weighed: Weighed) -> Iterable[Finding]:
    if not weighed.begun:
        return
    there, here = ask_all(lambda: weighed.predicted, lambda: weighed.measured)
    off = here.mass_kg - there.mass_kg
    share = abs(off) / there.mass_kg
    along = here.station_m - there.station_m
    doubt = weighed.reading_doubt_kg / there.mass_kg
    inside = share + doubt <= _OK and abs(along) + weighed.reading_doubt_along_m <= _ALONG_M
    level: Level = "stop" if share > _WATCH else "ok" if inside else "watch"
    named = sorted(weighed.guesses, key=lambda g: -g.doubt_kg)[:3]
    known = sum(g.doubt_kg**2 for g in weighed.guesses) ** 0.5
    yield verdict(
        "prove.second-weighing",
        level,
        "Weighs {m}, {d} {w} than the ledger says; CG {a} {f} of it",
        (
            ""
            if level == "ok"
            else "The ± of the readings hides more than may be off: weigh on better scales. "
            if share <= _OK and abs(along) <= _ALONG_M
            else "Rows that nobody weighed could explain {k} of it: {g}. "
            if named
            else "No row of the ledger is a guess: something was not entered. "
        )
        + "Fluids, and what lay aboard, are looked at by eye alone.",
        compared=Compared(value=share, dimension="percent", hi=_OK, doubt=doubt or None),
        can_suggest=level != "ok",
        m=q(here.mass_kg, "mass"),
        d=q(abs(off), "mass"),
        w=word("heavier" if off >= 0 else "lighter"),
        a=q(abs(along), "length"),
        f=word("aft" if along >= 0 else "forward"),
        k=q(known, "mass"),
        g=word(", ".join(g.name for g in named)),
    )


@rule(
    "prove.measured-limits",
    "CG limits by the scales",
    limit="every loading on the measured craft inside both limits with its doubt ok, inside watch, outside stop",
    source="second weighing",
    mark="statics",
    form="cg limits",
)
def measured_limits(weighed: Weighed) -> Iterable[Finding]:
    if not weighed.begun or weighed.margins is None:
        return
    weighed.measured  # noqa: B018  names the supports that were not read
    margins = weighed.margins
    for side in ("forward", "aft"):
        case, point = margins.least_sure(side)
        judged = band(point.margin(side), "length", ok=at_least(0.0), doubt=2 * point.u(side), watch=at_least(0.0))
        yield verdict(
            "prove.measured-limits",
            judged.level,
            "By the scales {s} limit kept by {m}: {n}"
            if judged.level != "stop"
            else "By the scales {s} limit passed by {m}: {n}",
            "Loadings on the craft as weighed again. Nothing flies or rolls on a predicted weight.",
            subject=side,
            compared=judged.compared,
            s=word(side),
            m=q(abs(point.margin(side)), "length"),
            n=word(case.name),
        )
