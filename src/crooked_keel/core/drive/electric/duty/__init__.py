"""What a drive cycle asks of an electric unit: energy, and the power that it must give for long."""
