"""Kinds of palette file. One kind, one file, found by its place."""
