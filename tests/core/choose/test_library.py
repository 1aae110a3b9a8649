"""Units of the library: what they must say, a fit made from one, one in another's place, and back."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import BaseModel

from crooked_keel.core.asked.alone import alone
from crooked_keel.core.choose.library import check_unit, into_fit, kept, new_fit, slug
from crooked_keel.core.choose.power.quantities import fuel_flow
from crooked_keel.core.document import (
    Installation,
    LibraryUnit,
    Project,
    apply_operations,
    apply_to,
    dump_library,
    load_library,
    load_unit,
    plain,
    restyled,
    taken_out,
    turned,
)
from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.base import Figure
from crooked_keel.core.figure.place import Place
from crooked_keel.core.figure.units import HP_W, LB_KG
from crooked_keel.demo.seed import library
from tests.conftest import DEMO_OF, KIND_IDS, bare, value
from tests.kept import assess

SHELF = library()
IDS = sorted(SHELF)
TRIPLE = SHELF["upright-triple-870-cc-geared"]


def made(project: Project, key: str, into: str | None = None, known: LibraryUnit | None = None) -> Project:
    wish = new_fit(project, key, SHELF[key]) if into is None else into_fit(project, into, key, SHELF[key], known)
    return apply_operations(project, wish.operations)


def figures(part: Any, at: str = "") -> dict[str, Figure]:
    if isinstance(part, Figure):
        return {at: part}
    below = (
        {n: getattr(part, n) for n in type(part).model_fields}
        if isinstance(part, BaseModel)
        else part
        if isinstance(part, dict)
        else dict(enumerate(part))
        if isinstance(part, list)
        else {}
    )
    return {p: f for n, v in below.items() for p, f in figures(v, f"{at}/{n}").items()}


# -- the demonstration library ---------------------------------------------------------------------------------------


def test_the_field_is_covered() -> None:
    """At least two dozen units, of every kind and layout that the document knows."""
    assert len(SHELF) >= 24
    assert {u.unit.kind for u in SHELF.values()} == {"four-stroke", "two-stroke", "diesel", "turbine", "electric"}
    assert {u.unit.layout for u in SHELF.values()} >= {
        "single",
        "in line",
        "vee",
        "flat",
        "radial",
        "rotor",
        "swing unit",
    }
    assert {u.unit.breathing for u in SHELF.values()} >= {
        "naturally aspirated",
        "turbocharged",
        "flat rated",
        "electric",
    }
    assert {u.unit.condition for u in SHELF.values()} >= {"dry", "wet", "ready to run"}
    assert sum(len(u.drive.stages) > 0 for u in SHELF.values()) >= 12
    assert any(u.packs for u in SHELF.values())


@pytest.mark.parametrize("key", IDS)
def test_each_unit_says_what_it_must_and_agrees_with_itself(key: str) -> None:
    check_unit(SHELF[key])
    said = alone(SHELF[key])
    assert said.lasting_si is not None and said.lasting_si > 0
    assert not [f for f in said.findings if f.level in ("stop", "unknown")]


@pytest.mark.parametrize("key", IDS)
def test_figures_are_plausible(key: str) -> None:
    """Common practice, no source: 0.2 to 6 kW for a kilogram; petrol 280 to 450 g/kWh, diesel 200 to 280, small
    turbines 400 to 600; heat into a coolant at most the power itself; the CG lies inside the envelope."""
    u = SHELF[key].unit
    assert u.mass is not None and u.power is not None
    assert 0.02 < u.power.si / 1000 / u.mass.si < 6
    bounds = {"diesel": (200, 280), "turbine": (400, 600)}.get(u.kind or "", (280, 450))
    if u.consumption is not None:
        assert bounds[0] <= u.consumption.si * 3.6e9 <= bounds[1]
    if u.heat is not None:
        assert u.heat.si < u.power.si
    if u.box_aft is not None and u.length is not None and u.cg_aft is not None:
        assert abs(u.cg_aft.along_m - u.box_aft.along_m) < u.length.si / 2


# -- what a unit must say --------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("operations", "at", "words"),
    [
        ([("remove", "/unit/condition", None)], "/unit/condition", "without its condition"),
        (
            [
                (
                    "replace",
                    "/unit/curve",
                    [
                        {"speed": "2000 rpm", "torque": "90 N·m"},
                        {"speed": "1900 rpm", "torque": "90 N·m"},
                        {"speed": "2200 rpm", "torque": "9 N·m"},
                    ],
                )
            ],
            "/unit/curve/1/speed",
            "not above",
        ),
        (
            [
                (
                    "replace",
                    "/unit/curve",
                    [
                        {"speed": "2000 rpm", "torque": "90 N·m"},
                        {"speed": "2100 rpm", "torque": "0 N·m"},
                        {"speed": "2200 rpm", "torque": "9 N·m"},
                    ],
                )
            ],
            "/unit/curve/1/torque",
            "not above zero",
        ),
        (
            [
                (
                    "replace",
                    "/unit/curve",
                    [
                        {"speed": "2000 rpm", "torque": "90 N·m"},
                        {"speed": "2100 rpm"},
                        {"speed": "2200 rpm", "torque": "9 N·m"},
                    ],
                )
            ],
            "/unit/curve",
            "torque or its power",
        ),
        ([("replace", "/unit/curve", [{"speed": "2000 rpm", "torque": "90 N·m"}])], "/unit/curve", "three points"),
        ([("add", "/unit/ratings/rating-1/lasts", "5 min")], "/unit/ratings/rating-1/limit", "no limit, and a time"),
    ],
)
def test_what_is_refused(operations: list[tuple[str, str, Any]], at: str, words: str) -> None:
    odd = apply_to(TRIPLE, [{"op": o, "path": p, "value": v} for o, p, v in operations], "point")
    with pytest.raises(InputError, match=words) as refused:
        check_unit(odd)
    assert refused.value.field == at


@pytest.mark.parametrize(
    ("path", "value"),
    [
        ("/unit/cylinders", "0"),
        ("/unit/mass", "-3 kg"),
        ("/unit/kind", "steam"),
        ("/unit/consumption", "0 g/kWh"),
        ("/unit/power", "12 N·m"),
        ("/unit/speed", "1 rpm"),
        ("/unit/mass/si", 3),
    ],
)
def test_no_edit_brings_in_what_cannot_be(path: str, value: Any) -> None:
    with pytest.raises(InputError) as refused:
        apply_to(TRIPLE, [{"op": "replace", "path": path, "value": value}], "point")
    assert refused.value.field.startswith("/unit/")


# -- files -----------------------------------------------------------------------------------------------------------


def test_a_file_of_units_comes_back_the_same() -> None:
    assert load_library(dump_library(SHELF)) == SHELF
    assert dump_library(load_library(dump_library(SHELF))) == dump_library(SHELF)


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("", "not a whole file"),
        ("[1]", "not a file of units"),
        ('{"units": {}}', "not a file of units"),
        ('{"schema_version": 99, "units": {}}', "newer version"),
        ('{"schema_version": 3, "units": {"a": {"unit": {"name": "x"}}, "a": {}}}', "twice"),
        (
            '{"schema_version": 3, "units": {"a": {"unit": {"name": "x", "mass": {"entered": "3 kg", "si": 4.0}}}}}',
            "disagrees",
        ),
        ('{"schema_version": 3, "units": {"a": {"unit": {"name": "x", "cylinders": NaN}}}}', "not a number"),
        ('{"schema_version": 3, "units": {"a": {}}}', "required"),
        ('{"schema_version": 3, "units": {"../A b": {"unit": {"name": "x"}}}}', "an id is small letters"),
    ],
)
def test_a_file_that_is_wrong_is_refused_whole(text: str, words: str) -> None:
    with pytest.raises(InputError, match=words):
        load_library(text)


# -- written with a comma --------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("point", "comma"),
    [
        ("71.5 kg", "71,5 kg"),
        (".062 in", ",062 in"),
        ("1,234.5 kg", "1.234,5 kg"),
        ("43 1/4 in", "43 1/4 in"),
        ("12 lb. 6 oz.", "12 lb. 6 oz."),
        ("0.5 mm", "0,5 mm"),
        ("2350 rpm", "2350 rpm"),
    ],
)
def test_the_other_decimal_mark(point: str, comma: str) -> None:
    assert restyled({"mass": {"entered": point}}, "point", "comma") == {"mass": {"entered": comma}}
    assert restyled([{"entered": comma}], "comma", "point") == [{"entered": point}]
    assert restyled({"entered": point}, "point", "point") == {"entered": point}


@pytest.mark.parametrize("key", IDS)
def test_a_fit_in_a_project_that_writes_commas_has_the_same_figures(key: str) -> None:
    with_points = bare("aeroplane")
    with_commas = apply_operations(with_points, [{"op": "replace", "path": "/number_style", "value": "comma"}])
    a, b = made(with_points, key), made(with_commas, key)
    one, other = (next(iter(p.fits.values())) for p in (a, b))
    assert {k: f.si for k, f in figures(one).items()} == {k: f.si for k, f in figures(other).items()}
    again = taken_out(next(iter(other.installations.values())))
    assert load_unit(restyled(plain(again), "comma", "point")) == taken_out(next(iter(one.installations.values())))


# -- turned end for end ----------------------------------------------------------------------------------------------


@pytest.mark.parametrize("key", IDS)
def test_turning_a_unit_is_a_half_turn_about_the_vertical(key: str) -> None:
    """numpy's matrix of that turn; a shaft that was clockwise from aft is then seen from its other end."""
    half = np.array([[np.cos(np.pi), -np.sin(np.pi), 0], [np.sin(np.pi), np.cos(np.pi), 0], [0, 0, 1]])
    there = load_unit(turned(plain(SHELF[key])))
    names = ("cg_aft", "cg_starboard", "cg_up")
    place = lambda u: np.array([getattr(u.unit, n).along_m for n in names])
    assert place(there) == pytest.approx(half @ place(SHELF[key]), abs=1e-12)
    for k, p in SHELF[key].mount.points.items():
        at = lambda q: np.array([q.unit_aft.along_m, q.unit_starboard.along_m, q.unit_up.along_m])
        assert at(there.mount.points[k]) == pytest.approx(half @ at(p), abs=1e-12)
    sense = {"clockwise": 1.0, "anticlockwise": -1.0}
    if SHELF[key].unit.turns:
        assert sense[there.unit.turns or ""] == (half @ [sense[SHELF[key].unit.turns], 0, 0])[0]  # type: ignore[index]
    assert load_unit(turned(plain(there))) == SHELF[key]


def test_a_unit_that_lay_aft_of_its_flange_lies_ahead_of_it_in_a_boat() -> None:
    project = DEMO_OF["boat"]
    unit = next(
        iter(made(project, "upright-triple-870-cc-geared").fits["upright-triple-870-cc-geared"].installations.values())
    ).unit
    assert TRIPLE.unit.cg_aft is not None and TRIPLE.unit.cg_aft.along_m > 0
    assert unit.cg_aft is not None and unit.cg_aft.along_m == -TRIPLE.unit.cg_aft.along_m
    assert unit.turns == "anticlockwise" and unit.ports.exhaust.side == "starboard"
    wish = new_fit(project, "x", TRIPLE)
    assert any("end for end" in w for w in wish.again)
    assert not any("end for end" in w for w in new_fit(DEMO_OF["aeroplane"], "x", TRIPLE).again)


# -- from the library to a fit ---------------------------------------------------------------------------------------


@pytest.mark.parametrize("kind", KIND_IDS)
@pytest.mark.parametrize(
    "key",
    [
        "upright-triple-870-cc-geared",
        "axial-motor-70-kw",
        "four-cylinder-marine-diesel-74-kw",
        "liquid-cooled-single-390-cc",
        "shaft-motor-for-boats-9-5-kw",
    ],
)
def test_a_fit_is_made_in_every_kind_and_asks_for_what_it_lacks(kind: str, key: str) -> None:
    project = DEMO_OF[kind]
    after = made(project, key)
    (fit_id,) = set(after.fits) - set(project.fits)
    fit = after.fits[fit_id]
    judged = assess(after, fit_id)
    assert not judged.failures
    assert len(fit.installations) == len(project.old_installations)
    for i in fit.installations.values():
        assert i.unit.origin == key and i.unit.name == SHELF[key].unit.name
        assert i.placement.flange_station is None or i.placement.flange_station.source == "estimated"
    # A mount that was never made has no mass: that is asked for, never taken as nothing.
    assert any("mount" in n.pointer or "swing" in n.pointer for n in judged.missing)
    assert {n.pointer for n in judged.missing} <= {n.pointer for n in judged.missing if n.what}


def test_placement_is_the_old_one_as_a_guess_and_the_rest_is_the_units_own() -> None:
    project = DEMO_OF["aeroplane"]
    fit = made(project, "upright-triple-870-cc-geared").fits["upright-triple-870-cc-geared"]
    new, old = fit.installations["main"], project.old_installations["main"]
    assert new.placement.flange_station is not None and old.placement.flange_station is not None
    assert new.placement.flange_station.along_m == old.placement.flange_station.along_m
    assert new.placement.flange_station.plus_minus is None and "guess" in (new.placement.flange_station.note or "")
    assert list(new.drive.stages) == ["internal", "reduction"] and new.propeller == old.propeller
    assert new.mount.points and all(p.structure_butt_line is None for p in new.mount.points.values())
    assert new.mount.mass is None


def test_what_hangs_on_top_comes_into_the_ledger_without_a_place() -> None:
    fit = made(DEMO_OF["aeroplane"], "upright-triple-870-cc-geared").fits["upright-triple-870-cc-geared"]
    # 7.4 + 9.8 + 3.3 are on top; 2.9 kg were not said, which counts on top.
    masses = {r.name: r.mass.si for r in fit.ledger.values() if r.mass is not None}
    assert sum(masses.values()) == pytest.approx(7.4 + 9.8 + 3.3 + 2.9)
    assert all(r.station is None and r.kind == "installed" for r in fit.ledger.values())
    (line,) = fit.money.values()
    assert line.planned is not None and line.planned.si == 4200 and line.wait is not None and line.wait.si == 14 * 86400


def test_a_twin_gets_two_of_all() -> None:
    project = bare("boat", layout="twin screw")
    after = made(project, "four-cylinder-marine-diesel-74-kw")
    (fit,) = (f for k, f in after.fits.items() if k not in project.fits)
    assert len(fit.installations) == len(fit.money) == 2
    assert len(fit.ledger) == 2 * 3
    assert {i.name for i in fit.installations.values()} == {i.name for i in project.old_installations.values()}


def test_names_and_ids_do_not_collide() -> None:
    project = DEMO_OF["aeroplane"]
    once = made(project, "hub-motor-2-8-kw-12-in-wheel")
    twice = made(once, "hub-motor-2-8-kw-12-in-wheel")
    assert len({f.name for f in twice.fits.values()}) == len(twice.fits) == len(project.fits) + 2


@given(st.text(max_size=60), st.sets(st.text("ab-", min_size=1, max_size=3), max_size=5))
def test_an_id_is_always_one(name: str, taken: set[str]) -> None:
    key = slug(name, taken)
    assert key not in taken
    empty = Project(name="x")
    assert list(apply_operations(empty, [{"op": "add", "path": f"/fits/{key}", "value": {"name": "x"}}]).fits) == [key]


def test_on_the_road_the_final_chain_stays_behind_the_units_own_stages() -> None:
    fit = made(DEMO_OF["motorcycle"], "liquid-cooled-single-390-cc").fits["liquid-cooled-single-390-cc"]
    stages = fit.installations["main"].drive.stages
    assert [k for k, _ in sorted(stages.items(), key=lambda s: s[1].rank)] == ["primary", "chain"]
    assert "chains and belts outside the unit" in new_fit(DEMO_OF["motorcycle"], "x", TRIPLE).stays
    # In an aeroplane a belt is the unit's reduction: it goes with it.
    assert not new_fit(made(DEMO_OF["aeroplane"], "outrunner-45-kw"), "x", TRIPLE).stays.count(
        "chains and belts outside the unit"
    )


# -- one unit in another's place -------------------------------------------------------------------------------------


def test_switching_keeps_what_holds_and_says_what_does_not() -> None:
    project = DEMO_OF["motorcycle"]
    key = "triple-890-cc-six-gears"
    wish = into_fit(project, "b", key, SHELF[key], None)
    after = apply_operations(project, wish.operations)
    was, now = project.fits["b"].installations["main"], after.fits["b"].installations["main"]
    assert now.unit.origin == key and now.placement == was.placement and now.wheel == was.wheel
    assert now.drive.stages["chain"] == was.drive.stages["chain"].model_copy(
        update={"rank": now.drive.stages["chain"].rank}
    )
    assert now.drive.stages["primary"].ratio is not None and now.drive.stages["primary"].ratio.si == 1.68
    assert len(now.drive.gears) == 6 and now.align == type(now.align)()
    assert now.mount.mass == was.mount.mass and set(now.mount.points) == set(SHELF[key].mount.points)
    assert {"driven wheel", "chains and belts outside the unit"} <= set(wish.stays)
    assert any("alignment" in w for w in wish.goes) and "mass of the mount" in wish.again
    assert after.fits["a"] == project.fits["a"] and after.old_installations == project.old_installations
    assert not assess(after, "b").failures


def test_switching_takes_out_what_hung_on_the_old_one_and_keeps_what_was_paid() -> None:
    project = made(DEMO_OF["aeroplane"], "upright-triple-870-cc-geared")
    fit_id = "upright-triple-870-cc-geared"
    own = {
        "op": "add",
        "path": f"/fits/{fit_id}/ledger/cowl",
        "value": {"name": "New cowl", "kind": "installed", "mass": "4 kg"},
    }
    project = apply_operations(project, [own])
    after = made(project, "two-rotors-1-3-l-geared", fit_id, TRIPLE).fits[fit_id]
    names = {r.name for r in after.ledger.values()}
    assert "New cowl" in names and "Oil cooler, full" in names
    assert "Wiring and control box" not in names
    assert [m.name for m in after.money.values()] == ["two rotors, 1.3 L, geared"]
    assert after.name == "two rotors, 1.3 L, geared"
    paid = apply_operations(project, [{"op": "add", "path": f"/fits/{fit_id}/money/unit-1/spent", "value": "500"}])
    kept = made(paid, "two-rotors-1-3-l-geared", fit_id, TRIPLE).fits[fit_id]
    assert sorted(m.name for m in kept.money.values()) == [
        "two rotors, 1.3 L, geared",
        "upright triple, 870 cc, geared",
    ]


def test_switching_there_and_back_gives_the_same_unit_and_drive() -> None:
    project = made(DEMO_OF["aeroplane"], "upright-triple-870-cc-geared")
    fit_id = "upright-triple-870-cc-geared"
    there = made(project, "two-rotors-1-3-l-geared", fit_id, TRIPLE)
    back = made(there, "upright-triple-870-cc-geared", fit_id, SHELF["two-rotors-1-3-l-geared"])
    a, b = (p.fits[fit_id].installations["main"] for p in (project, back))
    assert (a.unit, a.drive, a.mount, a.placement, a.propeller) == (b.unit, b.drive, b.mount, b.placement, b.propeller)
    rows = lambda p: {r.name: r.mass for r in p.fits[fit_id].ledger.values()}
    assert rows(project) == rows(back)


def test_packs_stay_between_motors_that_bring_none_and_go_with_an_engine() -> None:
    project = DEMO_OF["motorcycle"]
    motor = into_fit(project, "a", "axial-motor-70-kw", SHELF["axial-motor-70-kw"], None)
    assert (
        apply_operations(project, motor.operations).fits["a"].installations["main"].packs
        == project.fits["a"].installations["main"].packs
    )
    assert "the packs" in motor.stays and any("voltage" in w for w in motor.again)
    engine = into_fit(project, "a", "x", SHELF["triple-890-cc-six-gears"], None)
    assert not apply_operations(project, engine.operations).fits["a"].installations["main"].packs
    assert "the packs" in engine.goes


def test_what_swings_and_what_hangs_on_a_face_is_looked_at_again() -> None:
    swings = into_fit(DEMO_OF["scooter"], "a", "x", SHELF["swing-unit-278-cc-liquid-cooled"], None)
    assert "pivot, shock, and the mass of what swings" in swings.again
    hangs = into_fit(DEMO_OF["road-vehicle"], "b", "x", SHELF["axial-motor-70-kw"], None)
    assert "overhang of the motor on the face" in hangs.again
    assert not any("swings" in w or "face" in w for w in into_fit(DEMO_OF["boat"], "a", "x", TRIPLE, None).again)


@pytest.mark.parametrize("kind", KIND_IDS)
def test_no_unit_breaks_any_fit(kind: str, some: Callable[..., Any]) -> None:
    """Every sixth unit (all with --long) as a new fit, and in the place of that of another: all that follows can be
    assessed, and nothing else is touched."""
    project = DEMO_OF[kind]
    for key, shelf in some(SHELF.items(), 6, KIND_IDS.index(kind)):
        new = new_fit(project, key, shelf)
        whole = apply_operations(project, new.operations)
        assert not assess(whole, new.fit).failures
        assert {k: f for k, f in whole.fits.items() if k != new.fit} == project.fits
        after = apply_operations(project, into_fit(project, "b", key, shelf, None).operations)
        assert not assess(after, "b").failures
        assert after.model_copy(update={"fits": {**after.fits, "b": project.fits["b"]}}) == project
        here, there = (next(iter(p.fits["b"].installations.values())) for p in (after, project))
        assert (here.placement, here.propeller, here.wheel) == (there.placement, there.propeller, there.wheel)
        assert here.unit.name == shelf.unit.name and here.unit.mass == shelf.unit.mass


@pytest.mark.parametrize("fit", ["nowhere", ""])
def test_no_unit_into_a_fit_that_is_not_there(fit: str) -> None:
    with pytest.raises(InputError, match="no such fit"):
        into_fit(DEMO_OF["boat"], fit, "x", TRIPLE, None)


# -- back into the library -------------------------------------------------------------------------------------------


@pytest.mark.parametrize("kind", KIND_IDS)
def test_what_is_taken_out_knows_nothing_of_its_craft(kind: str) -> None:
    for fit in DEMO_OF[kind].fits.values():
        for i in fit.installations.values():
            shelf = taken_out(i)
            assert load_unit(plain(shelf)) == shelf
            assert all(f.instrument is None and f.earlier is None for f in figures(shelf).values())
            outside = {"datum", "centreline", "level line"}
            assert not [k for k, f in figures(shelf).items() if isinstance(f, Place) and f.origin in outside]
            assert shelf.unit.mass == i.unit.mass or (i.unit.mass is not None and i.unit.mass.instrument is not None)


def test_the_final_chain_stays_with_the_craft() -> None:
    """Kept from a motorcycle, a unit has its primary gear and not the chain; another unit in its place leaves the chain
    where it is."""
    bike = DEMO_OF["motorcycle"]
    for key, stages in (("mid-motor-35-kw", set()), ("parallel-twin-850-cc", {"primary"})):
        assert set(SHELF[key].drive.stages) == stages
    assert set(kept(bike, bike.fits["b"].installations["main"]).drive.stages) == {"primary"}
    swapped = made(bike, "axial-motor-70-kw", "a", SHELF["mid-motor-35-kw"])
    here, there = (p.fits["a"].installations["main"].drive.stages["chain"] for p in (swapped, bike))
    assert here.model_copy(update={"rank": there.rank}) == there
    # In an aeroplane a belt is the reduction of the unit: it is kept with it.
    plane = DEMO_OF["aeroplane"]
    assert set(kept(plane, plane.fits["a"].installations["main"]).drive.stages) == {"belt"}


def test_kept_and_fitted_again_it_is_the_same_unit() -> None:
    here = Installation(name="x", unit=TRIPLE.unit, drive=TRIPLE.drive, mount=TRIPLE.mount)
    assert taken_out(here) == TRIPLE


# -- what it burns ---------------------------------------------------------------------------------------------------


def test_half_a_pound_for_a_horsepower_and_hour() -> None:
    """Fact of the trade, common practice, no source: at 0.5 lb/hp·h a hundred horsepower burn 50 lb in an hour."""
    assert fuel_flow(0.5 * LB_KG / (HP_W * 3600), 100 * HP_W) * 3600 / LB_KG == pytest.approx(50.0, rel=1e-12)


def test_fuel_and_heat_stand_beside_those_of_the_old_unit() -> None:
    judged = assess(DEMO_OF["boat"], "a")
    # 238 g/kWh at 57 hp; 265 g/kWh at 36 hp
    assert value(judged, "choose.burns") == pytest.approx(238e-3 / 3.6e6 * 57 * HP_W, rel=1e-9)
    before = next(v for v in judged.values if v.id == "choose.burns").before_si
    assert before == pytest.approx(265e-3 / 3.6e6 * 36 * HP_W, rel=1e-9)
    assert "choose.burns" not in {v.id for v in assess(DEMO_OF["boat"], "b").values}


def test_the_curve_of_a_motor_may_be_that_of_its_peak() -> None:
    """21 kW that last and 35 kW for a minute at one speed: a curve that agrees with either is no contradiction, one
    between is."""
    unit = SHELF["mid-motor-35-kw"]
    level = lambda torque: next(
        f.level
        for f in alone(
            apply_to(
                unit,
                [
                    {
                        "op": "replace",
                        "path": "/unit/curve",
                        "value": [{"speed": f"{n} rpm", "torque": f"{torque} N·m"} for n in (500, 2500, 5000)],
                    }
                ],
                "point",
            )
        ).findings
        if f.rule == "choose.curve"
    )
    at = 4800 * np.pi / 30
    assert level(round(21e3 / at, 2)) == level(round(35e3 / at, 2)) == "ok"
    assert level(round(28e3 / at, 2)) == "stop"


# -- a unit measured on the bench, in no craft ------------------------------------------------------------------------


def test_two_scales_and_a_plank_without_any_craft() -> None:
    """Levers by hand: 40 kg at 100 mm and 60 kg at 600 mm aft of the flange balance at 400 mm, 100 kg."""
    scales = {
        "first_at": "100 mm",
        "first_reading": "42 kg",
        "first_tare": "2 kg",
        "second_at": "600 mm",
        "second_reading": "61 kg",
        "second_tare": "1 kg",
    }
    bare_unit = load_unit({"unit": {"name": "x", "kind": "diesel", "condition": "wet", "on_scales": scales}})
    (said,) = (f for f in alone(bare_unit).findings if f.rule == "balance.unit-on-scales")
    assert said.level == "watch"
    assert said.title.params["m"].si == pytest.approx(100.0) and said.title.params["x"].si == pytest.approx(0.4)
    (offer,) = alone(bare_unit).offers
    taken = apply_to(bare_unit, [o.model_dump() for o in offer.operations], "point")
    check_unit(taken)
    assert taken.unit.mass is not None and taken.unit.mass.source == "measured"
    assert taken.unit.cg_aft is not None and taken.unit.cg_aft.along_m == pytest.approx(0.4)
    assert [f.level for f in alone(taken).findings if f.rule == "balance.unit-on-scales"] == ["ok"]


def test_the_peak_of_a_unit_taken_for_what_lasts_has_its_way_out() -> None:
    unit = SHELF["classic-vee-eight-inboard-5-2-l"]
    (offer,) = alone(unit).offers
    taken = apply_to(unit, [o.model_dump() for o in offer.operations], "point")
    assert taken.unit.rated_speed is not None and taken.unit.rated_speed.entered == "3200 rpm"
    assert not [f for f in alone(taken).findings if f.level != "ok"]


def test_what_is_taken_over_keeps_its_doubt() -> None:
    """A rating with its ± is taken as the rated power with that ±, not as if it were exact."""
    unit = SHELF["classic-vee-eight-inboard-5-2-l"]
    doubtful = apply_to(
        unit, [{"op": "replace", "path": "/unit/ratings/rating-1/power", "value": "137.1 kW ±4 kW measured"}], "point"
    )
    (offer,) = alone(doubtful).offers
    power = apply_to(doubtful, [o.model_dump() for o in offer.operations], "point").unit.power
    assert power is not None and power.plus_minus is not None and power.plus_minus.si == 4000.0


def test_a_pair_of_which_one_has_no_price_is_not_called_dear_or_cheap() -> None:
    project = bare("boat", layout="twin screw")
    after = made(project, "four-cylinder-marine-diesel-74-kw")
    fit_id = next(k for k in after.fits if k not in project.fits)
    one = list(after.fits[fit_id].installations)[1]
    pointer = f"/fits/{fit_id}/installations/{one}/unit/cost"
    without = apply_operations(after, [{"op": "remove", "path": pointer}])
    said = next(f for f in assess(without, fit_id).findings if f.rule == "choose.complete")
    assert said.level == "unknown" and [n.pointer for n in said.needs] == [pointer]
