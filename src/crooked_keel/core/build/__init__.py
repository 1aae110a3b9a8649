"""The work and its record."""
