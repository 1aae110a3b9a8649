"""What nobody said of a lane yet."""
