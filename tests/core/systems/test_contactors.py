"""The contactors under any run of events: what may never be, whatever happens in whatever order."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.errors import InputError
from crooked_keel.core.systems.voltage.contactors import PLAIN, WHY, Circuit, Machine

NUMBERED = st.one_of(
    st.floats(0, 100).map(lambda p: f"link_at_{p:.1f}pct_before_close"),
    st.floats(0, 4).map(lambda s: f"link_reaches_95pct_at_{s:.2f}s"),
    st.floats(0, 100).map(lambda p: f"throttle_{p:.0f}pct"),
    st.floats(0, 2000).map(lambda r: f"isolation_{r:.0f}ohm_per_volt"),
    st.floats(0, 3).map(lambda s: f"throttle_lost_{s:.1f}s"),
    st.floats(0, 600).map(lambda s: f"idle_{s:.0f}s"),
)
# What leads there is drawn more often than what happens anyhow, so that the deeper states are reached.
WAY_UP = st.sampled_from(
    ("key_on", "selftest_ok", "link_reaches_95pct_at_0.60s", "brake_on", "throttle_0pct", "request_drive")
)
EVENTS = st.lists(st.one_of(WAY_UP, WAY_UP, st.sampled_from(PLAIN), NUMBERED), max_size=40)
CIRCUITS = st.builds(
    Circuit,
    t95_s=st.floats(0.1, 2.0),
    pack_v=st.floats(61, 800),
    isolation_ohm_v=st.sampled_from((100.0, 500.0)),
    keeps_driving=st.booleans(),
)
# From each state, where one event may lead.
MAY = {
    "OFF": {"OFF", "SELF_TEST", "FAULT"},
    "SELF_TEST": {"SELF_TEST", "PRECHARGE", "FAULT", "OFF"},
    "PRECHARGE": {"PRECHARGE", "ARMED", "FAULT", "DISCHARGE"},
    "ARMED": {"ARMED", "DRIVE", "FAULT", "DISCHARGE"},
    "DRIVE": {"DRIVE", "ARMED", "FAULT", "DISCHARGE"},
    "FAULT": {"FAULT", "OFF"},
    "DISCHARGE": {"DISCHARGE", "OFF", "FAULT"},
}


@given(CIRCUITS, EVENTS)
def test_every_step_is_one_of_the_table(circuit: Circuit, events: list[str]) -> None:
    made = Machine(circuit)
    for event in events:
        before = made.state
        made.run([event])
        assert made.state in MAY[before], (before, event, made.state)
        assert (made.state == "FAULT") == (made.cause is not None)
        assert made.state in WHY and (made.cause or made.state) in WHY


@given(CIRCUITS, EVENTS)
def test_the_motor_gets_something_only_while_it_drives(circuit: Circuit, events: list[str]) -> None:
    made = Machine(circuit)
    for event in events:
        made.run([event])
        if not made.torque_zero:
            assert made.state == "DRIVE" and made.direction and made.throttle_there
            assert not (made.brake and made.throttle > 25)


@given(CIRCUITS, EVENTS)
def test_an_emergency_stop_always_cuts(circuit: Circuit, events: list[str]) -> None:
    made = Machine(circuit).run(events)
    alive = made.state not in ("OFF", "FAULT")
    made.run(["emergency_stop"])
    assert made.torque_zero
    if alive:
        assert (made.state, made.cause) == ("FAULT", "emergency stop")
    made.run(["link_below_60v", "ack", "key_off", "key_on"])
    assert made.state == "FAULT" or made.state == "DISCHARGE"


@given(CIRCUITS, EVENTS, st.lists(st.sampled_from([e for e in PLAIN if e not in ("ack", "key_off")]), max_size=12))
def test_a_fault_is_left_by_no_other_way(circuit: Circuit, events: list[str], more: list[str]) -> None:
    """An empty link, then the acknowledgement, then the key: anything else leaves it where it is."""
    made = Machine(circuit).run([*events, "key_off", "key_on", "emergency_stop"])
    if made.state != "FAULT":
        return
    assert made.run(more).state == "FAULT"
    assert made.run(["ack", "key_off"]).state in ("FAULT", "OFF")


@given(EVENTS)
def test_what_is_off_has_passed_an_empty_link(events: list[str]) -> None:
    """From where the contactors were closed nothing leads to off but a link measured below 60 V."""
    made, closed = Machine(), False
    for event in events:
        made.run([event])
        closed = (closed or made.state in ("ARMED", "DRIVE")) and event != "link_below_60v"
        if made.state == "OFF":
            assert not closed


def test_what_stands_outlives_the_key_until_it_is_cleared() -> None:
    for broken, mended in (
        ("interlock_open", "interlock_closed"),
        ("over_temperature", "temperature_ok"),
        ("emergency_stop", "emergency_stop_released"),
        ("isolation_20ohm_per_volt", "isolation_900ohm_per_volt"),
    ):
        made = Machine().run([broken, "key_on"])
        assert made.state == "FAULT"
        assert made.run(["link_below_60v", "ack", "key_off", "key_on"]).state == "FAULT"
        assert made.run(["link_below_60v", "ack", "key_off", mended, "key_on"]).state == "SELF_TEST"


def test_a_slow_pre_charge_is_said_and_a_throttle_that_comes_back_gives_nothing_at_once() -> None:
    slow = Machine().run(["key_on", "selftest_ok", "link_reaches_95pct_at_0.95s"])
    assert slow.state == "ARMED" and slow.alarm is not None and "slow" in slow.alarm
    driving = slow.run(["brake_on", "request_drive", "brake_off", "throttle_50pct"])
    assert not driving.torque_zero
    assert driving.run(["throttle_lost_0.4s"]).torque_zero
    assert driving.run(["throttle_50pct"]).torque_zero
    assert not driving.run(["throttle_2pct", "throttle_50pct"]).torque_zero


@pytest.mark.parametrize("event", ["close", "throttle_xpct", "link_reaches_95pct_at_s", "", "KEY_ON"])
def test_a_word_that_is_not_known_is_refused(event: str) -> None:
    with pytest.raises(InputError, match="no such event") as bad:
        Machine().run([event])
    assert bad.value.allowed and "key_on" in bad.value.allowed
