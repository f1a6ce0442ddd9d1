"""Contrast as WCAG 2.2 defines it, and the nearest colour that has enough of it."""

from __future__ import annotations

from functools import lru_cache

from yemba.core.colour.oklch import LINEAR, Oklch, difference, to_colour, to_oklch
from yemba.core.colour.srgb import BLACK, WHITE, Colour
from yemba.core.message import Message

TEXT = 4.5  # SC 1.4.3, text
LARGE = 3.0  # SC 1.4.3, large text: 24 px, or 18.66 px bold
EDGE = 3.0  # SC 1.4.11, edges of controls, icons, focus ring
_LIGHTNESS_STEPS = 12  # bisection: 1 / 2**12 is below one eight-bit step


@lru_cache(maxsize=4096)
def luminance(colour: Colour) -> float:
    """Relative luminance, 0 (black) to 1 (white). WCAG 2.2, definition of relative luminance."""
    red, green, blue = (LINEAR[channel] for channel in colour)
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue


def ratio(first: Colour, second: Colour) -> float:
    """Contrast ratio, 1 to 21. WCAG 2.2, definition of contrast ratio."""
    high, low = sorted((luminance(first), luminance(second)), reverse=True)
    return (high + 0.05) / (low + 0.05)


def passes(colour: Colour, grounds: tuple[Colour, ...], required: float) -> bool:
    """Whether `colour` has the required ratio against every one of `grounds`."""
    return all(ratio(colour, ground) >= required for ground in grounds)


def reads_in_white(ground: Colour) -> bool:
    """Whether white stands out from a ground better than black does: whether it is a dark one."""
    return ratio(WHITE, ground) >= ratio(BLACK, ground)


def carries(colour: Colour, ground: Colour) -> str:
    """What a colour may be used for on a ground, in words."""
    got = ratio(colour, ground)
    if got >= TEXT:
        return Message("text and headings")
    return Message("large text and edges") if got >= LARGE else Message("shapes only")


def nearest(wanted: Colour, ground: Colour, required: float) -> Colour:
    """The colour least different from `wanted`, of its hue, with ratio `required` on `ground`.

    It is `wanted` itself where that passes. Lightness moves towards black and towards white,
    chroma follows the gamut; the smaller move wins. Against any colour black or white has
    at least 4.58, so for `required` up to that there always is an answer.

    Raises ValueError where no colour can have the ratio asked for.
    """
    if ratio(wanted, ground) >= required:
        return wanted
    start = to_oklch(wanted)
    answers = [_towards(start, end, ground, required) for end in (BLACK, WHITE) if ratio(end, ground) >= required]
    if not answers:
        raise ValueError(f"no colour has a ratio of {required} on {ground.hex}")
    return min(answers, key=lambda answer: difference(answer, wanted))


def _towards(start: Oklch, end: Colour, ground: Colour, required: float) -> Colour:
    """The first colour that passes on the way from `start` in lightness to black or white."""
    near, far = start.lightness, float(end == WHITE)
    passing = end
    for _ in range(_LIGHTNESS_STEPS):
        middle = (near + far) / 2
        tried = to_colour(start._replace(lightness=middle))
        if ratio(tried, ground) >= required:
            far, passing = middle, tried
        else:
            near = middle
    return passing
