"""Patterns drawn by the project: tiles of one colour that repeat in both directions."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple
from urllib.parse import quote

from yemba.core.colour.gradient import laid_over, reads
from yemba.core.colour.srgb import Colour
from yemba.core.message import Message


class Pattern(NamedTuple):
    """`tile` is what stands in a square of 24 units, drawn in `currentColor`."""

    name: str
    tile: str


_LINE = 'fill="none" stroke="currentColor" stroke-width="2"'
PATTERNS = {
    "dots": Pattern(Message("Dots"), '<circle cx="12" cy="12" r="3.5" fill="currentColor"/>'),
    "rings": Pattern(Message("Rings"), f'<circle cx="12" cy="12" r="7" {_LINE}/>'),
    "stripes": Pattern(Message("Upright stripes"), '<path d="M0 0h12v24H0z" fill="currentColor"/>'),
    "slanted": Pattern(Message("Slanted lines"), f'<path d="M-6 6 6-6M0 24 24 0M18 30l12-12" {_LINE}/>'),
    "net": Pattern(Message("A net"), f'<path d="M0 0l24 24M24 0L0 24" {_LINE}/>'),
    "squared": Pattern(Message("Squared paper"), f'<path d="M0 1h24M1 0v24" {_LINE}/>'),
    "checks": Pattern(Message("Checks"), '<path d="M0 0h12v12H0zM12 12h12v12H12z" fill="currentColor"/>'),
    "waves": Pattern(Message("Waves"), f'<path d="M-2 9q7-8 14 0t14 0M-2 21q7-8 14 0t14 0" {_LINE}/>'),
    "zigzag": Pattern(Message("Zigzag"), f'<path d="M-2 8 6 0l12 12 8-8M-2 20l8-8 12 12 8-8" {_LINE}/>'),
    "scales": Pattern(
        Message("Scales"), f'<path d="M0 12a12 12 0 0 0 24 0M-12 0a12 12 0 0 0 24 0a12 12 0 0 0 24 0" {_LINE}/>'
    ),
}  # fmt: skip


def mark(fill: Colour, wanted: Colour, inks: Sequence[tuple[Colour, float]]) -> Colour:
    """As much of the wanted colour over a ground's fill as lets every ink keep its ratio on it."""
    low, high = 0.0, 1.0
    if reads([wanted], fill, inks):
        return wanted
    for _ in range(10):
        middle = (low + high) / 2
        if reads([laid_over(fill, wanted, middle)], fill, inks):
            low = middle
        else:
            high = middle
    return laid_over(fill, wanted, low)


def as_css(pattern: str, colour: Colour) -> str:
    """The tile as a CSS image."""
    tile = PATTERNS[pattern].tile.replace("currentColor", colour.hex)
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" width="24" height="24" viewBox="0 0 24 24">{tile}</svg>'
    return f'url("data:image/svg+xml,{quote(svg, safe=" =:/<>")}")'.replace("<", "%3C").replace(">", "%3E")
