"""A few seconds of `make torture`: a real server, killed while it is written to."""

from __future__ import annotations

import pytest
from benchmarks.torture import torture


def test_what_was_acknowledged_outlives_every_death(request: pytest.FixtureRequest) -> None:
    found = torture(30.0) if request.config.getoption("--long") else torture(3.0, least=2, few=True)
    assert found.acknowledged >= 2 and found.deaths > 0, found
    assert (found.lost, found.faults, found.failures) == (0, 0, 0), str(found)
