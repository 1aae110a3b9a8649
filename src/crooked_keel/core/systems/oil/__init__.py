"""Oil of the unit."""
