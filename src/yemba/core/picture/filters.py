"""Filters over a picture, as the stylesheet has them and in pixels, so that text over them is judged by what is seen.

The sums are those of CSS Filter Effects 1, section 5, and Compositing 1, section 9.1, on gamma-coded sRGB.
"""

from __future__ import annotations

from functools import lru_cache
from io import BytesIO

import numpy as np
from PIL import Image, ImageFilter

from yemba.core.colour.srgb import Colour

NONE, GREY, DUOTONE, SOFT, SHARPER = "none", "grey", "duotone", "soft", "contrast"
FILTERS = {NONE: "As it is", GREY: "Grey", DUOTONE: "Two brand colours", SOFT: "Soft", SHARPER: "Sharper contrast"}
CONTRAST = 1.35
BLUR = 3  # px
_GREY = np.array([0.2126, 0.7152, 0.0722])


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
        shares = np.asarray(picture, dtype=np.float64) / 255
        picture = Image.fromarray(np.round(255 * _seen(shares, name, dark, light)).astype(np.uint8))
    out = BytesIO()
    picture.save(out, "PNG", compress_level=1)
    return out.getvalue()


def _seen(shares: np.ndarray, name: str, dark: Colour, light: Colour) -> np.ndarray:
    if name == SHARPER:
        return np.asarray(np.clip((shares - 0.5) * CONTRAST + 0.5, 0, 1))
    grey = np.repeat((shares @ _GREY)[..., None], 3, axis=-1)
    if name == GREY:
        return grey
    return np.asarray(np.maximum(grey * np.array(light) / 255, np.array(dark) / 255))
