"""What is typed on a first evening: the page of what is measured first, figure by figure."""

from __future__ import annotations

import re
from collections.abc import Sequence
from typing import Any

from ..core.document import Project, apply_operations
from ..core.first import first_page
from ..core.reference.kinds import new_project

_OTHER = {"port": "starboard", "starboard": "port"}


def typed(
    name: str, layout: str, unit: str, description: str, figures: Sequence[tuple[str, str]]
) -> list[dict[str, Any]]:
    """The edits of the page of a boat. figures: what was typed by the end of its pointer; the first pattern that is
    found counts. The second of a pair is typed as the first, its butt line to the other side."""
    made: list[dict[str, Any]] = new_project("boat", name, layout, unit, "mm-kg")
    made.append({"op": "add", "path": "/craft/description", "value": description})
    fresh = apply_operations(Project(name=name, kind="boat"), made)
    for group in first_page(fresh, "a").groups:
        for line in group.lines:
            for pointer in (line.pointer, line.out, line.into):
                if pointer is None:
                    continue
                text = next(t for pattern, t in figures if re.search(pattern, pointer))
                value: Any = text if line.kind == "choice" else {"entered": text, "source": line.source}
                if pointer.endswith("butt_line"):
                    value |= {"from": "centreline", "dir": "port"}
                made.append({"op": "add", "path": pointer, "value": value})
                if "/port/" in pointer:
                    other = dict(value, dir="starboard") if pointer.endswith("butt_line") else value
                    made.append({"op": "add", "path": pointer.replace("/port/", "/starboard/"), "value": other})
    return made
