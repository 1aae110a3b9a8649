"""A motor on the crank of an engine."""
