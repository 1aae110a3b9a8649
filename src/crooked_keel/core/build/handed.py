"""What this bench's topics are handed by name."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Annotated

from ..document import LedgerRow

# Rows of the ledger that every fit shares.
CommonRows = Annotated[Mapping[str, LedgerRow], "common rows"]
