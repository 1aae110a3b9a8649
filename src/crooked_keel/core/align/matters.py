"""What this bench could look at; a rule names what it judges of it."""

from __future__ import annotations

from ..judging.register import Matter

MATTERS = (
    Matter("what grows warm: expansion between cold and hot"),
    Matter("run-out of the shaft itself, wear of bearings and seals", "shaft line"),
    Matter("stern gland, struts and cutless bearing", "shaft line"),
    Matter("what flight does to trim: only flying tells the angles", "thrust line"),
    Matter("wheel alignment of the craft itself", "stands on wheels"),
)
