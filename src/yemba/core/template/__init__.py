"""Templates: what a starting design says of every value the owner has not set."""
