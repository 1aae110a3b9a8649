"""Conductors, fuses, batteries, single parts and high voltage against published tables, circuits solved outside, and
worked cases."""

from __future__ import annotations

import math
from typing import get_args

import networkx as nx
import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import solve_ivp

from crooked_keel.core.document.systems import WireSize
from crooked_keel.core.errors import InputError
from crooked_keel.core.systems.current.functions import (
    AMPACITY,
    ampacity,
    drop,
    fed,
    fuse_for,
    gauge_area,
    peukert,
    single_points,
    wanted_size,
    wire_area,
)
from crooked_keel.core.systems.voltage.contactors import WHY, Circuit, Machine
from crooked_keel.core.systems.voltage.functions import charge_time, discharge_time, isolation, precharge_time


@pytest.mark.parametrize(
    ("gauge", "diameter_mm"), [(18, 1.0237), (10, 2.5882), (4, 5.1894), (0, 8.2515), (-1, 9.2658), (-3, 11.684)]
)
def test_american_gauges_have_their_diameters(gauge: int, diameter_mm: float) -> None:
    """Table of ASTM B258, solid round conductors (from memory)."""
    assert gauge_area(gauge) == pytest.approx(math.pi / 4 * (diameter_mm * 1e-3) ** 2, rel=2e-4)


def test_wires_by_drop_and_by_what_they_carry() -> None:
    """30 A, 9 m out and back at 12 V: 13.4 mm² for 3 %, 4.02 mm² for 10 %: AWG 4 and AWG 10, also in the heat. The
    circular-mil rule of ABYC E-11, CM = 10.75·I·L[ft]/E (from memory), gives the same areas."""
    for share, area, size in ((0.03, 13.4033e-6, "AWG 4"), (0.10, 4.02099e-6, "AWG 10")):
        assert drop(30, 9, area) == pytest.approx(12 * share, rel=1e-5)
        mils = 10.75 * 30 * (9 / 0.3048) / (12 * share)
        assert mils * math.pi / 4 * (0.0254e-3) ** 2 == pytest.approx(area, rel=1e-3)
        assert wanted_size(30, 9, 12 * share, 30, False, 1, False) == size
        assert wanted_size(30, 9, 12 * share, 30, True, 1, False) == size
    assert drop(30, 9, wire_area("AWG 4")) == pytest.approx(0.228135, rel=1e-3)
    assert wanted_size(500, 9, 0.36, 500, False, 1, False) is None


def test_heat_and_bundles_take_from_what_a_wire_carries() -> None:
    """Rows, engine space 0.85 and bundles of ABYC E-11 (from memory); a metric wire takes the row of the next smaller
    gauge."""
    assert ampacity("AWG 10", False, 1) == 60 and ampacity("AWG 10", True, 1) == 51
    assert ampacity("AWG 2/0", False, 3) == pytest.approx(330 * 0.7)
    assert [ampacity("AWG 10", False, n) for n in (4, 7, 25)] == [36, 30, 24]
    assert ampacity("6 mm²", False, 1) == AMPACITY[10] and ampacity("25 mm²", False, 1) == AMPACITY[4]
    assert ampacity("1 mm²", False, 1) == AMPACITY[18]
    with pytest.raises(InputError, match="smaller than the table"):
        ampacity("0.75 mm²", False, 1)
    sizes = sorted(get_args(WireSize), key=wire_area)[1:]
    carried = [ampacity(s, False, 1) for s in sizes]
    assert carried == sorted(carried)


def test_a_fuse_lets_its_current_pass_and_guards_its_wire() -> None:
    assert fuse_for(30, 60) == 40 and fuse_for(45, 50) is None and fuse_for(8, 35) == 10


def test_peukert_by_hand() -> None:
    """100 Ah over 20 h at 10 A: with 1.25 it lasts 8.41 h, with 1 ten."""
    assert peukert(72000, 360000, 10, 1.25) / 3600 == pytest.approx(20 * 0.5**1.25, rel=1e-9)
    assert peukert(72000, 360000, 10, 1.0) / 3600 == pytest.approx(10.0)


@given(st.lists(st.tuples(st.integers(0, 7), st.integers(0, 7)), min_size=4, max_size=16))
def test_single_points_are_those_of_graph_theory(edges: list[tuple[int, int]]) -> None:
    """Parts on every way from a source to a load, by networkx."""
    graph = nx.DiGraph([(f"p{a}", f"p{b}") for a, b in edges if a < b])
    graph.add_edges_from([("s", "p0"), ("s2", "p1"), ("p7", "load")])
    circuit = {
        n: ("source" if n.startswith("s") else "load" if n == "load" else "part", tuple(graph.predecessors(n)))
        for n in graph
    }
    assert fed(circuit) == {"s", "s2"} | nx.descendants(graph, "s") | nx.descendants(graph, "s2")
    if "load" not in fed(circuit):
        return
    there = set()
    for part in set(graph) - {"load"}:
        left = graph.copy()
        left.remove_node(part)
        if not any(s in left and nx.has_path(left, s, "load") for s in ("s", "s2")):
            there.add(part)
    assert set(single_points(circuit, "load")) == there


def test_pre_charge_and_discharge_are_those_of_the_circuit_solved() -> None:
    """96 V, 100 Ω, 2 mF: 95 % after 0.599 s; from 96 to 60 V over 2 kΩ in 1.880 s. By an ODE solver."""
    r, c, u = 100.0, 2e-3, 96.0
    full = lambda t, v: v[0] - 0.95 * u
    solved = solve_ivp(lambda t, v: [(u - v[0]) / (r * c)], (0, 2), [0.0], events=full, rtol=1e-9, atol=1e-9)
    assert charge_time(r, c, 0.95) == pytest.approx(solved.t_events[0][0], rel=1e-6)
    assert precharge_time(r, c) == pytest.approx(solved.t_events[0][0], rel=2e-3)
    low = lambda t, v: v[0] - 60
    emptied = solve_ivp(lambda t, v: [-v[0] / (2000 * c)], (0, 5), [u], events=low, rtol=1e-9, atol=1e-9)
    assert discharge_time(2000, c, u) == pytest.approx(emptied.t_events[0][0], rel=1e-6)
    assert discharge_time(2000, c, 48.0) == 0.0


@given(st.floats(2e4, 1e7), st.floats(2e4, 1e7), st.floats(1e4, 2e5), st.floats(61, 800))
def test_isolation_is_that_of_the_weaker_pole(plus: float, minus: float, test: float, volts: float) -> None:
    """Both poles to the frame through their isolation, a test resistor at the larger reading: solved as a circuit."""

    def reading(rp: float, rn: float) -> float:
        """Voltage of the positive pole over the frame, by nodal analysis."""
        conductances = np.array([[1 / rp + 1 / rn]])
        return float(np.linalg.solve(conductances, np.array([volts / rn]))[0])

    first = reading(plus, minus)
    larger, weaker = (first, minus) if first >= volts / 2 else (volts - first, plus)
    shunted = lambda r: 1 / (1 / r + 1 / test)
    after = reading(shunted(plus), minus) if first >= volts / 2 else volts - reading(plus, shunted(minus))
    assert isolation(test, volts, after, larger) == pytest.approx(weaker, rel=1e-5)


def test_isolation_by_hand_and_what_cannot_be() -> None:
    """250 and 400 kΩ on 96 V with 100 kΩ: 59.08 and 23.27 V; 2604 Ω/V."""
    assert isolation(100e3, 96, 23.27273, 59.07692) == pytest.approx(250e3, rel=1e-6)
    for after, first in ((23.0, 40.0), (60.0, 59.0), (0.0, 59.0)):
        with pytest.raises(InputError):
            isolation(100e3, 96, after, first)


UP = ["key_on", "link_at_3pct_before_close", "selftest_ok", "link_reaches_95pct_at_0.61s"]
DRIVING = [*UP, "brake_on", "request_drive", "brake_off"]
# Events, state, cause, last refusal: by the table of states.
RUNS = [
    (UP, "ARMED", None, None),
    ([*UP, "brake_on", "request_drive"], "DRIVE", None, None),
    ([*UP, "request_drive"], "ARMED", None, "brake not applied"),
    ([*UP, "brake_on", "throttle_8pct", "request_drive"], "ARMED", None, "throttle not zero"),
    ([*UP, "brake_on", "charger_in", "request_drive"], "ARMED", None, "charger plugged in"),
    ([*UP, "brake_on", "stand_down", "request_drive"], "ARMED", None, "stand down"),
    (["key_on", "request_drive"], "SELF_TEST", None, "not armed"),
    (
        ["key_on", "selftest_ok", "link_reaches_95pct_at_0.05s"],
        "FAULT",
        "capacitor missing or resistor bypassed",
        None,
    ),
    (["key_on", "selftest_ok", "link_reaches_95pct_at_2.5s"], "FAULT", "pre-charge too slow", None),
    (["key_on", "link_at_40pct_before_close"], "FAULT", "contactor welded", None),
    ([*DRIVING, "throttle_lost_0.3s"], "DRIVE", None, None),
    ([*DRIVING, "throttle_lost_1.2s"], "FAULT", "throttle signal lost", None),
    ([*DRIVING, "interlock_open"], "FAULT", "interlock open", None),
    ([*DRIVING, "isolation_300ohm_per_volt"], "FAULT", "isolation below limit", None),
    ([*DRIVING, "stand_down"], "ARMED", None, None),
    ([*UP, "idle_300s"], "DISCHARGE", None, None),
    ([*UP, "key_off"], "DISCHARGE", None, None),
    ([*UP, "key_off", "link_below_60v"], "OFF", None, None),
    # A fault is left only by an empty link, then the acknowledgement, then the key.
    ([*DRIVING, "emergency_stop", "ack", "key_off"], "FAULT", "emergency stop", None),
    ([*DRIVING, "emergency_stop", "link_below_60v", "ack", "key_off"], "OFF", None, None),
    # What stands outlives fault and key.
    (
        [*DRIVING, "emergency_stop", "link_below_60v", "ack", "key_off", "key_on"],
        "FAULT",
        "emergency stop",
        None,
    ),
    (
        [*DRIVING, "emergency_stop", "link_below_60v", "ack", "key_off", "emergency_stop_released", "key_on"],
        "SELF_TEST",
        None,
        None,
    ),
]


@pytest.mark.parametrize(("events", "state", "cause", "refused"), RUNS, ids=lambda v: str(v)[-40:])
def test_the_contactors_close_and_open_by_their_table(
    events: list[str], state: str, cause: str | None, refused: str | None
) -> None:
    made = Machine().run(events)
    assert (made.state, made.cause, made.refused) == (state, cause, refused)
    assert made.torque_zero == (state != "DRIVE" or "throttle_lost" in events[-1])
    assert made.state in WHY and (made.cause is None or made.cause in WHY)
    assert len(made.said) == len(events)


def test_brake_and_throttle_together_give_nothing_until_it_is_let_go() -> None:
    made = Machine().run([*DRIVING, "throttle_40pct", "brake_on"])
    assert made.state == "DRIVE" and made.torque_zero
    assert made.run(["brake_off", "throttle_30pct"]).torque_zero
    assert not made.run(["throttle_0pct", "throttle_30pct"]).torque_zero
    assert made.run(["neutral"]).torque_zero and not made.run(["direction_chosen"]).torque_zero


def test_a_craft_that_flies_keeps_its_power_with_an_alarm_and_does_not_arm_again() -> None:
    flying = Machine(Circuit(keeps_driving=True)).run([*DRIVING, "over_temperature"])
    assert flying.state == "DRIVE" and flying.alarm == "over temperature" and flying.barred
    assert flying.run(["emergency_stop"]).state == "FAULT"
    with pytest.raises(InputError, match="no such event"):
        Machine().run(["close_anyway"])
