"""Stable ids for pages, sections, items, colours and pictures."""

import secrets
from collections.abc import Callable

Ids = Callable[[], str]
"""Gives an id that nothing has yet, another each time."""
_LETTERS = "abcdefghjkmnpqrstuvwxyz23456789"  # none that are mistaken for another


def new_id() -> str:
    """Nine letters, first a letter, so that it serves as an HTML id and a CSS name as it is."""
    return "x" + "".join(secrets.choice(_LETTERS) for _ in range(8))
