"""Colour that is worked out: reading it, measuring it, and grounds on which everything reads."""
