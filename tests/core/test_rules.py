"""Each rule at each of its levels: one edit of the demonstration, the finding that follows, and why."""

from __future__ import annotations

from typing import Any

import pytest

from crooked_keel.core.assess import Assessment
from crooked_keel.core.document import Project, apply_operations, value_at
from tests.conftest import made_lapwing
from tests.kept import judged

DEMO = made_lapwing()
A, B = "/fits/a/installations/main", "/fits/b/installations/main"
OLD = "/old_installations/main"
POINTS = ("top-port", "top-starboard", "low-starboard", "low-port")


def put(project: Project, figures: dict[str, Any]) -> Project:
    return apply_operations(
        project,
        [
            {"op": "remove", "path": p}
            if v is None
            else {"op": "replace" if value_at(project, p) is not None else "add", "path": p, "value": v}
            for p, v in figures.items()
        ],
    )


def level(made: Assessment, key: str) -> str:
    return next(f.level for f in made.findings if f.key == key)


def strengths(newtons: str, base: str = A) -> dict[str, Any]:
    return {f"{base}/mount/points/{k}/strength": newtons for k in POINTS}


LOADINGS = tuple(DEMO.loadings)


def _tank(where: str, capacity: str, y: str) -> dict[str, Any]:
    place = {"station": "700 mm", "butt_line": y, "water_line": "700 mm"}
    return {"name": f"{where} tank", "where": where, "capacity": capacity, "density": "720 kg/m³", **place}


def _fuel(tank: str, volume: str) -> dict[str, Any]:
    return {f"/loadings/{k}/fuel/{tank}": volume for k in LOADINGS}


TANKS = {
    "/craft/tanks/port": _tank("wing", "30 L", "2000 mm") | {"butt_line": {"entered": "2000 mm", "dir": "port"}},
    "/craft/tanks/starboard": _tank("wing", "30 L", "2000 mm"),
    **_fuel("port", "30 L"),
    **_fuel("starboard", "30 L"),
}
WING = {
    "/craft/wing/half_span": "5200 mm",
    "/craft/wing/load_factor": "3.8",
    "/craft/wing/mass": "80 kg",
    "/craft/wing/cg_at": "2100 mm",
}
HUNG = {
    f"{A}/unit/hung/first_aft": "0 mm",
    f"{A}/unit/hung/first_up": "335 mm",
    f"{A}/unit/hung/first_mark_aft": {"entered": "490 mm"},
    f"{A}/unit/hung/first_mark_up": {"entered": "265 mm", "dir": "down"},
    f"{A}/unit/hung/second_aft": "500 mm",
    f"{A}/unit/hung/second_up": "290 mm",
    f"{A}/unit/hung/second_mark_aft": {"entered": "10 mm", "dir": "forward"},
    f"{A}/unit/hung/second_mark_up": {"entered": "220 mm", "dir": "down"},
}


def _turns(main: str, wings: str) -> dict[str, Any]:
    return {"/craft/tanks/header/turn": main, "/craft/tanks/port/turn": wings, "/craft/tanks/starboard/turn": wings}


def _told(lever: str, came: str) -> dict[str, Any]:
    return {
        "/craft/story/old_mass": "180 lb",
        "/craft/story/new_mass": "280 lb ±1 lb",
        "/craft/story/lever": lever,
        "/craft/story/moved_aft": "10 in ±0.2 in",
        "/craft/story/cg_forward": came,
    }


def _crane(mass: str, cg: str, legs: str, hook: str) -> dict[str, Any]:
    return {f"{A}/unit/lifting/crane": {"mass": mass, "cg": cg, "legs": legs, "hook": hook}}


# key, fit, edits, level
# Nobody said whether the stage keeps or flips the turning.
LOOSE: dict[str, Any] = {f"{A}/drive/stages/belt/turning": None}

CASES: list[tuple[str, str, dict[str, Any], str]] = [
    ("choose.curve", "a", {}, "ok"),
    ("choose.curve", "a", {f"{A}/unit/power": "95 hp"}, "watch"),
    ("choose.curve", "a", {f"{A}/unit/power": "104 hp"}, "stop"),
    (
        "choose.curve",
        "a",
        {
            f"{A}/unit/curve": [
                {"speed": "2000 rpm", "torque": "100 N·m"},
                {"speed": "1900 rpm", "torque": "100 N·m"},
                {"speed": "2100 rpm", "torque": "9 N·m"},
            ]
        },
        "unknown",
    ),
    ("choose.lasting", "a", {}, "ok"),
    ("choose.lasting", "a", {f"{A}/unit/power": "100 hp", f"{A}/unit/curve": None}, "watch"),
    (
        "choose.lasting",
        "a",
        {f"{A}/unit/ratings/rating-1/limit": "for so long", f"{A}/unit/ratings/rating-1/lasts": "10 min"},
        "unknown",
    ),
    ("choose.lasting", "a", {f"{A}/unit/ratings/rating-1/limit": None}, "unknown"),
    ("choose.power-there", "a", {}, "ok"),
    ("choose.power-there", "a", {"/need/power": "62 hp"}, "watch"),
    ("choose.power-there", "a", {"/need/power": "70 hp"}, "stop"),
    ("choose.power-there", "a", {f"{A}/unit/breathing": None}, "unknown"),
    (
        "choose.power-there",
        "a",
        {"/need/power": "70 hp", f"{A}/unit/breathing": "turbocharged", f"{A}/unit/critical_altitude": "8000 ft"},
        "ok",
    ),
    ("choose.power-there", "a", {f"{A}/unit/breathing": "flat rated"}, "unknown"),
    ("choose.heat", "a", {}, "watch"),
    ("choose.heat", "b", {}, "watch"),
    ("choose.heat", "b", {f"{OLD}/unit/power": "74 hp"}, "ok"),
    ("choose.heat", "a", {f"{OLD}/unit/heat": "40 kW"}, "ok"),
    ("choose.heat", "a", {f"{OLD}/unit/heat": "38 kW"}, "watch"),
    ("choose.heat", "a", {f"{OLD}/unit/heat": None}, "unknown"),
    ("choose.heat", "a", {f"{A}/unit/heat": None}, "unknown"),
    ("choose.left-out", "a", {}, "ok"),
    ("choose.left-out", "a", {f"{A}/unit/accessories/starter/counted": "on top of it"}, "watch"),
    ("choose.left-out", "a", {f"{A}/unit/accessories/starter/counted": None}, "watch"),
    (
        "choose.left-out",
        "a",
        {f"{A}/unit/accessories/starter/counted": "on top of it", f"{A}/unit/accessories/starter/mass": None},
        "unknown",
    ),
    ("choose.left-out", "b", {f"{B}/unit/condition": "dry"}, "watch"),
    ("choose.port:mounting", "a", {}, "watch"),
    ("choose.port:output", "a", {}, "watch"),
    ("choose.port:coolant", "a", {}, "watch"),
    (
        "choose.port:mounting",
        "a",
        {f"{A}/unit/ports/mounting/across": "230 mm", f"{A}/unit/ports/mounting/foot_height": "105 mm"},
        "ok",
    ),
    ("choose.money", "a", {}, "ok"),
    ("choose.money", "a", {"/fits/a/money/line-1/committed": "11500"}, "watch"),
    ("choose.money", "a", {"/need/most_cost": "12000"}, "stop"),
    (
        "choose.money",
        "a",
        {**{f"/fits/a/money/line-1/{k}": None for k in ("planned", "committed", "spent")}},
        "unknown",
    ),
    ("choose.complete", "a", {}, "ok"),
    ("choose.complete", "a", {"/fits/a/money/line-2": None, "/fits/a/money/line-4": None}, "watch"),
    ("choose.complete", "b", {"/fits/b/money": {}}, "watch"),
    ("choose.complete", "a", {f"/fits/a/money/line-1/{k}": None for k in ("planned", "committed", "spent")}, "unknown"),
    ("choose.wait", "a", {}, "ok"),
    ("choose.wait", "a", {"/need/longest_wait": "6 weeks"}, "watch"),
    ("craft.as-found", "a", {}, "ok"),
    ("craft.as-found", "a", {"/craft/supports/tail": None}, "unknown"),
    ("craft.empty-scale:tail", "a", {"/craft/supports/tail/reading": "3.4 kg"}, "watch"),
    ("craft.level", "a", {"/craft/as_found/pitch": "0.3°"}, "ok"),
    ("craft.level", "a", {"/craft/as_found/pitch": "-1°"}, "watch"),
    ("craft.level", "a", {"/craft/as_found/pitch": "1°", "/craft/as_found/water_line": None}, "watch"),
    ("craft.level", "a", {"/craft/as_found/pitch": "3°", "/craft/as_found/water_line": None}, "stop"),
    ("craft.level", "a", {"/craft/as_found/pitch": "7°"}, "unknown"),
    ("craft.report", "a", {"/craft/as_found/method": "report"}, "watch"),
    ("craft.limits", "a", {"/craft/limits/gross": None}, "unknown"),
    ("craft.levelling", "a", {"/craft/datum_note": ""}, "unknown"),
    ("craft.outline", "a", {"/craft/outline/fin_top": None}, "unknown"),
    ("craft.fuel", "a", {"/craft/tanks/header/capacity": None}, "unknown"),
    ("craft.references", "a", {"/craft/references/firewall": None}, "unknown"),
    ("balance.cg-forward", "a", {}, "stop"),
    ("balance.cg-forward", "a", {f"{A}/placement/flange_station": {"entered": "690 mm", "dir": "forward"}}, "watch"),
    ("balance.cg-forward", "b", {}, "ok"),
    ("balance.cg-aft", "b", {}, "ok"),
    ("balance.cg-aft", "b", {"/loadings/rear/loads/rear": "108 kg", "/loadings/rear/loads/front": "0 kg"}, "watch"),
    ("balance.cg-aft", "b", {"/loadings/rear/loads/baggage": "60 kg"}, "stop"),
    ("balance.mass-max", "b", {}, "ok"),
    ("balance.mass-max", "b", {"/craft/limits/gross": "512 kg"}, "watch"),
    ("balance.mass-max", "b", {"/craft/limits/gross": "500 kg"}, "stop"),
    ("balance.envelope-range:rear", "b", {"/loadings/rear/loads/front": "110 kg"}, "stop"),
    (
        "balance.envelope-range:light",
        "b",
        {
            "/loadings/light/loads/front": "0 kg",
            "/craft/limits/envelope": [
                {"station": s, "mass": m}
                for s, m in (("570 mm", "360 kg"), ("570 mm", "550 kg"), ("860 mm", "550 kg"), ("860 mm", "360 kg"))
            ],
        },
        "watch",
    ),
    ("balance.cg-lateral", "a", {}, "ok"),
    (
        "balance.cg-lateral",
        "a",
        {"/craft/limits/port": None, "/craft/limits/starboard": None, "/fits/a/ledger/battery/butt_line": "2500 mm"},
        "watch",
    ),
    ("balance.cg-lateral", "a", {"/fits/a/ledger/battery/butt_line": "5000 mm"}, "stop"),
    ("balance.supports", "b", {}, "ok"),
    ("balance.supports", "a", {}, "watch"),
    ("balance.supports", "b", {"/fits/b/ledger/cowl/mass": "150 kg"}, "stop"),
    ("balance.rests-on-guess", "b", {}, "ok"),
    (
        "balance.rests-on-guess",
        "a",
        {f"{A}/placement/flange_station": {"entered": "690 mm", "dir": "forward"}},
        "watch",
    ),
    ("balance.condition:main", "a", {f"{A}/unit/condition": "ready to run"}, "ok"),
    ("balance.condition:main", "a", {f"{A}/unit/condition": None}, "watch"),
    ("balance.double-count", "a", {}, "ok"),
    ("balance.double-count:/fits/a/ledger/pump", "a", {"/fits/a/ledger/pump/name": "NEW  Cowl"}, "watch"),
    ("balance.double-count:main /fits/a/ledger/exhaust", "a", {f"{A}/unit/condition": "ready to run"}, "watch"),
    ("balance.double-count:place /fits/a/ledger/battery", "a", {"/fits/a/ledger/battery/station": "7 m"}, "watch"),
    ("balance.engine-out", "a", {}, "ok"),
    (
        "craft.repeats:tail",
        "a",
        {"/craft/supports/tail/reading_2": "24.9 kg", "/craft/supports/tail/reading_3": "24.95 kg"},
        "ok",
    ),
    ("craft.repeats:tail", "a", {"/craft/supports/tail/reading_2": "25.4 kg"}, "watch"),
    ("balance.tipping", "a", {}, "ok"),
    ("balance.tipping", "a", {"/ledger/old-exhaust/station": "5000 mm", "/ledger/old-exhaust/mass": "28 kg"}, "watch"),
    ("balance.tipping", "a", {"/ledger/old-exhaust/station": "5000 mm", "/ledger/old-exhaust/mass": "45 kg"}, "stop"),
    ("balance.wide-tolerance:radiator", "a", {"/fits/a/ledger/radiator/mass": "0.8 kg ±1.5 kg estimated"}, "watch"),
    ("balance.cg-lateral", "a", {"/craft/limits/port": "50 mm", "/craft/limits/starboard": "40 mm"}, "unknown"),
    ("craft.fuel", "a", {"/craft/tanks/header/density": "1400 kg/m³"}, "unknown"),
    (
        "balance.ballast-security",
        "a",
        {
            "/fits/a/ledger/lead": {
                "name": "Lead, tail",
                "kind": "installed",
                "mass": "3 kg",
                "station": "4880 mm",
                "butt_line": "0 mm",
                "water_line": "0 mm",
            }
        },
        "watch",
    ),
    ("balance.mass-landing", "a", {"/craft/limits/landing": "550 kg"}, "ok"),
    ("balance.mass-landing", "a", {"/craft/limits/landing": "535 kg"}, "watch"),
    ("balance.mass-landing", "a", {"/craft/limits/landing": "500 kg"}, "stop"),
    ("balance.mass-zero-fuel", "a", {"/craft/limits/zero_fuel": "540 kg"}, "ok"),
    ("balance.mass-zero-fuel", "a", {"/craft/limits/zero_fuel": "529 kg"}, "watch"),
    ("balance.mass-zero-fuel", "a", {"/craft/limits/zero_fuel": "520 kg"}, "stop"),
    ("balance.place-cap", "a", {}, "ok"),
    ("balance.place-cap:rear baggage", "a", {"/craft/seats/baggage/heaviest": "9 kg"}, "stop"),
    ("balance.useful-load", "a", {"/craft/limits/gross": "650 kg"}, "ok"),
    ("balance.useful-load", "a", {}, "watch"),
    ("balance.useful-load", "a", {"/craft/limits/gross": "470 kg"}, "stop"),
    ("balance.mass-target", "a", {"/craft/limits/empty_wanted": "390 kg"}, "ok"),
    ("balance.mass-target", "a", {"/craft/limits/empty_wanted": "373 kg"}, "watch"),
    ("balance.mass-target", "a", {"/craft/limits/empty_wanted": "365 kg"}, "stop"),
    ("balance.one-side-fuel", "a", {**TANKS, "/craft/limits/port": None, "/craft/limits/starboard": None}, "watch"),
    (
        "balance.one-side-fuel",
        "a",
        {**TANKS, "/craft/limits/port": {"entered": "20 mm", "dir": "port"}, "/craft/limits/starboard": "20 mm"},
        "stop",
    ),
    (
        "balance.one-side-fuel",
        "a",
        {**TANKS, "/craft/limits/port": {"entered": "120 mm", "dir": "port"}, "/craft/limits/starboard": "120 mm"},
        "ok",
    ),
    ("balance.burn-order", "b", {**TANKS, **_turns("1", "2")}, "ok"),
    (
        "balance.burn-order",
        "b",
        {
            **TANKS,
            **_turns("1", "2"),
            "/craft/limits/envelope": None,
            "/craft/limits/forward": "660 mm",
            "/craft/limits/aft": "700 mm",
        },
        "stop",
    ),
    ("balance.wing-bending", "b", {**WING, "/fits/b/installations/main/unit/mass": "75 kg"}, "watch"),
    ("balance.wing-bending", "b", {**WING, "/fits/b/installations/main/unit/mass": "60 kg"}, "ok"),
    (
        "balance.wing-bending",
        "a",
        {**WING, "/fits/a/tanks/belly": _tank("belly", "100 L", "0 mm"), **_fuel("belly", "100 L")},
        "stop",
    ),
    ("balance.wing-bending", "a", {"/craft/wing/half_span": "5 m"}, "unknown"),
    ("balance.wing-bending", "a", {**WING, "/craft/wing/mass": None}, "unknown"),
    ("balance.zero-wing-fuel", "a", {"/craft/limits/no_wing_fuel": "560 kg"}, "ok"),
    ("balance.zero-wing-fuel", "a", {"/craft/limits/no_wing_fuel": "540 kg"}, "stop"),
    ("balance.zero-wing-fuel", "a", {**TANKS}, "watch"),
    (
        "balance.zero-wing-fuel",
        "a",
        {**TANKS, "/fits/a/tanks/belly": _tank("belly", "40 L", "0 mm"), **_fuel("belly", "40 L")},
        "stop",
    ),
    (
        "balance.tip-fuel",
        "a",
        {
            **WING,
            "/fits/a/ledger/pod": {
                "name": "Pod",
                "kind": "installed",
                "mass": "5 kg",
                "station": "700 mm",
                "butt_line": "4700 mm",
                "water_line": "700 mm",
            },
        },
        "stop",
    ),
    ("balance.tip-fuel", "a", {"/fits/a/tanks/tip": _tank("wing tip", "10 L", "4500 mm")}, "stop"),
    ("balance.story", "a", {**_told("37 in ±0.5 in", "1 in ±0.05 in")}, "ok"),
    ("balance.story", "a", {**_told("37 in ±0.5 in", "1 in ±0.5 in")}, "watch"),
    ("balance.story", "a", {**_told("60 in ±1 in", "1 in ±0.1 in")}, "stop"),
    ("balance.story", "a", {**_told("-37 in ±1 in", "1 in ±0.1 in")}, "stop"),
    ("balance.story", "a", {**_told("37 in ±1 in", "1 in ±1.1 in")}, "unknown"),
    ("balance.story", "a", {"/craft/story/lever": "37 in ±1 in"}, "unknown"),
    (
        "balance.surprise:fits.a.installations.main.mount.mass",
        "a",
        {f"{A}/mount/mass": {"entered": "6.5 kg", "source": "measured"}},
        "watch",
    ),
    ("balance.unit-hung:main", "a", {**HUNG}, "ok"),
    ("balance.unit-hung:main", "a", {**HUNG, f"{A}/unit/cg_up": "80 mm"}, "watch"),
    ("balance.crane:main", "a", {**_crane("75 kg", "550 mm", "1450 mm", "1000 mm")}, "ok"),
    ("balance.crane:main", "a", {**_crane("75 kg", "550 mm", "1450 mm", "2000 mm")}, "watch"),
    ("balance.crane:main", "a", {**_crane("35 kg", "550 mm", "1450 mm", "2200 mm")}, "stop"),
    (
        "balance.pick-tilt:main",
        "a",
        {f"{A}/unit/lifting/first_aft": "245 mm", f"{A}/unit/lifting/first_up": "400 mm"},
        "watch",
    ),
    (
        "balance.pick-tilt:main",
        "a",
        {f"{A}/unit/lifting/first_aft": "300 mm", f"{A}/unit/lifting/first_up": "400 mm"},
        "watch",
    ),
    (
        "balance.sling-angle:main",
        "a",
        {
            f"{A}/unit/lifting/first_aft": "0 mm",
            f"{A}/unit/lifting/first_up": "300 mm",
            f"{A}/unit/lifting/second_aft": "500 mm",
            f"{A}/unit/lifting/second_up": "300 mm",
            f"{A}/unit/lifting/hook_up": "800 mm",
        },
        "ok",
    ),
    (
        "balance.sling-angle:main",
        "a",
        {
            f"{A}/unit/lifting/first_aft": "0 mm",
            f"{A}/unit/lifting/first_up": "300 mm",
            f"{A}/unit/lifting/second_aft": "500 mm",
            f"{A}/unit/lifting/second_up": "300 mm",
            f"{A}/unit/lifting/hook_up": "400 mm",
        },
        "stop",
    ),
    (
        "balance.hoist:main",
        "a",
        {f"{A}/unit/lifting/first_aft": "245 mm", f"{A}/unit/lifting/first_up": "400 mm"},
        "unknown",
    ),
    (
        "balance.hoist:main",
        "a",
        {
            f"{A}/unit/lifting/first_aft": "245 mm",
            f"{A}/unit/lifting/first_up": "400 mm",
            f"{A}/unit/lifting/rating": "250 kg",
        },
        "ok",
    ),
    (
        "balance.hoist:main",
        "a",
        {
            f"{A}/unit/lifting/first_aft": "245 mm",
            f"{A}/unit/lifting/first_up": "400 mm",
            f"{A}/unit/lifting/rating": "80 kg",
        },
        "stop",
    ),
    (
        "balance.engine-out",
        "a",
        {"/ledger/old-exhaust/station": "5000 mm", "/ledger/old-exhaust/mass": "25 kg"},
        "watch",
    ),
    (
        "balance.engine-out",
        "a",
        {"/ledger/old-exhaust/station": "5000 mm", "/ledger/old-exhaust/mass": "60 kg"},
        "stop",
    ),
    ("balance.worst-loading", "b", {}, "ok"),
    ("balance.worst-loading", "b", {"/craft/seats/baggage/heaviest": "33 kg"}, "watch"),
    ("balance.worst-loading", "b", {"/craft/seats/baggage/heaviest": "45 kg"}, "stop"),
    ("balance.worst-loading", "a", {}, "stop"),
    ("balance.worst-loading", "b", {"/craft/seats/rear/heaviest": None}, "unknown"),
    ("balance.worst-loading", "b", {"/craft/seats/front/heaviest": "40 kg"}, "unknown"),
    ("balance.loadings:light", "a", {"/loadings/light/loads/rear": None}, "unknown"),
    ("drive.tip-mach", "a", {}, "ok"),
    ("drive.tip-mach", "a", {"/assumptions/tip_mach": "0.75"}, "watch"),
    ("drive.tip-mach", "a", {"/assumptions/tip_mach": "0.60"}, "stop"),
    ("drive.flat-tyre", "a", {}, "ok"),
    ("drive.flat-tyre", "a", {"/craft/gear_drop": "95 mm ±170 mm"}, "watch"),
    ("drive.flat-tyre", "a", {"/craft/gear_drop": "265 mm"}, "watch"),
    ("drive.flat-tyre", "a", {"/craft/gear_drop": "300 mm"}, "stop"),
    ("drive.ground-clearance", "b", {}, "ok"),
    ("drive.ground-clearance", "a", {}, "watch"),
    ("drive.ground-clearance", "a", {"/assumptions/ground_clearance": "300 mm"}, "stop"),
    ("drive.ground-clearance", "a", {"/craft/layout": "tricycle"}, "ok"),
    ("drive.rotation", "a", {}, "ok"),
    ("drive.rotation", "a", {f"{A}/drive/stages/belt/type": "crossed belt", **LOOSE}, "stop"),
    ("drive.rotation", "a", {f"{A}/drive/stages/belt/type": "gear", **LOOSE}, "unknown"),
    ("drive.rotation", "a", {f"{A}/drive/stages/belt/turning": "flips"}, "unknown"),
    ("drive.blades", "a", {f"{A}/propeller/blades": "1"}, "watch"),
    ("drive.hunting-tooth:belt", "a", {f"{A}/drive/stages/belt/type": "gear"}, "watch"),
    ("mount.cases", "a", {}, "ok"),
    ("mount.cases:gaps", "a", {f"{A}/mount/thrust": None}, "unknown"),
    ("mount.held", "a", {f"{A}/mount/points/{k}": None for k in POINTS[1:]}, "stop"),
    ("mount.held", "a", {f"{A}/mount/points/{k}": None for k in POINTS[2:]}, "stop"),
    ("mount.held", "a", {f"{A}/mount/points/{k}": None for k in POINTS}, "unknown"),
    ("mount.reserve", "a", {}, "ok"),
    ("mount.reserve", "a", strengths("6.8 kN"), "watch"),
    ("mount.reserve", "a", strengths("5 kN"), "stop"),
    ("mount.against-old", "a", {}, "ok"),
    ("mount.against-old", "a", {f"{A}/propeller/inertia": "1.4 kg·m²"}, "watch"),
    ("mount.against-old", "a", {f"{A}/propeller/inertia": "2.5 kg·m²"}, "stop"),
    ("mount.against-old", "a", {"/old_installations/main": None}, "unknown"),
    ("mount.limit-torque", "a", {f"{A}/unit/kind": "electric"}, "unknown"),
    ("mount.limit-torque", "a", {f"{A}/unit/kind": "electric", f"{A}/mount/torque_factor": "1.2"}, "ok"),
    ("align.rear-clearance", "a", {}, "ok"),
    ("align.rear-clearance", "a", {f"{A}/unit/length": "662 mm"}, "watch"),
    ("align.rear-clearance", "a", {f"{A}/unit/length": "672 mm"}, "stop"),
    ("align.thrust-side", "a", {}, "ok"),
    ("align.thrust-side", "a", {f"{A}/placement/right": "-1.5°"}, "watch"),
    ("align.thrust-side", "a", {f"{A}/placement/right": "0.1°", f"{A}/propeller/turns": None}, "ok"),
    ("align.held-flange", "a", {f"{A}/unit/length": None}, "unknown"),
    ("align.tubes", "a", {f"{A}/mount/points/top-port/structure_butt_line": None}, "unknown"),
]


@pytest.mark.parametrize(
    ("key", "fit", "edits", "wanted"), CASES, ids=[f"{k}-{w}-{i}" for i, (k, _, _, w) in enumerate(CASES)]
)
def test_rule_at_its_level(key: str, fit: str, edits: dict[str, Any], wanted: str) -> None:
    made = judged(put(DEMO, edits), fit)
    assert not made.failures
    assert level(made, key) == wanted


@pytest.mark.parametrize("fit", ["a", "b", None])
def test_what_is_compared_agrees_with_the_level(fit: str | None) -> None:
    """A finding that is ok lies between its bounds; one that stops for a bound lies outside."""
    for finding in judged(DEMO, fit).findings:
        c = finding.compared
        if c is None:
            continue
        inside = (c.lo is None or c.value >= c.lo - 1e-12) and (c.hi is None or c.value <= c.hi + 1e-12)
        if finding.level == "ok":
            assert inside, finding.key
        if finding.level == "stop":
            assert not inside, finding.key


def test_findings_come_worst_first() -> None:
    order = ["stop", "watch", "unknown", "ok"]
    levels = [order.index(f.level) for f in judged(put(DEMO, {f"{A}/mount/thrust": None}), "a").findings]
    assert levels == sorted(levels)


def test_nothing_is_ever_called_safe() -> None:
    for fit in ("a", "b"):
        for finding in judged(DEMO, fit).findings:
            assert "safe" not in (finding.title.template + finding.message.template).lower()


@pytest.mark.parametrize("gear", ["tailwheel", "tricycle"])
def test_a_tricycle_is_weighed_by_the_same_sums(gear: str) -> None:
    """Nose wheel ahead of the mains; FAA-H-8083-1B ch. 3 case in the form of supports (from memory)."""
    nose = {
        "name": "nose wheel",
        "role": "nose",
        "station": "50 in",
        "butt_line": "0 in",
        "reading": "340 lb",
        "tare": "0 lb",
    }
    edits = {
        "/craft/layout": gear,
        "/craft/supports/tail": None,
        "/craft/supports/nose": nose,
        "/craft/as_found/corrections/unusable": None,
        "/craft/as_found/corrections/tools": None,
    }
    for side, pounds in (("port", 830), ("starboard", 836)):
        edits |= {
            f"/craft/supports/main-{side}/{k}": v
            for k, v in (("station", "128 in"), ("reading", f"{pounds} lb"), ("tare", "0 lb"))
        }
    made = judged(put(DEMO, edits), None)
    found = next(v for v in made.values if v.id == "craft.station-found")
    assert found.si is not None and found.si / 0.0254 == pytest.approx(114.78, abs=5e-3)
