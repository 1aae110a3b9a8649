"""Cards of the first runs, and what keeps each shut."""
