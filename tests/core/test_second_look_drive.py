"""Judgements of drive, mount and align that once said less than they should: each on the document that showed it.

Figures are worked by hand beside each; a limit without a source is common practice, no source."""

from __future__ import annotations

import math
from typing import Any

import pytest

from crooked_keel.core.errors import InputError
from crooked_keel.core.mount.face.functions import overhung_motor_face, third_point
from tests.conftest import DEMO_OF, put, value
from tests.conftest import finding as by_key
from tests.core.test_second_look import A, B, of, said, typed
from tests.kept import assess

PLANE, BOAT, BIKE = DEMO_OF["aeroplane"], DEMO_OF["boat"], DEMO_OF["motorcycle"]
SCOOTER, CAR = DEMO_OF["scooter"], DEMO_OF["road-vehicle"]


# --- drive


def test_r04_a_stage_listed_after_the_chain_does_not_take_it_out_of_the_sums() -> None:
    """A primary stage of 2 added last on the list: the chain is still found, at half the torque that the wheel asks of
    what stands before it, and where the stage belongs is asked."""
    late = {f"{A}/drive/stages/late": {"name": "primary", "rank": 99.0, "type": "gear", "ratio": "2"}}
    made = assess(put(BIKE, late), "a")
    assert by_key(made, "drive.chain-strength").compared is not None
    assert of(put(BIKE, late), "drive.train-order").level == "unknown"
    ordered = put(BIKE, {**late, f"{A}/drive/stages/late/order": "1", f"{A}/drive/stages/chain/order": "2"})
    assert not [f for f in assess(ordered, "a").findings if f.rule == "drive.train-order"]


def test_r06_a_belt_pulls_the_shafts_together() -> None:
    """Tight over slack 5 (handbook, from memory): 1.25 and 0.25 of the difference, 1.5 of it on the shafts."""
    belt = put(BIKE, {f"{A}/drive/stages/chain/type": "belt", f"{A}/drive/stages/chain/pitch": "14 mm"})
    chain = put(BIKE, {f"{A}/drive/stages/chain/pitch": "14 mm"})
    ratio = value(assess(belt, "a"), "drive.chain-pull") / value(assess(chain, "a"), "drive.chain-pull")
    teeth = BIKE.fits["a"].installations["main"].drive.stages["chain"].driver_teeth
    assert teeth is not None
    # A sprocket's pitch circle is p/sin(π/N), a pulley's p·N/π.
    by_circle = math.pi / teeth.si / math.sin(math.pi / teeth.si)
    assert ratio == pytest.approx(1.5 * by_circle, rel=1e-9)


def test_r08_the_highest_rating_governs_mount_and_tips() -> None:
    strong = {
        f"{A}/unit/ratings/boost": {
            "name": "take-off",
            "rank": 9.0,
            "power": "140 hp",
            "speed": "7400 rpm",
            "limit": "for so long",
            "lasts": "2 min",
        }
    }
    before, after = assess(PLANE, "a"), assess(put(PLANE, strong), "a")
    faster = value(after, "drive.tip-mach") / value(before, "drive.tip-mach")
    assert faster == pytest.approx(7400 / 5900)
    torque = value(after, "mount.limit-torque") / value(before, "mount.limit-torque")
    assert torque == pytest.approx((140 / 7400) / (92 / 5600))
    assert of(put(PLANE, strong), "drive.tip-mach").level == "stop"


def test_r17_a_propeller_far_too_small_is_no_ok() -> None:
    small = of(put(BOAT, {f"{A}/propeller/diameter": typed("10 in")}), "drive.absorbs")
    assert small.level == "stop" and of(BOAT, "drive.absorbs").level == "watch"


def test_r18_tips_are_judged_in_flight_and_at_height() -> None:
    """Mach 0.83 standing and 0.2 ahead: √(0.83² + 0.2²) = 0.854."""
    fast = put(PLANE, {f"{B}/propeller/diameter": typed("1930 mm"), "/craft/airspeed": typed("240 km/h")})
    finding = of(fast, "drive.tip-mach", "b")
    standing = value(assess(fast, "b"), "drive.tip-mach")
    assert finding.compared is not None and finding.compared.value > standing > 0.8
    blank = put(fast, {"/craft/airspeed": None})
    assert of(blank, "drive.tip-mach", "b").level == "unknown"
    low = put(fast, {"/need/altitude": typed("0 m")})
    assert value(assess(low, "b"), "drive.tip-mach") < standing


def test_r19_grip_is_that_of_the_driven_axle() -> None:
    finding = of(BIKE, "drive.grip", "b")
    assert finding.compared is not None and finding.compared.hi is not None
    heaviest = max(a.rear_si or 0.0 for a in assess(BIKE, "b").balance.axles)  # type: ignore[union-attr]
    grip = BIKE.craft.road.grip
    assert grip is not None and finding.compared.hi == pytest.approx(grip.si * heaviest * 9.80665)


def test_r21_a_planing_boat_asks_power_by_the_square_of_speed() -> None:
    """On the plane speed goes with √P (propeller handbook, from memory): the range at half the speed is half of what
    the cube gives."""
    still = put(BOAT, {"/craft/auxiliary": typed("0 W")})
    cube = value(assess(still, "b"), "drive.range")
    planing = put(still, {"/craft/trial/regime": "planing"})
    made = assess(planing, "b")
    cruise = planing.craft.trial.cruise
    assert cruise is not None
    full = value(made, "drive.speed")
    full_before = value(assess(still, "b"), "drive.speed")
    expected = cube * (cruise.si / full_before) ** 3 / (cruise.si / full) ** 2
    assert value(made, "drive.range") == pytest.approx(expected, rel=1e-9)


def test_r63_output_and_train_that_disagree_are_asked_about() -> None:
    turned = put(BOAT, {f"{A}/unit/ports/output/turns": "anticlockwise"})
    assert of(turned, "drive.output-turns").level == "unknown"


def test_r72_every_chain_of_a_train_is_judged() -> None:
    primary = {
        f"{A}/drive/stages/first": {
            "name": "primary chain",
            "rank": 0.5,
            "order": "1",
            "type": "chain",
            "driver_teeth": "9",
            "driven_teeth": "18",
            "pitch": "9.525 mm",
            "centres": "200 mm",
            "strength": "9 kN",
        },
        f"{A}/drive/stages/chain/order": "2",
    }
    made = assess(put(BIKE, primary), "a")
    assert by_key(made, "drive.small-sprocket:first").level == "stop"
    assert by_key(made, "drive.chain-strength:first").level == "stop"
    assert by_key(made, "drive.chain-strength:chain").level in ("ok", "watch")


@pytest.mark.parametrize("peak", [None, "9 kW"])
def test_r74_a_peak_that_is_blank_or_below_what_lasts_betters_nothing(peak: str | None) -> None:
    bike = put(BIKE, {f"{A}/unit/ratings": None, f"{A}/unit/peak_power": typed(peak) if peak else None})
    assert of(bike, "drive.pack").level != "ok"
    if peak:
        assert of(bike, "choose.lasting").level == "unknown"


def test_r75_a_measured_radius_far_from_the_marks_is_asked_about() -> None:
    assert of(put(BIKE, {f"{A}/wheel/radius": typed("260 mm")}), "drive.wheel-radius").level == "unknown"


@pytest.mark.parametrize(("part", "text"), [("energy", "36 kWh"), ("mass", "3 kg"), ("current", "5000 A")])
def test_c5_a_pack_cannot_hold_more_than_packs_hold(part: str, text: str) -> None:
    """0.3 kWh/kg with its case is more than cells of today give in one (common practice, no source)."""
    key = next(iter(BIKE.fits["a"].installations["main"].packs))
    slip = put(BIKE, {f"{A}/packs/{key}/{part}": typed(text)})
    assert not [f for f in assess(BIKE, "a").findings if f.rule == "drive.pack-possible"]
    finding = by_key(assess(slip, "a"), f"drive.pack-possible:{key}")
    assert finding.level == "unknown" and finding.needs


def test_c5_a_thrust_that_no_propeller_gives_is_asked_about() -> None:
    """Actuator disc at rest: P = T·v, T = 2ρ·A·v², so T = (P²·2ρA)^⅓. Momentum theory, worked by its two equations."""
    area, power = math.pi * 0.25 * 1.98**2, 96 * 745.699872
    low, high = 0.0, 1e5
    for _ in range(100):  # the thrust at which the power of the disc is the power there is, by halving
        mid = 0.5 * (low + high)
        through = math.sqrt(mid / (2 * 1.225 * area))
        low, high = (mid, high) if mid * through < power else (low, mid)
    for share, level in ((1.01, "unknown"), (0.99, None), (0.29, "watch")):
        given = put(PLANE, {f"{A}/mount/thrust": typed(f"{low * share:.1f} N")})
        found = [f.level for f in assess(given, "a").findings if f.rule == "drive.thrust-possible"]
        assert found == ([level] if level else [])


def test_c5_a_unit_lighter_than_its_power_allows_is_asked_about() -> None:
    light = put(PLANE, {f"{A}/unit/mass": typed("7.4 kg")})
    assert of(light, "choose.power-to-mass").level == "unknown"
    assert not [f for f in assess(PLANE, "a").findings if f.rule == "choose.power-to-mass"]


# --- mount


def test_r07_what_hangs_on_the_unit_is_in_load_cases_and_ledger() -> None:
    hung = {f"{A}/unit/accessories/pump": {"name": "Hydraulic pump", "mass": "25 kg", "counted": "on top of it"}}
    before, after = assess(PLANE, "a"), assess(put(PLANE, hung), "a")
    assert value(after, "mount.carried") - value(before, "mount.carried") == pytest.approx(25.0)
    assert value(after, "balance.empty-mass") - value(before, "balance.empty-mass") == pytest.approx(25.0)
    row = {"name": "hydraulic pump", "kind": "installed", "mass": "25 kg", "station": "0 mm"}
    made = assess(put(PLANE, {**hung, "/fits/a/ledger/pump-2": row}), "a")
    assert value(made, "balance.empty-mass") - value(before, "balance.empty-mass") == pytest.approx(25.0)


def test_r11_a_brake_holds_what_the_tyre_grips_whatever_drives_it() -> None:
    """Grip 0.8 on the rear load, not a share of the engine's pull: half the torque changes nothing of it."""
    weak = put(SCOOTER, {f"{A}/unit/peak_torque": typed("5 N·m")})
    braking = lambda p: next(c for c in assess(p, "a").installations[0].mount.swing if c.id == "braking").pivot_si  # type: ignore[union-attr]
    assert braking(weak) == pytest.approx(braking(SCOOTER))


def test_r12_feet_are_not_said_to_stay_down_in_cases_that_are_missing() -> None:
    finding = of(put(BOAT, {f"{A}/mount/thrust": None}), "mount.uplift")
    assert finding.level in ("unknown", "watch") and "Not judged" in finding.message.template


def test_r44_bolts_of_unknown_clocking_take_the_worst() -> None:
    """Σz² of an even circle is n·r²/2, so the bolt at the top takes 2M/(n·r): statics."""
    n, circle, mass, arm = 6, 0.2, 50.0, 0.15
    worst = overhung_motor_face(mass, arm, 3.0, 100.0, n, circle)
    moment = 3 * mass * 9.80665 * arm
    assert worst.tension_n == pytest.approx(2 * moment / (n * circle / 2))
    for clock in range(0, 60, 5):
        at = overhung_motor_face(mass, arm, 3.0, 100.0, n, circle, float(clock))
        assert at.tension_n <= worst.tension_n + 1e-9 and at.shear_n <= worst.shear_n + 1e-9
    with pytest.raises(InputError, match="holds nothing"):
        third_point(3.0, mass, arm, 0.0, 0.0)


def test_r45_points_nearly_in_one_line_hold_nothing() -> None:
    points = [f"{A}/mount/points/{k}" for k in PLANE.fits["a"].installations["main"].mount.points]
    flat: dict[str, Any] = {}
    for n, point in enumerate(points):
        flat[f"{point}/unit_starboard"] = typed("0 mm" if n else "0.01 mm")
        flat[f"{point}/unit_up"] = typed(f"{80 * n} mm")
        flat[f"{point}/unit_aft"] = typed("400 mm")
    assert of(put(PLANE, flat), "mount.held").level == "stop"


@pytest.mark.parametrize("side", [0, 1, -1])
def test_points_in_one_line_hold_nothing_and_lead_to_their_rows(side: int) -> None:
    """In the middle, or off to either side: the unit turns about the line. Statics: no moment about a line through all
    the points."""
    points = [f"{A}/mount/points/{k}" for k in PLANE.fits["a"].installations["main"].mount.points]
    line: dict[str, Any] = {}
    for n, point in enumerate(points):
        line[f"{point}/unit_starboard"] = typed(f"{200 * side} mm")
        line[f"{point}/unit_up"] = typed(f"{80 * n} mm")
        line[f"{point}/unit_aft"] = typed("400 mm")
    finding = of(put(PLANE, line), "mount.held")
    assert finding.level == "stop" and finding.title.template == "Free {w}"
    assert "swing" in str(finding.title.params["w"].text)
    # One is off the line, as far as its ± may put it into it: never ok. What moves all of them together counts nothing.
    off = {"source": "measured", "from": "unit flange", "dir": "starboard"}
    at = f"{points[0]}/unit_starboard"
    surely = put(PLANE, {**line, at: {**off, "entered": f"{200 * side + 300} mm ±2 mm"}})
    assert of(surely, "mount.held").level == "ok"
    perhaps = put(PLANE, {**line, at: {**off, "entered": f"{200 * side + 300} mm ±310 mm"}})
    assert of(perhaps, "mount.held").level == "watch"
    moved = put(surely, {f"{A}/placement/flange_butt_line": typed("0 mm ±400 mm")})
    assert of(moved, "mount.held").level == "ok"
    # What cannot be said for it leads to where a point is added.
    assert [n.pointer for n in of(put(PLANE, line), "mount.reserve").needs] == [f"{A}/mount/points"]
    # One whose stiffness is not known may not be what holds it: that is asked for first.
    blank = put(PLANE, {**line, f"{points[0]}/stiffness_axial": None})
    assert of(blank, "mount.held").level == "unknown"


def test_r48_a_motor_far_heavier_than_the_old_is_judged_by_its_third_point() -> None:
    heavy = {f"{B}/unit/mass": typed("180 kg"), f"{B}/mount/face/overhang": typed("220 mm")}
    assert of(put(CAR, heavy), "mount.face", "b").level == "unknown"
    weak = put(CAR, {**heavy, f"{B}/mount/face/third_strength": typed("2 kN")})
    assert of(weak, "mount.face", "b").level == "stop"


def test_r71_an_old_mount_without_reserve_proves_nothing() -> None:
    weak = {
        f"/old_installations/main/mount/points/{k}/strength": typed("2 kN")
        for k in PLANE.old_installations["main"].mount.points
    }
    finding = of(put(PLANE, {**weak, f"{B}/unit/mass": typed("40 kg")}), "mount.against-old", "b")
    assert finding.level != "ok" and "proves nothing" in finding.message.template


# --- align


@pytest.mark.parametrize(
    ("edits", "level"),
    [
        ({"thread_up": typed("0.2 mm")}, "stop"),
        ({"thread_up": None}, "unknown"),
        ({"gap_9": typed("0.6 mm"), "gap_3": typed("0.1 mm")}, "watch"),
    ],
)
def test_r22_the_thread_must_reach_and_both_directions_count(edits: dict[str, Any], level: str) -> None:
    at = {f"{A}/align/coupling/{k}": v for k, v in edits.items()}
    assert of(put(BOAT, at), "align.flats").level == level


def test_r22_a_gap_typed_in_inches_is_refused() -> None:
    with pytest.raises(InputError, match="feeler"):
        put(BOAT, {f"{A}/align/coupling/gap_12": typed("12 in")})


def test_r23_steps_that_do_not_close_are_read_again() -> None:
    """Top and bottom together 1.0 mm, port and starboard 0.02 mm: one rim cannot do that. Geometry."""
    steps = zip((12, 3, 6, 9), ("0.5 mm", "-0.03 mm", "0.5 mm", "0.05 mm"), strict=True)
    finding = of(put(BOAT, {f"{A}/align/coupling/step_{c}": typed(t) for c, t in steps}), "align.offset")
    assert finding.level == "stop" and "read them again" in finding.title.template


@pytest.mark.parametrize(
    ("angles", "phased", "level"), [((1, 11), "in line", "stop"), ((1, 11), None, "unknown"), ((6, 6), "in line", "ok")]
)
def test_r47_joints_are_judged_as_a_pair(angles: tuple[int, int], phased: str | None, level: str) -> None:
    """√|1² − 11²| = 10.95°: what the pair leaves of a single joint (driveline texts, from memory)."""
    at = {f"{B}/align/joints/{k}/side": typed(f"{a}°") for k, a in zip(("port", "starboard"), angles, strict=True)}
    at |= {f"{B}/align/joints/{k}/plan": typed("0°") for k in ("port", "starboard")}
    assert of(put(CAR, {**at, f"{B}/align/joints_phased": phased}), "align.joint-pair", "b").level == level


def test_r49_a_stack_of_packers_has_a_bound_and_a_stringer_is_not_cut() -> None:
    deep = put(BOAT, {f"{A}/mount/points/front-port/structure_water_line": typed("600 mm", dir="down")})
    assert of(deep, "align.packers").level == "stop"
    high = of(put(BOAT, {f"{A}/mount/points/front-port/structure_water_line": typed("0 mm")}), "align.packers")
    assert high.level == "stop" and "Raise the unit" in said(high)


def test_r64_both_front_feet_low_are_two_soft_feet() -> None:
    low = {f"{A}/align/coupling/under_{k}": typed("0.4 mm") for k in ("front_port", "front_starboard")}
    flat = {f"{A}/align/coupling/under_{k}": typed("0 mm") for k in ("rear_port", "rear_starboard")}
    finding = of(put(BOAT, {**low, **flat}), "align.soft-foot")
    assert finding.level == "stop" and "front port and front starboard" in str(finding.title.params["a"].text)
