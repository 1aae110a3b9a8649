"""How hot the oil of a reduction becomes."""
