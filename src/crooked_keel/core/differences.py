"""What two documents, or two fits of one, say differently: figure by figure, as each was typed."""

from __future__ import annotations

import re
from collections.abc import Iterator, Mapping
from typing import Any

from pydantic import BaseModel

from .document import Figure, Project
from .errors import InputError
from .figure.place import Place
from .formula import record
from .reference.kinds import Kind
from .resolved.references import kind_of
from .sheets import sheet

# Fits and their units: named at the head of what is laid side by side, not in every line.
_OF_THE_WHOLE = re.compile(r"/fits/\*(/installations/\*)?|/old_installations/\*")


@record
class Difference:
    """One figure, choice or item that differs: where it is, what people call it, and what either says (None: blank)."""

    pointer: str
    label: str
    before: str | None
    after: str | None


def differences(before: Project, after: Project) -> list[Difference]:
    """Everything that two states of a document say differently."""
    return _told(_walked(before, after, ""), after, before)


def differences_of_fits(project: Project, one: str, other: str) -> list[Difference]:
    """Everything that two fits of a document say differently but for the plans of the work. Raises InputError if there
    is no such fit."""
    for fit in (one, other):
        if fit not in project.fits:
            raise InputError("/fits", "no such fit", given=fit, allowed=", ".join(project.fits) or "none yet")
    found = _walked(project.fits[one], project.fits[other], f"/fits/{other}")
    work = tuple(f"/fits/{other}/{part}" for part in ("tasks/", "plan/"))
    return _told((d for d in found if not d[0].startswith(work)), project, project)


def _walked(a: Any, b: Any, pointer: str) -> Iterator[tuple[str, str | None, str | None]]:
    if a is b:
        return
    if isinstance(a, Figure) or isinstance(b, Figure):
        was, now = _said(a), _said(b)
        if was != now:
            yield pointer, was, now
    elif isinstance(a, BaseModel) or isinstance(b, BaseModel):
        for name in type(a if isinstance(a, BaseModel) else b).model_fields:
            if name not in ("schema_version", "reference_version"):
                yield from _walked(getattr(a, name, None), getattr(b, name, None), f"{pointer}/{name}")
    elif isinstance(a, Mapping) or isinstance(b, Mapping):
        for key in {**(a or {}), **(b or {})}:
            yield from _walked((a or {}).get(key), (b or {}).get(key), f"{pointer}/{key}")
    elif a != b:
        yield pointer, _said(a), _said(b)


def _said(value: Any) -> str | None:
    if value is None or value == "":
        return None
    if not isinstance(value, Figure):
        return f"{len(value)} entries" if isinstance(value, list) else str(value)
    by = f" ±{value.plus_minus.entered}" if value.plus_minus is not None else ""
    way = f" {value.dir}" if isinstance(value, Place) else ""
    return f"{value.entered}{by}{way}, {value.source}"


def _told(found: Iterator[tuple[str, str | None, str | None]], now: Project, before: Project) -> list[Difference]:
    """Those that differ in what is typed; ranks and names of items that came or went are left to their figures."""
    labels = _labels(kind_of(now))
    return [
        Difference(p, _label(p, labels, now, before), was, is_)
        for p, was, is_ in found
        if not p.endswith("/rank") and not (p.endswith("/name") and None in (was, is_))
    ]


def _labels(kind: Kind) -> dict[str, str]:
    """What the sheets call a field, by the end of its pointer."""
    made: dict[str, str] = {}
    for block in sheet(kind):
        for entry in block.entries:
            made[f"{block.table.lstrip('~^')}/*/{entry.pointer}" if block.table else entry.pointer.lstrip("~^")] = (
                entry.label
            )
    return made


def _label(pointer: str, labels: dict[str, str], *documents: Project) -> str:
    """The label of a field with the names of the items along the way."""
    names, plain = [], ""
    at: list[Any] = list(documents)
    for token in pointer.strip("/").split("/"):
        inside = any(isinstance(d, Mapping) for d in at)
        at = [d.get(token) if isinstance(d, Mapping) else getattr(d, token, None) for d in at]
        plain += "/*" if inside else f"/{token}"
        name = next((n for d in at if (n := getattr(d, "name", None))), None)
        if inside and name and not _OF_THE_WHOLE.fullmatch(plain):
            names.append(str(name))
    own = next((label for end, label in labels.items() if plain == end or plain.endswith(f"/*{end}")), None)
    last = own or pointer.rsplit("/", 1)[-1].replace("_", " ")
    whose = "old unit: " if plain.startswith("/old_installations") else ""
    return whose + ": ".join([*names[-2:], last[:1].lower() + last[1:]])
