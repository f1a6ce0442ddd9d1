"""Kinds of value: how each is read, said in words, edited and styled. One kind, one file."""
