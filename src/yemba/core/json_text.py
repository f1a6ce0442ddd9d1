"""JSON objects read member by member: what has the same text as before is not parsed again."""

from __future__ import annotations

import json
from collections.abc import Callable
from typing import Any, TypeVar

from yemba.core.cache import Cache

T = TypeVar("T")
_decode = json.JSONDecoder().raw_decode


def value_at(text: str, start: int) -> tuple[Any, int]:
    """The value that begins at `start`, and where it ends. Raises ValueError."""
    return _decode(text, start)


def name_at(text: str, start: int) -> tuple[str, int]:
    """The name of a member that begins at `start`, and where its value begins. Raises ValueError where there is none,
    or blanks stand about the colon."""
    name, end = _decode(text, start)
    if text[end : end + 1] != ":":
        raise ValueError(f"no colon at {end}")
    return name, end + 1


def after_member(text: str, end: int) -> int:
    """Where the next member begins, or the brace that ends the object; `end` is the end of a value. Raises ValueError
    where blanks stand between."""
    if text[end : end + 1] not in (",", "}"):
        raise ValueError(f"neither comma nor brace at {end}")
    return end + (text[end] == ",")


def members(text: str, start: int, last: Cache[str, str], make: Callable[[str], T]) -> tuple[dict[str, T], int]:
    """The members of the object without blanks that begins at `start`, by name, each made of its text, and where the
    object ends. `last` holds the text that a member of a name had before: no JSON object begins with another, so one
    that stands there again ends where it did.

    Raises ValueError where the text has another form.
    """
    values: dict[str, T] = {}
    at = start + 1
    while text[at : at + 1] != "}":
        name, at = name_at(text, at)
        previous = last.get(name)
        if previous and text.startswith(previous, at):
            own = previous
        else:
            own = text[at : value_at(text, at)[1]]
            if own.startswith("{"):
                last.put(name, own)
        values[name] = make(own)
        at = after_member(text, at + len(own))
    return values, at + 1
