"""What this bench could look at; a rule names what it judges of it."""

from __future__ import annotations

from ..judging.register import Matter

MATTERS = (
    Matter("whether the craft is sound: cracks, corrosion, rot, old repairs"),
    Matter("its papers: registration, type, insurance"),
)
