"""How the marks of a logo stand out from what lies behind them, by its pixels."""

from __future__ import annotations

from functools import lru_cache
from io import BytesIO

from PIL import Image

from yemba.core.colour.contrast import ratio
from yemba.core.colour.srgb import Colour
from yemba.core.picture.drawing import raster

_SIDE = 64  # px the logo is looked at in
_SOLID = 128  # alpha from which a pixel belongs to a mark
_SHARE = 0.25  # the least visible quarter of the marks decides; common practice, no source


@lru_cache(maxsize=64)
def contrast_of_marks(data: bytes, form: str, ground: Colour) -> float:
    """The contrast ratio, 1 to 21, that three quarters of a logo's marks reach on a ground; 21 where it has none.

    A logo on a plate of its own colour has marks of its own to be read by: of an opaque picture the whole is the mark.
    """
    with Image.open(BytesIO(raster(data, form, _SIDE))) as opened:
        small = opened.convert("RGBA")
        small.thumbnail((_SIDE, _SIDE))
    counted = small.getcolors(_SIDE * _SIDE) or []
    ratios = [(ratio(Colour(*pixel[:3]), ground), count) for count, pixel in counted if pixel[3] >= _SOLID]  # type: ignore[index]
    wanted = _SHARE * sum(count for _, count in ratios)
    for reached, count in sorted(ratios):
        wanted -= count
        if wanted <= 0:
            return reached
    return 21.0
