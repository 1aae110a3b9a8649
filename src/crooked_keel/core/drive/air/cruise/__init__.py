"""Level flight: what it asks, burns and reaches; climb at height; a dive with the throttle shut."""
