"""Electric drive: packs, the motor's envelope and duty, and a motor that helps an engine."""
