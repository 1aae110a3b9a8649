"""How batteries are charged: on documents where an electrician says stop, with a figure blank, with a wide ±."""

from __future__ import annotations

from typing import Any

import pytest

from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.judging.finding import LEVELS, Finding
from crooked_keel.core.systems.charging.functions import WANTS
from tests.conftest import DEMO_OF, put
from tests.kept import assess, suggest

E = "/fits/a/installations/main/systems/electric"
BOAT, PLANE = DEMO_OF["boat"], DEMO_OF["aeroplane"]
VOLTAGE, TIME = "systems.charge-voltage", "systems.charge-time"
LITHIUM, PARTED = "systems.charge-lithium", "systems.charge-parted"


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def edited(project: Project, changes: dict[str, Any]) -> Project:
    return put(project, {f"{E}/{k}": v for k, v in changes.items()})


def found(project: Project, rule: str) -> list[Finding]:
    return [f for f in assess(project, "a").findings if f.rule == rule]


def level(project: Project, key: str) -> str:
    (one,) = [f for f in assess(project, "a").findings if f.key == key]
    return one.level


# Document, finding, what is changed, level, and why an electrician says so.
JUDGED: list[tuple[Project, str, dict[str, Any], str, str]] = [
    (BOAT, f"{VOLTAGE}:house", {}, "ok", "14.4 V suits a mat battery"),
    (BOAT, f"{VOLTAGE}:house", {"charge_voltage": m("15.2 V")}, "stop", "it gasses and dries"),
    (BOAT, f"{VOLTAGE}:house", {"charge_voltage": m("14.8 V")}, "watch", "a little over its maker's most"),
    (BOAT, f"{VOLTAGE}:house", {"charge_voltage": m("13.6 V")}, "watch", "it never comes full"),
    (BOAT, f"{VOLTAGE}:house", {"charge_voltage": m("12.6 V")}, "stop", "that is no charging"),
    (
        BOAT,
        f"{VOLTAGE}:house",
        {"charge_voltage": m("14.4 V ±0.8 V")},
        "watch",
        "nobody read the voltmeter",
    ),
    (BOAT, f"{VOLTAGE}:house", {"banks/house/through": "diodes"}, "watch", "0.7 V stay in the diodes"),
    (BOAT, f"{VOLTAGE}:start", {"voltage": m("24 V")}, "stop", "a regulator for 12 V on a system of 24 V"),
    (BOAT, f"{VOLTAGE}:start", {"voltage": m("24 V"), "charge_voltage": m("28.8 V")}, "ok", "both of 24 V"),
    (PLANE, f"{VOLTAGE}:start", {"charge_voltage": m("14.9 V")}, "stop", "a lithium battery swells"),
    (BOAT, f"{TIME}:house", {"banks/house/full_again": m("20 min")}, "stop", "flatter after each trip"),
    (BOAT, f"{TIME}:house", {"banks/house/full_again": m("95 min")}, "watch", "not quite full each time"),
    (BOAT, f"{TIME}:house", {"source_cruise": m("90 W")}, "stop", "what runs takes all there is"),
    (BOAT, f"{TIME}:house", {"source_cruise": m("300 W")}, "stop", "15 A for 52 Ah"),
    (BOAT, f"{TIME}:house", {"banks/house/charged_by": "nothing yet"}, "stop", "nothing charges it"),
    (
        BOAT,
        f"{TIME}:house",
        {"banks/house/most_current": m("33 A ±25 A")},
        "watch",
        "nobody knows what it bears",
    ),
    (
        PLANE,
        f"{TIME}:spare",
        {"banks/spare/charged_by": "nothing yet"},
        "stop",
        "an ignition's, charged by nothing",
    ),
    (PLANE, f"{LITHIUM}:start", {}, "watch", "the generator runs flat out"),
    (PLANE, f"{LITHIUM}:start", {"banks/start/most_current": m("10 A")}, "stop", "17 A into 10 A"),
    (PLANE, f"{LITHIUM}:start", {"banks/start/most_current": m("20 A ±5 A")}, "stop", "its ± reaches 17 A"),
    (
        PLANE,
        f"{LITHIUM}:spare",
        {"banks/spare/charged_by": "converter from another bank"},
        "ok",
        "it is limited",
    ),
    (BOAT, PARTED, {}, "ok", "a relay parts them"),
    (
        BOAT,
        PARTED,
        {"banks/house/through": "wire, joined for good"},
        "stop",
        "the cold box empties the start",
    ),
    (BOAT, PARTED, {"banks/house/through": "switch by hand"}, "watch", "a switch is forgotten"),
    (BOAT, PARTED, {"banks/house/cells": "lithium"}, "watch", "lithium beside lead on a relay"),
]


@pytest.mark.parametrize(("project", "key", "changes", "said", "why"), JUDGED, ids=[j[4] for j in JUDGED])
def test_judged(project: Project, key: str, changes: dict[str, Any], said: str, why: str) -> None:
    """The finding, and the whole rule no better, on a document where an electrician says so."""
    assert level(edited(project, changes), key) == said


BLANKS = [
    (VOLTAGE, "charge_voltage"),
    (VOLTAGE, "voltage"),
    (VOLTAGE, "banks/house/cells"),
    (VOLTAGE, "banks/house/charged_by"),
    (VOLTAGE, "banks/house/through"),
    (TIME, "source_cruise"),
    (TIME, "loads/fridge/power"),
    (TIME, "banks/house/most_current"),
    (TIME, "banks/house/full_again"),
    (TIME, "banks/house/capacity"),
    (TIME, "banks/start/lasts"),
    (PARTED, "banks/house/through"),
    (PARTED, "banks/house/charged_by"),
]


@pytest.mark.parametrize(("rule", "blank"), BLANKS)
def test_a_blank_is_never_better(rule: str, blank: str) -> None:
    """From ok it becomes unknown and asks for what is blank; from stop it never becomes ok."""
    blanked = edited(BOAT, {blank: None})
    lost = [f for f in found(blanked, rule) if f.level == "unknown"]
    assert any(n.pointer == f"{E}/{blank}" for f in lost for n in f.needs)
    bad = {"banks/house/through": "wire, joined for good", "charge_voltage": m("15.4 V"), "source_cruise": m("100 W")}
    worst = lambda p: min((LEVELS.index(f.level) for f in found(p, rule)), default=99)
    if blank not in bad:
        assert worst(edited(BOAT, {**bad, blank: None})) <= LEVELS.index("unknown")


def test_one_that_fails_stands_beside_one_that_is_not_known() -> None:
    changed = edited(BOAT, {"charge_voltage": m("15.4 V"), "banks/start/cells": None})
    levels = {f.key: f.level for f in found(changed, VOLTAGE)}
    assert levels == {f"{VOLTAGE}:start": "unknown", f"{VOLTAGE}:house": "stop"}


def test_what_is_charged_ashore_or_by_a_motors_pack_is_not_judged_here() -> None:
    ashore = edited(BOAT, {f"banks/{k}/charged_by": "charger ashore" for k in ("start", "house")})
    for rule in (VOLTAGE, TIME, LITHIUM, PARTED):
        assert found(ashore, rule) == []
    assert found(edited(BOAT, {"earth": None, "banks": None}), TIME) == []


def test_the_time_is_the_charge_taken_out_over_the_current_left() -> None:
    """5 A for 8 h and 240 A for 20 s, 1.3 put in for each, over (780 − 94.75) W / 14.4 V; no bank over its own most."""
    (house,) = [f for f in found(BOAT, TIME) if f.key.endswith(":house")]
    taken = (5 * 8 + 240 * 20 / 3600) * WANTS["mat"].put_in
    spare = (780 - (60 * 0.6 + 90 * 0.1 + 55 * 0.45 + 25)) / 14.4
    own = 5 * 8 * WANTS["mat"].put_in / 33
    assert house.compared is not None
    assert house.compared.value / 3600 == pytest.approx(max(taken / spare, own), rel=1e-6)


WAYS = [
    (BOAT, f"{VOLTAGE}:house", {"banks/house/through": "diodes"}, "relay-house"),
    (BOAT, f"{VOLTAGE}:house", {"charge_voltage": m("15.2 V")}, "regulator"),
    (BOAT, f"{TIME}:house", {"source_cruise": m("90 W")}, "generator"),
    (BOAT, f"{TIME}:house", {"source_cruise": m("250 W")}, "generator"),
    (BOAT, PARTED, {"banks/house/through": "wire, joined for good"}, "relay"),
    (PLANE, f"{LITHIUM}:start", {"banks/start/most_current": m("10 A")}, "bears-start"),
]


@pytest.mark.parametrize(("project", "key", "changes", "way"), WAYS)
def test_a_way_out_leads_out(project: Project, key: str, changes: dict[str, Any], way: str) -> None:
    bad = edited(project, changes)
    offered = {s.id: s for s in suggest(bad, "a", key).suggestions}
    after = apply_operations(bad, [o.model_dump() for o in offered[way].operations])
    assert LEVELS.index(level(after, key)) > LEVELS.index(level(bad, key))
    stops = lambda p: {f.key for f in assess(p, "a").findings if f.level == "stop"}
    assert stops(after) <= stops(bad)


def test_what_charging_voltages_makers_print_lie_within() -> None:
    """2.40 to 2.45 V a cell of flooded and mat lead, 3.60 V a cell of lithium iron phosphate. Common practice, no
    source."""
    for cells, volts in (("flooded", 6 * 2.40), ("mat", 6 * 2.40), ("lithium", 4 * 3.60)):
        assert WANTS[cells].fills_v <= volts <= WANTS[cells].most_v
