"""What happened: records, and what they say together."""

from .facts import NOTHING, Facts, Hold, Kept, Standing
from .records import KINDS, Record, kind_of, read_record

__all__ = ["KINDS", "NOTHING", "Facts", "Hold", "Kept", "Record", "Standing", "kind_of", "read_record"]
