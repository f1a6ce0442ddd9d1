"""Addresses of pages."""

from __future__ import annotations

import re
import unicodedata
from collections.abc import Collection
from itertools import chain, count

_WRITTEN_OUT = str.maketrans(
    {"ß": "ss", "æ": "ae", "œ": "oe", "ø": "o", "ł": "l", "đ": "d", "ð": "d", "þ": "th", "ı": "i"}
)
RESERVED = {"assets", "icons", "static"}
"""Addresses the renderer's own files stand under."""


def slug_from(name: str, most: int = 60) -> str:
    """The address a name suggests, of `most` letters: lower case, no accents, single hyphens between words. Letters
    that are no others with an accent are written out (ß, æ, ø, ł …). A long one is cut after a word, unless little
    were left."""
    flat = (
        unicodedata.normalize("NFKD", name.lower().translate(_WRITTEN_OUT)).encode("ascii", "ignore").decode().lower()
    )
    whole = re.sub(r"[^a-z0-9]+", "-", flat).strip("-")
    if len(whole) <= most:
        return whole
    after_a_word = whole[: most + 1].rpartition("-")[0]
    return after_a_word if len(after_a_word) > most / 2 else whole[:most].rstrip("-")


TAKEN_BY_PAGES = {"content", "menu", "seen-as"}
"""Names within a page that its own markup has."""


def free_slug(name: str, others: Collection[str]) -> str:
    """An address made from a page's name that no other page has."""
    wanted = slug_from(name) or "page"
    numbered = (f"{wanted}-{n}" for n in count(2))
    return next(slug for slug in chain([wanted], numbered) if slug not in others and slug not in RESERVED)
