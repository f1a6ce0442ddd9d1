"""The picking plane: lightness against chroma at a hue, and where text in a colour reads."""

from __future__ import annotations

from functools import lru_cache
from math import cos, pi, sin
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from yemba.core.colour.contrast import ratio
from yemba.core.colour.oklch import Oklch, to_colour
from yemba.core.colour.srgb import Colour

MOST_CHROMA = 0.33  # a little above the most that sRGB holds at any hue
WIDTH, HEIGHT = 96, 48
_SLACK = 0.0005  # as `oklch.fits` has it
# Ottosson's matrices, as in `oklch`.
_TO_CONES = np.array(
    [[1, 0.3963377774, 0.2158037573], [1, -0.1055613458, -0.0638541728], [1, -0.0894841775, -1.2914855480]]
)
_TO_LIGHT = np.array(
    [
        [4.0767416621, -3.3077115913, 0.2309699292],
        [-1.2684380046, 2.6097574011, -0.3413193965],
        [-0.0041960863, -0.7034186147, 1.7076147010],
    ]
)


_Numbers = NDArray[np.float64]


class Line(NamedTuple):
    """Where colours begin to read on a ground: (lightness, chroma) from chroma 0 up."""

    required: float
    points: list[tuple[float, float]]


@lru_cache(maxsize=32)
def plane(hue: int) -> bytes:
    """RGB bytes, WIDTH x HEIGHT: lightness 0 to 1 from left to right, chroma MOST_CHROMA to 0 downwards.

    Beyond `gamut`, where screens show no such colour, its parts are clipped.
    """
    lightness, chroma = np.meshgrid(np.linspace(0, 1, WIDTH), np.linspace(MOST_CHROMA, 0, HEIGHT))
    linear = np.clip(_light(lightness, chroma, hue), 0, 1)
    gamma = np.where(linear <= 0.0031308, linear * 12.92, 1.055 * linear ** (1 / 2.4) - 0.055)
    return np.round(255 * gamma).astype(np.uint8).tobytes()


@lru_cache(maxsize=32)
def gamut(hue: int) -> list[tuple[float, float]]:
    """The edge of sRGB at a hue: (lightness, the most chroma there) for lightness 0 to 1."""
    lightness = np.linspace(0, 1, 2 * WIDTH + 1)
    inside, outside = np.zeros_like(lightness), np.full_like(lightness, MOST_CHROMA)
    for _ in range(12):
        middle = (inside + outside) / 2
        light = _light(lightness, middle, hue)
        fits = ((light >= -_SLACK) & (light <= 1 + _SLACK)).all(axis=-1)
        inside, outside = np.where(fits, middle, inside), np.where(fits, outside, middle)
    return list(zip(lightness.tolist(), inside.tolist(), strict=True))


def _light(lightness: _Numbers, chroma: _Numbers, hue: int) -> _Numbers:
    """Linear sRGB of colours in OKLCH."""
    lab = np.stack([lightness, chroma * cos(hue * pi / 180), chroma * sin(hue * pi / 180)], axis=-1)
    light: _Numbers = (lab @ _TO_CONES.T) ** 3 @ _TO_LIGHT.T
    return light


@lru_cache(maxsize=64)
def line(hue: float, ground: Colour, required: float) -> Line:
    """The border between colours that have the ratio `required` on `ground` and those that have not.

    It runs on the side of the ground on which there is more room; empty where no colour passes.
    """
    end = max((0.0, 1.0), key=lambda lightness: ratio(to_colour(Oklch(lightness, 0, hue)), ground))
    points = []
    for row in range(HEIGHT):
        chroma = MOST_CHROMA * row / (HEIGHT - 1)
        passing, failing = end, 1 - end
        if ratio(to_colour(Oklch(passing, 0, hue)), ground) < required:
            return Line(required, [])
        for _ in range(9):
            middle = (passing + failing) / 2
            if ratio(to_colour(Oklch(middle, chroma, hue)), ground) >= required:
                passing = middle
            else:
                failing = middle
        points.append((passing, chroma))
    return Line(required, points)
