"""A few seconds of `make torture`: a real server, killed while it is written to."""

from __future__ import annotations

from benchmarks.torture import torture


def test_what_was_acknowledged_outlives_every_death() -> None:
    found = torture(3.0, least=5)
    assert found.acknowledged >= 5 and found.deaths > 1, found
    assert (found.lost, found.faults, found.failures) == (0, 0, 0), str(found)
