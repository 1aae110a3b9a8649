"""Judgements of what surrounds the unit: on documents where an engineer says stop, or says that nothing is wrong."""

from __future__ import annotations

from typing import Any

import pytest

from crooked_keel.core.asked.studies import STUDIES, answer
from crooked_keel.core.document import Project, value_at
from crooked_keel.core.errors import InputError
from crooked_keel.core.judging.finding import LEVELS, Finding
from crooked_keel.exchange.present import sentence
from tests.conftest import DEMO_OF, put
from tests.kept import judged

UNIT = "/fits/a/installations/main"
S = f"{UNIT}/systems"
BOAT, PLANE, BIKE, VAN = (DEMO_OF[k] for k in ("boat", "aeroplane", "motorcycle", "road-vehicle"))


def m(text: str, **more: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured", **more}


def found(project: Project, rule: str) -> list[Finding]:
    return [f for f in judged(project, "a").findings if f.rule == rule]


def worst(project: Project, rule: str) -> str:
    return min((f.level for f in found(project, rule)), key=LEVELS.index)


def said(finding: Finding) -> str:
    return f"{sentence(finding.title, 'mm-kg')}. {sentence(finding.message, 'mm-kg')}".replace("\u00a0", " ")


# Document, rule, what is changed, level, and why an engineer says so.
JUDGED: list[tuple[Project, str, dict[str, Any], str, str]] = [
    (PLANE, "systems.cooling-settles", {}, "stop", "41 kW through a core that starves of air"),
    (PLANE, "systems.cooling-settles", {"cooling/inlet": m("1400 cm²")}, "ok", "two and a half times the air"),
    (PLANE, "systems.cooling-boils", {"cooling/cap": m("0 kPa")}, "stop", "an open cap at 6000 ft boils below 101 °C"),
    (
        PLANE,
        "systems.cooling-donor",
        {"cooling/coolers/radiator/served_power": m("20 kW")},
        "stop",
        "a third of the power",
    ),
    (
        PLANE,
        "systems.cooling-exit",
        {"cooling/core_drop": m("400 Pa")},
        "stop",
        "the core takes more than the diffuser gives",
    ),
    (PLANE, "systems.cooling-sealed", {"cooling/sealed": "no"}, "stop", "air goes round the core"),
    (
        PLANE,
        "systems.cooling-traps",
        {f"cooling/loop/{k}/bleed": "yes" for k in ("over", "hump")},
        "ok",
        "both high points",
    ),
    (PLANE, "systems.cooling-header", {"cooling/header_air": m("0.1 L")}, "stop", "4.1 L of half glycol grow 0.22 L"),
    (PLANE, "systems.cooling-bore", {"cooling/loop/down/bore": m("14 mm")}, "stop", "6 m/s in half the port's bore"),
    (
        BOAT,
        "systems.cooling-waterless",
        {"cooling/coolant": "waterless", "cooling/water_left": m("8 %")},
        "stop",
        "with 8 % of water it boils by that",
    ),
    (
        BOAT,
        "systems.cooling-keel",
        {"cooling/by": "keel cooler", "cooling/keel_area": m("0.3 m²")},
        "stop",
        "a tenth of it",
    ),
    (BOAT, "systems.water-outlet", {"cooling/pump": m("12 L/min")}, "stop", "40 kW in 12 L/min is 50 K"),
    (BOAT, "systems.water-bore", {"cooling/water/suction/bore": m("16 mm")}, "stop", "5 m/s ahead of the pump"),
    (BOAT, "systems.oil-fill", {"oil/filled": m("3.0 L")}, "stop", "under the lower mark"),
    (BOAT, "systems.oil-fill", {"oil/filled": m("5.6 L")}, "stop", "over the most"),
    (
        BOAT,
        "systems.oil-pickup",
        {"oil/pickup_aft": m("0 mm"), "oil/nose_up": m("30°")},
        "stop",
        "nose up the front is bare",
    ),
    (
        BOAT,
        "systems.oil-aside",
        {"oil/side": m("40°"), "oil/pickup_across": m("80 mm")},
        "stop",
        "the high side is bare",
    ),
    (BOAT, "systems.oil-aside", {"oil/side": m("15° ±70°"), "oil/pickup_across": m("80 mm")}, "unknown", "on her side"),
    (BOAT, "systems.oil-aside", {"oil/pickup_across": m("100 mm")}, "unknown", "outside a tank of 190 mm"),
    (BOAT, "systems.oil-aside", {"oil/side": None}, "unknown", "a heel that nobody said"),
    (VAN, "systems.oil-aside", {"oil/side": m("45°"), "oil/pickup_across": m("45 mm")}, "stop", "a bend at a whole g"),
    (PLANE, "systems.oil-tank", {"oil/kept_in": "tank of a dry sump", "oil/width": m("90 mm")}, "stop", "3.0 L of 3.4"),
    (
        PLANE,
        "systems.oil-dwell",
        {"oil/kept_in": "tank of a dry sump", "oil/circulation": m("60 L/min")},
        "stop",
        "three seconds",
    ),
    (
        PLANE,
        "systems.oil-scavenge",
        {"oil/kept_in": "tank of a dry sump", "oil/circulation": m("20 L/min"), "oil/scavenge": m("20 L/min")},
        "stop",
        "half of what comes back is air",
    ),
    (
        BOAT,
        "systems.oil-gear",
        {"oil/gear_cooler": "no", f"{UNIT}/unit/power": m("90 hp")},
        "stop",
        "1.7 kW in a still case",
    ),
    (
        PLANE,
        "systems.oil-bore",
        {
            "oil/kept_in": "tank of a dry sump",
            "oil/circulation": m("20 L/min"),
            "oil/path": {"draw": {"name": "draw", "rank": 0.0, "kind": "straight", "bore": m("10 mm")}},
        },
        "stop",
        "4 m/s in a suction hose",
    ),
    (
        PLANE,
        "systems.exhaust-back",
        {"exhaust/path/pipe/bore": m("20 mm")},
        "stop",
        "half the bore, thirty times the loss",
    ),
    (
        BOAT,
        "systems.exhaust-back",
        {},
        "watch",
        "a wet lift that nobody measured is no better, whatever the dry gas loses",
    ),
    (BOAT, "systems.exhaust-back", {"exhaust/measured": m("5 kPa")}, "ok", "measured, half of the maker's"),
    (BOAT, "systems.exhaust-back", {"exhaust/measured": m("12 kPa")}, "stop", "measured, over the maker's"),
    (PLANE, "systems.exhaust-shine", {"exhaust/sees": m("60 %")}, "stop", "12 kW/m² melts a hose"),
    (PLANE, "systems.exhaust-growth", {"exhaust/slip": m("2 mm")}, "stop", "5 mm of growth"),
    (BOAT, "systems.exhaust-injection", {}, "stop", "144 mm, heeled 10°, six aboard"),
    (BOAT, "systems.exhaust-injection", {"exhaust/loop": "yes"}, "ok", "a vented loop is fitted"),
    (
        BOAT,
        "systems.exhaust-injection",
        {"exhaust/loop": "yes", "exhaust/injection_height": m("20 mm", **{"from": "level line", "dir": "up"})},
        "watch",
        "under water all hangs on the loop's valve",
    ),
    (BOAT, "systems.exhaust-injection", {"exhaust/heel": None}, "unknown", "a heel that nobody said"),
    (BOAT, "systems.exhaust-injection", {"exhaust/tape": None}, "unknown", "how sure the height is"),
    (BOAT, "systems.exhaust-lock", {"exhaust/lock": m("4 L")}, "stop", "6 L fall back"),
    (BOAT, "systems.exhaust-hose", {"exhaust/hose_marked": "no"}, "stop", "plain hose"),
    (BOAT, "systems.exhaust-mixed", {"cooling/pump": m("3 L/min")}, "stop", "hardly any water"),
    (BOAT, "systems.exhaust-fall", {"exhaust/leaves": "wet, falling"}, "stop", "it climbs to a swan neck"),
    (PLANE, "systems.induction-bore", {"induction/bore": m("30 mm")}, "stop", "80 m/s"),
    (PLANE, "systems.induction-filter", {"induction/filter_area": m("60 cm²")}, "stop", "9 m/s into a gauze"),
    (VAN, "systems.induction-tilt", {"induction/tilt_limit": m("5°")}, "stop", "it lies over by 9°"),
    (
        BOAT,
        "systems.induction-charge",
        {f"{UNIT}/unit/breathing": "turbocharged", "induction/charge_cooler": "no"},
        "watch",
        "hot charge",
    ),
    (BOAT, "systems.fuel-lasts", {"fuel/plan": m("12 h")}, "stop", "110 L at 12 L/h"),
    (BOAT, "systems.fuel-lasts", {"fuel/reserve": m("20 h")}, "stop", "the reserve is larger than the tank"),
    (BOAT, "systems.fuel-filters", {"fuel/path/trap/fineness": m("2 µm")}, "stop", "5 µm behind 2 µm"),
    (BOAT, "systems.fuel-filters", {"fuel/path/fine/passes": m("40 L/h")}, "stop", "12 L/h burnt and 42 returned"),
    (BOAT, "systems.fuel-return", {"fuel/returns": "to another tank"}, "stop", "one runs over, the other dry"),
    (BOAT, "systems.fuel-flow", {"fuel/measured": m("12 L/h")}, "stop", "no more than it burns"),
    (BOAT, "systems.fuel-suction", {"fuel/lift": m("5 m")}, "stop", "41 kPa of lift alone"),
    (BOAT, "systems.fuel-head", {"fuel/pump_head": m("10 kPa")}, "stop", "the unit wants 12"),
    (BOAT, "systems.fuel-vent", {"fuel/vent": m("6 mm ±0.1 mm")}, "stop", "a filler that spits"),
    (BOAT, "systems.fuel-primed", {"fuel/primed": "by gravity"}, "watch", "a suction line over a hump"),
    (
        BOAT,
        "systems.fuel-across",
        {"/craft/tanks/day": {"name": "day tank", "rank": 2.0, "capacity": m("20 L")}, "fuel/across": "nothing"},
        "watch",
        "two tanks and nothing between",
    ),
    (
        BOAT,
        "systems.fuel-tank",
        {"/craft/tanks/main/depth": m("150 mm"), "/craft/tanks/main/shape": "box"},
        "stop",
        "65 L",
    ),
    (PLANE, "systems.current-source", {"electric/source_cruise": m("120 W")}, "stop", "161 W are taken"),
    (PLANE, "systems.current-wire", {"electric/wires/pump/run": m("30 m")}, "stop", "3.3 V of 12"),
    (VAN, "systems.current-fuse", {}, "stop", "30 A on a wire that carries 25"),
    (
        PLANE,
        "systems.current-fuse",
        {"electric/wires/pump/fuse_at": m("900 mm")},
        "stop",
        "a metre of bare wire ahead of it",
    ),
    (PLANE, "systems.current-bank", {"electric/banks/start/resistance": m("40 mΩ")}, "stop", "7.5 V while it cranks"),
    (PLANE, "systems.current-ignition", {"electric/banks/spare/capacity": m("4 Ah")}, "stop", "a quarter of an hour"),
    (PLANE, "systems.current-earth", {"electric/earth": "none yet"}, "stop", "on rubber without a strap"),
    (PLANE, "systems.current-senders", {"electric/senders": "new on old gauges"}, "stop", "a needle that says nothing"),
    (
        PLANE,
        "systems.current-trigger",
        {
            "electric/trigger/teeth": m("36"),
            "electric/trigger/radius": m("80 mm"),
            "electric/trigger/placed_within": m("3 mm"),
            "electric/trigger/gap": m("0.8 mm"),
            "electric/trigger/runout": m("0.1 mm"),
            "electric/trigger/turns": "at crank speed",
        },
        "stop",
        "3 mm on 80 mm is two degrees",
    ),
    (PLANE, "systems.current-single", {}, "stop", "both ignitions by one switch"),
    (BIKE, "systems.voltage-isolation", {}, "stop", "301 Ω/V"),
    (
        BIKE,
        "systems.voltage-isolation",
        {"high_voltage/barriers": "yes"},
        "watch",
        "barriers of their own are recorded",
    ),
    (
        BIKE,
        "systems.voltage-isolation",
        {"high_voltage/first_pole_after": None},
        "unknown",
        "half a measurement is none",
    ),
    (BIKE, "systems.voltage-precharge", {"high_voltage/resistor_rating": m("50 W")}, "stop", "128 W at switch-on"),
    (BIKE, "systems.voltage-discharge", {"high_voltage/discharge": "active"}, "stop", "5.1 s, 5 are asked"),
    (
        BIKE,
        "systems.voltage-fuse",
        {"high_voltage/fuse_for": "alternating current"},
        "stop",
        "an arc that does not go out",
    ),
    (BIKE, "systems.voltage-fuse", {"high_voltage/fuse_volts": m("58 V")}, "stop", "half of the pack"),
    (BIKE, "systems.voltage-interlock", {"high_voltage/interlock": "no"}, "stop", "a cover that opens nothing"),
    (BIKE, "systems.voltage-moving", {}, "ok", "chosen"),
    (PLANE, "systems.reach", {"access/drain/reached": "not at all"}, "stop", "oil that never changes"),
    (BOAT, "systems.joint", {"joints/mounting/done": "kept"}, "stop", "a pattern that differs, kept"),
    (BOAT, "systems.begun", {"fuel/fed": None}, "unknown", "a lane that nobody began"),
]


def edited(project: Project, changes: dict[str, Any]) -> Project:
    return put(project, {k if k.startswith("/") else f"{S}/{k}": v for k, v in changes.items()})


@pytest.mark.parametrize(
    ("project", "rule", "changes", "level", "why"), JUDGED, ids=[f"{r}: {w}" for _, r, _, _, w in JUDGED]
)
def test_it_is_judged_as_an_engineer_would(
    project: Project, rule: str, changes: dict[str, Any], level: str, why: str
) -> None:
    assert worst(edited(project, changes), rule) == level, why


def test_every_rule_of_systems_is_judged_here() -> None:
    from crooked_keel.core.benches import RULES_OF

    beside = {a.rule.id for a in RULES_OF["systems"] if a.rule.id.startswith("systems.charge-")}  # test_charging
    beside.add("systems.induction-hot")  # test_charge_air
    assert {a.rule.id for a in RULES_OF["systems"]} == {r for _, r, _, _, _ in JUDGED} | beside


def test_two_coolers_behind_one_another_and_side_by_side() -> None:
    """9 kW ahead warm 0.6 kg/s of air from 38 to 52.9 °C (worked case); side by side like cores share it by their
    faces."""
    oil = {
        "name": "oil cooler",
        "rank": 1.0,
        "carries": "oil",
        "stands": "behind the first",
        "conductance": m("180 W/K"),
        "heat": m("4 kW"),
        "flow": m("14 L/min"),
        "face": m("300 cm²"),
    }
    radiator = "cooling/coolers/radiator"
    first = {f"{radiator}/stands": "first in the air", f"{radiator}/face": m("700 cm²")}
    behind = edited(PLANE, {**first, "cooling/coolers/oil": oil})
    beside = edited(PLANE, {**first, "cooling/coolers/oil": {**oil, "stands": "beside the first"}})
    degrees = lambda p, key: next(f for f in found(p, "systems.cooling-settles") if f.key.endswith(key)).compared.value  # type: ignore[union-attr]
    assert degrees(behind, "oil") > degrees(beside, "oil")
    assert degrees(beside, "radiator") > degrees(behind, "radiator") == pytest.approx(degrees(PLANE, "radiator"))
    alone = edited(PLANE, {"cooling/coolers/oil": oil})
    assert worst(alone, "systems.cooling-settles") == "unknown"  # nobody said where the radiator stands


def test_one_that_fails_stands_beside_one_that_is_not_known() -> None:
    """A blank wire hides nothing of the fuse that burns after its wire."""
    blank = edited(VAN, {"electric/wires/starter/current": None, "electric/wires/starter/size": None})
    assert worst(blank, "systems.current-fuse") == "stop"
    assert {f.level for f in found(blank, "systems.current-wire")} == {"ok", "unknown"}


@pytest.mark.parametrize(
    ("project", "rule", "changes", "level"),
    [
        (PLANE, "systems.cooling-traps", {"cooling/loop/hump/height": None}, "watch"),
        (PLANE, "systems.cooling-traps", {"cooling/header_height": None}, "stop"),
        (
            PLANE,
            "systems.current-source",
            {"electric/source_cruise": m("100 W"), "electric/loads/radio/power": None},
            "stop",
        ),
        (PLANE, "systems.current-source", {"electric/loads/radio/power": None}, "watch"),
        (BOAT, "systems.current-source", {"electric/loads/pump/duty": None}, "unknown"),
        (
            PLANE,
            "systems.exhaust-back",
            {"exhaust/path/pipe/bore": m("18 mm"), "exhaust/path/bend/kind": None},
            "stop",
        ),
        (PLANE, "systems.exhaust-back", {"exhaust/path/bend/bore": None}, "unknown"),
    ],
    ids=lambda v: str(v)[:40] if isinstance(v, str) else "",
)
def test_what_is_known_of_the_rest_stands(project: Project, rule: str, changes: dict[str, Any], level: str) -> None:
    """A sum that is over already is over whatever is not known of it; one that is not says what it left out."""
    (made,) = found(edited(project, changes), rule)
    assert made.level == level
    if level != "ok":
        assert "Not judged" in said(made) and made.needs


def test_the_injection_is_judged_on_its_own_side_whichever_that_is() -> None:
    side = value_at(BOAT, f"{S}/exhaust/injection_butt_line")
    port = edited(BOAT, {"exhaust/injection_butt_line": m(side.entered, dir="port")})
    assert [f.compared for f in found(port, "systems.exhaust-injection")] == [
        f.compared for f in found(BOAT, "systems.exhaust-injection")
    ]


def test_it_says_its_limit_and_what_it_did_not_look_at() -> None:
    (injection,) = found(BOAT, "systems.exhaust-injection")
    assert "Six aboard" in said(injection) and "0.15 m" in said(injection) and "Waves" in said(injection)
    (growth,) = found(VAN, "systems.exhaust-growth")
    assert "2.16 mm" in said(growth) and "as hot as the gas" in said(growth)
    (leak,) = found(BIKE, "systems.voltage-isolation")
    assert "do not energise" in said(leak) and "two people" in said(leak)


@pytest.mark.parametrize(
    ("project", "rule", "changes", "words"),
    [
        (PLANE, "systems.cooling-bore", {"cooling/loop/down/bore": m("0 mm")}, "above zero"),
        (BOAT, "systems.oil-fill", {"oil/run": m("6 L")}, "order"),
        (BIKE, "systems.voltage-isolation", {"high_voltage/first_pole": m("40 V")}, "larger"),
        (BIKE, "systems.voltage-isolation", {"high_voltage/first_pole_after": m("90 V")}, "less"),
        (BIKE, "systems.voltage-isolation", {"high_voltage/first_pole": m("400 V")}, "add up"),
        (
            BIKE,
            "systems.voltage-isolation",
            {"high_voltage/first_pole": m("1 V"), "high_voltage/other_pole": m("1 V")},
            "meter",
        ),
    ],
    ids=lambda v: str(v)[:24] if isinstance(v, str) else "",
)
def test_what_cannot_be_is_said_at_its_field(project: Project, rule: str, changes: dict[str, Any], words: str) -> None:
    (bad,) = [f for f in found(edited(project, changes), rule) if f.level == "unknown"]
    (need,) = bad.needs
    assert need.pointer in {f"{S}/{k}" for k in changes} | {f"{S}/oil/run", f"{S}/high_voltage/other_pole"}
    assert need.given and words in f"{need.what} {need.allowed}"


@pytest.mark.parametrize("text", ["1200 L/h of 3", "2 m³/s", "70 L", "-3 L/min"])
def test_a_flow_that_cannot_be_is_refused_as_it_is_typed(text: str) -> None:
    with pytest.raises(InputError) as bad:
        edited(BOAT, {"cooling/pump": m(text)})
    assert bad.value.field == f"{S}/cooling/pump" and bad.value.allowed


def test_what_still_runs_when_one_part_is_lost() -> None:
    lost = answer(STUDIES["one-lost"], PLANE, "a")
    first = lost.parts[0]
    assert (first.name, len(first.stops), first.runs) == ("ignition switch", 2, [])
    assert all(p.stops == [] for p in lost.parts if p.role == "source")
    blank = answer(STUDIES["one-lost"], BOAT, "a")
    assert blank.parts == [] and blank.needs[0].pointer == f"{S}/electric/circuit"


def test_the_contactors_know_their_circuit() -> None:
    """120 Ω and 1.5 mF take 0.54 s to 95 %; of 124 V a link with 60 V is a welded contactor."""
    run = lambda *events: answer(STUDIES["contactors"], BIKE, "a", events=list(events))
    up = run("key_on", "selftest_ok", "link_reaches_95pct_at_0.54s")
    assert up.state == "ARMED" and up.t95_si == pytest.approx(0.5392, rel=1e-3) and not up.taken
    assert run("key_on", "link_at_9pct_before_close").state == "SELF_TEST"
    assert run("key_on", "link_at_49pct_before_close").cause == "contactor welded"
    assert answer(STUDIES["contactors"], DEMO_OF["motorcycle"], "a", events=[]).state == "OFF"
    with pytest.raises(InputError):
        answer(STUDIES["contactors"], BOAT, "a", events=[])
