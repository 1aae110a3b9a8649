"""Crooked Keel: the shop drawing of a repower, that answers back."""
