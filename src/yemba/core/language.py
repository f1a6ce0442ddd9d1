"""Languages that sites are written in: their letters, their direction."""

from __future__ import annotations

import unicodedata
from functools import cache
from typing import Any

from babel import Locale, UnknownLocaleError

from yemba.core.strict import Strict


class Language(Strict):
    """A language by its tag (BCP 47), its name in English, and its letters beyond a to z, small ones first.

    `phrases` are what Yemba itself says on pages, by what it says in English.
    """

    tag: str
    name: str
    letters: str = ""
    phrases: dict[str, str] = {}

    @property
    def from_right(self) -> bool:
        """Whether it is written from right to left (CLDR, by Babel)."""
        return from_right(self.tag)

    def phrase(self, english: str, **values: object) -> str:
        """What Yemba says on a page, in English where there is no translation; `values` fill "%(name)s"."""
        translation = self.phrases.get(english, english)
        return translation % values if values else translation

    @property
    def is_english(self) -> bool:
        return self.tag.partition("-")[0] == "en"

    @property
    def alphabet(self) -> str:
        """Its letters beyond a to z, small and capital."""
        capitals = (letter.upper() for letter in self.letters)
        return "".join(dict.fromkeys([*self.letters, *(capital for capital in capitals if len(capital) == 1)]))


ENGLISH = Language(tag="en", name="English")


def unknown(tag: str) -> Language:
    """A language that does not ship."""
    return Language(tag=tag, name=tag)


def locale(tag: str) -> Locale:
    """What CLDR knows of a language; that of English for one it does not know."""
    try:
        return Locale.parse(tag, sep="-")
    except (UnknownLocaleError, ValueError):
        return Locale("en")


@cache
def from_right(tag: str) -> bool:
    """Whether a language is written from right to left (CLDR, by Babel)."""
    return bool(locale(tag).text_direction == "rtl")


def reads_from_right(text: str, otherwise: bool = False) -> bool:
    """Whether the first letter with a direction of its own reads from the right (UAX 9, rule P2)."""
    kinds: Any = (unicodedata.bidirectional(letter) for letter in text)
    first = next((kind for kind in kinds if kind in ("L", "R", "AL")), "")
    return first in ("R", "AL") if first else otherwise


@cache
def own_name(tag: str) -> str:
    """A language as its own speakers call it, as the first word of a line (CLDR, by Babel); its tag where that is not
    known."""
    known = locale(tag)
    named = known.get_language_name(known) if known.language == tag.partition("-")[0] else None
    return named[:1].upper() + named[1:] if named else tag
