"""Bell, stand and hall of the tuba player."""

from __future__ import annotations

import random
from math import cos, pi, sin

from yemba.demo.drawings import Drawing, frame

_NIGHT, _BRASS, _DEEP, _LIGHT, _WINE = "#15131c", "#d8a54a", "#7d551d", "#f4dfae", "#6d1f35"


def bell() -> Drawing:
    """The bell of a tuba, seen from the front row."""
    rings = []
    for n in range(26):
        share = n / 25
        radius = 430 * (1 - share) ** 1.35 + 26
        red, green, blue = (round(a + (b - a) * share) for a, b in ((226, 34), (178, 22), (88, 14)))
        rings.append(
            f'<ellipse cx="{860 - 40 * share:.0f}" cy="{520 + 30 * share:.0f}" rx="{radius:.0f}" '
            f'ry="{radius * 0.94:.0f}" fill="rgb({red},{green},{blue})"/>'
        )
    shine = (
        f'<path fill="none" stroke="{_LIGHT}" stroke-width="22" stroke-linecap="round" opacity=".85" d="M{860 - 330} 330A430 404 0 0 1 820 122"/>'
        f'<path fill="none" stroke="{_LIGHT}" stroke-width="7" opacity=".5" d="M560 690A360 340 0 0 0 800 848"/>'
    )
    tubes = "".join(
        f'<path fill="none" stroke="{ink}" stroke-width="{width}" d="M180 1100V560q0 -190 190 -190t190 190v540"/>'
        for ink, width in ((_DEEP, 96), (_BRASS, 70), (_LIGHT, 9))
    )
    valves = "".join(
        f'<path fill="{_DEEP}" d="M{x} 690h66v260h-66z"/><path fill="{_BRASS}" d="M{x + 8} 690h40v260h-40z"/>'
        f'<circle cx="{x + 33}" cy="668" r="30" fill="{_LIGHT}"/>'
        for x in (236, 326, 416)
    )
    return frame(1500, 1000, tubes + valves + "".join(rings) + shine, _NIGHT)


def stand() -> Drawing:
    """A music stand under a lamp, by an open window."""
    window = (
        '<path fill="#2b3a57" d="M90 110h420v560H90z"/><path fill="#3f5580" d="M110 130h180v240H110zM310 130h180v240H310zM110 390h180v260H110zM310 390h180v260H310z"/>'
        '<circle cx="410" cy="220" r="44" fill="#f0e6c4"/>'
    )
    cone = '<path fill="#f6dc9a" opacity=".28" d="M900 150L560 900h720z"/>'
    lamp = f'<path fill="{_WINE}" d="M830 80h150l50 92H780z"/><path stroke="#3a3140" stroke-width="9" d="M905 0v80"/>'
    staves = "".join(
        f'<path stroke="#3a3140" stroke-width="2.5" d="M690 {y + k * 9}h440"/>'
        for y in (420, 490, 560)
        for k in range(5)
    )
    chance = random.Random(6)  # noqa: S311 - a drawing, not a secret
    notes = "".join(
        f'<ellipse cx="{710 + n * 31}" cy="{424 + row * 70 + chance.randrange(5) * 9}" rx="9" ry="6.5" fill="#221c28" transform="rotate(-14 {710 + n * 31} {430 + row * 70})"/>'
        for row in range(3)
        for n in range(14)
        if chance.random() > 0.2
    )
    desk = (
        '<path fill="#2a2430" d="M650 640h520l24 40H626z"/><path fill="#2a2430" d="M896 680h22v250h-22zM790 960l117 -60 117 60v22L907 926 790 982z"/>'
        '<path fill="#f7f0df" d="M668 384h482v258H668z"/><path fill="#000" opacity=".09" d="M908 384h4v258h-4z"/>'
    )
    floor = '<path fill="#4a2f23" d="M0 930h1400v120H0z"/>'
    return frame(1400, 1050, window + floor + cone + desk + staves + notes + lamp, "#3b2f3f")


def hall() -> Drawing:
    """An old wash house with rows of chairs and one chair in front."""
    arches = "".join(
        f'<path fill="#3b2c3c" d="M{x} 640V320a110 110 0 0 1 220 0v320z"/><path fill="#57405a" d="M{x + 26} 640V330a84 84 0 0 1 168 0v310z"/>'
        for x in (90, 390, 690, 990)
    )
    bulbs = "".join(
        f'<circle cx="{80 + n * 104}" cy="{150 + 46 * sin(pi * n / 6.5):.0f}" r="{11 + 4 * cos(n):.0f}" fill="{_LIGHT}"/>'
        for n in range(13)
    )
    stage = f'<path fill="{_DEEP}" d="M420 600h540v70H420z"/><circle cx="690" cy="500" r="92" fill="{_BRASS}"/><circle cx="690" cy="500" r="58" fill="#3a2412"/><path fill="{_BRASS}" d="M600 560h60v60h-60z"/>'
    chairs = "".join(
        f'<path fill="#1b1420" d="M{70 + column * (118 + row * 8) - row * 30} {720 + row * 92}h{62 + row * 8}v{66 + row * 8}h-{62 + row * 8}z"/>'
        for row in range(3)
        for column in range(11)
    )
    return frame(1380, 1000, arches + bulbs + stage + chairs, "#271d2b")


def logo() -> Drawing:
    """A bell in one stroke."""
    return (
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 96 96" width="96" height="96">'
        f'<path fill="none" stroke="{_BRASS}" stroke-width="9" stroke-linecap="round" d="M14 14q34 6 34 30v26q0 14 14 14t14 -14V34"/>'
        f'<path fill="{_BRASS}" d="M8 8h16l-4 22z"/></svg>'
    )
