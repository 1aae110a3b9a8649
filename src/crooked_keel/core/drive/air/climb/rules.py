"""Verdict of the climb."""

from __future__ import annotations

from collections.abc import Iterable

from ....errors import ask_all
from ....judging.band import at_least, band
from ....judging.finding import q
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import decide
from .functions import INDUCED, climb_rate
from .quantities import Climbing


@rule(
    "drive.climb",
    "Rate of climb against what is wanted",
    limit="1.05 of what is wanted with its doubt ok, 0.95 watch, less stop",
    source="what you want; scaled from what was flown before",
    mark="proposed",
    form="air propeller",
    settles=decide("Less weight, a larger propeller or more power; or a climb that is content with less."),
)
def climb(flown: Climbing) -> Iterable[Verdict]:
    if not flown.begun:
        return
    rate, wanted = ask_all(lambda: flown.rate, lambda: flown.wanted)
    judged = band(rate.value, "climb", ok=at_least(1.05 * wanted), watch=at_least(0.95 * wanted), doubt=2 * rate.u)
    now, before, heavy, mass, was = flown.climb_terms
    yield verdict(
        judged,
        "Climbs {r} ±{d}, {w} is wanted",
        "Before {b} at {m}; now {h}, with {u} of useful power for {o}. Same airspeed, standard day, no height: "
        "heat, height, and the drag of a new cowl are not looked at.",
        working=climb_rate.working(now, flown.asked, heavy, mass, INDUCED),
        r=q(rate.value, "climb"),
        d=q(2 * rate.u, "climb"),
        w=q(wanted, "climb"),
        b=q(was, "climb"),
        m=q(mass, "mass"),
        h=q(heavy, "mass"),
        u=q(now, "power"),
        o=q(before, "power"),
    )
