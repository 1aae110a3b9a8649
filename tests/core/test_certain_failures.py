"""What cannot work is a stop and no open question: it stays one however much else is blank, it says its limit, and what
is only nearly so is no better."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any, NamedTuple

import pytest

from crooked_keel.core.document import Project, plain, value_at
from crooked_keel.core.judging.finding import Finding
from crooked_keel.exchange.present import sentence
from tests.conftest import DEMO_OF, put
from tests.kept import judged, suggest

U = "/fits/{fit}/installations/main"


class Case(NamedTuple):
    """A document on which a competent engineer says stop: what was typed, the rule, words that it must say, what may be
    blank besides, and the same put right."""

    kind: str
    fit: str
    changes: dict[str, str]
    rule: str
    words: tuple[str, ...]
    blank: tuple[str, ...]
    right: dict[str, str]


CASES = {
    "packs side by side of two voltages": Case(
        "motorcycle",
        "a",
        {f"{U}/packs/side/full_voltage": "84 V"},
        "drive.voltage",
        ("84 V", "124 V", "2 %", "burn"),
        (f"{U}/unit/voltage_limit", f"{U}/packs/side/voltage", f"{U}/packs/low/voltage"),
        {f"{U}/packs/side/full_voltage": "123 V"},
    ),
    "a shock that points at its pivot": Case(
        "scooter",
        "a",
        {f"{U}/mount/swing/shock_upper_station": "1382.5 mm", f"{U}/mount/swing/shock_upper_water_line": "305 mm"},
        "mount.swing",
        ("nothing holds the arm", "0.1 mm"),
        (
            f"{U}/mount/swing/pivot_strength",
            f"{U}/mount/swing/shock_strength",
            f"{U}/mount/swing/mass",
            f"{U}/mount/swing/cg_station",
            "/craft/supports/rear/station",
        ),
        {
            f"{U}/mount/swing/shock_upper_station": "1120 mm",
            f"{U}/mount/swing/shock_upper_water_line": "610 mm",
            f"{U}/mount/swing/shock_strength": "30 kN",
        },
    ),
    "sprockets that overlap": Case(
        "motorcycle",
        "a",
        {f"{U}/drive/stages/chain/centres": "100 mm"},
        "drive.chain-closes",
        ("overlap", "180 mm"),
        (f"{U}/drive/stages/chain/reach", f"{U}/drive/stages/chain/strength"),
        {f"{U}/drive/stages/chain/centres": "600 mm"},
    ),
    "nine teeth, wherever it sits": Case(
        "motorcycle",
        "a",
        {f"{U}/drive/stages/chain/driver_teeth": "9"},
        "drive.small-sprocket",
        ("9 teeth", "11"),
        ("/craft/supports/rear/station", f"{U}/placement/flange_station"),
        {f"{U}/drive/stages/chain/driver_teeth": "15"},
    ),
    "a third point at the gearbox's own supports": Case(
        "boat",
        "c",
        {f"{U}/mount/face/third_at": "0 mm", f"{U}/mount/face/support_behind": "0 mm"},
        "mount.face",
        ("holds nothing",),
        (f"{U}/mount/face/third_strength",),
        {f"{U}/mount/face/third_at": "295 mm"},
    ),
    "oil that does not level off": Case(
        "boat",
        "a",
        {f"{U}/drive/heat/third": "70.1 °C"},
        "drive.gear-oil",
        ("not levelling off", "70", "130 °C"),
        (f"{U}/drive/heat/air", f"{U}/drive/heat/hottest"),
        {f"{U}/drive/heat/third": "65 °C"},
    ),
    "oil that was too hot already": Case(
        "boat",
        "a",
        {f"{U}/drive/heat/second": "134 °C", f"{U}/drive/heat/third": "135 °C"},
        "drive.gear-oil",
        ("was at 135", "130 °C"),
        (f"{U}/drive/heat/air", f"{U}/drive/heat/hottest", f"{U}/drive/heat/first"),
        {f"{U}/drive/heat/second": "58 °C", f"{U}/drive/heat/third": "65 °C"},
    ),
    "water that is hotter than the coolant may be": Case(
        "boat",
        "a",
        {f"{U}/systems/cooling/limit": "15 °C"},
        "systems.cooling-settles",
        ("15", "no core is large enough"),
        (),
        {f"{U}/systems/cooling/limit": "95 °C"},
    ),
    "coolant that would leave colder than the sea": Case(
        "boat",
        "b",
        {f"{U}/systems/cooling/coolant_flow": "0.3 L/min"},
        "systems.cooling-keel",
        ("no area does that",),
        (),
        {f"{U}/systems/cooling/coolant_flow": "14 L/min"},
    ),
    "a wire thinner than the table": Case(
        "scooter",
        "a",
        {f"{U}/systems/electric/wires/lamp/size": "0.75 mm²", f"{U}/systems/electric/wires/lamp/current": "24 A"},
        "systems.current-wire",
        ("24.0 A", "AWG 18", "20.0 A"),
        (
            f"{U}/systems/electric/wires/lamp/bundle",
            f"{U}/systems/electric/wires/lamp/lies",
            f"{U}/systems/electric/wires/lamp/run",
            f"{U}/systems/electric/wires/lamp/drop",
        ),
        {f"{U}/systems/electric/wires/lamp/size": "AWG 10"},
    ),
    "a stand under the axle that should stay down": Case(
        "scooter",
        "a",
        {"/craft/stand": "1225 mm", "/craft/supports/rear/reading": "4000 kg"},
        "balance.engine-out",
        ("20 mm from the rear axle", "50 mm"),
        (),
        {"/craft/stand": "895 mm"},
    ),
    "a craft over its gross mass before anybody is aboard": Case(
        "aeroplane",
        "b",
        {"/craft/limits/gross": "350 kg"},
        "balance.worst-loading",
        ("Even the lightest loading", "of 350.0 kg"),
        (),
        {"/craft/limits/gross": "550 kg"},
    ),
    "three wheels in one line": Case(
        "aeroplane",
        "a",
        {f"/craft/supports/{k}/butt_line": "0 mm" for k in ("main-port", "main-starboard", "tail")},
        "balance.tipping",
        ("3 wheels stand in one line",),
        ("/craft/supports/tail/water_line",),
        {"/craft/supports/main-port/butt_line": "870 mm", "/craft/supports/main-starboard/butt_line": "870 mm"},
    ),
}


def _edited(case: Case, changes: Mapping[str, str | None]) -> Project:
    project = DEMO_OF[case.kind]
    made = {
        k.format(fit=case.fit): v if v is None else _as_it_was(project, k.format(fit=case.fit), v)
        for k, v in changes.items()
    }
    return put(project, made)


def told(case: Case, changes: Mapping[str, str | None]) -> list[Finding]:
    """What the rule finds with those figures."""
    return [f for f in judged(_edited(case, changes), case.fit).findings if f.rule == case.rule]


def said(finding: Finding) -> str:
    """Title and sentence, as they are shown."""
    return f"{sentence(finding.title, 'mm-kg')}. {sentence(finding.message, 'mm-kg')}".replace("\u00a0", " ")


def _as_it_was(project: Project, pointer: str, text: str) -> Any:
    """The text with the source and the direction of what stood there."""
    was = value_at(project, pointer)
    if was is None or isinstance(was, str):
        return {"entered": text, "source": "measured"} if text[0].isdigit() and "size" not in pointer else text
    kept = {k: v for k, v in plain(was).items() if k in ("source", "from", "dir")}
    return {**kept, "entered": text}


@pytest.mark.parametrize("name", CASES)
def test_it_is_a_stop_that_says_why(name: str) -> None:
    case = CASES[name]
    stops = [f for f in told(case, dict(case.changes)) if f.level == "stop"]
    assert stops
    words = " ".join(said(f) for f in stops)
    assert all(w in words for w in case.words), words


@pytest.mark.parametrize("name", [n for n, c in CASES.items() if c.blank])
def test_it_stays_one_whatever_else_is_blank(name: str) -> None:
    case = CASES[name]
    for pointer in case.blank:
        assert "stop" in {f.level for f in told(case, {**case.changes, pointer: None})}, pointer
    assert "stop" in {f.level for f in told(case, {**case.changes, **dict.fromkeys(case.blank)})}


@pytest.mark.parametrize("name", CASES)
def test_it_has_a_way_out_or_says_what_settles_it(name: str) -> None:
    case = CASES[name]
    for changes in (case.changes, {**case.changes, **dict.fromkeys(case.blank)}):
        for stop in (f for f in told(case, changes) if f.level == "stop"):
            ways = suggest(_edited(case, changes), case.fit, stop.key)
            assert ways.suggestions or ways.none


@pytest.mark.parametrize("name", CASES)
def test_put_right_it_is_none(name: str) -> None:
    case = CASES[name]
    assert not [f for f in told(case, {**case.changes, **case.right}) if f.level == "stop"]


# A failure that lies between the ends of a ±: neither end shows it.
BETWEEN = {
    "the CG may be at the stand": ("scooter", "a", "balance.engine-out", {"/craft/stand": "895 mm ±600 mm"}),
    "the shock may point at its pivot": (
        "scooter",
        "b",
        "mount.swing",
        {
            "/fits/b/installations/main/mount/swing/shock_lower_station": "1205 mm ±800 mm",
            "/fits/b/installations/main/mount/swing/shock_strength": "900 kN",
            "/fits/b/installations/main/mount/swing/pivot_strength": "900 kN",
        },
    ),
    "two packs may differ": (
        "motorcycle",
        "a",
        "drive.voltage",
        {
            "/fits/a/installations/main/packs/side/full_voltage": "124 V ±12 V",
            "/fits/a/installations/main/unit/voltage_limit": "150 V",
        },
    ),
}


@pytest.mark.parametrize("name", BETWEEN)
def test_what_its_doubt_may_hold_is_not_ok(name: str) -> None:
    kind, fit, rule, changes = BETWEEN[name]
    sharp = {k: v.partition(" ±")[0] for k, v in changes.items()}
    level = lambda typed: [f.level for f in told(Case(kind, fit, {}, rule, (), (), {}), typed) if f.rule == rule]
    assert set(level(sharp)) == {"ok"}
    assert "ok" not in level(changes)


@pytest.mark.parametrize("blank", ["seats/baggage/heaviest", "seats/baggage/station", "tanks/header/capacity"])
def test_a_loading_that_can_be_and_fails_stands_though_another_place_is_blank(blank: str) -> None:
    """What is blank may stay at its lightest: a loading without it is one that can be. The same figure blank where all
    else keeps the limits says nothing."""
    heavy = {"/craft/seats/rear/heaviest": "250 kg", "/craft/limits/gross": "650 kg"}
    document = put(DEMO_OF["aeroplane"], heavy)
    lacking = put(document, {f"/craft/{blank}": None})
    of = lambda made: next(f for f in made.findings if f.rule == "balance.worst-loading")
    whole, found = of(judged(document, "a")), of(judged(lacking, "a"))
    assert whole.level == found.level == "stop"
    assert f"/craft/{blank}" in [n.pointer for n in found.needs] and "what is known" in found.message.template
    assert of(judged(put(DEMO_OF["aeroplane"], {f"/craft/{blank}": None}), "b")).level == "unknown"
