"""What this bench could look at; a rule names what it judges of it."""

from __future__ import annotations

from ..judging.register import Matter

MATTERS = (
    Matter("what no card asks for: handling, noise, stalls, spray, waves"),
    Matter("whether an instrument is right: try it against another"),
    Matter("gusts, waves, slopes and streams of the day"),
    Matter("how long it lasts: hours tell, and the oil"),
)
