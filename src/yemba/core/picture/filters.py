"""Filters over a picture, as the stylesheet has them and in pixels, so that text over them is judged by what is seen.

The sums are those of CSS Filter Effects 1, section 5, and Compositing 1, section 9.1, on gamma-coded sRGB.
"""

from __future__ import annotations

from functools import lru_cache
from io import BytesIO

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageFilter

from yemba.core.colour.srgb import Colour
from yemba.core.message import labels

NONE, GREY, DUOTONE, SOFT, SHARPER = "none", "grey", "duotone", "soft", "contrast"
FILTERS = labels(
    {NONE: "As it is", GREY: "Grey", DUOTONE: "Two brand colours", SOFT: "Soft", SHARPER: "Sharper contrast"}
)
CONTRAST = 1.35
BLUR = 3  # px
GREY_SHARES = (0.2126, 0.7152, 0.0722)


@lru_cache(maxsize=16)
def filtered(data: bytes, name: str, dark: Colour, light: Colour) -> bytes:
    """A picture as it is seen under a filter; for two colours with a dark and a light one."""
    if name == NONE:
        return data
    with Image.open(BytesIO(data)) as opened:
        picture = opened.convert("RGB")
    picture.thumbnail((1200, 1200))
    if name == SOFT:
        picture = picture.filter(ImageFilter.GaussianBlur(BLUR))
    else:
        picture = Image.fromarray(in_colours(np.asarray(picture), name, dark, light))
    out = BytesIO()
    picture.save(out, "PNG", compress_level=1)
    return out.getvalue()


def in_colours(pixels: NDArray[np.uint8], name: str, dark: Colour, light: Colour) -> NDArray[np.uint8]:
    """Rows of pixels of red, green and blue, under a filter that changes colours alone."""
    shares = pixels / 255
    if name == SHARPER:
        seen = np.clip((shares - 0.5) * CONTRAST + 0.5, 0, 1)
    else:
        seen = np.repeat((shares @ np.array(GREY_SHARES))[..., None], 3, axis=-1)
    if name == DUOTONE:
        seen = np.maximum(seen * np.array(light) / 255, np.array(dark) / 255)
    return np.round(255 * seen).astype(np.uint8)
