"""Twisting of the line between unit and propeller."""
