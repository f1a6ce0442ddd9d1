"""OKLab and OKLCH for the inner loops of grounds and the plane.

The matrices are Ottosson's (https://bottosson.github.io/posts/oklab/). coloraide knows the
same space; these few lines exist because a palette's grounds ask some thousands of times
within the 20 ms of one pointer move. ``tests/reference`` holds the two together.
"""

from __future__ import annotations

from functools import lru_cache
from math import atan2, cos, hypot, pi, sin
from typing import NamedTuple

from yemba.core.colour.srgb import Colour

_LEAST, _MOST = -0.0005, 1.0005  # a channel this far outside 0..1 still rounds to the same eight bits
_CHROMA_STEPS = 14  # bisection steps: 0.4 / 2**14 is below one eight-bit step


Linear = tuple[float, float, float]


class Oklch(NamedTuple):
    """Lightness 0 to 1, chroma 0 to about 0.37 in sRGB, hue in degrees 0 to 360."""

    lightness: float
    chroma: float
    hue: float


def _linear(channel: int) -> float:
    value = channel / 255
    return value / 12.92 if value <= 0.04045 else float(((value + 0.055) / 1.055) ** 2.4)


LINEAR = tuple(_linear(channel) for channel in range(256))
"""Linear-light value of each eight-bit channel (IEC 61966-2-1)."""


def _gamma(value: float) -> float:
    return 12.92 * value if value <= 0.0031308 else float(1.055 * value ** (1 / 2.4) - 0.055)


@lru_cache(maxsize=4096)
def to_oklab(colour: Colour) -> tuple[float, float, float]:
    """OKLab L (0 to 1), a, b (about -0.4 to 0.4)."""
    r, g, b = (LINEAR[channel] for channel in colour)
    long = (0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b) ** (1 / 3)
    medium = (0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b) ** (1 / 3)
    short = (0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b) ** (1 / 3)
    return (
        0.2104542553 * long + 0.7936177850 * medium - 0.0040720468 * short,
        1.9779984951 * long - 2.4285922050 * medium + 0.4505937099 * short,
        0.0259040371 * long + 0.7827717662 * medium - 0.8086757660 * short,
    )


def to_oklch(colour: Colour) -> Oklch:
    """The colour as lightness, chroma and hue; a grey has hue 0."""
    lightness, a, b = to_oklab(colour)
    chroma = hypot(a, b)
    return Oklch(lightness, chroma, atan2(b, a) * 180 / pi % 360 if chroma > 1e-4 else 0.0)


def channels(wanted: Oklch) -> Linear:
    """Linear-light sRGB, which lies outside 0..1 where the colour is outside the gamut."""
    angle = wanted.hue * pi / 180
    return _channels(wanted.lightness, wanted.chroma * cos(angle), wanted.chroma * sin(angle))


def _channels(lightness: float, a: float, b: float) -> Linear:
    long = (lightness + 0.3963377774 * a + 0.2158037573 * b) ** 3
    medium = (lightness - 0.1055613458 * a - 0.0638541728 * b) ** 3
    short = (lightness - 0.0894841775 * a - 1.2914855480 * b) ** 3
    return (
        4.0767416621 * long - 3.3077115913 * medium + 0.2309699292 * short,
        -1.2684380046 * long + 2.6097574011 * medium - 0.3413193965 * short,
        -0.0041960863 * long - 0.7034186147 * medium + 1.7076147010 * short,
    )


def fits(linear: Linear) -> bool:
    """Whether linear-light channels lie within sRGB."""
    red, green, blue = linear
    return _LEAST <= red <= _MOST and _LEAST <= green <= _MOST and _LEAST <= blue <= _MOST


def encode(linear: Linear) -> Colour:
    """Linear light to eight bits, clipped."""
    red, green, blue = linear
    return Colour(_eight(red), _eight(green), _eight(blue))


def _eight(channel: float) -> int:
    return round(255 * _gamma(channel)) if 0 < channel < 1 else 255 * (channel >= 1)


def to_colour(wanted: Oklch) -> Colour:
    """The sRGB colour of this lightness and hue whose chroma is nearest the wanted one."""
    lightness, chroma, hue = wanted
    if lightness <= 0:
        return Colour(0, 0, 0)
    if lightness >= 1:
        return Colour(255, 255, 255)
    across, up = cos(hue * pi / 180), sin(hue * pi / 180)
    linear = _channels(lightness, chroma * across, chroma * up)
    if fits(linear):
        return encode(linear)
    low, high = 0.0, chroma
    for _ in range(_CHROMA_STEPS):
        middle = (low + high) / 2
        if fits(_channels(lightness, middle * across, middle * up)):
            low = middle
        else:
            high = middle
    return encode(_channels(lightness, low * across, low * up))


def difference(first: Colour, second: Colour) -> float:
    """Distance in OKLab; about 0.02 is just visible side by side."""
    a, b = to_oklab(first), to_oklab(second)
    return float(sum((x - y) ** 2 for x, y in zip(a, b, strict=True)) ** 0.5)
