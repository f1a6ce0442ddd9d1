"""Palettes worked out from one colour, in OKLCH: harmonies, tints, shades and neutrals."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from yemba.core.colour.naming import name_for
from yemba.core.colour.oklch import Oklch, difference, to_colour, to_oklch
from yemba.core.colour.srgb import Colour
from yemba.core.message import Message

HARMONIES = {
    "complementary": (Message("Complementary"), (180,)),
    "near": (Message("Near neighbours"), (-30, 30)),
    "triad": (Message("Triad"), (120, 240)),
    "split": (Message("Split complementary"), (150, 210)),
}
"""Turns of the hue in degrees from the leading colour; as colour theory has them, common practice."""


class Suggestion(NamedTuple):
    """A palette on offer: what it is called, and its colours with names, the leading one first."""

    name: str
    colours: tuple[tuple[str, Colour], ...]


def harmonies(lead: Colour) -> list[Suggestion]:
    """Each harmony as a whole palette: the lead, its partners, a paper and an ink that lean to its hue."""
    return [
        Suggestion(name, named([lead, *turned(lead, turns), neutral(lead, 0.965), neutral(lead, 0.26)]))
        for name, turns in HARMONIES.values()
    ]


def turned(lead: Colour, turns: Sequence[float]) -> list[Colour]:
    """The lead with its hue turned, of the same lightness and, where sRGB has it, chroma. A grey has no hue to turn:
    its partners are greys of other lightness."""
    base = to_oklch(lead)
    if base.chroma < 0.02:
        return [to_colour(base._replace(lightness=(base.lightness + 0.25 * (n + 1)) % 1)) for n in range(len(turns))]
    return [to_colour(base._replace(hue=(base.hue + turn) % 360)) for turn in turns]


def tints(colour: Colour, count: int = 4) -> list[Colour]:
    """Lighter steps of a colour, evenly spaced up to almost white, of its hue."""
    return _steps(colour, 0.97, count)


def shades(colour: Colour, count: int = 4) -> list[Colour]:
    """Darker steps of a colour, evenly spaced down to almost black, of its hue."""
    return _steps(colour, 0.16, count)


def neutrals(colour: Colour) -> list[Colour]:
    """Greys that lean to the colour's hue, from paper to ink."""
    return [neutral(colour, lightness) for lightness in (0.97, 0.91, 0.74, 0.54, 0.36, 0.22)]


def neutral(colour: Colour, lightness: float) -> Colour:
    """A grey of this lightness with a breath of the colour's hue; the middle ones take a little more of it."""
    base = to_oklch(colour)
    chroma = min(base.chroma, 0.008 + 0.012 * (1 - abs(2 * lightness - 1)))
    return to_colour(Oklch(lightness, chroma, base.hue))


def named(colours: Sequence[Colour]) -> tuple[tuple[str, Colour], ...]:
    """Colours with a name each, those that look alike left out."""
    distinct: dict[str, Colour] = {}
    for colour in colours:
        if all(difference(colour, other) >= 0.01 for other in distinct.values()):
            distinct[name_for(colour, distinct)] = colour
    return tuple(distinct.items())


def _steps(colour: Colour, end: float, count: int) -> list[Colour]:
    """Chroma goes down on the way as it does when paint is thinned or darkened."""
    base = to_oklch(colour)
    made = []
    for n in range(1, count + 1):
        share = n / (count + 0.5)
        made.append(
            to_colour(
                Oklch(base.lightness + (end - base.lightness) * share, base.chroma * (1 - 0.75 * share), base.hue)
            )
        )
    return made
