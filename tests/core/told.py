"""Records for tests, as people would tell them."""

from __future__ import annotations

from datetime import date
from typing import Any

from crooked_keel.core.facts import Facts, Kept, read_record

TODAY = date(2026, 11, 29)


def facts_of(*told: dict[str, Any], today: date | None = TODAY) -> Facts:
    """Facts of records in their order, all entered today."""
    day = today or TODAY
    made = [read_record({"by": "Owner", "fit": "a", **t}) for t in told]
    return Facts(tuple(Kept(n, day, f"{day}T12:00:00+00:00", r) for n, r in enumerate(made, 1)), today)


def m(text: str) -> dict[str, str]:
    """A figure that was measured."""
    return {"entered": text, "source": "measured"}


def done(*tasks: str) -> list[dict[str, Any]]:
    """Tasks finished."""
    return [{"kind": "step", "task": t, "step": "done"} for t in tasks]


def seen(task: str, role: str = "second person", by: str = "Neighbour") -> dict[str, Any]:
    """A hold seen by another."""
    return {"kind": "witness", "task": task, "role": role, "evidence": "a sheet", "by": by}


def reading(
    what: str, dimension: str, si: float, doubt: float = 0.0, card: str | None = "full-power"
) -> dict[str, Any]:
    """A figure read on a card."""
    made = {"kind": "reading", "what": what, "dimension": dimension, "entered": f"{si}", "si": si, "doubt_si": doubt}
    return made | ({"card": card} if card else {})


def passed(card: str, *lines: str) -> dict[str, Any]:
    """A card passed with its lines seen to."""
    return {"kind": "card", "card": card, "result": "passed", "seen": list(lines)}


def log(
    values: list[float | None], channel: str = "coolant", dimension: str = "temperature", **more: Any
) -> dict[str, Any]:
    """A log of one channel, ten seconds a row."""
    return {
        "kind": "log",
        "card": "full-power",
        "source": "csv",
        "name": "run",
        "rows": len(values),
        "t": [10.0 * i for i in range(len(values))],
        "columns": [{"name": channel, "channel": channel, "dimension": dimension, "values": values}],
        **more,
    }
