"""What was read on the runs: limits, trends, the hottest day, sensors that cannot be right."""
