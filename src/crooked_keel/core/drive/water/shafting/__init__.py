"""The propeller shaft of a boat: how thick it must be, and how far apart its bearings may stand."""
