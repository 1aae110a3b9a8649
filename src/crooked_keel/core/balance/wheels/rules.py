"""Findings of a craft on its wheels: wheelbase, axles, rollover."""

from __future__ import annotations

from collections.abc import Iterable
from typing import NamedTuple

from ...errors import CannotSay, Gap, or_gap
from ...judging.band import Band, at_least, at_most, band, kept, within
from ...judging.finding import LEVELS, LeftOut, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy
from ...judging.subjects import Subject, known_of, one_by_one
from ..limits.quantities import CraftLimits
from .functions import static_stability
from .quantities import Axles, End

SHIFT_OK, SHIFT_STOP = 0.03, 0.08
STABILITY_OK, STABILITY_STOP = 1.10, 0.90


def axle_cap(axles: Axles, caps: CraftLimits, end: str) -> tuple[float, str]:
    """The most that an axle may carry, kg, and who says so: its plate or its tyres, the lower of what is given."""
    plate = caps.limits.front_axle if end == "front" else caps.limits.rear_axle
    tyres = axles.tyres_kg(end)
    known = [
        (kg, by) for kg, by in ((plate.si if plate else None, "its plate"), (tyres, "its tyres")) if kg is not None
    ]
    if not known:
        raise CannotSay(
            Gap(
                f"/craft/limits/{end}_axle",
                f"largest load on the {end} axle, from the plate, or the load index of its tyres",
            )
        )
    return min(known)


@rule(
    "balance.wheelbase",
    "CG between the axles",
    limit="stop outside the wheelbase, watch within two standard deviations of an axle",
    source="statics",
    mark="statics",
    form="stands on wheels",
    settles=adjust("Move the unit or packs between the axles."),
)
def wheelbase(axles: Axles) -> Iterable[Verdict]:
    doubts = {s.id: axles.doubt(s.id, {"x": 1.0}) for s in axles.stances()}
    worst = min(axles.stances(), key=lambda s: min(s.x_m, s.base_m - s.x_m) - doubts[s.id])
    inside, doubt = 0 < worst.x_m < worst.base_m, doubts[worst.id]
    lifts = "front" if worst.x_m >= worst.base_m else "rear"
    yield verdict(
        kept(worst.x_m, "length", within(0.0, worst.base_m), doubt),
        "CG between the axles in every loading" if inside else "CG outside the wheelbase: the {e} lifts",
        "{s}: {x} ±{u} behind the front axle, wheelbase {l}." + ("" if inside else " It falls over its own wheel."),
        left_out=axles.unsaid,
        u=q(doubt, "length"),
        s=word(worst.name),
        x=q(worst.x_m, "length"),
        l=q(worst.base_m, "length"),
        e=word(lifts),
    )


@rule(
    "balance.axle-load",
    "Axle loads against plate and tyres",
    limit="stop above the lower of the two, watch within 5 % or two standard deviations of it",
    source="vehicle plate; tyre load index, ISO 4000-1 (from memory)",
    mark="statics",
    form="stands on wheels",
    settles=buy("Tyres of a higher load index where the plate allows; else less on that axle."),
)
def axle_load(axles: Axles, limits: CraftLimits) -> Iterable[Verdict]:
    both: tuple[End, ...] = ("front", "rear")
    ends = [Subject[End](e, f"{e} axle", e) for e in both]
    return one_by_one(ends, lambda end: _loaded(axles, limits, end.of))


class _Borne(NamedTuple):
    """What something under an axle carries, what it may, by whom, and two standard deviations, kg."""

    load_kg: float
    cap_kg: float
    by: str
    doubt_kg: float
    state: str

    @property
    def left(self) -> float:
        """What is left of it, in doubts where there are any."""
        left = self.cap_kg - self.load_kg
        return left / self.doubt_kg if self.doubt_kg > 0 else left / max(self.cap_kg, 1e-9) * 1e9


def _judged(b: _Borne) -> Band:
    """Stop above the cap, watch within a twentieth or the doubt of it."""
    cap = at_most(b.cap_kg)
    whole = kept(b.load_kg, "mass", cap, b.doubt_kg)
    return whole.or_by("watch", "less than a twentieth of it is left", b.load_kg > 0.95 * b.cap_kg)


def _borne(axles: Axles, limits: CraftLimits, end: End) -> tuple[list[_Borne], LeftOut]:
    """Plate and tyres of an axle in every state; states of which the sides are not known are judged as if even, and
    named."""
    plate = limits.limits.front_axle if end == "front" else limits.limits.rear_axle
    tyres = axles.tyre_caps(end)
    if plate is None and not tyres:
        axle_cap(axles, limits, end)  # says what is missing
    made: list[_Borne] = []
    uneven = LeftOut()
    for s in axles.stances():
        load, doubt = (s.front_kg if end == "front" else s.rear_kg), axles.load_doubt(s, end)
        if plate is not None:
            made.append(_Borne(load, plate.si, "its plate", doubt, s.name))
        if len(tyres) == 1:
            made.append(_Borne(load, tyres[0][2], "its tyre", doubt, s.name))
        elif tyres:
            shares = or_gap(lambda s=s: axles.side_shares(s.id))
            if isinstance(shares, CannotSay):
                uneven = LeftOut([f"which side carries more, {s.name.lower()}"], list(shares.needs))
                shares = (0.5, 0.5)
            port = min(y for _, y, _ in tyres)
            for name, y, cap in tyres:
                share = shares[0] if y == port else shares[1]
                made.append(_Borne(load * share, cap, f"the tyre of the {name}", doubt * share, s.name))
    return made, uneven


def _unasked(axles: Axles, limits: CraftLimits, end: End) -> tuple[bool, LeftOut]:
    """Whether there is no plate; and what is left out: the tyres where they have no load index, the plate of four or
    three wheels, which always have one."""
    plateless = (limits.limits.front_axle if end == "front" else limits.limits.rear_axle) is None
    if not axles.tyre_caps(end):
        wheels = [(k, s) for k, s in axles.wheels.supports if s.role == end]
        lacking = [Gap(f"/craft/supports/{k}/load_index", f"load index of the tyre, {s.name}") for k, s in wheels]
        return plateless, LeftOut(["its tyres"], lacking)
    if plateless and axles.resolved.has("corners"):
        return plateless, LeftOut(
            ["its plate"], [Gap(f"/craft/limits/{end}_axle", f"most that the {end} axle may carry")]
        )
    return plateless, LeftOut()


def _loaded(axles: Axles, limits: CraftLimits, end: End) -> Iterable[Verdict]:
    borne, uneven = _borne(axles, limits, end)
    worst = min(borne, key=lambda b: (LEVELS.index(_judged(b).level), b.left))
    judged, by, unsaid, (plateless, blank) = _judged(worst), worst.by, axles.unsaid, _unasked(axles, limits, end)
    yield verdict(
        judged,
        "{e} axle {d} over what {by} may carry" if judged.level == "stop" else "{e} axle has {d} left",
        "{s}: {m} ±{u} of {cap}, by {by}."
        + (" At the pressure and up to the speed that the maker of the tyre gives." if by != "its plate" else "")
        + (" No plate was entered: tyres alone." if plateless else ""),
        subject=end,
        left_out=unsaid + uneven + blank,
        u=q(worst.doubt_kg, "mass"),
        e=word(end.capitalize()),
        d=q(abs(worst.cap_kg - worst.load_kg), "mass"),
        s=word(worst.state),
        m=q(worst.load_kg, "mass"),
        cap=q(worst.cap_kg, "mass"),
        by=word(by),
    )


@rule(
    "balance.axle-shift",
    "Shift between the axles",
    limit="3 points or less ok, 8 points or less watch, more stop until the brakes are checked",
    source="caution, no source",
    mark="proposed",
    form="corners",
    settles=adjust("Brake balance and springs set for the new split."),
)
def axle_shift(axles: Axles) -> Iterable[Verdict]:
    pairs = [(s, axles.stance(s.id, False)) for s in axles.stances()]
    after, before = max(pairs, key=lambda p: abs(p[0].front_share - p[1].front_share))
    shift = after.front_share - before.front_share
    judged = band(shift, "percent", ok=within(-SHIFT_OK, SHIFT_OK), watch=within(-SHIFT_STOP, SHIFT_STOP))
    yield verdict(
        judged,
        "Front axle {a} → {b}",
        "{s}. "
        + (
            "Nothing to do to brakes or springs for this."
            if judged.level == "ok"
            else "Have brake balance and springs checked for the new split before it is driven."
        ),
        left_out=axles.unsaid,
        a=q(before.front_share, "percent"),
        b=q(after.front_share, "percent"),
        s=word(after.name),
    )


@rule(
    "balance.rollover",
    "Static stability",
    limit="1.10 or more and not 5 % down ok, 0.90 or more watch, less stop",
    source="road-vehicle rollover measure (from memory); 0.90: caution",
    mark="from memory",
    form="corners",
    settles=adjust("Mass lower, or to the middle; a wider track where the law allows."),
)
def rollover(axles: Axles) -> Iterable[Verdict]:
    known = known_of([Subject(s.id, s.name, s) for s in axles.heights()], lambda s: axles.stability(s.id))
    worst, (value, doubt) = min(known.answers, key=lambda k: k[1][0] - k[1][1])
    before = static_stability(*axles.stability_terms(worst.id, False))
    judged = band(value, "number", ok=at_least(STABILITY_OK), watch=at_least(STABILITY_STOP), doubt=doubt)
    judged = judged.or_by("watch", "it is more than 5 % down", value < 0.95 * before)
    left, unsaid = known.left_out, axles.unsaid_heights
    yield verdict(
        judged,
        "Static stability factor {a} → {b}",
        "{s}, ±{u}, toward the side that carries more. 1.10 is asked, below 0.90 it stops. Half track less what "
        "the CG is "
        "off its middle, over height; on three wheels the track at the CG's station, so load nearer the single "
        "wheel tips "
        "it sooner.",
        left_out=unsaid + left,
        working=static_stability.working(*axles.stability_terms(worst.id)),
        a=q(before, "number"),
        b=q(value, "number"),
        u=q(doubt, "number"),
        s=word(worst.name),
    )
