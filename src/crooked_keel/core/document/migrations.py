"""Older documents are lifted dict → dict on reading; what is stored is never rewritten."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

# version → function that lifts a document of that version to the next one.
STEPS: dict[int, Callable[[dict[str, Any]], dict[str, Any]]] = {}


def lift(raw: dict[str, Any]) -> dict[str, Any]:
    """The document in the current version."""
    while (step := STEPS.get(raw["schema_version"])) is not None:
        raw = step(raw)
    return raw
