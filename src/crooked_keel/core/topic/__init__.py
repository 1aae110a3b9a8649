"""How an edit costs what it touches: topics, what they read, and the workspace that keeps them."""
