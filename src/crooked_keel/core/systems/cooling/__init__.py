"""Cooling: heat, air, water, coolant."""
