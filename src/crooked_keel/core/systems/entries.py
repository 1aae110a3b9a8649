"""An entry of the systems of a unit, by its path there."""

from __future__ import annotations

from typing import Literal

from ..sheet.kit import Entry


def entry(path: str, label: str, kind: Literal["figure", "choice", "text"] = "figure") -> Entry:
    """One field of what surrounds a unit."""
    return Entry(f"~/systems/{path}", label, kind)
