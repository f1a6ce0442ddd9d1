"""A small picture that stands in a box by an anchor and an offset, and never leaves it."""

from __future__ import annotations

from math import cos, radians, sin
from typing import NamedTuple

from yemba.core.message import labels

ANCHORS = labels({
    "top-start": "Top, where lines begin", "top": "Top", "top-end": "Top, where lines end",
    "start": "Where lines begin", "middle": "Middle", "end": "Where lines end",
    "foot-start": "Foot, where lines begin", "foot": "Foot", "foot-end": "Foot, where lines end",
})  # fmt: skip
"""By slug, from the top on, as they stand in three rows."""
_WIDEST = 200.0  # px; there is room for it in every window


class Extent(NamedTuple):
    """In px: of the picture itself, and of the upright box round it where it is turned."""

    width: float
    height: float
    wide: float
    high: float


class Spot(NamedTuple):
    """From the start and the top of the box, in px."""

    x: float
    y: float


def extent(size: float, ratio: float, turn: float, room: float) -> Extent:
    """A picture `size` px high at most, of this width over height, turned by so many degrees, as large as a box `room`
    px high holds it."""
    across, up = abs(cos(radians(turn))), abs(sin(radians(turn)))
    wide, high = ratio * across + up, ratio * up + across  # of a picture 1 px high
    height = min(size, room / high, _WIDEST / wide)
    return Extent(ratio * height, height, wide * height, high * height)


def shares(anchor: str) -> tuple[float, float]:
    """Where an anchor stands, as shares of what is left of the width and of the height."""
    place = list(ANCHORS).index(anchor)
    return place % 3 / 2, place // 3 / 2


def placed(anchor: str, offset: Spot, extent: Extent, width: float, height: float) -> Spot:
    """Where the upright box begins in a box of that size: by the anchor, moved by the offset, held within."""
    across, down = shares(anchor)
    left, above = max(0.0, width - extent.wide), max(0.0, height - extent.high)
    return Spot(
        min(left, max(0.0, across * left + offset.x)),
        min(above, max(0.0, down * above + offset.y)),
    )
