"""The parts that every page shares: one part, one file."""
