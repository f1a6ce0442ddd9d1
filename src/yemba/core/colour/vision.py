"""Colours as people with other colour vision see them, and pairs that fall together for them."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache
from typing import NamedTuple

from coloraide import Color

from yemba.core.colour.oklch import LINEAR, encode, to_colour, to_oklch
from yemba.core.colour.srgb import Colour
from yemba.core.message import Message

Matrix = tuple[tuple[float, float, float], ...]


class Vision(NamedTuple):
    """A kind of colour vision; `matrix` works on linear-light sRGB."""

    name: str
    said: str
    matrix: Matrix

    def as_filter(self) -> str:
        """The matrix as SVG's feColorMatrix takes it (Filter Effects 1): four rows of five."""
        return " ".join(" ".join(f"{weight:g}" for weight in (*row, 0, 0)) for row in self.matrix) + " 0 0 0 1 0"


# Machado, Oliveira and Fernandes (2009), severity 1.0; achromatopsia by relative luminance (WCAG 2.2).
VISIONS = {
    "protan": Vision(
        Message("Protanopia"),
        Message("no red cones; about 1 man in 100"),
        ((0.152286, 1.052583, -0.204868), (0.114503, 0.786281, 0.099216), (-0.003882, -0.048116, 1.051998)),
    ),
    "deutan": Vision(
        Message("Deuteranopia"),
        Message("no green cones; about 1 man in 100, and 5 more with weak ones"),
        ((0.367322, 0.860646, -0.227968), (0.280085, 0.672501, 0.047413), (-0.011820, 0.042940, 0.968881)),
    ),
    "tritan": Vision(
        Message("Tritanopia"),
        Message("no blue cones; rare"),
        ((1.255528, -0.076749, -0.178779), (-0.078411, 0.930809, 0.147602), (0.004733, 0.691367, 0.303900)),
    ),
    "mono": Vision(
        Message("Achromatopsia"),
        Message("no colours at all; very rare, and every black-and-white print"),
        ((0.2126, 0.7152, 0.0722), (0.2126, 0.7152, 0.0722), (0.2126, 0.7152, 0.0722)),
    ),
}
APART, TOGETHER = 12.0, 8.0
"""CIEDE2000: colours further apart than the first are told apart at a glance, nearer than the second are mixed up.
Common practice, no source."""


class Collapse(NamedTuple):
    """Two colours, by place in the palette, that a kind of vision mixes up; `parted` is the nearest change of the
    second that keeps its hue and parts them, None where none was found."""

    vision: str
    first: int
    second: int
    apart: float
    parted: Colour | None


def seen(colour: Colour, vision: str) -> Colour:
    """A colour as that kind of vision sees it."""
    light = [LINEAR[channel] for channel in colour]
    rows = VISIONS[vision].matrix
    red, green, blue = (sum(weight * channel for weight, channel in zip(row, light, strict=True)) for row in rows)
    return encode((red, green, blue))


@lru_cache(maxsize=4096)
def apart(first: Colour, second: Colour) -> float:
    """Colour difference, CIEDE2000 (Sharma, Wu and Dalal 2005); 1 is just visible, 100 black to white."""
    return float(Color(first.hex).delta_e(second.hex, method="2000"))


@lru_cache(maxsize=128)
def collapses(palette: tuple[Colour, ...]) -> tuple[Collapse, ...]:
    """The pairs of a palette that are told apart by most people and mixed up with a kind of vision."""
    pairs = []
    for vision in VISIONS:
        looked = [seen(colour, vision) for colour in palette]
        for second in range(len(palette)):
            for first in range(second):
                if apart(palette[first], palette[second]) < APART:
                    continue  # alike for everybody: a choice, not a trap
                got = apart(looked[first], looked[second])
                if got < TOGETHER:
                    pairs.append(Collapse(vision, first, second, got, _parted(palette, first, second, vision)))
    return tuple(pairs)


def _parted(palette: Sequence[Colour], first: int, second: int, vision: str) -> Colour | None:
    """The second colour made lighter or darker by the least that parts it from the first."""
    base, other = to_oklch(palette[second]), seen(palette[first], vision)
    for step in range(1, 60):
        for sign in (1, -1):
            lightness = base.lightness + sign * step * 0.01
            if not 0.05 <= lightness <= 0.98:
                continue
            tried = to_colour(base._replace(lightness=lightness))
            if apart(seen(tried, vision), other) >= APART:
                return tried
    return None
