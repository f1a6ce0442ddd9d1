"""How a stored picture appears on a page, and the files that takes."""

from __future__ import annotations

from typing import Any

from yemba.core.picture.sizes import FALLBACK_WIDTH, FORMATS, widths
from yemba.core.site.document import Picture
from yemba.core.site.pictures import picture_size, rendition


def focal(picture: Picture) -> tuple[int, int]:
    return picture.focal_x, picture.focal_y


def stem(picture: Picture) -> str:
    """What the names of all its files begin with. What is framed or toned otherwise has another."""
    mark = rendition(picture).mark
    return f"{picture.file[:16]}-{mark}" if mark else picture.file[:16]


def file_name(picture: Picture, width: int, form: str) -> str:
    return f"{stem(picture)}-{width}.{form}"


def fallback(picture: Picture) -> tuple[int, str]:
    """Width and format for browsers that know neither AVIF nor WebP, and for logos.

    PNG keeps its see-through parts; everything else falls back to JPEG.
    """
    own = picture_size(picture)[0]
    width = max((w for w in widths(own) if w <= FALLBACK_WIDTH), default=own)
    return width, "png" if picture.format == "png" else "jpeg"


def shown(picture: Picture, root: str) -> dict[str, Any]:
    """What the picture tag prints."""
    width, height = picture_size(picture)
    alt = "" if picture.decoration else picture.alt
    if picture.format == "svg":
        source = f"{root}assets/{file_name(picture, picture.width, 'svg')}"
        plain = {"sources": [], "src": source, "width": width, "height": height, "alt": alt, "at": ""}
        return plain | {"largest": source}
    sources = [
        (f"image/{form}", ", ".join(f"{root}assets/{file_name(picture, w, form)} {w}w" for w in widths(width)))
        for form in FORMATS
    ]
    return {
        "sources": sources,
        "src": f"{root}assets/{file_name(picture, *fallback(picture))}",
        "width": width,
        "height": height,
        "alt": alt,
        "at": position_class(picture),
        "largest": f"{root}assets/{file_name(picture, widths(width)[-1], FORMATS[-1])}",
    }


def position_class(picture: Picture) -> str:
    """The class by which a page shows it whole, or crops about the focal spot; "" for the middle, which needs none."""
    if picture.whole:
        return "is-whole"
    if picture.shape or focal(picture) == (50, 50):
        return ""
    return f"at-{picture.focal_x}-{picture.focal_y}"


def position_rule(picture: Picture) -> str:
    """The style rule of that class, "" where there is none."""
    name = "" if picture.whole else position_class(picture)
    return f".{name} {{ object-position: {picture.focal_x}% {picture.focal_y}%; }}" if name else ""


def logo(picture: Picture, root: str, name: str) -> dict[str, Any]:
    """A logo links home, so its alt text falls back to the site's name."""
    width, height = picture_size(picture)
    if picture.format == "svg":
        source = file_name(picture, picture.width, "svg")
    else:
        source = file_name(picture, *fallback(picture))
    return {"src": f"{root}assets/{source}", "width": width, "height": height, "alt": picture.alt or name}
