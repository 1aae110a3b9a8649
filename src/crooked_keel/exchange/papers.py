"""The papers of the work by their names: apart from what prints them, which is slow to load."""

from __future__ import annotations

from typing import Literal

Paper = Literal["book", "tasks", "torque", "strip", "holds", "tags"]
