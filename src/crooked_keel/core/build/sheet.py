"""Fields of the build bench."""

from __future__ import annotations

from ..sheet.kit import Block, Entry, field

BLOCKS: tuple[Block, ...] = (
    Block(
        "build",
        "The plan",
        (
            Entry("^/plan/begins", "Work begins on", "text"),
            Entry("^/plan/done_by", "To be done by", "text"),
            field("^/plan/hours_a_week", "Hours of work in a week"),
        ),
        hint="Days as 2027-01-09. One pair of hands; every day of the week counts alike.",
    ),
    Block(
        "build",
        "Tasks",
        (
            field("work", "what", "choice"),
            field("hours", "hours"),
            field("lead", "then runs by itself"),
            field("witness", "seen by", "choice"),
            field("evidence", "what shows it", "text"),
            field("gate", "is the gate", "choice"),
            field("not_before", "not before", "text"),
            field("state", "is", "choice"),
            field("caution", "mind", "text"),
        ),
        table="^/tasks",
        one="task",
        folded=True,
    ),
)
