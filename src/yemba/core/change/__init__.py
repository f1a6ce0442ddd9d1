"""Edits and their inverses, and what differs between two documents."""
