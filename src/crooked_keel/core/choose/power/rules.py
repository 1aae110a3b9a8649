"""Findings of the choose bench."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import CannotSay, Gap, ask_all
from ...figure.kinds import Power, Rotation
from ...judging.band import at_least, at_most, band, told, within
from ...judging.finding import LeftOut, Level, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import buy, measure
from ..money.quantities import Spending
from .curve import disagreement
from .quantities import Lasting


@rule(
    "choose.curve",
    "Curve and figures agree",
    limit="2 % apart or less ok, 5 % or less watch, more stop",
    source="definition of power",
    mark="statics",
    settles=measure("Read the sheet again: torque, power and speed of one line."),
)
def curve(unit: Lasting) -> Iterable[Verdict]:
    if not unit.unit.curve:
        return
    unit.curve  # noqa: B018  says what is wrong with it
    rated = unit.unit.rated_speed
    if rated is not None and not unit.curve.slowest_rad_s <= rated.si <= unit.curve.fastest_rad_s:
        yield verdict(
            "unknown",
            "{n}: its curve does not reach its rated speed",
            "The curve runs from {a} to {b}, rated is {r}: what it gives there cannot be compared.",
            subject="reach",
            needs=[
                Gap(
                    unit.p("rated_speed"),
                    f"rated speed of the {unit.name}, or its curve up to there",
                    given=rated.entered,
                    allowed="a speed that the curve reaches",
                )
            ],
            n=word(unit.name),
            a=q(unit.curve.slowest_rad_s, "rotation"),
            b=q(unit.curve.fastest_rad_s, "rotation"),
            r=q(rated.si, "rotation"),
        )
    typed_both = [
        (p.speed_rad_s, p.torque_n_m, p.power_w) for p in unit.points if p.torque_n_m is not None and p.power_w
    ]
    u = unit.unit
    lasting = [(u.rated_speed, u.power), *((r.speed, r.power) for r in u.ratings.values() if r.limit != "for so long")]
    short = [(r.speed, r.power) for r in u.ratings.values() if r.limit == "for so long"]
    # Full throttle is one curve for an engine; a motor's is that of what lasts, or of its peak.
    groups = [lasting, short] if u.kind == "electric" and short else [[*lasting, *short]]
    if u.power is None or u.rated_speed is None:
        raise CannotSay(
            *[
                Gap(unit.p(part), f"{words} of the {unit.name}, beside its curve")
                for part, words in (("power", "rated power"), ("rated_speed", "rated speed"))
                if getattr(u, part) is None
            ]
        )
    claims = [[*typed_both, *c] for group in groups if (c := _claimed(unit, group))] or [typed_both]
    if not claims[0]:
        yield verdict(
            "ok",
            "{n}: what lasts is had at part throttle",
            "Its curve gives more at that speed: nothing contradicts it, and nothing proves it.",
            n=word(unit.name),
        )
        return
    apart = lambda p: abs(disagreement(p[1], p[0], p[2]))
    at, torque, typed = max(min(claims, key=lambda g: max(map(apart, g))), key=apart)
    share = disagreement(torque, at, typed)
    judged = band(share, "percent", ok=within(-0.02, 0.02), watch=within(-0.05, 0.05))
    level = judged.level
    yield verdict(
        judged,
        "{n}: torque and power agree within {d}" if level == "ok" else "{n}: torque and power at {s} are {d} apart",
        "At {s} its curve makes {a}, its figures say {b}."
        + ("" if level == "ok" else " They cannot both be right: the torque is used. Read the sheet again."),
        left_out=_blank_ratings(unit),
        working=disagreement.working(torque, at, typed),
        n=word(unit.name),
        s=q(at, "rotation"),
        d=q(abs(share), "percent"),
        a=q(torque * at, "power"),
        b=q(typed, "power"),
    )


def _blank_ratings(unit: Lasting) -> LeftOut:
    """Ratings of which power or speed is blank: nothing holds them against the curve."""
    made = LeftOut()
    for key, rating in sorted(unit.unit.ratings.items()):
        blank = [part for part in ("power", "speed") if getattr(rating, part) is None]
        if blank:
            gaps = [Gap(unit.p(f"ratings/{key}/{part}"), f"{part} of the rating {rating.name}") for part in blank]
            made += LeftOut([rating.name], gaps)
    return made


def _claimed(unit: Lasting, claims: list[tuple[Rotation | None, Power | None]]) -> list[tuple[float, float, float]]:
    """Speed, torque of the curve and power of each claim that the curve reaches. A power that is limited below the
    curve, as the one that lasts often is, contradicts nothing: it is had at part throttle."""
    made = []
    limited = {r.power.si for r in unit.unit.ratings.values() if r.power is not None}
    for speed, power in claims:
        inside = speed is not None and unit.curve.slowest_rad_s <= speed.si <= unit.curve.fastest_rad_s
        if speed is None or power is None or power.si <= 0 or not inside:
            continue
        there = unit.curve.torque_at(speed.si)
        part_throttle = unit.unit.kind != "electric" and power.si in limited and power.si < 0.98 * there * speed.si
        if not part_throttle:
            made.append((speed.si, there, power.si))
    return made


@rule(
    "choose.lasting",
    "Peak is not taken for what lasts",
    limit="rated power not above the rating without a limit, no short rating or peak below it, else watch",
    source="rated power definitions, 14 CFR 1.1 (from memory)",
    mark="from memory",
    settles=measure("Ask its maker which power lasts, and enter that as the rated one."),
)
def lasting(unit: Lasting) -> Iterable[Verdict]:
    if unit.unit.power is None and not unit.unit.ratings:
        return
    if unit.unit.power is None:
        raise CannotSay(Gap(unit.p("power"), f"rated power of the {unit.name}, beside its ratings"))
    peak = unit.unit.peak_power
    if not unit.unit.ratings and unit.unit.kind == "electric":
        if peak is not None and peak.si < unit.unit.power.si * 0.999:
            yield verdict(
                "unknown",
                "{n}: its peak is said to be {e}, less than the {r} that lasts: which?",
                "A peak is more than what lasts: look at the sheet again.",
                needs=[Gap(unit.p("peak_power"), f"peak power of the {unit.name}")],
                n=word(unit.name),
                e=q(peak.si, "power"),
                r=q(unit.unit.power.si, "power"),
            )
        return  # its rated power is the continuous one, its peak a field of its own
    if not unit.unit.ratings:
        raise CannotSay(Gap(unit.p("ratings"), f"a rating of the {unit.name} that says whether its power lasts"))
    power, name = unit.continuous
    over = unit.unit.power.si > power * 1.001
    best = max((r for r in unit.ratings if r[2] is not None and r[1] > power), key=lambda r: r[1], default=None)
    upside = next((r for r in unit.ratings if r[2] is not None and r[1] < power * 0.999), None)
    below = peak is not None and peak.si < power * 0.999
    judged = band(unit.unit.power.si, "power", ok=at_most(1.001 * power)).or_by(
        "watch", "two of its powers contradict each other", upside is not None or below
    )
    yield verdict(
        judged,
        "{n}: {p} lasts, not {r}" if over else "{n}: {p} lasts",
        "{w}."
        + (" {k} for {t} at the most." if best else "")
        + (" Every bench reads the rated power: enter the one that lasts, and the other as the peak." if over else "")
        + (" {u} for a short time is less than that: which of the two is it?" if upside else "")
        + (" Its peak is said to be {e}, less than what lasts: which?" if below else ""),
        can_suggest=over,
        n=word(unit.name),
        p=q(power, "power"),
        r=q(unit.unit.power.si, "power"),
        w=word(name[0].upper() + name[1:]),
        k=q(best[1] if best else 0.0, "power"),
        t=q((best[2] or 0.0) if best else 0.0, "time"),
        u=q(upside[1] if upside else 0.0, "power"),
        e=q(peak.si if peak else 0.0, "power"),
    )


@rule(
    "choose.power-there",
    "Power where it is used",
    limit="1.3 times what is needed or more ok, 1.1 or more watch, less stop",
    source="common practice, no source",
    mark="common practice",
    settles=buy("A stronger unit, or one that breathes better up there; or ask for less power."),
)
def power_there(unit: Lasting) -> Iterable[Verdict]:
    wanted = unit.need.power
    if wanted is None or wanted.si <= 0:
        return
    share = unit.power_there / wanted.si
    height, hot = unit.there
    unsaid = LeftOut()
    if not unit.unit.ratings and unit.unit.kind != "electric":
        unsaid = LeftOut(["whether its power lasts"], [Gap(unit.p("ratings"), f"a rating of the {unit.name}")])
    judged = band(share, "number", ok=at_least(1.3), watch=at_least(1.1))
    yield verdict(
        judged,
        "{n} has {a} where {b} is needed",
        "{k} of {r} is left at {h}"
        + (", {t} K hotter than standard" if hot else "")
        + ("." if unsaid.names else ". What lasts is counted, not the peak.")
        + " 1.3 times is asked, below 1.1 it stops.",
        left_out=unsaid,
        n=word(unit.name),
        a=q(unit.power_there, "power"),
        b=q(wanted.si, "power"),
        k=q(unit.share_left, "percent"),
        r=q(unit.continuous[0], "power"),
        h=q(height, "altitude"),
        t=q(hot, "count"),
    )


@rule(
    "choose.heat",
    "Heat into the coolant",
    limit="not more than a twentieth above the old unit's ok, more watch; cooled by air both: by their power",
    source="the old cooler carried what the old unit gave; the twentieth: common practice, no source",
    mark="common practice",
    settles=buy("A cooler, or inlets and baffles, for the new heat; prove it on the first hot run."),
)
def heat(unit: Lasting) -> Iterable[Verdict]:
    was = unit.old
    if was is None:
        return
    ask_all(lambda: unit.heat, lambda: was.heat)
    new, old = unit.heat, was.heat
    if new == 0 and old == 0 and unit.unit.kind != "electric":
        yield from _by_air(unit, was)
        return
    if new == 0 and old > 0 and unit.unit.kind != "electric":
        yield verdict(
            "watch",
            "{n} is cooled by air; the old unit had a coolant",
            "Nothing in the craft leads air past its cylinders: inlet, baffles, fan and outlet are to be made, and the "
            "hottest head measured on the first run.",
            n=word(unit.name),
        )
        return
    more = new > 1.05 * old
    title = (
        "{n} gives its coolant {a}, the old unit gave {b}"
        if old > 0
        else "{n} gives {a} to a coolant; the old unit had none"
    )
    detail = (
        "A cooler that was enough for the old unit is too small: size it for this heat, with the air or water "
        "that reaches it."
        if old > 0
        else "It wants a cooler, a pump and hoses that the craft never had, and air or water that reaches them."
    )
    yield verdict(
        band(new, "power", ok=at_most(1.05 * old)),
        title if more or old > 0 else "{n} gives its coolant no heat",
        detail
        if more
        else "What cooled the old unit carried as much. Whether it is clean and reached by air or water was not "
        "checked.",
        n=word(unit.name),
        a=q(new, "power"),
        b=q(old, "power"),
    )


def _by_air(unit: Lasting, was: Lasting) -> Iterable[Verdict]:
    """Air cools both: the heat follows the power that lasts."""
    ask_all(lambda: unit.continuous, lambda: was.continuous)
    new, old = unit.continuous[0], was.continuous[0]
    more = new > 1.05 * old
    yield verdict(
        band(new, "power", ok=at_most(1.05 * old)),
        "{n}: air cools {a}, it cooled {b}" if more else "{n} is cooled by air, as the old unit was",
        "Its heat goes with its power: inlets, baffles and outlet that were enough for the old unit are too small. "
        "Measure the hottest head on the first run."
        if more
        else "No more power than before. Whether the air reaches every cylinder was not checked.",
        n=word(unit.name),
        a=q(new, "power"),
        b=q(old, "power"),
    )


@rule(
    "choose.left-out",
    "What its mass leaves out",
    limit="all that comes on top is in the ledger, else watch; quoted dry with nothing listed, watch",
    source="common practice, no source",
    mark="common practice",
    settles=measure("Weigh what hangs on it and enter it in the ledger, with its place."),
)
def left_out(unit: Lasting, spending: Spending) -> Iterable[Verdict]:
    if spending.fit is None:
        return
    if not unit.unit.accessories:
        if unit.unit.condition == "dry":
            yield verdict(
                "watch",
                "{n} is quoted dry, and nothing is listed on top",
                "Oil, coolant, exhaust, cooler, starter: list what hangs on it and say of each whether its quoted "
                "mass has it in.",
                n=word(unit.name),
            )
        return
    missing = [a for _, a in unit.not_listed]
    unsaid = [a.name for a in unit.unit.accessories.values() if a.counted is None]
    level: Level = "watch" if missing else "ok"
    yield verdict(
        level,
        "{n} weighs {m} with all that hangs on it" if not missing else "{n}: {d} on top is not in the ledger",
        ("Not in the ledger: {l}. " if missing else "")
        + "Quoted {a}, on top {b}."
        + (" Whether it is in the quoted mass was not said: {u}; counted on top." if unsaid else ""),
        can_suggest=bool(missing),
        n=word(unit.name),
        m=q(unit.installed_mass, "mass"),
        d=q(sum(a.mass.si for a in missing if a.mass), "mass"),
        l=word(", ".join(a.name for a in missing)),
        a=q(unit.installed_mass - unit.extra_mass, "mass"),
        b=q(unit.extra_mass, "mass"),
        u=word(", ".join(unsaid)),
    )


_SAID = {
    "change": "{p} does not match: {w}",
    "adapter": "{p} wants an adapter: {w}",
    "missing": "{p}: the old has it, the new has not",
    "new": "{p}: the new wants it, the old had none",
    "unmeasured": "{p} is not measured on both sides: {w}",
    "same": "{p} is the same",
}


# More power to a kilogram than any unit of its kind is known to have, W/kg. Proposed.
_MOST_W_KG = {"four-stroke": 2500.0, "two-stroke": 3000.0, "diesel": 1200.0, "turbine": 12000.0, "electric": 15000.0}


@rule(
    "choose.power-to-mass",
    "Power to mass",
    limit="not above what is known of its kind: 2.5 kW/kg four-stroke, 3 two-stroke, 1.2 diesel, 12 turbine, "
    "15 electric; else unknown",
    source="proposed",
    mark="proposed",
)
def power_to_mass(unit: Lasting) -> Iterable[Verdict]:
    u = unit.unit
    most = _MOST_W_KG.get(u.kind or "")
    if most is None or u.power is None or u.mass is None or not u.mass.si:
        return
    if u.power.si / u.mass.si <= most:
        return
    allowed = "a power and a mass that go together, as its limit says"
    yield verdict(
        told(u.power.si, "power", "unknown", "more than is known of its kind"),
        "{n}: {p} from {m}: which?",
        "No unit of its kind is known to give more than {most} from that mass: one of the two is not right, or it is "
        "the mass of a part of it.",
        needs=[
            Gap(unit.p("mass"), f"mass of the {unit.name}, all of it", allowed=allowed),
            Gap(unit.p("power"), f"rated power of the {unit.name}", allowed=allowed),
        ],
        n=word(unit.name),
        p=q(u.power.si, "power"),
        m=q(u.mass.si, "mass"),
        most=q(most * u.mass.si, "power"),
    )
