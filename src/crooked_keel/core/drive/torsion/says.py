"""What the torsion says: headline values and the crossing plot."""

from __future__ import annotations

from dataclasses import replace

from ...errors import or_none
from ...figure.trace import Uncertain
from ...judging.finding import LEVELS, Value
from ...judging.values import ValueList
from ...physics.torsion import inertia_by_swing, two_masses
from .quantities import CrossingOut, Meeting, ModeOut, OrderOut, Torsion, TorsionOut
from .rules import level_of


def torsion_values(torsion: Torsion) -> list[Value]:
    """The slowest natural frequency, of the heaviest propeller it may be; the swing test planned and evaluated."""
    out = ValueList("drive")
    if not torsion.fired or not (torsion.drive.line or torsion.swing_begun):
        return out.values
    if torsion.drive.line:

        def slowest() -> Uncertain:
            w, doubt = min(torsion.modes(j.read)[0] for j in torsion.inertias)
            return Uncertain(w, doubt / 2)

        simple = lambda: (
            torsion.elements[0][0].si / torsion.elements[0][1] ** 2,
            torsion.crank.si,
            max(j.read.si for j in torsion.inertias) / torsion.placed.ratio**2,
        )
        out.add(
            "torsion",
            "Slowest twisting of unit against propeller",
            "frequency",
            slowest,
            working=(lambda: two_masses.working(*simple())) if len(torsion.drive.line) == 1 else None,
            source="eigenvalues of the line",
        )
    if torsion.swing_begun:
        out.add(
            "swing-period",
            "One swing will last about",
            "short_time",
            lambda: torsion.swing_plan[0],
            source="two strings",
        )
        out.add(
            "swing-count",
            "Swings to time, for 1 %",
            "count",
            lambda: float(torsion.swing_plan[1]),
            source="two strings",
        )
        out.add(
            "swing-inertia",
            "Inertia by its swing",
            "inertia",
            lambda: Uncertain(torsion.swung.si, torsion.swung.u),
            working=lambda: inertia_by_swing.working(*(r.si for r in torsion.swing_terms)),
        )
    return out.values


def torsion_table(torsion: Torsion) -> TorsionOut | None:
    """The crossing plot, where it can be drawn."""
    return or_none(lambda: _drawn(torsion)) if torsion.fired and torsion.drive.line else None


def _drawn(torsion: Torsion) -> TorsionOut:
    """The crossing plot. Raises CannotSay."""
    meetings = torsion.all_meetings
    idle, low, high = torsion.speeds
    spans = [torsion.modes(j.read) for j in torsion.inertias]
    count = len(spans[0])
    modes = [
        ModeOut(low_si=min(s[i][0] - s[i][1] for s in spans), high_si=max(s[i][0] + s[i][1] for s in spans))
        for i in range(count)
    ]
    return TorsionOut(
        modes=modes,
        orders=[OrderOut(per_turn=o.per_turn, weight=o.weight) for o in torsion.orders],
        idle_si=idle,
        from_si=low,
        to_si=high,
        top_si=1.2 * high,
        crossings=_crossings(meetings),
    )


def _crossings(meetings: list[Meeting]) -> list[CrossingOut]:
    """One of every order and mode, the worst of all shapes that the propeller may have, from the least to the most."""
    made: dict[tuple[float, int], CrossingOut] = {}
    for one in map(_crossing, meetings):
        key = one.order, one.mode
        before = made.get(key, one)
        worse = min(before, one, key=lambda c: LEVELS.index(c.level))
        low, high = min(before.low_si, one.low_si), max(before.high_si, one.high_si)
        made[key] = replace(worse, low_si=low, high_si=high)
    return sorted(made.values(), key=lambda c: c.at_si)


def _crossing(m: Meeting) -> CrossingOut:
    c = m.crossing
    both = [level_of(getattr(m, off), getattr(m, f"{off}_doubted"), m).level for off in ("off_idle", "off_working")]
    level = min(both, key=LEVELS.index)
    passed = m.zone in ("below idle", "between") and c.order.weight == "major"
    return CrossingOut(
        order=c.order.per_turn,
        name=c.order.name,
        weight=c.order.weight,
        mode=c.mode,
        at_si=c.at,
        low_si=c.low,
        high_si=c.high,
        zone=m.zone,
        level="watch" if level == "ok" and passed else level,
    )
