"""The second weighing."""
