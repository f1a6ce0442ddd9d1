"""What fits where, from real widths."""
