"""Fasteners: what they are tightened to, and whether they were."""
