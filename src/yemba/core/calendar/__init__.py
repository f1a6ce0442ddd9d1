"""Dates and money as people say them."""
