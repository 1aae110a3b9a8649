"""Choosing a unit: what it really gives, what will not match, what it costs and how long it takes."""
