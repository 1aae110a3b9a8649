"""What the balance bench says of a craft afloat: headline values and the table of states."""

from __future__ import annotations

from ...errors import CannotSay, InputError, or_none
from ...judging.finding import BUTT_LINE, Value, Ways
from ...judging.values import ValueList
from ...physics.hydrostatics import heel_angle, metacentric_height, sinkage, trim_after
from ...physics.stability import Docked
from .quantities import EMPTY, AfloatOut, AfloatStates


def _read(afloat: AfloatStates) -> Docked:
    found = afloat.docked
    assert found is not None
    return found[0]


def _read_station(afloat: AfloatStates) -> float:
    station = _read(afloat).station_m
    if station is None:
        raise InputError(
            "/craft/flotation/marks", "so small a change of draft has no station of its own: the moment only"
        )
    return station


def afloat_values(afloat: AfloatStates) -> list[Value]:
    """Headline values of the empty craft afloat, before and after."""
    out = ValueList("balance")
    empty = lambda: afloat.state(EMPTY)
    out.add(
        "freeboard",
        "Least freeboard, all loadings",
        "length",
        lambda: afloat.least()[1].after_si,
        before=lambda: afloat.least()[1].before_si,
        source="freeboards as read, less sinkage, trim and heel; small-change method",
    )
    out.add(
        "trim",
        "Trim over her waterline, empty",
        "length",
        lambda: afloat.trim(empty().after),
        before=lambda: afloat.trim(empty().before),
        working=lambda: trim_after.working(afloat.trim_found(), empty().after.trim_moment_kg_m, empty().after.mct_kg),
        ways=Ways("by the stern", "by the bow"),
    )
    heel = lambda s: s.heel_rad if s.heel_rad is not None else heel_angle(s.heel_moment_kg_m, s.displacement_kg, s.gm_m)
    out.add(
        "heel",
        "Heel, empty",
        "angle",
        lambda: heel(empty().after),
        before=lambda: heel(empty().before),
        working=lambda: heel_angle.working(
            empty().after.heel_moment_kg_m, empty().after.displacement_kg, empty().after.gm_m
        ),
        ways=BUTT_LINE,
    )
    out.add(
        "gm",
        f"GM, {afloat.floating.gm_by}, empty",
        "length",
        lambda: empty().after.gm_m,
        before=lambda: empty().before.gm_m,
        working=lambda: metacentric_height.working(afloat.floating.hydro.km_m, empty().after.kg_m),
    )
    out.add(
        "sinkage",
        "Sinkage, empty",
        "length",
        lambda: empty().after.sink_m - empty().before.sink_m,
        working=lambda: sinkage.working(
            empty().after.change_kg - empty().before.change_kg, afloat.floating.hydro.immersion_kg_m
        ),
        ways=Ways("deeper", "higher"),
    )
    if or_none(lambda: afloat.docked) is not None:
        out.add(
            "dock",
            "Her waterline says, changed by",
            "mass",
            lambda: _read(afloat).mass_kg,
            source="two sets of freeboards, small change",
        )
        out.add(
            "dock-station",
            "at the station",
            "length",
            lambda: _read_station(afloat),
            source="two sets of freeboards, small change",
        )
    return out.values


def afloat_table(afloat: AfloatStates) -> list[AfloatOut]:
    """Every state for the screen."""
    return [state_drawn(afloat, key) for key in afloat.keys]


def state_drawn(afloat: AfloatStates, key: str) -> AfloatOut:
    """One state for the screen; blanks where it cannot be said."""
    name = "Empty" if key == EMPTY else afloat.loads.name(key)
    try:
        s, needs = afloat.state(key), []
    except CannotSay as gap:
        s, needs = None, list(gap.needs)
    except InputError as bad:
        s, needs = None, [bad.gap]
    length = or_none(lambda: afloat.floating.length)
    trims = [or_none(lambda t=t: afloat.trim(t)) for t in ((s.before, s.after) if s else ())] or [None, None]
    water = or_none(lambda: afloat.floating.keel + afloat.floating.draft.value)
    return AfloatOut(
        id=key,
        name=name,
        displacement_before_si=s.before.displacement_kg if s else None,
        displacement_si=s.after.displacement_kg if s else None,
        sink_si=s.after.sink_m - s.before.sink_m if s else None,
        trim_before_si=trims[0],
        trim_si=trims[1],
        heel_before_si=s.before.heel_rad if s else None,
        heel_si=s.after.heel_rad if s else None,
        gm_before_si=s.before.gm_m if s else None,
        gm_si=s.after.gm_m if s else None,
        water_slope_before=trims[0] / length if trims[0] is not None and length else None,
        water_slope=trims[1] / length if trims[1] is not None and length else None,
        water_at_lcf_before_si=water + s.before.sink_m if s and water is not None else None,
        water_at_lcf_si=water + s.after.sink_m if s and water is not None else None,
        marks=(or_none(lambda s=s: afloat.marks(s.id)) or []) if s else [],
        needs=needs,
    )
