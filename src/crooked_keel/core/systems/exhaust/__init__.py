"""Exhaust, dry and wet."""
