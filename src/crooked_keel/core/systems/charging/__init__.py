"""How batteries are charged: at what voltage, with what current, how long, and whether one empties another."""
