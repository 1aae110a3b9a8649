"""The rules and the computation. Pure: no I/O, no clock, no database, no web."""
