"""What this bench could look at; a rule names what it judges of it."""

from __future__ import annotations

from ..judging.register import Matter

MATTERS = (
    Matter("whether work was done well, and whether what is written down is true"),
    Matter("who may sign what: local rules and licensed people say"),
    Matter("days off, other work, and how long a delivery really takes"),
    Matter("locking, wire and cotter pins: look at each"),
)
