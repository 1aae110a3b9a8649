"""Charge air behind a blower and its cooler: against reference libraries, and where an engineer says stop."""

from __future__ import annotations

from typing import Any

import pytest
from fluids.compressible import isentropic_T_rise_compression
from ht.hx import effectiveness_from_NTU
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.judging.finding import LEVELS, Finding
from crooked_keel.core.systems.induction.functions import charge_out, compressed
from crooked_keel.demo import plover
from crooked_keel.demo.seed import made
from tests.conftest import DEMO_OF, put
from tests.kept import assess, suggest

PLOVER, SAMPHIRE = made("aeroplane", plover), DEMO_OF["boat"]
S = "/fits/b/installations/main/systems"
CORE = "cooling/coolers/charge"
RULE = "systems.induction-hot"


def m(text: str, source: str = "measured") -> dict[str, Any]:
    return {"entered": text, "source": source}


def found(project: Project, rule: str, fit: str = "b") -> list[Finding]:
    return [f for f in assess(project, fit).findings if f.rule == rule]


def changed(changes: dict[str, Any]) -> Project:
    return put(PLOVER, {k if k.startswith("/") else f"{S}/{k}": v for k, v in changes.items()})


def degrees(project: Project) -> float:
    (finding,) = found(project, RULE)
    assert finding.compared is not None
    return finding.compared.value - 273.15


@given(st.floats(250, 320), st.floats(6e4, 1.05e5), st.floats(1e3, 2.5e5), st.floats(0.5, 0.85))
def test_a_blower_heats_as_the_library_has_it(air: float, outside: float, boost: float, share: float) -> None:
    """fluids, isentropic compression with its efficiency."""
    theirs = isentropic_T_rise_compression(air, outside, outside + boost, k=1.4, eta=share)
    assert compressed(air, outside, boost, share) == pytest.approx(theirs, rel=1e-4)


def test_the_charge_of_the_demonstration_by_hand() -> None:
    """Plover's rotors: 35 kPa over 75.3 kPa at 8000 ft heat 32 °C to 84; their core, 110 W/K in 0.082 kg/s of charge
    and all the air of the duct, brings that back to 47 °C (ht, crossflow)."""
    charge = 0.0746e6 * 330e-3 / 3.6e6 * 12.5 * 1006  # 100 hp, its mixture
    cold = 0.13 * 0.45 * 37.5 * 75262 / (287.05 * 305.15) * 1006
    share = effectiveness_from_NTU(110 / charge, charge / cold, subtype="crossflow approximate")
    theirs = 84.3 - share * (84.3 - 32)
    assert degrees(PLOVER) == pytest.approx(theirs, abs=0.5)


JUDGED: list[tuple[dict[str, Any], str, str]] = [
    ({}, "ok", "47 °C of 65"),
    ({f"{CORE}/conductance": m("45 W/K")}, "watch", "a core of a passenger's lunch box"),
    ({f"{CORE}/conductance": m("12 W/K")}, "stop", "hardly a core"),
    ({"induction/boost": m("150 kPa")}, "stop", "four times the boost"),
    ({"induction/blower": m("30 %"), f"{CORE}/conductance": m("60 W/K")}, "stop", "a blower far off its map"),
    ({"induction/charge_cooler": "no", "induction/charge_limit": m("70 °C")}, "stop", "84 °C and nothing cools it"),
    ({"induction/charge_cooler": "no", "induction/charge_limit": m("120 °C")}, "ok", "its maker asks for no more"),
    ({f"{CORE}/conductance": m("110 W/K ±200 W/K")}, "watch", "a core that nobody knows"),
    ({"induction/boost": None}, "unknown", "a boost that nobody read"),
    ({"induction/charge_limit": None}, "unknown", "what its maker allows"),
    ({"induction/charge_cooler": None}, "unknown", "whether it is cooled at all"),
    ({f"{CORE}/conductance": None}, "unknown", "what the core passes"),
    ({f"{CORE}/carries": "oil", f"{CORE}/heat": m("2 kW"), f"{CORE}/flow": m("10 L/min")}, "unknown", "no core for it"),
    ({"cooling/speed": None}, "unknown", "how fast the air comes"),
    ({"cooling/by": "keel cooler"}, "watch", "by way of the coolant: read a thermometer"),
]


@pytest.mark.parametrize(("changes", "level", "why"), JUDGED, ids=[w for _, _, w in JUDGED])
def test_it_is_judged_as_an_engineer_would(changes: dict[str, Any], level: str, why: str) -> None:
    (finding,) = found(changed(changes), RULE)
    assert finding.level == level, why


def test_it_is_not_asked_of_one_that_breathes_by_itself() -> None:
    assert not found(changed({"/fits/b/installations/main/unit/breathing": "naturally aspirated"}), RULE)


def test_a_charge_cooler_behind_the_radiator_is_cooled_by_warm_air_and_one_ahead_warms_the_radiators() -> None:
    """Energy: what the charge gives away is what the air takes, on its way to the radiator."""
    behind = changed({f"{CORE}/stands": "behind the first", "cooling/coolers/radiator/stands": "first in the air"})
    assert degrees(behind) > degrees(PLOVER) + 5
    settles = lambda p: next(f for f in found(p, "systems.cooling-settles") if f.key.endswith("radiator")).compared
    ahead, alone = settles(PLOVER), settles(behind)
    assert ahead is not None and alone is not None
    assert 0.2 < ahead.value - alone.value < 5


def test_warm_air_heats_a_cool_charge() -> None:
    """A charge that comes colder than what is to cool it leaves warmer: no cooler is proof against that."""
    assert charge_out(310.0, 0.6, 100.0, 100.0, 340.0) == pytest.approx(328.0)


def test_sea_water_goes_through_every_core_and_is_warmed_by_each() -> None:
    """A gear cooler that gives 6 kW into Samphire's sea water warms what comes to the core behind it, and what leaves:
    Q = V̇·ρ·c·ΔT."""
    systems = "/fits/a/installations/main/systems"
    gear = {"name": "gear cooler", "rank": -1.0, "carries": "gear oil", "heat": m("6 kW"), "flow": m("12 L/min")}
    with_it = put(SAMPHIRE, {f"{systems}/cooling/coolers/gear": {**gear, "conductance": m("400 W/K")}})
    out = lambda p: found(p, "systems.water-outlet", "a")[0].compared.value  # type: ignore[union-attr]
    core = lambda p: next(
        f.compared.value  # type: ignore[union-attr]
        for f in found(p, "systems.cooling-settles", "a")
        if f.compared and not f.key.endswith("gear")
    )
    pump = SAMPHIRE.fits["a"].installations["main"].systems.cooling.pump
    assert pump is not None
    warmer = 6000 / (pump.si * 1025 * 3993)
    assert out(with_it) - out(SAMPHIRE) == pytest.approx(warmer, rel=1e-6)
    assert core(with_it) - core(SAMPHIRE) == pytest.approx(warmer, rel=1e-6)


@pytest.mark.parametrize(
    ("changes", "way"),
    [
        ({f"{CORE}/conductance": m("12 W/K")}, "charge-core"),
        (
            {
                f"{CORE}/stands": "behind the first",
                "cooling/coolers/radiator/stands": "first in the air",
                "induction/charge_limit": m("53 °C"),
            },
            "charge-first",
        ),
    ],
)
def test_a_way_out_leads_out(changes: dict[str, Any], way: str) -> None:
    bad = changed(changes)
    offered = {s.id: s for s in suggest(bad, "b", RULE).suggestions}
    after = apply_operations(bad, [o.model_dump() for o in offered[way].operations])
    assert LEVELS.index(found(after, RULE)[0].level) > LEVELS.index(found(bad, RULE)[0].level)
    stops = lambda p: {f.key for f in assess(p, "b").findings if f.level == "stop"}
    assert stops(after) <= stops(bad)
