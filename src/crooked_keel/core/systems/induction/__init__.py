"""Air for the unit."""
