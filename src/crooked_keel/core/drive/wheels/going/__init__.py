"""How a road craft pulls away and pulls, gear by gear."""
