"""What runs outside the unit: chains by their adjuster and speed, variators by their span."""
