"""How a stored picture appears on a page, and the files that takes."""

from __future__ import annotations

from typing import Any

from yemba.core.picture.sizes import FALLBACK_WIDTH, widths
from yemba.core.site.document import Picture


def file_name(picture: Picture, width: int, form: str) -> str:
    return f"{picture.file[:16]}-{width}.{form}"


def fallback(picture: Picture) -> tuple[int, str]:
    """Width and format for browsers that know no WebP, and for logos.

    PNG keeps its see-through parts; everything else falls back to JPEG.
    """
    width = max((w for w in widths(picture.width) if w <= FALLBACK_WIDTH), default=picture.width)
    return width, "png" if picture.format == "png" else "jpeg"


def shown(picture: Picture, root: str) -> dict[str, Any]:
    """What the picture tag prints."""
    at_hand = widths(picture.width)
    webp = ", ".join(f"{root}assets/{file_name(picture, w, 'webp')} {w}w" for w in at_hand)
    return {
        "srcset": webp,
        "src": f"{root}assets/{file_name(picture, *fallback(picture))}",
        "width": picture.width,
        "height": picture.height,
        "alt": picture.alt,
    }


def logo(picture: Picture, root: str, name: str) -> dict[str, Any]:
    """A logo links home, so its alt text falls back to the site's name."""
    if picture.format == "svg":
        source = file_name(picture, picture.width, "svg")
    else:
        source = file_name(picture, *fallback(picture))
    return {
        "src": f"{root}assets/{source}",
        "width": picture.width,
        "height": picture.height,
        "alt": picture.alt or name,
    }
