"""The first runs, and what was promised beside what was measured."""
