"""What the balance bench says of axles: headline values and the table of states."""

from __future__ import annotations

from ...errors import CannotSay, Gap, InputError, or_none
from ...judging.finding import Value, Ways
from ...judging.values import ValueList
from ...physics.pitching import stop_limit, wheelie_limit
from .functions import _STATICS, lean_to_balance, rear_axle, static_stability
from .quantities import Axles
from .stance import EMPTY, AxlesOut, Stance
from .steering import ground_trail, steepest_hill


def axle_values(axles: Axles) -> list[Value]:
    """Axle loads empty, pitch limits and lean, before and after."""
    out = ValueList("balance")
    share = lambda after: axles.ridden(after)[0].front_share
    out.add(
        "front-share",
        "On the front, first loading",
        "percent",
        lambda: share(True),
        before=lambda: share(False),
        source=_STATICS,
    )
    empty = lambda after: axles.stance(EMPTY, after)
    out.add(
        "front-axle",
        "Front axle, empty",
        "mass",
        lambda: empty(True).front_kg,
        before=lambda: empty(False).front_kg,
        source=_STATICS,
    )
    out.add(
        "rear-axle",
        "Rear axle, empty",
        "mass",
        lambda: empty(True).rear_kg,
        before=lambda: empty(False).rear_kg,
        working=lambda: rear_axle.working(empty(True).mass_kg, empty(True).x_m, empty(True).base_m),
    )
    if axles.resolved.has("pitch limits"):
        if axles.steers:
            out.add(
                "rake",
                "Rake",
                "angle",
                lambda: axles.steering_terms()[1],
                before=lambda: axles.steering_terms(False)[1],
                source="as entered, with the frame as it then stands",
            )
            out.add(
                "trail",
                "Trail on the ground",
                "length",
                lambda: ground_trail(*axles.steering_terms()),
                before=lambda: ground_trail(*axles.steering_terms(False)),
                working=lambda: ground_trail.working(*axles.steering_terms()),
            )
        wheelie = lambda after: min(axles.heights(after), key=lambda s: wheelie_limit(s.base_m, s.x_m, s.height()))
        out.add(
            "wheelie",
            "Front lifts at, worst loading, g",
            "number",
            lambda: _wheelie(wheelie(True)),
            before=lambda: _wheelie(wheelie(False)),
            working=lambda: wheelie_limit.working(wheelie(True).base_m, wheelie(True).x_m, wheelie(True).height()),
        )
        braking = lambda after: min(axles.heights(after), key=lambda s: stop_limit(s.x_m, s.height()))
        out.add(
            "stop",
            "Rear lifts in braking at, worst loading, g",
            "number",
            lambda: stop_limit(braking(True).x_m, braking(True).height()),
            before=lambda: stop_limit(braking(False).x_m, braking(False).height()),
            working=lambda: stop_limit.working(braking(True).x_m, braking(True).height()),
        )
        out.add(
            "hill",
            "Steepest hill before the front lifts, worst loading",
            "angle",
            lambda: _hill(wheelie(True)),
            before=lambda: _hill(wheelie(False)),
            working=lambda: steepest_hill.working(wheelie(True).base_m, wheelie(True).x_m, wheelie(True).height()),
        )
        if axles.squats:
            out.add(
                "anti-squat",
                "Anti-squat, first loading",
                "percent",
                lambda: axles.squat(),
                before=lambda: axles.squat(False),
                source="side view geometry, statics",
            )
        out.add(
            "lean",
            "Lean to balance, without rider",
            "angle",
            lambda: lean_to_balance(*axles.lean(True)),
            before=lambda: lean_to_balance(*axles.lean(False)),
            working=lambda: lean_to_balance.working(*axles.lean(True)),
            ways=Ways("to port", "to starboard"),
        )
    if axles.resolved.has("corners"):
        out.add(
            "port-share",
            "On the port side, empty",
            "percent",
            lambda: axles.port_share(True),
            before=lambda: axles.port_share(False),
            source="statics; on three wheels, of the pair",
        )
        key = lambda: axles.ridden()[-1].id
        out.add(
            "static-stability",
            "Static stability factor, last loading",
            "number",
            lambda: static_stability(*axles.stability_terms(key())),
            before=lambda: static_stability(*axles.stability_terms(key(), False)),
            working=lambda: static_stability.working(*axles.stability_terms(key())),
        )
    return out.values


def _hill(s: Stance) -> float:
    return steepest_hill(s.base_m, s.x_m, s.height())


def _wheelie(s: Stance) -> float:
    return wheelie_limit(s.base_m, s.x_m, s.height())


def axle_table(axles: Axles) -> list[AxlesOut]:
    """Every state for the screen."""
    made = []
    for key in axles.keys:
        name = "Empty" if key == EMPTY else axles.loads.name(key)
        needs: list[Gap] = []
        try:
            axles.stance(key)
        except CannotSay as gap:
            needs = list(gap.needs)
        except InputError as bad:
            needs = [bad.gap]
        a, b = or_none(lambda k=key: axles.stance(k)), or_none(lambda k=key: axles.stance(k, False))
        pitch = lambda s: (
            (wheelie_limit(s.base_m, s.x_m, s.height_m), stop_limit(s.x_m, s.height_m))
            if s and s.height_m and s.height_m > 0
            else (None, None)
        )
        made.append(
            AxlesOut(
                id=key,
                name=name,
                mass_before_si=b.mass_kg if b else None,
                mass_si=a.mass_kg if a else None,
                front_before_si=b.front_kg if b else None,
                front_si=a.front_kg if a else None,
                rear_before_si=b.rear_kg if b else None,
                rear_si=a.rear_kg if a else None,
                wheelie_before=pitch(b)[0],
                wheelie=pitch(a)[0],
                stop_before=pitch(b)[1],
                stop=pitch(a)[1],
                needs=needs,
            )
        )
    return made
