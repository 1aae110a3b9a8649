"""Findings of promises: what ran as predicted, what did not, and what that points to."""

from __future__ import annotations

from collections.abc import Iterable

from ...judging.band import Band, band, within
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import buy, measure
from .diagnosis import diagnose
from .quantities import RATED, Promises, Row

_OK, _WATCH = 0.05, 0.10
# Of the speed at full power.
_RATED = (0.01, 0.03)
# Of a temperature a share says nothing: K. Common practice, no source.
_OK_K, _WATCH_K = 5.0, 10.0
# Of a length that may be nought: m. Proposed.
_OK_M, _WATCH_M = 0.02, 0.05


def _bounds(row: Row) -> tuple[float, float]:
    """How far off is ok, and watch, SI."""
    if row.id == RATED:
        return _RATED[0] * (row.promised or 0.0), _RATED[1] * (row.promised or 0.0)
    if row.dimension == "temperature":
        return _OK_K, _WATCH_K
    if row.dimension == "length":
        return _OK_M, _WATCH_M
    if row.dimension == "angle":
        return 0.01, 0.03
    assert row.promised is not None
    return _OK * abs(row.promised), _WATCH * abs(row.promised)


def judged_of(row: Row) -> Band:
    """How a promise was kept: off to the worse side by more than it may be is a stop, to the better a watch."""
    ok, watch = _bounds(row)
    off = row.off
    between = "temperature_rise" if row.dimension == "temperature" else row.dimension
    if not (row.worse == "either" or (off > 0) == (row.worse == "more")):
        return band(off, between, ok=within(-ok, ok))
    judged = band(off, between, ok=within(-ok, ok), watch=within(-watch, watch), doubt=row.measured_doubt)
    # Its own doubt explains it: then nothing is shown, neither way.
    return judged.eased_to("watch", "the doubt of what was promised explains it", abs(off) <= row.doubt)


@rule(
    "prove.promised",
    "What was promised beside what was measured",
    limit="within 5 % (5 K, 20 mm) ok; 10 % (10 K, 50 mm), better than promised, or within the doubts of both watch; "
    "more stop",
    source="common practice, no source",
    mark="common practice",
    settles=measure("Read it again both ways; then take the measured figure where it belongs."),
)
def promised(promises: Promises) -> Iterable[Verdict]:
    for row in promises.rows:
        if row.id == RATED or row.measured is None or row.promised is None:
            continue
        judged = judged_of(row)
        level = judged.level
        yield verdict(
            judged,
            "{n}: {m} measured, {p} promised",
            "{d} {w} than promised"
            + (", {k} of its doubts. " if row.doubt else "; neither has a ± to put it beside. ")
            + ("Better than promised is off as well: look why. " if level == "watch" and _better(row) else "")
            + ("Measured: {h}." if row.how else ""),
            subject=row.id,
            can_suggest=level != "ok",
            n=word(row.label),
            m=q(row.measured, row.dimension, row.ways),
            p=q(row.promised, row.dimension, row.ways),
            d=q(abs(row.off), "temperature_rise" if row.dimension == "temperature" else row.dimension),
            w=word("more" if row.off >= 0 else "less"),
            k=q(abs(row.off) / row.doubt if row.doubt else 0.0, "number"),
            h=word(row.how),
        )


def _better(row: Row) -> bool:
    return row.worse != "either" and (row.off > 0) != (row.worse == "more")


@rule(
    "prove.rated-speed",
    "Full power at the rated speed",
    limit="within 1 % of its rated speed with the doubt of the reading ok, 3 % watch, beyond stop",
    source="common practice, no source",
    mark="common practice",
    settles=buy("Another pitch or ratio, once hull, brakes and throttle are proved."),
)
def rated_speed(promises: Promises) -> Iterable[Verdict]:
    row = promises.row(RATED)
    if row is None or row.promised is None or row.measured is None:
        return
    share = row.off / row.promised
    doubt = row.measured_doubt / row.promised
    judged = band(share, "percent", ok=within(-_RATED[0], _RATED[0]), watch=within(-_RATED[1], _RATED[1]), doubt=doubt)
    yield verdict(
        judged,
        "{m} at full power, rated {p}",
        (
            "It does not reach its speed: what it turns asks more than it gives, or it gives less. "
            if share < -0.01
            else "It runs past its speed: what it turns asks too little, or slips. "
            if share > 0.01
            else ""
        )
        + "Read with the throttle proved open, settled.",
        m=q(row.measured, "rotation"),
        p=q(row.promised, "rotation"),
    )


@rule(
    "prove.diagnosis",
    "What the readings point to",
    limit="nothing off ok; a cause that fits what was read watch",
    source="common practice, no source",
    mark="common practice",
    settles=measure("The next check that its sentence names."),
)
def diagnosis(promises: Promises) -> Iterable[Verdict]:
    found = diagnose(promises)
    for cause in found:
        yield verdict(
            "watch",
            "{c}",
            "Fired on: {f}. " + ("Not looked at: {n}. " if cause.blank else "") + "Next: {x}.",
            subject=cause.key,
            c=word(cause.words),
            f=word("; ".join(cause.evidence)),
            n=word(", ".join(cause.blank)),
            x=word(cause.next_check),
        )
    if not found and any(r.measured is not None for r in promises.rows):
        yield verdict(
            "ok",
            "Nothing that was read points to a cause",
            "Only what was read is looked at.",
        )
