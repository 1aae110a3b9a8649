"""Simulated scales: each fault as a shop would meet it, and the judgement that must find it. Common practice, no
source."""

from __future__ import annotations

from itertools import islice

import pytest

from crooked_keel.instruments.scales import CAPACITY_KG, WINDOW, Fault, Pad, Shown, judge, simulate

PADS = [Pad("left", 163.2), Pad("right", 162.4), Pad("tail", 24.9)]


def after(seconds: float, fault: Fault = "none", seed: int = 3) -> dict[str, Shown]:
    return {s.id: s for s in list(islice(simulate(PADS, fault, seed), int(seconds * 5)))[-1]}


@pytest.mark.parametrize("seed", range(5))
def test_good_scales_settle_on_what_stands_on_them(seed: int) -> None:
    for pad in PADS:
        shown = after(8, seed=seed)[pad.id]
        assert shown.state == "steady" and shown.mean_kg == pytest.approx(pad.load_kg, abs=0.1)


def test_rolling_on_is_not_steady() -> None:
    assert {s.state for s in after(1).values()} == {"moving"}


@pytest.mark.parametrize(
    ("fault", "state"),
    [
        ("wind", "moving"),
        ("drift", "drifting"),
        ("overload", "over its range"),
        ("stuck", "stuck"),
        ("dead corner", "stuck"),
    ],
)
def test_each_fault_keeps_the_first_scale_from_being_taken(fault: Fault, state: str) -> None:
    shown = after(10, fault)
    assert shown["left"].state == state
    assert shown["right"].state == "steady"
    if fault == "dead corner":
        assert shown["left"].mean_kg is not None and shown["left"].mean_kg < 0.05 * PADS[0].load_kg


def test_an_empty_scale_says_so() -> None:
    assert {s.id: s for s in list(islice(simulate([Pad("left", 160.0), Pad("tail", 0.0)]), 60))[-1]}[
        "tail"
    ].state == "nothing on it"


def test_nothing_is_shown_over_the_range() -> None:
    shown = list(islice(simulate([Pad("left", CAPACITY_KG + 5)]), 40))[-1][0]
    assert (shown.kg, shown.mean_kg) == (None, None)


def test_the_same_seed_shows_the_same() -> None:
    assert list(islice(simulate(PADS, "wind", 7), 50)) == list(islice(simulate(PADS, "wind", 7), 50))


def test_what_never_changes_while_nothing_moves_is_not_called_stuck() -> None:
    assert judge([100.0] * WINDOW)[0] == "steady"
    assert judge([100.0] * WINDOW, others_move=True)[0] == "stuck"
    assert judge([100.0] * (WINDOW - 1))[0] == "moving"
