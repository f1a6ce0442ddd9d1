"""SVG to pixels: the one module that knows the renderer."""

from __future__ import annotations

import resvg_py

from yemba.core import apart

_SECONDS, _PATIENCE = 10.0, 600.0


def drawn(svg: bytes | str, width: int, height: int | None = None) -> bytes:
    """A drawing as PNG, `width` px wide; without a height in its own proportion. Drawn in a process of its own.

    Raises ValueError where it is none, or cannot be drawn within a time.
    """
    text = svg.decode() if isinstance(svg, bytes) else svg
    try:
        drawing = apart.work("draw", seconds=_SECONDS, patience=_PATIENCE, svg=text, width=width, height=height)
    except apart.Failed as error:
        raise ValueError(f"the drawing cannot be drawn: {error}") from error
    return bytes(drawing)


def drawn_here(svg: str, width: int, height: int | None) -> bytes:
    """As `drawn`, for a process apart."""
    if height is None:
        return bytes(resvg_py.svg_to_bytes(svg_string=svg, width=width))
    return bytes(resvg_py.svg_to_bytes(svg_string=svg, width=width, height=height))


def raster(data: bytes, form: str, width: int) -> bytes:
    """A picture's bytes; a drawing (`form` is "svg") as PNG of that width."""
    return drawn(data, width) if form == "svg" else data
