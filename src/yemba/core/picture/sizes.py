"""Which widths and formats a picture is published in."""

from __future__ import annotations

from io import BytesIO
from typing import Any

from PIL import Image

from yemba.core.picture.crop import crop

FALLBACK_WIDTH = 960
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


def widths(own: int) -> list[int]:
    """Widths in px, ascending, none above the picture's own; its own where that is the largest useful one."""
    smaller = [step for step in _STEPS if step < own]
    return [*smaller, own] if own <= _STEPS[-1] else list(_STEPS)


def resized(data: bytes, width: int, form: str, ratio: float | None = None, focal: tuple[int, int] = (50, 50)) -> bytes:
    """The picture `width` px wide as "avif", "webp", "jpeg" or "png", cropped to `ratio` where one is given."""
    with Image.open(BytesIO(data)) as opened:
        opened.load()
        whole = opened.crop(crop(opened.width, opened.height, ratio, focal)) if ratio else opened
        height = max(1, round(whole.height * width / whole.width))
        drawn = whole.resize((width, height), Image.Resampling.LANCZOS) if width < whole.width else whole
        out = BytesIO()
        (drawn.convert("RGB") if form == "jpeg" else drawn).save(out, form.upper(), **_OPTIONS[form])
        return out.getvalue()
