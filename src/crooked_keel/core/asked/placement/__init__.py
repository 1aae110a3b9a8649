"""Placing unit, packs and lead all at once: what must hold, what may move, the program, and what is offered."""

from .place import PlacedTogether, Solution, SplitOut, place_together
from .program import Target
from .wish import Wish

__all__ = ["PlacedTogether", "Solution", "SplitOut", "Target", "Wish", "place_together"]
