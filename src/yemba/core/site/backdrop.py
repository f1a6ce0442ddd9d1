"""Pictures that text stands on: behind a section, behind the header; and from which tint on it reads."""

from __future__ import annotations

from collections.abc import Callable
from itertools import product
from math import ceil
from typing import NamedTuple

from yemba.core.colour.contrast import LARGE, TEXT
from yemba.core.layout.header_fit import SIDE_COLUMN
from yemba.core.picture.drawing import raster
from yemba.core.picture.filters import NONE, filtered
from yemba.core.picture.placing import FILL
from yemba.core.picture.tint import BOXES, WIDTHS, Ink, least_tint
from yemba.core.site import behind, header_ground
from yemba.core.site.document import Picture, Section
from yemba.core.site.pictures import picture_bytes, picture_size
from yemba.core.site.resolve import Look

DEFAULT_TINT = 60
_PACKED = 1  # % more, since packing a picture moves its colours by a step or two
_TALL = (600, 800, 1200, 2400, 4800, 9600)  # px: a header at the side is as high as its page
STILL = "still"
VIEWPORTS = ((1024, 768), (1280, 720), (1440, 900), (1920, 1080), (2560, 1440))
"""Viewports, in px, that a picture which stands still fills: on a phone it moves with the page."""
LARGE_FROM = 24  # px; WCAG 2.2, "large scale"


class Backdrop(NamedTuple):
    """`tint` is how much of the ground lies over the picture, in %. `large` says that headings there are large text,
    `boxes` are those the picture is cropped to, width and height in px, `filter` what it is seen under."""

    picture: Picture
    ground: str
    tint: int
    large: bool
    boxes: tuple[tuple[int, int], ...]
    filter: str = NONE


def of_section(look: Look, section: Section) -> Backdrop | None:
    """None where no picture is behind it."""
    picture = behind.of_section(look, section).backdrop(look)
    if picture is None:
        return None
    large = look.sizes["h2"].low >= LARGE_FROM
    boxes = (*BOXES, *VIEWPORTS) if section.fields.get("moves") == STILL else BOXES
    if section.fields.get("backdrop_fit", FILL) != FILL:
        boxes = (picture_size(picture),)  # all of it is seen
    elif section.fields.get("backdrop_anchor"):
        boxes = (*boxes, picture_size(picture))  # whichever part its anchor leaves
    shown_under = section.fields.get("filter") or NONE
    return Backdrop(picture, look.ground(section).value, tint_of(section), large, boxes, shown_under)


def tint_of(section: Section) -> int:
    """In %."""
    return int(section.fields.get("tint") or DEFAULT_TINT)


def of_header(look: Look) -> Backdrop | None:
    """None where no picture is behind it."""
    picture = header_ground.backdrop(look)
    if picture is None:
        return None
    heights = sorted({int(look.value(f"header.height_{at}")) for at in ("phone", "wide")})
    boxes = [*product(WIDTHS, heights)]
    if look.arrangement.column:
        boxes += [(SIDE_COLUMN, height) for height in _TALL]
    return Backdrop(
        picture,
        look.value("header.ground"),
        int(look.value("header.tint")),
        False,
        tuple(boxes),
        look.value("header.filter"),
    )


def reads_from(look: Look, over: Backdrop, load: Callable[[str], bytes]) -> int | None:
    """The least tint, in whole %, at which headings and text read over the picture at every width.

    Links and quiet text are set in the text's colour there. None where they do not read on the ground itself.
    """
    ground, picture = look.grounds[over.ground], over.picture
    inks = (Ink(ground.heading, LARGE if over.large else TEXT), Ink(ground.text, TEXT))
    data = filtered(raster(picture_bytes(picture, load), picture.format, 1200), over.filter, *look.duotone)
    try:
        least = least_tint(data, ground.fill, inks, (picture.focal_x, picture.focal_y), over.boxes)
    except ValueError:
        return None
    return min(100, ceil(100 * least) + _PACKED) if least else 0
