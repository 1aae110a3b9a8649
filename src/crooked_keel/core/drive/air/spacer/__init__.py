"""A propeller that stands ahead of its flange: what it bends there, and how it sways."""
