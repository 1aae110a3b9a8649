"""Findings about lifting each unit."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable
from typing import NamedTuple

from ...document import Crane, Lifting
from ...errors import CannotSay, Gap, InputError, ask_all
from ...figure.trace import Traced, need, traced
from ...figure.units import G0_M_S2
from ...judging.band import Band, at_least, at_most, band, kept, within
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy
from ...judging.subjects import Subject, one_by_one
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from .functions import (
    DYNAMIC_FACTOR,
    Pick,
    Sling,
    crane_cg,
    leveller_share,
    line_height,
    pick_tilt,
    pick_tilt_working,
    two_leg_sling,
)

_HANGS = (
    "Lift with the hook over the CG; nobody under it, hands off the chain. Slings, eyes and hoist by their own plates."
)


class _Lift(NamedTuple):
    """A unit that somebody means to lift: its CG, its picks as far as they are known, its mass with the doubt in it."""

    placed: ResolvedInstallation
    lifting: Lifting
    base: str
    cg: Pick
    mass: Traced
    first: Pick
    second: Pick | None
    doubt_m: float
    across: Traced | None


def _lifts(resolved: Resolved) -> list[Subject[ResolvedInstallation]]:
    """The units that somebody means to lift."""
    return [
        unit
        for unit in resolved.units
        if unit.of.installation.unit.lifting.model_copy(update={"crane": Crane()}) != Lifting()
    ]


def _lift(placed: ResolvedInstallation) -> _Lift:
    """Raises CannotSay with all that is missing of a lift."""
    unit = placed.installation.unit
    lifting, base = unit.lifting, f"{placed.pointer}/unit"

    def ask(part: str, what: str, of: object = lifting, at: str = f"{base}/lifting") -> Callable[[], Traced]:
        return lambda: traced(getattr(of, part), f"{at}/{part}", what)

    name = placed.name
    wanted = [
        ask("cg_aft", f"CG of the {name}, along the shaft", unit, base),
        ask("cg_up", f"CG of the {name}, height", unit, base),
        ask("mass", f"mass of the {name}", unit, base),
        ask("first_aft", f"first pick of the {name}, along the shaft"),
        ask("first_up", f"first pick of the {name}, height"),
    ]
    two = lifting.second_aft is not None or lifting.second_up is not None
    if two:
        wanted += [
            ask("second_aft", f"second pick of the {name}, along the shaft"),
            ask("second_up", f"second pick of the {name}, height"),
        ]
    x, z, mass, *picks = ask_all(*wanted)
    first = Pick(picks[0].value, picks[1].value)
    second = Pick(picks[2].value, picks[3].value) if two else None
    # Two standard deviations of the CG against a pick, along the shaft or in height, the larger.
    doubt = 2 * max(math.hypot(x.u, picks[0].u), math.hypot(z.u, picks[1].u))
    beside = lambda figure: traced(figure, f"{base}/cg_starboard", f"CG of the {name}, sideways")
    across = beside(unit.cg_starboard) if unit.cg_starboard is not None else None
    return _Lift(placed, lifting, f"{base}/lifting", Pick(x.value, z.value), mass, first, second, doubt, across)


def _subject(lift: _Lift) -> str:
    return f"old-{lift.placed.id}" if lift.placed.old else lift.placed.id


def _refused(lift: _Lift, bad: InputError) -> Verdict:
    return verdict(
        "stop",
        "{n}: {why}",
        "Move a pick. " + _HANGS,
        subject=_subject(lift),
        n=word(lift.placed.name),
        why=word(bad.message),
    )


@rule(
    "balance.pick-tilt",
    "How the unit hangs",
    limit="5° or less ok, 20° or less watch, more stop; picks above the CG and on both sides of it",
    source="statics; the limits: common practice, no source",
    mark="common practice",
    settles=adjust("Move the pick over the CG, or lift by two."),
)
def hangs(resolved: Resolved) -> Iterable[Verdict]:
    return one_by_one(_lifts(resolved), lambda unit: _hung(_lift(unit.of)))


def _hung(lift: _Lift) -> Iterable[Verdict]:
    try:
        yield _hanging(lift)
    except InputError as bad:
        yield _refused(lift, bad)


def _tilted(off: float, doubt: float) -> Band:
    """How far off level it hangs, judged with its doubt; rad."""
    return band(off, "angle", ok=at_most(math.radians(5)), watch=at_most(math.radians(20)), doubt=doubt)


def _side(lift: _Lift) -> Traced:
    """How far beside the centreline its CG lies, m; nought where it is not said."""
    return lift.across if lift.across is not None else Traced(0.0)


def _beside(lift: _Lift) -> str:
    """What is said of the side: picks are taken on the centreline."""
    return "its CG {y} beside the centreline. " if lift.across is not None else "the side is not looked at. "


def _hanging(lift: _Lift) -> Verdict:
    if lift.second is not None:
        if line_height(lift.first, lift.second, lift.cg.x_m) - lift.cg.z_m <= lift.doubt_m:
            raise InputError(
                f"{lift.base}/second_up",
                "its CG is above the line that joins the picks, or within its doubt of it, and it can roll over",
            )
        leveller_share(lift.mass.value, lift.first.x_m, lift.second.x_m, lift.cg.x_m)
        under = line_height(lift.first, lift.second, lift.cg.x_m) - lift.cg.z_m
        judged = _tilted(math.atan(abs(_side(lift).value) / under), math.atan(2 * _side(lift).u / under))
        return verdict(
            judged,
            "{n} hangs between its picks",
            "CG {d} under the line that joins them; " + _beside(lift) + _HANGS,
            y=q(abs(_side(lift).value), "length"),
            subject=_subject(lift),
            n=word(lift.placed.name),
            d=q(under, "length"),
        )
    tilt, height = pick_tilt(lift.cg, lift.first), lift.first.z_m - lift.cg.z_m
    if height <= lift.doubt_m:
        raise InputError(f"{lift.base}/first_up", "the pick is within its doubt of the CG, and it can roll over")
    off = math.hypot(tilt, math.atan(_side(lift).value / height))
    judged = _tilted(off, math.atan(lift.doubt_m / height))
    return verdict(
        judged,
        "{n} hangs {t} off level, {way} end down",
        "The pick is {d} off the CG along the shaft and {h} above it; " + _beside(lift) + _HANGS,
        subject=_subject(lift),
        working=pick_tilt_working(lift.first.x_m, lift.cg.x_m, lift.first.z_m, lift.cg.z_m),
        n=word(lift.placed.name),
        t=q(off, "angle"),
        way=word("front" if tilt > 0 else "rear"),
        d=q(abs(lift.first.x_m - lift.cg.x_m), "length"),
        h=q(height, "length"),
        y=q(abs(_side(lift).value), "length"),
    )


@rule(
    "balance.sling-angle",
    "Slings",
    limit="legs 45° or more from the horizontal ok, 30° or more watch, flatter stop",
    source="ASME B30.9 (from memory): no leg flatter than 30°",
    mark="from memory",
    settles=adjust("Longer legs, or a spreader."),
)
def slings(resolved: Resolved) -> Iterable[Verdict]:
    return one_by_one(_lifts(resolved), lambda unit: _in_slings(_lift(unit.of)))


def _in_slings(lift: _Lift) -> Iterable[Verdict]:
    if lift.second is None:
        return
    try:
        yield _slung(lift, lift.second)
    except InputError as bad:
        yield _refused(lift, bad)


def _slung(lift: _Lift, second: Pick) -> Verdict:
    name = word(lift.placed.name)
    if lift.lifting.legs is None and lift.lifting.hook_up is None:
        what = f"whether the two legs meet in one hook or hang plumb ({lift.placed.name})"
        raise CannotSay(Gap(f"{lift.base}/legs", what))
    if lift.lifting.legs == "hang plumb":
        a, b = leveller_share(lift.mass.value, lift.first.x_m, second.x_m, lift.cg.x_m)
        return verdict(
            "ok",
            "{n} on two plumb chains: {a} and {b}",
            "First and second pick, at rest, from a beam or a leveller that keeps both chains plumb.",
            subject=_subject(lift),
            a=q(a, "force"),
            b=q(b, "force"),
            n=name,
        )
    hook = Pick(lift.cg.x_m, need(lift.lifting.hook_up, f"{lift.base}/hook_up", "height of the hook").along_m)
    sling: Sling = two_leg_sling(lift.mass.value, lift.first, second, hook)
    flattest = min(sling.first_rad, sling.second_rad)
    judged = band(flattest, "angle", ok=at_least(math.radians(45)), watch=at_least(math.radians(30)))
    return verdict(
        judged,
        "{n}: legs carry {a} and {b}",
        "Flattest leg {t} from the horizontal, hook over the CG, at rest. A longer sling carries less.",
        subject=_subject(lift),
        a=q(sling.first_n, "force"),
        b=q(sling.second_n, "force"),
        t=q(flattest, "angle"),
        n=name,
    )


@rule(
    "balance.hoist",
    "Hoist",
    limit="mass with its doubt, times 1.25, within the rating at this boom",
    source="the hoist's plate; the dynamic factor: common practice, no source",
    mark="common practice",
    settles=buy("A hoist rated for it at that boom, or a shorter boom."),
)
def hoist(resolved: Resolved) -> Iterable[Verdict]:
    return one_by_one(_lifts(resolved), lambda unit: _hoisted(unit.of))


def _hoisted(placed: ResolvedInstallation) -> Iterable[Verdict]:
    unit, base = placed.installation.unit, f"{placed.pointer}/unit"
    mass, rating = ask_all(
        lambda: traced(unit.mass, f"{base}/mass", f"mass of the {placed.name}"),
        lambda: need(unit.lifting.rating, f"{base}/lifting/rating", f"rating of the hoist for the {placed.name}").si,
    )
    heaviest = (mass.value + 2 * mass.u) * DYNAMIC_FACTOR
    yield verdict(
        kept(heaviest, "mass", at_most(rating)),
        "{n} asks {m} of the hoist, rated {r}" if heaviest <= rating else "{n} is too heavy for the hoist: {m} of {r}",
        "{k} times the mass with its doubt, {f}. The boom as it stands, and between two of its marks the lower rating; "
        "the legs of a floor crane as its plate shows them.",
        subject=f"old-{placed.id}" if placed.old else placed.id,
        n=word(placed.name),
        m=q(heaviest, "mass"),
        r=q(rating, "mass"),
        k=q(DYNAMIC_FACTOR, "number"),
        f=q(heaviest * G0_M_S2, "force"),
    )


@rule(
    "balance.crane",
    "Floor crane",
    limit="CG of crane and load, times 1.25, inside its castors by a tenth of the legs, else watch; outside stop",
    source="statics; a tenth and the dynamic factor: common practice, no source",
    mark="common practice",
    settles=adjust("Shorten the boom or weigh down its rear; a hand on it is no weight."),
)
def crane(resolved: Resolved) -> Iterable[Verdict]:
    lifted = [unit for unit in resolved.units if unit.of.installation.unit.lifting.crane != Crane()]
    return one_by_one(lifted, lambda unit: _craned(unit.of))


def _craned(placed: ResolvedInstallation) -> Iterable[Verdict]:
    c, base = placed.installation.unit.lifting.crane, f"{placed.pointer}/unit/lifting/crane"
    words = {
        "mass": "mass of the crane",
        "cg": "CG of the crane",
        "legs": "front castors of its legs",
        "hook": "hook of the crane",
    }
    asks = [lambda n=n, w=w: need(getattr(c, n), f"{base}/{n}", w).si for n, w in words.items()]
    unit = lambda: traced(placed.installation.unit.mass, f"{placed.pointer}/unit/mass", f"mass of the {placed.name}")
    (mass, cg, legs, hook), lifted = ask_all(lambda: ask_all(*asks), unit)
    load = (lifted.value + 2 * lifted.u) * DYNAMIC_FACTOR
    at = crane_cg(mass, cg, load, hook)
    inside = min(at, legs - at)
    judged = band(at, "length", ok=within(0.1 * legs, 0.9 * legs), watch=within(0.0, legs))
    yield verdict(
        judged,
        "Crane with {n}: {d} inside its castors" if inside >= 0 else "Crane with {n} tips over its legs",
        "Together at {x}, front castors at {l}; hook at {h}, {m} with the factor. Boom in, or legs further out, "
        "to gain." + (" Rated load at this boom is asked for apart." if judged.level == "ok" else ""),
        subject=f"old-{placed.id}" if placed.old else placed.id,
        working=crane_cg.working(mass, cg, load, hook),
        n=word(placed.name),
        d=q(abs(inside), "length"),
        x=q(at, "length"),
        l=q(legs, "length"),
        h=q(hook, "length"),
        m=q(load, "mass"),
    )
