"""Climb and top speed, scaled from what she did before."""
