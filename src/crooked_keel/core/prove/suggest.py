"""Ways out of what the second weighing says."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from ..judging.finding import Message, Operation, q, word
from ..judging.propose import Proposal
from .weighed.quantities import Weighed

# Less than this the scales do not show. Proposed.
_LEAST_KG = 0.2


def unexplained(weighed: Weighed) -> Iterator[Proposal]:
    """A row of the ledger for what the scales show and nobody entered, where it must sit to make both agree."""
    there, here = weighed.predicted, weighed.measured
    kg = here.mass_kg - there.mass_kg
    if abs(kg) < _LEAST_KG:
        return
    at = (here.mass_kg * here.station_m - there.mass_kg * there.station_m) / kg
    row = {
        "name": "Shown by the second weighing",
        "kind": "installed" if kg > 0 else "removed",
        "rank": 990.0,
        "mass": {"entered": f"{abs(kg):.2f} kg", "source": "measured"},
        "station": {
            "entered": f"{abs(at) * 1000:.0f} mm",
            "source": "computed",
            "from": "datum",
            "dir": "aft" if at >= 0 else "forward",
        },
        "note": "What it is, nobody knows yet. Find it, and enter it in its place.",
    }
    yield Proposal(
        "unexplained",
        Message(
            template="Take the second weighing as it is: a row of {m} {w}, at {s} {d} of the datum, until it is found",
            params={
                "m": q(abs(kg), "mass"),
                "w": word("more" if kg > 0 else "less"),
                "s": q(abs(at), "length"),
                "d": word("aft" if at >= 0 else "forward"),
            },
        ),
        [Operation(op="add", path=f"/fits/{weighed.fit_id}/ledger/second-weighing", value=row)],
    )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {"prove.second-weighing": unexplained}
