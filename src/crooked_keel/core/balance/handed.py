"""What this bench's topics are handed by name, and what they hand on."""

from __future__ import annotations

from typing import Annotated

from ..errors import CannotSay
from ..resolved.references import Body
from .ledger.functions import Centre
from .standing.functions import TouchPoint

# The craft as found, and its sums along x: as found, with the work done, and by the scales when it is weighed again.
AsFound = Annotated[list[Body] | CannotSay, "as found"]
EmptyBefore = Annotated[Centre | CannotSay, "empty before"]
EmptyAfter = Annotated[Centre | CannotSay, "empty after"]
EmptyMeasured = Annotated[Centre | CannotSay, "empty by the scales"]
# Whether the craft has CG limits.
Limited = Annotated[bool, "limited"]
# Supports by name with their place in plan, as they touch; what each carries by the warp of four.
Footprint = Annotated[list[tuple[str, tuple[float, float]]] | CannotSay, "footprint"]
Stands = Annotated[list[TouchPoint] | CannotSay, "stands"]
Warp = Annotated[dict[str, float], "warp"]
