"""The picking plane as the desk draws it."""

from __future__ import annotations

import base64
from collections.abc import Sequence
from io import BytesIO
from typing import NamedTuple

from PIL import Image

from yemba.core.colour.contrast import EDGE, TEXT, carries, ratio
from yemba.core.colour.grounds import ROLE_NAMES
from yemba.core.colour.oklch import to_oklch
from yemba.core.colour.plane import HEIGHT, MOST_CHROMA, WIDTH, gamut, line, plane
from yemba.core.colour.srgb import Colour, Read, from_hex, mix
from yemba.core.message import Message
from yemba.core.site.resolve import Look
from yemba.studio.desks.setting import Context


def at_hue(hue: int, ground: Colour) -> Context:
    """The plane as a picture; the readable lines, and what no screen shows, as SVG paths in its cells."""
    readable = {name: _path(line(hue, ground, required).points) for name, required in _LINES.items()}
    edge = _cells(gamut(hue)[::-1])
    outside = f"M0-4H{WIDTH}V{HEIGHT}L{edge}Z"  # over the margin above the picture too
    return {"image": _picture(hue), **readable, "outside": outside, "width": WIDTH, "height": HEIGHT, "hue": hue}


_LINES = {"text": TEXT, "edge": EDGE}


def _picture(hue: int) -> str:
    """The plane's colours as a data address of a PNG."""
    out = BytesIO()
    Image.frombytes("RGB", (WIDTH, HEIGHT), plane(hue)).save(out, "PNG")
    return "data:image/png;base64," + base64.b64encode(out.getvalue()).decode()


def _path(points: Sequence[tuple[float, float]]) -> str:
    return f"M{_cells(points)}" if points else ""


def _cells(points: Sequence[tuple[float, float]]) -> str:
    """Lightness and chroma as coordinates in the plane's cells."""
    return " L".join(f"{x * WIDTH:.2f} {HEIGHT * (1 - y / MOST_CHROMA):.2f}" for x, y in points)


class StandsOn(NamedTuple):
    """What a colour is read on."""

    colour: Colour
    name: str


def stands_on(look: Look, against: str) -> StandsOn:
    """A ground by its slug, or one of its roles by ``GROUND.ROLE``. Raises KeyError where it is not there."""
    slug, _, role = against.partition(".")
    ground, name = look.grounds[slug], look.ground_names[slug]
    if not role:
        return StandsOn(ground.fill, name)
    named = Message("{role_names} on {ground_names}", role_names=ROLE_NAMES[role], ground_names=name)
    return StandsOn(getattr(ground, role), named)


def instrument(look: Look, chosen: Read, name: str, against: str, palette: Sequence[dict[str, str]]) -> Context:
    """All that the plane shows of a colour: where it stands, where the others do, what it reads on (``stands_on``)."""
    colour, on = chosen.colour, stands_on(look, against)
    polar = to_oklch(colour)
    return {
        **at_hue(round(polar.hue) % 360, on.colour),
        "name": name,
        "hex": colour.hex,
        "lightness": polar.lightness,
        "chroma": polar.chroma,
        "most": MOST_CHROMA,
        "percent": 100 * polar.lightness,
        "against": against,
        "ground_name": on.name,
        "mark": _mark(colour),
        "others": [_mark(from_hex(c["hex"])) | {"hex": c["hex"]} for c in palette if c["hex"] != colour.hex],
        "said": said(chosen, on),
        "lighter": to_oklch(on.colour).lightness < 0.6,
    }


def said(chosen: Read, on: StandsOn) -> str:
    """What a colour is, and what it carries there, as it is seen: one that is not solid with what lies behind it."""
    seen = mix(on.colour, chosen.colour, chosen.alpha)
    about = {"got": ratio(seen, on.colour), "ground_names": on.name, "carries": carries(seen, on.colour)}
    if chosen.alpha == 1:
        return Message("{hex}, {got:.1f} to 1 on {ground_names}: {carries}", hex=seen.hex, **about)
    return Message(
        "{hex}, {percent} % solid, is seen as {seen}: {got:.1f} to 1 on {ground_names}: {carries}",
        hex=chosen.colour.hex,
        percent=round(100 * chosen.alpha),
        seen=seen.hex,
        **about,
    )


def _mark(colour: Colour) -> Context:
    lightness, chroma, _ = to_oklch(colour)
    return {"x": lightness * WIDTH, "y": HEIGHT * (1 - min(chroma, MOST_CHROMA) / MOST_CHROMA)}
