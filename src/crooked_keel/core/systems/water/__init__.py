"""Sea water that takes the heat."""
