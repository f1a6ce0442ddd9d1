"""SVG to pixels: the one module that knows the renderer."""

from __future__ import annotations

import resvg_py


def drawn(svg: bytes | str, width: int, height: int | None = None) -> bytes:
    """A drawing as PNG, `width` px wide; without a height in its own proportion. Raises ValueError where it is none."""
    text = svg.decode() if isinstance(svg, bytes) else svg
    if height is None:
        return bytes(resvg_py.svg_to_bytes(svg_string=text, width=width))
    return bytes(resvg_py.svg_to_bytes(svg_string=text, width=width, height=height))


def raster(data: bytes, form: str, width: int) -> bytes:
    """A picture's bytes; a drawing (`form` is "svg") as PNG of that width."""
    return drawn(data, width) if form == "svg" else data
