"""The picking plane as the desk draws it."""

from __future__ import annotations

import base64
from collections.abc import Sequence
from io import BytesIO

from PIL import Image

from yemba.core.colour.contrast import EDGE, TEXT, carries, ratio
from yemba.core.colour.oklch import to_oklch
from yemba.core.colour.plane import HEIGHT, MOST_CHROMA, WIDTH, gamut, line, plane
from yemba.core.colour.srgb import Colour, from_hex
from yemba.core.message import Message
from yemba.core.site.resolve import Look
from yemba.studio.desks.setting import Context


def at_hue(hue: int, ground: Colour) -> Context:
    """The plane as a picture; the readable lines, and what no screen shows, as SVG paths in its cells."""
    out = BytesIO()
    Image.frombytes("RGB", (WIDTH, HEIGHT), plane(hue)).save(out, "PNG")
    paths = {}
    for asked in (TEXT, EDGE):
        points = line(hue, ground, asked).points
        steps = " L".join(f"{x * WIDTH:.1f} {HEIGHT * (1 - y / MOST_CHROMA):.1f}" for x, y in points)
        paths[f"{asked:g}"] = f"M{steps}" if points else ""
    edge = " L".join(f"{x * WIDTH:.1f} {HEIGHT * (1 - y / MOST_CHROMA):.2f}" for x, y in reversed(gamut(hue)))
    outside = f"M0-4H{WIDTH}V{HEIGHT}L{edge}Z"  # over the margin above the picture too
    image = "data:image/png;base64," + base64.b64encode(out.getvalue()).decode()
    lines = {"text": paths["4.5"], "edge": paths["3"], "outside": outside}
    return {"image": image, **lines, "width": WIDTH, "height": HEIGHT, "hue": hue}


def instrument(look: Look, colour: Colour, name: str, ground: str, palette: Sequence[dict[str, str]]) -> Context:
    """All that the plane shows of a colour: where it stands, where the others do, what it reads on."""
    polar, fill = to_oklch(colour), look.grounds[ground].fill
    return {
        **at_hue(round(polar.hue) % 360, fill),
        "name": name,
        "hex": colour.hex,
        "lightness": polar.lightness,
        "chroma": polar.chroma,
        "most": MOST_CHROMA,
        "percent": 100 * polar.lightness,
        "ground": ground,
        "ground_name": look.ground_names[ground],
        "mark": _mark(colour),
        "others": [_mark(from_hex(c["hex"])) | {"hex": c["hex"]} for c in palette if c["hex"] != colour.hex],
        "said": said(look, colour, ground),
        "lighter": to_oklch(fill).lightness < 0.6,
    }


def said(look: Look, colour: Colour, ground: str) -> str:
    """What a colour is, and what it carries on a ground."""
    fill = look.grounds[ground].fill
    return Message(
        "{hex}, {got:.1f} to 1 on {ground_names}: {carries}",
        hex=colour.hex,
        got=ratio(colour, fill),
        ground_names=look.ground_names[ground],
        carries=carries(colour, fill),
    )


def _mark(colour: Colour) -> Context:
    lightness, chroma, _ = to_oklch(colour)
    return {"x": lightness * WIDTH, "y": HEIGHT * (1 - min(chroma, MOST_CHROMA) / MOST_CHROMA)}
