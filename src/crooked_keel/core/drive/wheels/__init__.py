"""Drive by wheels: gears, chains and belts, half shafts, hubs, and getting away from rest."""
