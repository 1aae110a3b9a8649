"""What surrounds the unit: plumbing, wiring, and what must be reached."""
