"""The coolant: its loop, its hoses, its room to grow."""
