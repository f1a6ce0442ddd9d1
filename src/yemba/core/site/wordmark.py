"""A name set in type as a mark: its lines, and the letter or ornament that stands beside it."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from yemba.core.site.resolve import Look

TWO = "two"
"""As many lines as the name is broken into; it stands in one otherwise."""
LETTER, ORNAMENT = "letter", "ornament"
"""What may stand beside it."""
_SIDES = (1.1, 2.0)
"""How high and wide that is beside one line and beside two, in em."""
_GAP = 0.35  # em


class Wordmark(NamedTuple):
    """`letter` or the slug of an `ornament` stands beside the lines; "" where it does not."""

    lines: tuple[str, ...]
    letter: str = ""
    ornament: str = ""

    @property
    def beside(self) -> float:
        """The room that what stands beside it takes, in em."""
        side = _SIDES[len(self.lines) - 1] + _GAP
        return side if self.letter or self.ornament else 0.0


def wordmark(look: Look) -> Wordmark:
    """The name as the logo settings have it."""
    lines, beside = _lines(look), look.value("logo.beside")
    if beside == LETTER:
        return Wordmark(lines, letter=_initial(look.document.name))
    if beside == ORNAMENT:
        return Wordmark(lines, ornament=look.value("logo.ornament"))
    return Wordmark(lines)


def _lines(look: Look) -> tuple[str, ...]:
    name = look.document.name
    if look.value("logo.lines") != TWO:
        return (name,)
    face, text = look.face("title"), look.texts["title"]
    return in_two(name, lambda words: face.text_width(text, words, 1))


def _initial(name: str) -> str:
    """The first letter or digit of a name, as a capital; "" where it has none."""
    return next((sign.upper() for sign in name if sign.isalnum()), "")


def in_two(name: str, width: Callable[[str], float]) -> tuple[str, ...]:
    """The name broken between two words so that its wider line is as narrow as can be; one word stays one line."""
    words = name.split()
    broken = [(" ".join(words[:at]), " ".join(words[at:])) for at in range(1, len(words))]
    if not broken:
        return (name,)
    return min(broken, key=lambda lines: max(width(line) for line in lines))
