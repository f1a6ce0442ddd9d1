"""The picture that goes with a link: name, tagline and logo on the site's own ground."""

from __future__ import annotations

import base64

from yemba.core.colour.grounds import Ground
from yemba.core.picture.drawing import drawn
from yemba.core.type.facts import Face

WIDTH, HEIGHT = 1200, 630
"""px; the size that link cards are cut from (Open Graph; common practice, no source)."""
_EDGE, _LARGEST, _LEAST = 84, 118, 44
_LINES = 3


def card(
    name: str, tagline: str, face: Face, weight: int, ground: Ground, logo: tuple[bytes, str, int, int] | None = None
) -> bytes:
    """The card as SVG. `logo` is bytes, format, width and height; without one a rule of the button's colour leads.

    The name is as large as lets its words stand in at most three lines.
    """
    size, lines = _set(name, face, weight)
    top = HEIGHT - _EDGE - (len(lines) - 1) * size * 1.08 - (70 if tagline else 0)
    drawn = [_line(line, face, weight, size, top + n * size * 1.08, ground.heading.hex) for n, line in enumerate(lines)]
    if tagline:
        small = min(34.0, 34 * (WIDTH - 2 * _EDGE) / max(1.0, face.width(tagline, 34, 400)))
        drawn.append(_line(tagline, face, 400, small, HEIGHT - _EDGE + 8, ground.text.hex))
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{WIDTH}" height="{HEIGHT}" viewBox="0 0 {WIDTH} {HEIGHT}">'
        f'<path fill="{ground.fill.hex}" d="M0 0h{WIDTH}v{HEIGHT}H0z"/>{_lead(ground, logo)}{"".join(drawn)}</svg>'
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


def _set(name: str, face: Face, weight: int) -> tuple[float, list[str]]:
    """The largest size, and the lines, at which the name fits."""
    room = WIDTH - 2 * _EDGE
    for size in range(_LARGEST, _LEAST - 1, -2):
        lines = _broken(name, face, weight, size, room)
        if len(lines) <= _LINES and all(face.width(line, size, weight) <= room for line in lines):
            return float(size), lines
    widest = max(face.width(line, _LEAST, weight) for line in lines)
    return _LEAST * min(1.0, room / widest), lines[:_LINES]


def _broken(name: str, face: Face, weight: int, size: float, room: float) -> list[str]:
    lines: list[str] = []
    for word in name.split():
        longer = f"{lines[-1]} {word}" if lines else word
        if lines and face.width(longer, size, weight) <= room:
            lines[-1] = longer
        else:
            lines.append(word)
    return lines or [""]


def _line(text: str, face: Face, weight: int, size: float, y: float, ink: str) -> str:
    scale = size / face.facts.units_per_em
    path = face.outline(text, weight)
    return f'<path fill="{ink}" transform="translate({_EDGE} {y:.1f}) scale({scale:.5f} {-scale:.5f})" d="{path}"/>'
