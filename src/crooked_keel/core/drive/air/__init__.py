"""Drive in the air: the propeller, its match with the unit, climb, cruise and dive."""
