"""The simulated stand: the same seed gives the same run, and a fault changes nothing but its own channel."""

from __future__ import annotations

from itertools import islice

import pytest

from crooked_keel.instruments.stand import OF_KIND, Kind, StandFault, sim_instrument, simulate_run


def rows(fault: StandFault = "none", at: str = "coolant", seed: int = 7, n: int = 300) -> list[dict[str, float | None]]:
    return [r.values for r in islice(simulate_run(fault, at, seed, 300.0, 3.0), n)]


def test_the_same_seed_gives_the_same_run_and_another_another() -> None:
    assert rows() == rows() != rows(seed=8)


@pytest.mark.parametrize(
    ("fault", "at"), [("open", "coolant"), ("stuck", "oil_pressure"), ("wrong pulses", "rpm"), ("multipath", "speed")]
)
def test_a_fault_changes_its_own_channel_alone(fault: StandFault, at: str) -> None:
    good, bad = rows(), rows(fault, at)
    assert [r[at] for r in good] != [r[at] for r in bad]
    for channel in good[0]:
        if channel != at:
            assert [r[channel] for r in good] == [r[channel] for r in bad]


@pytest.mark.parametrize(("kind", "fault"), [(k, f) for k, fs in OF_KIND.items() for f in fs])
def test_each_fault_looks_as_it_should(kind: Kind, fault: StandFault) -> None:
    truth = lambda t: 350.0 + t
    good = [r.value for r in islice(sim_instrument(kind, 1, truth), 60)]
    made = list(islice(sim_instrument(kind, 1, truth, fault), 60))
    values = [r.value for r in made]
    if fault in ("dropout", "open", "over range"):
        assert None in values and {r.status for r in made} > {"ok"}
    elif fault in ("stuck", "frozen fix"):
        assert len(set(values[6:])) == 1
    elif fault == "wrong pulses":
        assert values[10] == pytest.approx(2 * (good[10] or 0))
    elif fault == "reversed":
        assert (values[50] or 0) < (values[0] or 0)
    else:
        assert values != good and all(v is not None for v in values)


def test_temperatures_lag_behind_what_is_there() -> None:
    step = lambda t: 300.0 if t < 1 else 400.0
    values = [r.value or 0 for r in islice(sim_instrument("thermocouple", 1, step), 40)]
    assert values[3] < 360 < values[-1] and values[-1] == pytest.approx(400, abs=4)
