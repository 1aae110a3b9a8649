"""Findings of how a road craft pulls away."""

from __future__ import annotations

from collections.abc import Iterable

from ....errors import ask_all
from ....figure.units import G0_M_S2
from ....judging.band import at_most, band
from ....judging.finding import q
from ....judging.register import Verdict, rule, verdict
from ....judging.settling import adjust
from ....physics.pitching import wheelie_limit
from .quantities import Going

# Of the force at which the front lifts full throttle may give so much before it is said. Common practice, no source.
_CALM = 0.8


@rule(
    "drive.pulls-away",
    "Pulling away",
    limit="reaches the speed, and full throttle gives 0.8 of what lifts the front or less: ok; else watch",
    source="mechanics; 0.8: common practice, no source",
    mark="common practice",
    form="driven wheel",
    settles=adjust("Open the throttle by half in the lowest gear, or a taller gear."),
)
def pulls_away(going: Going) -> Iterable[Verdict]:
    if going.placed.old:
        return
    ask_all(lambda: going.time, lambda: going.standing, lambda: going.best)
    s, time, full = going.standing, going.time, float(going.best[0])
    # With the CG over the rear axle nothing holds the front down.
    lifts = max(G0_M_S2 * wheelie_limit(s.base_m, s.x_m, s.height_m) * s.mass_kg, 1.0)
    share = full / lifts if going.driven == "rear" else 0.0
    slips = full > going.allowed
    judged = band(share, "percent", ok=at_most(_CALM)).or_by("watch", "it never reaches that speed", time is None)
    level = judged.level
    yield verdict(
        judged,
        "Never reaches {u}"
        if time is None
        else "From rest to {u} in {t}; full throttle lifts the front"
        if share > 1
        else "From rest to {u} in {t}",
        "Heaviest loading, level, no wind, an even surface as grippy as entered"
        + (
            ", by the curve of its sheet"
            if going.by_curve
            else ", as if its power were there at every speed above its peak torque"
        )
        + "; shifting and clutch are not counted, so it takes longer. At most {a}. "
        + (
            "{f} at the road, {l} lifts the front wheel: open it by half."
            if share > 1
            else "Full throttle gives {p} of what lifts the front."
            if share > _CALM
            else "The tyre slips before that."
            if slips
            else "Neither grip nor tipping holds it back."
        ),
        can_suggest=level != "ok",
        working=wheelie_limit.working(s.base_m, s.x_m, s.height_m),
        u=q(going.until, "road_speed"),
        t=q(time or 0.0, "short_time"),
        a=q(going.hardest, "acceleration"),
        f=q(full, "force"),
        l=q(lifts, "force"),
        p=q(share, "percent"),
    )
