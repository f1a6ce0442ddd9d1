"""The small picture that may stand in a header: a seal, a badge, a portrait."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from yemba.core.layout.anchored import Extent, Spot, extent, placed, shares
from yemba.core.layout.arrangement import NONE
from yemba.core.layout.header_drawing import ACTION, BUTTON, ENTRY, TITLE, drawing
from yemba.core.message import labels
from yemba.core.site.document import Picture
from yemba.core.site.header import header, header_fit
from yemba.core.site.pictures import proportion
from yemba.core.site.resolve import Look

WINDOWS = (320, 390, 768, 1024, 1280, 1600)
"""Widths in px at which it is looked whether words stand on it."""
_WORDS = labels({TITLE: "the name", ENTRY: "the menu", ACTION: "the call to action", BUTTON: "the menu’s button"})
_TOUCH = 4.0  # px; words have some room round them


class Extra(NamedTuple):
    """`wide` and `phone` are how much room it takes there, `across` and `down` its anchor as shares of what is left."""

    picture: Picture
    anchor: str
    offset: Spot
    wide: Extent
    phone: Extent

    @property
    def shares(self) -> tuple[float, float]:
        """Where its anchor stands."""
        return shares(self.anchor)


def extra(look: Look) -> Extra | None:
    """None where none is shown."""
    picture = look.pictures.get(look.value("header.extra"))
    if picture is None or look.arrangement.menu == NONE:
        return None
    size, turn = look.value("header.extra_size"), look.value("header.extra_turn")
    ratio = proportion(picture)
    wide, phone = (extent(size, ratio, turn, look.value(f"header.height_{end}")) for end in ("wide", "phone"))
    offset = Spot(look.value("header.extra_x"), look.value("header.extra_y"))
    return Extra(picture, look.value("header.extra_anchor"), offset, wide, phone)


def covered(look: Look) -> Iterator[tuple[int, str]]:
    """Windows at which words stand on it, by their width in px, with what stands there."""
    small = extra(look)
    if small is None:
        return
    fit, head = header_fit(look), header(look)
    for window in WINDOWS:
        unfolded = window >= fit.fold
        header_drawing = drawing(head, window, unfolded, fit)
        extent = small.wide if unfolded else small.phone
        spot = placed(small.anchor, small.offset, extent, header_drawing.width, header_drawing.height)
        for box in header_drawing.boxes:
            across = min(box.x + box.width, spot.x + extent.wide) - max(box.x, spot.x)
            down = min(box.y + box.height, spot.y + extent.high) - max(box.y, spot.y)
            if box.what in _WORDS and across > _TOUCH and down > _TOUCH:
                yield window, _WORDS[box.what]
                break
