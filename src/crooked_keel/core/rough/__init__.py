"""Rough figures: declared models that stand in where a finer figure is blank, with their doubt, by name."""

from .fill import stood_in
from .resting import listed, resting, resting_values
from .stand import RoughOut, Stand

__all__ = ["RoughOut", "Stand", "listed", "resting", "resting_values", "stood_in"]
