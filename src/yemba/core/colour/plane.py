"""The picking plane: lightness against chroma at a hue, and where text in a colour reads."""

from __future__ import annotations

from functools import lru_cache
from typing import NamedTuple

from yemba.core.colour.contrast import ratio
from yemba.core.colour.oklch import Oklch, channels, encode, fits, to_colour
from yemba.core.colour.srgb import Colour

MOST_CHROMA = 0.33  # a little above the most that sRGB holds at any hue
WIDTH, HEIGHT = 96, 48
_OUTSIDE = Colour(235, 235, 235)


class Line(NamedTuple):
    """Where colours begin to read on a ground: (lightness, chroma) from chroma 0 up."""

    asked: float
    points: list[tuple[float, float]]


@lru_cache(maxsize=32)
def plane(hue: int) -> bytes:
    """RGB bytes, WIDTH x HEIGHT: lightness 0 to 1 from left to right, chroma MOST_CHROMA to 0 downwards.

    Colours outside sRGB are light grey.
    """
    cells = bytearray()
    for row in range(HEIGHT):
        chroma = MOST_CHROMA * (1 - row / (HEIGHT - 1))
        for column in range(WIDTH):
            linear = channels(Oklch(column / (WIDTH - 1), chroma, hue))
            cells.extend(encode(linear) if fits(linear) else _OUTSIDE)
    return bytes(cells)


@lru_cache(maxsize=64)
def line(hue: float, ground: Colour, asked: float) -> Line:
    """The border between colours that have the ratio `asked` on `ground` and those that have not.

    It runs on the side of the ground on which there is more room; empty where no colour passes.
    """
    end = max((0.0, 1.0), key=lambda lightness: ratio(to_colour(Oklch(lightness, 0, hue)), ground))
    points = []
    for row in range(HEIGHT):
        chroma = MOST_CHROMA * row / (HEIGHT - 1)
        passing, failing = end, 1 - end
        if ratio(to_colour(Oklch(passing, 0, hue)), ground) < asked:
            return Line(asked, [])
        for _ in range(9):
            middle = (passing + failing) / 2
            if ratio(to_colour(Oklch(middle, chroma, hue)), ground) >= asked:
                passing = middle
            else:
                failing = middle
        points.append((passing, chroma))
    return Line(asked, points)
