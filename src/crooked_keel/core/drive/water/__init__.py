"""Drive on water: the hull's speed, the screw, and the shaft that carries it."""
