"""Records as a table and as JSON: every record, in its order, those that were corrected too."""

from __future__ import annotations

import csv
import io
import json
from typing import Any

from ..core.document import plain
from ..core.facts import Facts, Kept, kind_of
from .cells import safe

HEAD = (
    "number",
    "entered",
    "kind",
    "by",
    "fit",
    "unit",
    "task",
    "on",
    "stands",
    "corrects",
    "simulated",
    "says",
    "note",
)
_COMMON = {"kind", "by", "fit", "unit", "task", "on", "note", "corrects", "simulated"}


def _said(data: dict[str, Any]) -> str:
    """What a record says beside who and when, in one cell."""
    parts = []
    for name, value in data.items():
        if name in _COMMON or name in ("t", "columns"):
            continue
        text = (
            value.get("entered", "")
            if isinstance(value, dict)
            else ", ".join(value)
            if isinstance(value, list)
            else value
        )
        if text not in ("", None):
            parts.append(f"{name.replace('_', ' ')}: {text}")
    return "; ".join(parts)


def records_to_csv(facts: Facts, fit: str | None) -> str:
    """Every record of a fit, or of all."""
    stands = {k.number for k in facts.standing}
    out = io.StringIO()
    made = csv.writer(out, lineterminator="\n")
    made.writerow(HEAD)
    for k in _of(facts, fit):
        data = plain(k.of)
        row = {**data, "number": k.number, "entered": k.at, "kind": kind_of(k.of), "says": _said(data)}
        row |= {"stands": "yes" if k.number in stands else "no", "simulated": "yes" if k.of.simulated else "no"}
        made.writerow([safe(str(row.get(name, "") if row.get(name) is not None else "")) for name in HEAD])
    return out.getvalue()


def records_to_json(facts: Facts, fit: str | None) -> str:
    """Every record of a fit, or of all, whole."""
    stands = {k.number for k in facts.standing}
    made = [
        {"number": k.number, "entered": k.at, "stands": k.number in stands, "record": plain(k.of)}
        for k in _of(facts, fit)
    ]
    return json.dumps({"records": made}, ensure_ascii=False, allow_nan=False, indent=1) + "\n"


def _of(facts: Facts, fit: str | None) -> list[Kept]:
    return [k for k in facts.records if fit is None or k.of.fit == fit]
