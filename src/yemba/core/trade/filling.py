"""Starter words with places for the name and the town, and whether a text is still one of them."""

from __future__ import annotations

import re
from collections.abc import Iterator, Mapping, Sequence

Texts = Mapping[str, Sequence[str]]
"""Starter words by field."""
NO_TEXTS: Texts = {}

_IF_TOWN = re.compile(r"\[([^\]]*)\]")
_PLACE = re.compile(r"\{(?:name|town)\}")


def fill(words: str, name: str, town: str) -> str:
    """Starter words with {name} and {town} put in; what stands in [brackets] is left out where there is no town."""
    chosen = _IF_TOWN.sub(r"\1" if town else "", words)
    return chosen.replace("{name}", name).replace("{town}", town)


def is_filled(words: str, text: str) -> bool:
    """Whether a text is these starter words with some name and some town put in; a name alone is no starter word."""
    return any(_fits(variant, text) for variant in _variants(words))


def _variants(words: str) -> Iterator[str]:
    yield _IF_TOWN.sub(r"\1", words)
    if "[" in words:
        yield _IF_TOWN.sub("", words)


def _fits(words: str, text: str) -> bool:
    first, *others = _PLACE.split(words)
    if not others:
        return text == first
    if not "".join([first, *others]).strip():
        return False
    *between, last = others
    if not (text.startswith(first) and text.endswith(last) and len(text) > len(first) + len(last)):
        return False
    place, end = len(first), len(text) - len(last)
    for piece in between:
        at = text.find(piece, place, end)
        if at < 0:
            return False
        place = at + len(piece)
    return True
