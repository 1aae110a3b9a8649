"""The unit against its air propeller: at which speed they agree."""
