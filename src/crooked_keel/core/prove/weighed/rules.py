"""Findings of the second weighing."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import ask_all
from ...judging.band import at_least, at_most, band, kept
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import decide, measure
from .quantities import Weighed

_OK, _WATCH, _ALONG_M = 0.01, 0.02, 0.005


@rule(
    "prove.second-weighing",
    "The second weighing beside the ledger",
    limit="within 1 % of the mass and 5 mm of the CG with the ± of the readings ok; 2 % watch; more stop",
    source="common practice, no source",
    mark="common practice",
    form="scales",
    settles=measure("Weigh again, then look for what was not entered."),
)
def second(weighed: Weighed) -> Iterable[Verdict]:
    if not weighed.begun:
        return
    there, here = ask_all(lambda: weighed.predicted, lambda: weighed.measured)
    off = here.mass_kg - there.mass_kg
    share = abs(off) / there.mass_kg
    along = here.station_m - there.station_m
    doubt = weighed.reading_doubt_kg / there.mass_kg
    judged = band(share, "percent", ok=at_most(_OK), watch=at_most(_WATCH), doubt=doubt).or_by(
        "watch", "its CG lies elsewhere", abs(along) + weighed.reading_doubt_along_m > _ALONG_M
    )
    level = judged.level
    named = sorted(weighed.guesses, key=lambda g: -g.doubt_kg)[:3]
    known = sum(g.doubt_kg**2 for g in weighed.guesses) ** 0.5
    yield verdict(
        judged,
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
    settles=decide("Move something, or ballast, and weigh again; it does not fly until then."),
)
def measured_limits(weighed: Weighed) -> Iterable[Verdict]:
    if not weighed.begun or weighed.margins is None:
        return
    weighed.measured  # noqa: B018  names the supports that were not read
    margins = weighed.margins
    for side in ("forward", "aft"):
        case, point = margins.least_sure(side)
        judged = kept(point.margin(side), "length", at_least(0.0), 2 * point.u(side))
        yield verdict(
            judged,
            "By the scales {s} limit kept by {m}: {n}"
            if judged.level != "stop"
            else "By the scales {s} limit passed by {m}: {n}",
            "Loadings on the craft as weighed again. Nothing flies or rolls on a predicted weight.",
            subject=side,
            s=word(side),
            m=q(abs(point.margin(side)), "length"),
            n=word(case.name),
        )
