"""Simulated stand-ins for what hangs on a cable in a shop. Each yields what the real one would; nothing here measures
anything."""
