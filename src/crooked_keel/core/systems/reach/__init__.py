"""What must be reached with the unit in place."""
