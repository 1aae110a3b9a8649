"""The plan of a fit: tasks, what each waits for, who must see it; and when work begins."""

from __future__ import annotations

from datetime import date
from typing import Annotated, Literal

from pydantic import AfterValidator, Field

from ..figure.flows import Labour
from ..figure.kinds import Wait
from .base import Item, Key, Note, Part


def _is_day(text: str) -> str:
    if text:
        try:
            if date.fromisoformat(text).isoformat() != text:
                raise ValueError
        except ValueError:
            raise ValueError("a day is written year, month, day, as 2027-01-09") from None
    return text


# A day as 2027-01-09, or nothing.
Day = Annotated[str, Field(max_length=10), AfterValidator(_is_day)]
Role = Literal["inspector", "second person", "yard", "surveyor", "electrician"]
Work = Literal[
    "record", "measure", "design", "order", "strip", "inspect", "fabricate", "fit", "connect", "fluid", "test"
]


class Task(Item):
    """Something to do. hours: of one pair of hands; lead: what runs by itself once it is begun, before another may
    begin; after: what must be finished first; seals: what would shut it in, and so must come later; gate: the wall that
    it is; witness: who must see it, with what evidence, before anything goes on."""

    caution: Note = ""
    state: Literal["open", "done"] | None = None
    work: Work | None = None
    hours: Labour | None = None
    lead: Wait | None = None
    after: Annotated[list[Key], Field(max_length=60)] = []
    seals: Annotated[list[Key], Field(max_length=60)] = []
    gate: Literal["the unit goes in", "first start"] | None = None
    witness: Role | None = None
    evidence: Note = ""
    not_before: Day = ""


class Plan(Part):
    """When work begins, by when it is to be done, and how much of it a week holds; template: which the tasks were taken
    from."""

    begins: Day = ""
    done_by: Day = ""
    hours_a_week: Labour | None = None
    template: Key | None = None
