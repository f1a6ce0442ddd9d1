"""Stored values in the owner's words."""

from __future__ import annotations

from typing import Any

from yemba.core.message import Joined, Message
from yemba.core.site.resolve import Look
from yemba.core.site.settings import setting
from yemba.core.site.words import plain


def value_in_words(key: str, value: Any, look: Look | None = None) -> str:
    """A design value; `look` gives typefaces, grounds and pictures their names. Raises Fault ``no-such-setting``."""
    kind = setting(key).kind
    if value is None and not kind.refers_to:
        return Message("worked out")
    return kind.say(value, look)


def in_words(value: Any) -> str:
    """Any stored value so that its owner knows it again: words without markup, colours with their codes."""
    if isinstance(value, str):
        return plain(value) if "<" in value else value
    if isinstance(value, bool):
        return Message("yes") if value else Message("no")
    if isinstance(value, int | float):
        return f"{value:g}"
    if isinstance(value, dict):
        return _entry(value)
    if isinstance(value, list | tuple):
        return Joined(", ", [in_words(part) for part in value])
    return Message("nothing")


def _entry(entry: dict[str, Any]) -> str:
    if "hex" in entry:
        return f"{entry['name']} {entry['hex']}"
    return Joined(", ", filter(None, map(in_words, entry.values())))
