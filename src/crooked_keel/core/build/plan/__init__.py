"""Tasks in their order, on a calendar."""
