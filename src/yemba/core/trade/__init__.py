"""Trades: what a new site of one begins with, and how it is found."""
