"""Cropping so that the focal spot stays in view.

One rule here and in CSS: ``object-position: x% y%`` puts the point at x % of the picture at x % of
its box (CSS Images 3, section 5.5), so the focal spot keeps its share of the box and is never cut off.
"""

from __future__ import annotations

from typing import NamedTuple


class Box(NamedTuple):
    """In px of the picture; `right` and `bottom` are outside."""

    left: int
    top: int
    right: int
    bottom: int


def crop(width: int, height: int, ratio: float, focal: tuple[int, int] = (50, 50)) -> Box:
    """The largest box of this width-to-height ratio, placed by the focal spot, given in % of the picture."""
    wide = max(1, min(width, round(height * ratio)))
    high = max(1, min(height, round(width / ratio)))
    left = round((width - wide) * focal[0] / 100)
    top = round((height - high) * focal[1] / 100)
    return Box(left, top, left + wide, top + high)


def ratio_of(shape: str) -> float | None:
    """4/3 for "4:3"; None for "", which keeps the picture's own."""
    wide, _, high = shape.partition(":")
    return int(wide) / int(high) if high else None
