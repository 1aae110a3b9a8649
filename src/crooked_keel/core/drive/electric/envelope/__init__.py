"""What an electric unit gives at every speed: phase current, battery current and voltage each end it somewhere."""
