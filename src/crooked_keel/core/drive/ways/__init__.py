"""Ways of driving the wheels side by side."""
