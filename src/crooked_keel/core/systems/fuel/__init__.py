"""Fuel from its tanks to the unit."""
