"""What the other benches promised beside what was measured."""
