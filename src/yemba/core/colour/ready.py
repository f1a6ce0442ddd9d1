"""Ready palettes: named, of a mood, found by it and by hue."""

from __future__ import annotations

from typing import NamedTuple

from yemba.core.colour.harmony import named
from yemba.core.colour.oklch import to_oklch
from yemba.core.colour.srgb import Colour, from_hex
from yemba.core.message import labels

MOODS = labels({"quiet": "Quiet", "warm": "Warm", "fresh": "Fresh", "bold": "Bold", "dark": "Dark", "earthy": "Earthy"})
HUES = labels(
    {
        "red": "Reds",
        "orange": "Oranges",
        "yellow": "Yellows",
        "green": "Greens",
        "blue": "Blues",
        "violet": "Violets",
        "grey": "Greys",
    }
)
# Where one hue word gives way to the next, in degrees of OKLCH; common practice, no source.
_UP_TO = ((35, "red"), (75, "orange"), (112, "yellow"), (180, "green"), (275, "blue"), (345, "violet"), (361, "red"))


class ReadyPalette(NamedTuple):
    """`hue` is that of the leading colour, by word."""

    name: str
    mood: str
    hue: str
    colours: tuple[tuple[str, Colour], ...]


def ready(name: str, mood: str, colours: str) -> ReadyPalette:
    """One from its codes, parted by blanks. Raises ValueError for a mood that is none."""
    if mood not in MOODS:
        raise ValueError(f"{name}: there is no mood {mood}")
    read = [from_hex(code) for code in colours.split()]
    return ReadyPalette(name, mood, hue_word(read[0]), named(read))


def hue_word(colour: Colour) -> str:
    """Which of HUES a colour belongs to."""
    polar = to_oklch(colour)
    return "grey" if polar.chroma < 0.02 else next(word for limit, word in _UP_TO if polar.hue < limit)
