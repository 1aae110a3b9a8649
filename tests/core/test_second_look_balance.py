"""Judgements of balance and choose that once said less than they should, each on the document on which it was wrong.

Figures are worked by hand beside each; a limit without a source is common practice, no source."""

from __future__ import annotations

from typing import Any

import pytest

from crooked_keel.core.balance.limits.functions import CgEnvelope
from crooked_keel.core.errors import InputError
from crooked_keel.core.physics.hull import both_sides
from crooked_keel.core.setup import set_up
from tests.conftest import DEMO_OF, put, value
from tests.conftest import finding as by_key
from tests.core.test_second_look import A, B, of, typed
from tests.kept import assess

PLANE, BOAT, BIKE = DEMO_OF["aeroplane"], DEMO_OF["boat"], DEMO_OF["motorcycle"]
SCOOTER, CAR = DEMO_OF["scooter"], DEMO_OF["road-vehicle"]


def test_r25_rollover_is_judged_toward_the_side_that_carries_more() -> None:
    load = next(iter(CAR.craft.seats))
    aside = put(CAR, {f"/craft/seats/{load}/butt_line": typed("500 mm", dir="starboard")})
    straight = put(CAR, {f"/craft/seats/{load}/butt_line": typed("0 mm")})
    assert of(aside, "balance.rollover").compared.value < of(straight, "balance.rollover").compared.value  # type: ignore[union-attr]


def test_r28_one_pilot_on_one_side_is_judged() -> None:
    side = put(PLANE, {"/craft/seats/front/butt_line": typed("300 mm", dir="port")})
    assert of(side, "balance.cg-lateral").level != "ok"


def test_r29_a_seat_that_slides_is_judged_at_both_ends() -> None:
    ranges = {f"/craft/seats/{k}/{p}": None for k in PLANE.craft.seats for p in ("lightest", "heaviest")}
    slides = put(PLANE, {**ranges, "/craft/seats/front/slides": typed("200 mm")})
    assert of(slides, "balance.seat-slide", "b").level in ("stop", "watch")


def test_r30_there_is_no_limit_above_the_outline() -> None:
    aft = {"from": "datum", "dir": "aft"}
    corners = [
        {"mass": {"entered": f"{m} kg", "source": "maker"}, "station": typed(f"{x} mm", **aft)}
        for m, x in ((300, 400), (500, 400), (500, 900), (300, 900))
    ]
    low = put(PLANE, {"/craft/limits/envelope": corners, "/craft/limits/gross": typed("560 kg")})
    finding = of(low, "balance.worst-loading", "b")
    assert finding.level == "stop" and "no limit to keep up there" in finding.message.template


def test_r31_an_outline_may_step() -> None:
    """Forward limit 0.50 m to 400 kg, 0.56 m above it: at the step itself the narrower."""
    steps = CgEnvelope(((0.50, 300.0), (0.50, 400.0), (0.56, 400.0), (0.56, 550.0), (0.80, 550.0), (0.80, 300.0)))
    below, on, above = steps.cut(399.0), steps.cut(400.0), steps.cut(401.0)
    assert below is not None and on is not None and above is not None
    assert (below.forward_m, on.forward_m, above.forward_m) == pytest.approx((0.50, 0.56, 0.56))
    assert on.aft_m == pytest.approx(0.80)


@pytest.mark.parametrize("reading", ["0 kg", "400 kg", "60 kg"])
def test_r32_r75_a_reading_with_one_end_up_that_cannot_be_is_refused(reading: str) -> None:
    finding = of(put(BIKE, {"/craft/as_found/raised/reading": typed(reading)}), "craft.tilt")
    assert finding.level == "unknown" and finding.needs[0].given == reading


def test_r33_no_stand_carries_more_than_the_craft() -> None:
    """On a jack ahead of its CG, with the CG behind the rear axle: it goes over the wheel."""
    aft = {"from": "datum", "dir": "aft"}
    over = {
        "/craft/stand": typed("400 mm", **{**aft, "dir": "forward"}),
        "/craft/supports/rear/station": typed("0 mm", **aft),
    }
    assert of(put(BIKE, over), "balance.engine-out").level in ("stop", "unknown")


def test_r34_a_tank_pressed_full_that_holds_half_is_asked_about() -> None:
    key = next(iter(BOAT.craft.tanks))
    half = {f"/craft/tanks/{key}/filling": "pressed full or empty", f"/loadings/day/fuel/{key}": typed("20 L")}
    finding = of(put(BOAT, half), "balance.free-surface")
    assert finding.level == "unknown" and finding.needs[0].pointer.endswith("/filling")


def test_r38_a_section_that_goes_over_the_deck_is_refused() -> None:
    half = [(0.0, 0.0), (1.0, 0.6), (1.2, 1.1), (0.0, 1.3)]
    with pytest.raises(InputError, match="deck edge"):
        both_sides(half)
    assert both_sides(half[:-1])


def test_r39_r69_a_list_that_is_there_already_is_counted() -> None:
    marks = {
        f"/craft/flotation/marks/{e}-port/freeboard": typed(f) for e, f in (("bow", "1.02 m"), ("stern", "0.73 m"))
    }
    assert of(put(BOAT, marks), "balance.heel").level == "stop"


def test_r40_trim_as_she_lies_is_judged() -> None:
    marks = {f"/craft/flotation/marks/stern-{s}/freeboard": typed("735 mm") for s in ("port", "starboard")}
    deep = put(BOAT, marks)
    assert of(deep, "balance.trim-at-rest").level == "stop" and of(deep, "balance.trim").level == "ok"


def test_r41_a_wing_without_its_mass_is_not_judged() -> None:
    wing = {"/craft/wing/half_span": typed("5200 mm"), "/craft/wing/load_factor": typed("3.8")}
    finding = of(put(PLANE, wing), "balance.wing-bending")
    assert finding.level == "unknown" and {n.pointer for n in finding.needs} >= {"/craft/wing/mass"}


def test_r42_the_gross_mass_is_in_the_chance() -> None:
    heavy = value(assess(PLANE, "b"), "balance.heaviest")
    even = put(PLANE, {"/craft/limits/gross": typed(f"{heavy:.3f} kg")})
    assert value(assess(even, "b"), "balance.chance-inside") == pytest.approx(0.5, abs=0.02)


def test_r43_lead_on_the_wrong_side_makes_it_worse() -> None:
    ahead = put(PLANE, {"/craft/ballast_station": typed("900 mm", **{"from": "datum", "dir": "forward"})})
    lead = next(v for v in assess(ahead, "a").values if v.id == "balance.ballast")
    assert lead.si is None and "worse" in lead.needs[0].what


@pytest.mark.parametrize(
    ("edits", "rule"),
    [
        ({"/craft/flotation/marks/bow-port": None}, "craft.freeboards"),
        ({"/old_installations/main/unit/condition": "dry"}, "balance.condition"),
    ],
)
def test_r50_what_the_text_of_a_rule_says_is_done(edits: dict[str, Any], rule: str) -> None:
    found = [f for f in assess(put(BOAT, edits), "a").findings if f.rule == rule]
    assert any(f.level == "watch" for f in found)


def test_r50_more_fuel_than_a_tank_holds_is_not_flown() -> None:
    made = assess(put(PLANE, {"/loadings/solo/fuel/header": typed("400 L")}), "b")
    finding = by_key(made, "balance.mass-max")
    assert "Not judged" in finding.message.template and finding.level != "ok"


def test_r61_twins_of_other_names_are_paired_by_side() -> None:
    raw = BOAT.old_installations["main"].model_dump(mode="json", by_alias=True, exclude_none=True)

    def on(side: str) -> dict[str, Any]:
        return {**raw, "placement": {**raw["placement"], "flange_butt_line": {"entered": "700 mm", "dir": side}}}

    pair = {
        "/old_installations/p": on("port"),
        "/old_installations/s": on("starboard"),
        "/old_installations/main": None,
        "/fits/a/installations/one": on("starboard"),
        "/fits/a/installations/two": on("port"),
        "/fits/a/installations/main": None,
    }
    benches = set_up(put(BOAT, pair), "a")
    found = {i.placed.id: i.drive.train.old.placed.id for i in benches.installations if i.drive.train.old is not None}
    assert found == {"one": "s", "two": "p"}


def test_r63_a_limit_given_twice_is_asked_about_and_the_narrower_judged() -> None:
    twice = {
        "/craft/limits/envelope": None,
        "/craft/limits/forward": typed("560 mm", **{"from": "datum", "dir": "aft"}),
        "/craft/limits/aft": typed("800 mm", **{"from": "datum", "dir": "aft"}),
        "/craft/limits/lemac": typed("200 mm", **{"from": "datum", "dir": "aft"}),
        "/craft/limits/mac": typed("1500 mm"),
        "/craft/limits/forward_mac": typed("30 %"),
    }
    made = assess(put(PLANE, twice), "b")
    assert by_key(made, "balance.limit-twice:forward").level == "unknown"
    finding = by_key(made, "balance.cg-forward")
    assert finding.compared is not None and finding.compared.lo == pytest.approx(0.650)


def test_r70_the_empty_craft_is_not_what_is_ridden() -> None:
    seats = {f"/craft/seats/{k}/station": None for k in BIKE.craft.seats}
    assert of(put(BIKE, seats), "balance.axle-split").level == "unknown"


def test_r73_the_weaker_tyre_is_judged_under_its_own_load() -> None:
    rear = [k for k, s in CAR.craft.supports.items() if s.role == "rear"]
    weak = {f"/craft/supports/{k}/load_index": typed(text) for k, text in zip(rear, ("30", "95"), strict=True)}
    made = assess(put(CAR, {**weak, "/craft/limits/rear_axle": None}), "a")
    assert by_key(made, "balance.axle-load:rear").level == "stop"


# --- choose and ledger


@pytest.mark.parametrize(
    ("edits", "level"),
    [
        ({f"{A}/unit/ratings": None}, "unknown"),
        ({f"{A}/unit/ratings/rating-1/power": typed("80 hp")}, "watch"),
    ],
)
def test_r15_what_lasts_is_said_or_asked(edits: dict[str, Any], level: str) -> None:
    assert of(put(PLANE, edits), "choose.lasting").level == level


def test_r15_a_curve_that_ends_before_the_rated_speed_is_not_compared() -> None:
    found = [f for f in assess(put(PLANE, {f"{A}/unit/rated_speed": typed("7000 rpm")}), "a").findings]
    assert next(f for f in found if f.key == "choose.curve:reach").level == "unknown"


def test_r13_a_closed_line_without_what_was_paid_costs_more_than_nothing() -> None:
    closed = put(PLANE, {"/fits/a/money/line-1/state": "closed", "/fits/a/money/line-1/spent": None})
    assert of(closed, "choose.money").level == "unknown"


def test_r14_an_accessory_that_was_taken_out_is_not_aboard() -> None:
    muff = {"name": "Exhaust stacks and heat muff", "mass": "3 kg", "counted": "on top of it"}
    assert of(put(PLANE, {f"{A}/unit/accessories/muff": muff}), "choose.left-out").level == "watch"


def test_r56_much_more_power_cooled_by_air_is_watched() -> None:
    strong = {f"{B}/unit/power": typed("180 hp"), f"{B}/unit/ratings": None, f"{B}/unit/kind": "four-stroke"}
    assert of(put(PLANE, strong), "choose.heat", "b").level == "watch"
