"""Rough figures: declared models that stand in where a finer figure is blank, with their doubt, by name."""

from .fill import filled_with, stood_in
from .resting import heavy, listed, resting, resting_values
from .stand import RoughOut, Stand

__all__ = ["RoughOut", "Stand", "filled_with", "heavy", "listed", "resting", "resting_values", "stood_in"]
