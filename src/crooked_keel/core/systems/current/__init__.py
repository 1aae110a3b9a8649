"""Current: loads, wires, batteries, ignition."""
