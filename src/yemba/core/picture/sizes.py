"""Which widths a picture is published in."""

from __future__ import annotations

from io import BytesIO

from PIL import Image

FALLBACK_WIDTH = 960
# Each step has about 0.6 of the next one's pixels, so that none wastes more than a third of the bytes.
_STEPS = (320, 416, 536, 696, 896, 1152, 1488, 1920)
_QUALITY = {"webp": 80, "jpeg": 84}


def widths(own: int) -> list[int]:
    """Widths in px, ascending, none above the picture's own; its own where that is the largest useful one."""
    smaller = [step for step in _STEPS if step < own]
    return [*smaller, own] if own <= _STEPS[-1] else list(_STEPS)


def resized(data: bytes, width: int, form: str) -> bytes:
    """The picture `width` px wide as "webp", "jpeg" or "png"."""
    with Image.open(BytesIO(data)) as opened:
        opened.load()
        height = max(1, round(opened.height * width / opened.width))
        drawn = opened.resize((width, height), Image.Resampling.LANCZOS) if width < opened.width else opened
        out = BytesIO()
        options = {"quality": _QUALITY[form]} if form in _QUALITY else {"optimize": True}
        (drawn.convert("RGB") if form == "jpeg" else drawn).save(out, form.upper(), **options)
        return out.getvalue()
