"""High voltage: pre-charge, isolation, fuse, and the state of its contactors."""
