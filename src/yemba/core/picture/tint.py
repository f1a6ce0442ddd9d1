"""The least tint over a picture at which what stands on it can be read."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache
from io import BytesIO
from itertools import product
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray
from PIL import Image

from yemba.core.colour.contrast import luminance
from yemba.core.colour.oklch import LINEAR
from yemba.core.colour.srgb import Colour
from yemba.core.picture.crop import crop

X_HEIGHT = 9  # px: half the size of running text; what is finer than a letter does not decide
STRAY = 4  # places of a box that need not read: a few specks make no word unreadable
WIDTHS = (320, 390, 768, 1024, 1280, 1920)
HEIGHTS = (200, 280, 400, 560, 760, 1040, 1480, 2080, 3000, 4160)  # px: from a line to a long list
BOXES = tuple(product(WIDTHS, HEIGHTS))
Array = NDArray[np.float64]
Eight = NDArray[np.uint8]


class Ink(NamedTuple):
    """A colour that stands on the picture, and the ratio it must have there."""

    colour: Colour
    required: float


@lru_cache(maxsize=256)
def least_tint(
    data: bytes,
    tint: Colour,
    inks: tuple[Ink, ...],
    focal: tuple[int, int] = (50, 50),
    boxes: tuple[tuple[int, int], ...] = BOXES,
) -> float:
    """The smallest opacity of `tint` (0 to 1, up to 0.005 too high) from which on every ink reads over the picture.

    Judged on the picture as cropped by its focal spot, in % from its left and top, into each of `boxes`, width
    and height in px. Places are squares of about an x-height; all but STRAY of them must read in
    every box. The tint is laid over in gamma-coded sRGB, as browsers do it. Raises ValueError where an ink does not
    read on the tint itself.
    """
    if any(not _reads(np.array([tint], dtype=np.uint8), tint, ink).all() for ink in inks):
        raise ValueError(f"not every ink reads on {tint.hex} itself")
    return max((least_in_box(data, tint, inks, focal, box) for box in boxes), default=0.0)


def least_in_box(
    data: bytes, tint: Colour, inks: tuple[Ink, ...], focal: tuple[int, int], box: tuple[int, int]
) -> float:
    """As ``least_tint``, in one box of width and height in px."""
    seen = places(data, focal, box)
    steps = (n / 20 for n in range(19, -1, -1))  # from above: what reads below a tint that does not is no answer
    failing = next((step for step in steps if unread(seen, tint, inks, step) > STRAY), None)
    if failing is None:
        return 0.0
    low, high = failing, failing + 0.05
    while high - low > 0.005:
        middle = (low + high) / 2
        if unread(seen, tint, inks, middle) <= STRAY:
            high = middle
        else:
            low = middle
    return high


@lru_cache(maxsize=64)
def places(data: bytes, focal: tuple[int, int], box: tuple[int, int]) -> Array:
    """Average colours (0 to 255) of the squares of an x-height that a box shows of the picture: rows of channels."""
    picture = _opened(data)
    width, height = box
    visible = picture.crop(crop(picture.width, picture.height, width / height, focal))
    columns, rows = max(1, round(width / X_HEIGHT)), max(1, round(height / X_HEIGHT))
    squares = visible.resize((columns, rows), Image.Resampling.BOX)
    return np.asarray(squares, dtype=np.float64).reshape(-1, 3)


def unread(seen: Array, tint: Colour, inks: Sequence[Ink], opacity: float) -> int:
    """On how many places not every ink reads under a tint of this opacity."""
    laid = np.round(seen + (np.array(tint, dtype=np.float64) - seen) * opacity).astype(np.uint8)
    read = np.ones(len(seen), dtype=bool)
    for ink in inks:
        read &= _reads(laid, tint, ink)
    return int(np.count_nonzero(~read))


def _reads(laid: Eight, tint: Colour, ink: Ink) -> NDArray[np.bool_]:
    """Whether the ink has its ratio, on the same side as on the tint: dark on light or light on dark."""
    own, under = luminance(ink.colour) + 0.05, _luminance(laid) + 0.05
    if luminance(tint) >= luminance(ink.colour):
        return under / own >= ink.required
    return own / under >= ink.required


_LIGHT = np.array(LINEAR)


def _luminance(laid: Eight) -> Array:
    """Relative luminance (WCAG 2.2) of rows of eight-bit channels."""
    return np.asarray(_LIGHT[laid] @ np.array([0.2126, 0.7152, 0.0722]))


@lru_cache(maxsize=2)
def _opened(data: bytes) -> Image.Image:
    """The picture, small enough: 1920 px on its longer side are as many as any box shows."""
    with Image.open(BytesIO(data)) as opened:
        opened.draft("RGB", (1920, 1920))
        opened.thumbnail((1920, 1920), Image.Resampling.BOX, reducing_gap=2.0)
        return opened.convert("RGB")
