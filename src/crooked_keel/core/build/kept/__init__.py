"""Connections, fluids, parts, money and squawks, as recorded."""
