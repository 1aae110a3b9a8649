"""What another person must see before work goes on."""
