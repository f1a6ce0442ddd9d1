"""Which widths and formats a picture is published in."""

from __future__ import annotations

import re
from functools import lru_cache
from io import BytesIO
from typing import Any

from PIL import Image

from yemba.core.picture.rendition import AS_IT_IS, Rendition

FALLBACK_WIDTH = 960
_LEAST = re.compile(r"min-width:\s*(\d+)px")
FORMATS = ("avif", "webp")
"""In the order browsers are offered them; AVIF is the smaller, WebP the wider known."""
# Each step has about 0.6 of the next one's pixels, so that none wastes more than a third of the bytes.
_STEPS = (320, 416, 536, 696, 896, 1152, 1488, 1920)
_OPTIONS: dict[str, dict[str, Any]] = {
    "avif": {"quality": 60, "speed": 8},
    "webp": {"quality": 80},
    "jpeg": {"quality": 84},
    "png": {"optimize": True},
}
_FILTER = Image.Resampling.LANCZOS


def widths(own: int) -> list[int]:
    """Widths in px, ascending, none above the picture's own; its own where that is the largest useful one."""
    smaller = [step for step in _STEPS if step < own]
    return [*smaller, own] if own <= _STEPS[-1] else list(_STEPS)


def resized(data: bytes, width: int, form: str, rendition: Rendition = AS_IT_IS) -> bytes:
    """What is seen of the picture, `width` px wide, as "avif", "webp", "jpeg" or "png"."""
    opened = _opened(data)
    whole = rendition.framing.image(opened) if rendition.framing.mark else opened
    height = max(1, round(whole.height * width / whole.width))
    # a copy of its own: saving leaves its options on the picture, and other threads save the same one
    image = whole.resize((width, height), _FILTER) if width < whole.width else whole.copy()
    out = BytesIO()
    image = rendition.toning.image(image)
    (image.convert("RGB") if form == "jpeg" else image).save(out, form.upper(), **_OPTIONS[form])
    return out.getvalue()


@lru_cache(maxsize=2)
def _opened(data: bytes) -> Image.Image:
    """Read once for the dozen sizes that are made of it in a row."""
    with Image.open(BytesIO(data)) as opened:
        opened.load()
        return opened


def drawn_width(sizes: str, window: int) -> float:
    """How many px wide an image of these `sizes` (HTML, "sizes attributes") is drawn in a window; px and vw only."""
    for part in sizes.split(","):
        condition, _, length = part.strip().rpartition(" ")
        least = _LEAST.search(condition)
        if least is None or window >= int(least[1]):
            number = float(length[:-2])
            return number * window / 100 if length.endswith("vw") else number
    return float(window)
