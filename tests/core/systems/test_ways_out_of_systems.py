"""What is offered for what surrounds the unit does what it says: sizes by formulas worked outside, the rest of the lane
left alone."""

from __future__ import annotations

import math
from typing import Any

import fluids
import ht
import pytest

from crooked_keel.core.document import Project, apply_operations, value_at
from crooked_keel.core.figure.units import ZERO_C_K
from crooked_keel.core.judging.finding import Suggestion
from crooked_keel.core.judging.register import RULES
from crooked_keel.exchange.present import sentence
from tests.conftest import DEMO_OF, put
from tests.kept import assess, suggest

S = "/fits/a/installations/main/systems"
BOAT, PLANE, VAN = DEMO_OF["boat"], DEMO_OF["aeroplane"], DEMO_OF["road-vehicle"]


def m(text: str, **more: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured", **more}


def ways(project: Project, key: str) -> dict[str, Suggestion]:
    found = suggest(project, "a", f"systems.{key}")
    return {s.id: s for s in found.suggestions}


def after(project: Project, way: Suggestion) -> Project:
    return apply_operations(project, [o.model_dump() for o in way.operations])


def level(project: Project, key: str) -> str:
    return next(f.level for f in assess(project, "a").findings if f.key == f"systems.{key}")


def test_a_core_that_is_bought_passes_what_ht_asks() -> None:
    """NTU from the effectiveness that is wanted, by the outside library: the core offered passes at least that."""
    project = put(
        PLANE, {f"{S}/cooling/inlet": m("1300 cm²"), f"{S}/cooling/coolers/radiator/conductance": m("500 W/K")}
    )
    offered = ways(project, "cooling-settles:radiator")["core"]
    bought = value_at(after(project, offered), f"{S}/cooling/coolers/radiator/conductance")
    assert bought.source == "estimated" and "to buy" in (bought.note or "")
    rho = fluids.ATMOSPHERE_1976(1828.8).P / (287.05287 * (ZERO_C_K + 34))
    air = 0.13 * (95 / 3.6) * 0.45 * rho * 1006
    coolant = 55e-3 / 60 * 1011.5 * 3600
    share = 41e3 / (min(air, coolant) * (115 - 10 - 34))
    ntu = ht.NTU_from_effectiveness(
        effectiveness=share, Cr=min(air, coolant) / max(air, coolant), subtype="crossflow approximate"
    )
    assert bought.si >= ntu * min(air, coolant)
    assert level(after(project, offered), "cooling-settles:radiator") == "ok"


def test_a_larger_inlet_is_offered_only_where_it_helps() -> None:
    offered = ways(PLANE, "cooling-settles:radiator")
    wider = value_at(after(PLANE, offered["inlet"]), f"{S}/cooling/inlet")
    assert wider.si > value_at(PLANE, f"{S}/cooling/inlet").si
    assert [b.template for b in offered["inlet"].brings if "no longer a stop" in b.template]
    hopeless = put(PLANE, {f"{S}/cooling/coolers/radiator/conductance": m("60 W/K")})
    assert "inlet" not in ways(hopeless, "cooling-settles:radiator")


def test_bleeds_go_where_air_stays_and_nowhere_else() -> None:
    (bleed,) = ways(PLANE, "cooling-traps").values()
    assert {o.path for o in bleed.operations} == {f"{S}/cooling/loop/{k}/bleed" for k in ("over", "hump")}
    assert bleed.reaches == "ok"


@pytest.mark.parametrize(("filled", "verb"), [("2.0 L", "Fill"), ("3.3 L ±0.05 L", "Drain")])
def test_oil_is_filled_or_drained_to_the_running_mark(filled: str, verb: str) -> None:
    project = put(PLANE, {f"{S}/oil/filled": m(filled)})
    (way,) = ways(project, "oil-fill").values()
    assert sentence(way.message, "mm-kg").startswith(verb)
    assert value_at(after(project, way), f"{S}/oil/filled").si == pytest.approx(3.1e-3)


def test_a_pipe_that_is_offered_is_wide_enough_and_never_narrower() -> None:
    """By the formula of installation guides (from memory): P[kPa] = 3.6e6·L·S·Q²/D⁵."""
    project = put(PLANE, {f"{S}/exhaust/path/pipe/bore": m("24 mm ±0.1 mm")})
    (way,) = ways(project, "exhaust-back").values()
    wider = after(project, way)
    for key in value_at(project, f"{S}/exhaust/path"):
        was, now = (value_at(p, f"{S}/exhaust/path/{key}/bore").si for p in (project, wider))
        assert now >= was
    bore = value_at(wider, f"{S}/exhaust/path/pipe/bore").si * 1000
    flow = 92 * 745.6998716 * 295e-3 / 3.6e6 * 13.8 / (101325 / (287.05 * (ZERO_C_K + 760)))
    density = 101325 / (287.05 * (ZERO_C_K + 760))
    length = 0.12 + 0.54 + 20 * bore / 1000
    assert 3.6e6 * length * density * (flow * 60) ** 2 / bore**5 < 0.7 * 12
    assert way.reaches == "ok"


@pytest.mark.parametrize("units", ["mm-kg", "in-lb"])
def test_a_riser_is_as_high_as_it_says(units: str) -> None:
    project = put(BOAT, {"/units": units})
    offered = ways(project, "exhaust-injection")
    higher = after(project, offered["riser"])
    there = next(v.si for v in assess(higher, "a").values if v.id == "systems.injection")
    assert there is not None and 0.315 <= there <= 0.32  # 0.30 m and what the tape may be off, up to its step
    assert level(after(project, offered["loop"]), "exhaust-injection") == "ok"


def test_a_lock_that_is_bought_holds_what_falls_back() -> None:
    project = put(BOAT, {f"{S}/exhaust/lock": m("3 L")})
    (way,) = ways(project, "exhaust-lock").values()
    holds = value_at(after(project, way), f"{S}/exhaust/lock").si
    assert 1.5 * math.pi / 4 * 0.063**2 * 1.9 <= holds <= 2.0 * math.pi / 4 * 0.063**2 * 1.9


def test_an_intake_that_is_offered_keeps_the_air_below_its_limit() -> None:
    project = put(PLANE, {f"{S}/induction/bore": m("40 mm")})
    (way,) = ways(project, "induction-bore").values()
    bore = value_at(after(project, way), f"{S}/induction/bore").si
    air = next(v.si for v in assess(project, "a").values if v.id == "systems.air")
    assert air is not None and air / (math.pi / 4 * bore**2) < 25.0


def test_a_fuel_line_that_is_offered_loses_less_than_is_asked() -> None:
    """By `fluids`, with the friction of a smooth pipe in laminar flow."""
    project = put(
        BOAT, {f"{S}/fuel/path/line/bore": m("4 mm ±0.05 mm"), f"{S}/fuel/path/to-pump/bore": m("4 mm ±0.05 mm")}
    )
    assert level(project, "fuel-suction") == "stop"
    (way,) = ways(project, "fuel-suction").values()
    bore = value_at(after(project, way), f"{S}/fuel/path/line/bore").si
    flow = (57 * 745.6998716 * 238e-3 / 3.6e6 / 840) + 42e-3 / 3600
    speed = flow / (math.pi / 4 * bore**2)
    reynolds = fluids.Reynolds(V=speed, D=bore, rho=840, mu=5e-3)
    lost = fluids.friction_laminar(reynolds) * 3.3 / bore * 840 * speed**2 / 2 + 840 * 9.80665 * 0.25
    assert lost < 20e3 and way.reaches == "ok"


def test_a_wire_that_is_offered_loses_less_by_the_rule_of_circular_mils() -> None:
    """CM = 10.75·I·L[ft]/E (ABYC E-11, from memory)."""
    project = put(PLANE, {f"{S}/electric/wires/pump/run": m("30 m")})
    (way,) = ways(project, "current-wire:pump").values()
    size = value_at(after(project, way), f"{S}/electric/wires/pump/size")
    mils = {"AWG 18": 1620, "AWG 16": 2580, "AWG 14": 4110, "AWG 12": 6530, "AWG 10": 10380}[size]
    assert mils >= 10.75 * 5 * (30 / 0.3048) / 1.2 and way.reaches == "ok"


def test_a_fuse_that_is_offered_is_a_standard_one_between_current_and_wire() -> None:
    (way,) = ways(VAN, "current-fuse:lights").values()
    rated = value_at(after(VAN, way), f"{S}/electric/wires/lights/fuse").si
    assert rated == 15 and 1.25 * 9.2 <= rated <= 25


def test_shield_and_return_are_words_and_not_figures() -> None:
    (shield,) = ways(PLANE, "exhaust-shine").values()
    assert [(o.path, o.value) for o in shield.operations] == [(f"{S}/exhaust/shielded", "yes")]
    across = put(BOAT, {f"{S}/fuel/returns": "to another tank"})
    (back,) = ways(across, "fuel-return").values()
    assert back.reaches == "ok" and value_at(after(across, back), f"{S}/fuel/returns") == "to the tank it came from"


@pytest.mark.parametrize("key", ["current-single", "cooling-boils"])
def test_where_no_figure_clears_it_the_finding_says_what_does(key: str) -> None:
    found = suggest(PLANE, "a", f"systems.{key}")
    settles = RULES[f"systems.{key}"].settles
    assert settles is not None and found.suggestions == [] and found.none.endswith(settles.said)
