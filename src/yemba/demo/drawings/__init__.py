"""The scenario's pictures, drawn as SVG and rendered to pixels like any photograph. A module a site."""

from __future__ import annotations

from io import BytesIO

from PIL import Image

from yemba.core.picture.drawing import drawn

Drawing = str


def render(drawing: Drawing, width: int = 1800) -> bytes:
    """JPEG bytes, `width` px wide."""
    with Image.open(BytesIO(drawn(drawing, width))) as picture:
        out = BytesIO()
        picture.convert("RGB").save(out, "JPEG", quality=92)
        return out.getvalue()


def frame(width: int, height: int, body: str, fill: str) -> Drawing:
    defs = (
        '<defs><linearGradient id="dusk" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#5d7a76"/>'
        '<stop offset=".55" stop-color="#35504d"/><stop offset="1" stop-color="#1d2b29"/></linearGradient>'
        '<linearGradient id="shade" x1="0" y1="0" x2="1" y2="0"><stop offset="0" stop-color="#000" stop-opacity=".34"/>'
        '<stop offset=".18" stop-color="#fff" stop-opacity=".1"/><stop offset=".6" stop-color="#000" stop-opacity="0"/>'
        '<stop offset="1" stop-color="#000" stop-opacity=".3"/></linearGradient></defs>'
    )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width} {height}" width="{width}" height="{height}">'
        f'{defs}<path fill="{fill}" d="M0 0h{width}v{height}H0z"/>{body}</svg>'
    )
