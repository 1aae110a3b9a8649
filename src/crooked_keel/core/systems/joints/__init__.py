"""What becomes of joints that do not fit."""
