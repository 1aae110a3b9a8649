"""Shafts that carry the torque across to the road."""
