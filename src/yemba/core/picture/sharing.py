"""The picture that goes with a link: words, logo and a picture on the site's own ground, in three compositions."""

from __future__ import annotations

import base64
from io import BytesIO
from typing import NamedTuple

from PIL import Image

from yemba.core.colour.grounds import Ground
from yemba.core.message import labels
from yemba.core.picture.crop import crop
from yemba.core.picture.drawing import drawn
from yemba.core.picture.signature import SIGNATURES
from yemba.core.site.lettering import Lettering, from_the_right

WIDTH, HEIGHT = 1200, 630
"""px; the size that link cards are cut from (Open Graph; common practice, no source)."""
NAME, PICTURE, BESIDE = "name", "picture", "beside"
COMPOSITIONS = labels({NAME: "Words alone", PICTURE: "Words under a picture", BESIDE: "Words beside a picture"})
_EDGE, _LARGEST, _LEAST, _SMALL = 84, 118, 44, 34.0
_HALF = WIDTH // 2
_LEADING = 1.08
_BAND = 210  # px; the least height of the words under a picture


class Mark(NamedTuple):
    """A logo: bytes, format, width and height."""

    data: bytes
    form: str
    width: int
    height: int


class Behind(NamedTuple):
    """A picture's pixels, in any format that Pillow reads, and its focal spot in % of it."""

    data: bytes
    focal: tuple[int, int] = (50, 50)


class Words(NamedTuple):
    """Words and what they are lettered in."""

    text: str
    lettering: Lettering


class Card(NamedTuple):
    """All that a card is made of. `title` is set large, `below` small under it. Without a logo, and without a
    `signature` (the mark of the template, drawn over the ground `sheet`), a rule of the button's colour leads."""

    title: Words
    below: Words
    ground: Ground
    logo: Mark | None = None
    signature: str = "none"
    sheet: Ground | None = None
    picture: Behind | None = None


class _Block(NamedTuple):
    """Words in a box, from its left edge, `room` px wide; where they begin from the right, from its right edge."""

    left: float
    room: float
    largest: int
    lines: int


def card(made_of: Card, composition: str = NAME) -> bytes:
    """The card as SVG; without a picture its words stand alone. Words are as large as lets them fit, and never cut."""
    if made_of.picture is None or composition == NAME:
        inner = _alone(made_of)
    else:
        inner = (_under if composition == PICTURE else _beside)(made_of, made_of.picture)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{WIDTH}" height="{HEIGHT}" viewBox="0 0 {WIDTH} {HEIGHT}">'
        f'<path fill="{made_of.ground.fill.hex}" d="M0 0h{WIDTH}v{HEIGHT}H0z"/>{inner}</svg>'
    ).encode()


def to_png(svg: bytes) -> bytes:
    """The card in pixels."""
    return drawn(svg, WIDTH, HEIGHT)


def _alone(made_of: Card) -> str:
    ground, logo, signature = made_of.ground, made_of.logo, made_of.signature
    lead = ""
    if logo:
        lead = _logo(logo, _EDGE, _EDGE - 10)
    elif signature == "none":
        lead = f'<path fill="{ground.button.hex}" d="M{_EDGE} {_EDGE}h150v18h-150z"/>'
    mark = SIGNATURES[signature](WIDTH, HEIGHT, ground.button.hex, (made_of.sheet or ground).fill.hex)
    block = _Block(_EDGE, WIDTH - 2 * _EDGE, _LARGEST, 3)
    size, lines = _set(made_of.title, block)
    top = HEIGHT - _EDGE - 20 - (len(lines) - 1) * size * _LEADING - (70 if made_of.below.text else 0)
    return mark + lead + _text(made_of, block, size, lines, top, HEIGHT - _EDGE - 12)


def _under(made_of: Card, picture: Behind) -> str:
    """The picture above, as much of it as the words leave."""
    block = _Block(64, WIDTH - 128, 72, 2)
    size, lines = _set(made_of.title, block)
    below = 52 if made_of.below.text else 0
    band = max(_BAND, len(lines) * size * _LEADING + below + 72)
    top = HEIGHT - band
    first = top + (band - below - len(lines) * size * _LEADING) / 2 + size * 0.85
    logo = _logo(made_of.logo, WIDTH - 64, top + 30, 110, 240, from_right=True) if made_of.logo else ""
    return _image(picture, 0, 0, WIDTH, round(top)) + logo + _text(made_of, block, size, lines, first, HEIGHT - 38)


def _beside(made_of: Card, picture: Behind) -> str:
    """The picture on the side where words do not begin."""
    right = from_the_right(made_of.title.text)
    block = _Block(_HALF + 56 if right else 56, _HALF - 112, 76, 5)
    size, lines = _set(made_of.title, block)
    logo = _logo(made_of.logo, block.left, 56, 110, block.room) if made_of.logo else ""
    first = (HEIGHT - len(lines) * size * _LEADING) / 2 + size * 0.8 + (40 if logo else 0)
    return (
        _image(picture, 0 if right else _HALF, 0, _HALF, HEIGHT)
        + logo
        + _text(made_of, block, size, lines, first, HEIGHT - 56)
    )


def _text(made_of: Card, block: _Block, size: float, lines: list[str], first: float, last: float) -> str:
    """The title from the line `first` on, the small words on the line `last`, both in px from the top."""
    title, below, ground = made_of.title.lettering, made_of.below, made_of.ground
    placed = [
        _line(line, title, size, block, first + n * size * _LEADING, ground.heading.hex) for n, line in enumerate(lines)
    ]
    if below.text:
        fitting = min(_SMALL, _SMALL * block.room / max(1.0, below.lettering.width(below.text, _SMALL)))
        placed.append(_line(below.text, below.lettering, fitting, block, last, ground.text.hex))
    return "".join(placed)


def _logo(logo: Mark, x: float, y: float, high: float = 150, wide: float = 520, *, from_right: bool = False) -> str:
    scale = min(high / logo.height, wide / logo.width)
    kind = "svg+xml" if logo.form == "svg" else logo.form
    width = logo.width * scale
    return (
        f'<image x="{x - width if from_right else x:.1f}" y="{y:.1f}" width="{width:.1f}" '
        f'height="{logo.height * scale:.1f}" href="{_inline(logo.data, kind)}"/>'
    )


def _image(picture: Behind, x: int, y: int, width: int, height: int) -> str:
    """The picture cropped to a box round its focal spot."""
    with Image.open(BytesIO(picture.data)) as opened:
        image = opened.convert("RGB")
    image = image.crop(crop(image.width, image.height, width / height, picture.focal)).resize((width, height))
    out = BytesIO()
    image.save(out, "JPEG", quality=88)
    return f'<image x="{x}" y="{y}" width="{width}" height="{height}" href="{_inline(out.getvalue(), "jpeg")}"/>'


def _inline(data: bytes, kind: str) -> str:
    return f"data:image/{kind};base64,{base64.b64encode(data).decode()}"


def _set(words: Words, block: _Block) -> tuple[float, list[str]]:
    """The largest size, and the lines, at which the words fit."""
    text, lettering = words
    for size in range(block.largest, _LEAST - 1, -2):
        lines = _broken(text, lettering, size, block.room)
        if len(lines) <= block.lines and all(lettering.width(line, size) <= block.room for line in lines):
            return float(size), lines
    return _smaller(text, lettering, block)


def _smaller(text: str, lettering: Lettering, block: _Block) -> tuple[float, list[str]]:
    """Below the least size that is wanted: as small as it takes to show every word."""
    size = float(_LEAST)
    while size > 1:
        lines = _broken(text, lettering, size, block.room)
        if len(lines) <= block.lines and all(lettering.width(line, size) <= block.room for line in lines):
            break
        size *= 0.9
    return size, lines


def _broken(text: str, lettering: Lettering, size: float, room: float) -> list[str]:
    lines: list[str] = []
    for word in text.split():
        longer = f"{lines[-1]} {word}" if lines else word
        if lines and lettering.width(longer, size) <= room:
            lines[-1] = longer
        else:
            lines.append(word)
    return lines or [""]


def _line(text: str, lettering: Lettering, size: float, block: _Block, y: float, ink: str) -> str:
    end = block.left + block.room
    x = end - lettering.width(text, size) if from_the_right(text) else block.left
    return lettering.line(text, x, y, size, ink)
