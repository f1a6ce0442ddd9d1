"""The picture that goes with a link: name, tagline and logo on the site's own ground."""

from __future__ import annotations

import base64

from yemba.core.colour.grounds import Ground
from yemba.core.picture.drawing import drawn
from yemba.core.picture.signature import SIGNATURES
from yemba.core.site.lettering import Lettering, from_the_right

WIDTH, HEIGHT = 1200, 630
"""px; the size that link cards are cut from (Open Graph; common practice, no source)."""
_EDGE, _LARGEST, _LEAST, _SMALL = 84, 118, 44, 34.0
_LINES = 3


def card(
    name: tuple[str, Lettering],
    tagline: tuple[str, Lettering],
    ground: Ground,
    logo: tuple[bytes, str, int, int] | None = None,
    signature: str = "none",
    behind: Ground | None = None,
) -> bytes:
    """The card as SVG. `logo` is bytes, format, width and height; without one, and without a signature, a rule of the
    button's colour leads.

    The name is as large as lets its words stand in at most three lines. Words that begin from the right stand there.
    `signature` is the mark of the template, drawn over the ground `behind`.
    """
    lead = _lead(ground, logo) if logo or signature == "none" else ""
    mark = SIGNATURES[signature](WIDTH, HEIGHT, ground.button.hex, (behind or ground).fill.hex)
    (words, title), (below, small) = name, tagline
    size, lines = _set(words, title)
    top = HEIGHT - _EDGE - 20 - (len(lines) - 1) * size * 1.08 - (70 if below else 0)
    drawn = [_line(line, title, size, top + n * size * 1.08, ground.heading.hex) for n, line in enumerate(lines)]
    if below:
        fitting = min(_SMALL, _SMALL * (WIDTH - 2 * _EDGE) / max(1.0, small.width(below, _SMALL)))
        drawn.append(_line(below, small, fitting, HEIGHT - _EDGE - 12, ground.text.hex))
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{WIDTH}" height="{HEIGHT}" viewBox="0 0 {WIDTH} {HEIGHT}">'
        f'<path fill="{ground.fill.hex}" d="M0 0h{WIDTH}v{HEIGHT}H0z"/>{mark}{lead}{"".join(drawn)}</svg>'
    ).encode()


def to_png(svg: bytes) -> bytes:
    """The card in pixels."""
    return drawn(svg, WIDTH, HEIGHT)


def _lead(ground: Ground, logo: tuple[bytes, str, int, int] | None) -> str:
    if logo is None:
        return f'<path fill="{ground.button.hex}" d="M{_EDGE} {_EDGE}h150v18h-150z"/>'
    data, form, width, height = logo
    scale = min(150 / height, 520 / width)
    kind = "svg+xml" if form == "svg" else form
    return (
        f'<image x="{_EDGE}" y="{_EDGE - 10}" width="{width * scale:.1f}" height="{height * scale:.1f}" '
        f'href="data:image/{kind};base64,{base64.b64encode(data).decode()}"/>'
    )


def _set(name: str, lettering: Lettering) -> tuple[float, list[str]]:
    """The largest size, and the lines, at which the name fits."""
    room = WIDTH - 2 * _EDGE
    for size in range(_LARGEST, _LEAST - 1, -2):
        lines = _broken(name, lettering, size, room)
        if len(lines) <= _LINES and all(lettering.width(line, size) <= room for line in lines):
            return float(size), lines
    widest = max(lettering.width(line, _LEAST) for line in lines)
    return _LEAST * min(1.0, room / widest), lines[:_LINES]


def _broken(name: str, lettering: Lettering, size: float, room: float) -> list[str]:
    lines: list[str] = []
    for word in name.split():
        longer = f"{lines[-1]} {word}" if lines else word
        if lines and lettering.width(longer, size) <= room:
            lines[-1] = longer
        else:
            lines.append(word)
    return lines or [""]


def _line(text: str, lettering: Lettering, size: float, y: float, ink: str) -> str:
    x = WIDTH - _EDGE - lettering.width(text, size) if from_the_right(text) else _EDGE
    return lettering.line(text, x, y, size, ink)
