"""Logs of runs: CSV, NMEA 0183, GPX 1.1."""

from .read import Choice, HeadOut, LogIn, ReadLog, look_at, take

__all__ = ["Choice", "HeadOut", "LogIn", "ReadLog", "look_at", "take"]
