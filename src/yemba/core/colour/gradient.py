"""Gradients of two or three colours, interpolated in OKLCH, and how much of a ground over one makes text readable.

Interpolation as CSS Color 4, section 12: the shorter way round the hues; a grey takes the hue of its neighbour.
Browsers differ in what they make of greys and of what is out of gamut, so they are given STEPS colours, between which
all of them go straight through sRGB.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import pairwise

from yemba.core.colour.contrast import luminance
from yemba.core.colour.oklch import Oklch, channels, encode, to_oklch
from yemba.core.colour.srgb import Colour

STEPS = 33
POINTS = 1000  # along the whole length, at which text must read
_GREY = 0.004  # chroma below which a colour has no hue of its own


def points(stops: Sequence[Colour], count: int = POINTS) -> list[Colour]:
    """So many colours from the first stop to the last, as browsers draw them through the steps."""
    known = steps(stops)
    colours = []
    for point in range(count):
        place = point / (count - 1) * (STEPS - 1)
        start = min(int(place), STEPS - 2)
        colours.append(laid_over(known[start], known[start + 1], place - start))
    return colours


def steps(stops: Sequence[Colour]) -> list[Colour]:
    """STEPS colours from the first stop to the last; the stops stand at equal distances."""
    return list(_steps(stops))


def _steps(stops: Sequence[Colour]) -> Iterator[Colour]:
    pairs = [_hued(to_oklch(first), to_oklch(last)) for first, last in pairwise(stops)]
    for step in range(STEPS):
        place = step / (STEPS - 1) * len(pairs)
        at = min(int(place), len(pairs) - 1)
        yield between(*pairs[at], place - at)


def between(first: Oklch, last: Oklch, share: float) -> Colour:
    """The colour at a share of the way; channels out of gamut are clipped."""
    turn = (last.hue - first.hue + 180) % 360 - 180
    return encode(
        channels(
            Oklch(
                first.lightness + (last.lightness - first.lightness) * share,
                first.chroma + (last.chroma - first.chroma) * share,
                first.hue + turn * share,
            )
        )
    )


def _hued(first: Oklch, last: Oklch) -> tuple[Oklch, Oklch]:
    if first.chroma < _GREY:
        return first._replace(hue=last.hue), last
    return (first, last._replace(hue=first.hue)) if last.chroma < _GREY else (first, last)


def least_over(stops: Sequence[Colour], tint: Colour, inks: Sequence[tuple[Colour, float]]) -> int | None:
    """The least of `tint` laid over a gradient from which on every ink has its ratio at each of POINTS, as `least_on`
    tells it."""
    return least_on(points(stops), tint, inks)


def least_on(colours: Sequence[Colour], tint: Colour, inks: Sequence[tuple[Colour, float]]) -> int | None:
    """The least of `tint` laid over, in whole %, from which on every ink has its ratio on all these colours.

    None where an ink does not even read on the tint itself. The tint is laid over in gamma-coded sRGB, as browsers do.
    """
    if not reads([tint], tint, inks):
        return None
    low, high = -1, 100
    if reads(colours, tint, inks):
        return 0
    while high - low > 1:
        middle = (low + high) // 2
        if reads([laid_over(colour, tint, middle / 100) for colour in colours], tint, inks):
            high = middle
        else:
            low = middle
    return high


def laid_over(colour: Colour, tint: Colour, opacity: float) -> Colour:
    """A colour under a tint."""
    pairs = zip(colour, tint, strict=True)
    return Colour(*(round(under + (over - under) * opacity) for under, over in pairs))


def reads(colours: Sequence[Colour], tint: Colour, inks: Sequence[tuple[Colour, float]]) -> bool:
    """Whether all inks read on all colours, on the same side as on the tint: dark on light or light on dark."""
    under = [luminance(colour) + 0.05 for colour in colours]
    least, most = min(under), max(under)
    for ink, required in inks:
        own = luminance(ink) + 0.05
        contrast = least / own if luminance(tint) >= luminance(ink) else own / most
        if contrast < required:
            return False
    return True
