"""Packets, poles, rye and drawers of the seed nursery."""

from __future__ import annotations

import random
from math import pi, sin

from yemba.demo.drawings import Drawing, frame

_CLAY, _LEAF, _MOSS, _STRAW, _BEAN, _SKY = "#7a4e36", "#3f6b3a", "#24421f", "#e3c46a", "#6a2f5c", "#dfe6df"


def packets() -> Drawing:
    """Five seed packets in a wooden tray, each with its own leaf."""
    inks = (_LEAF, _BEAN, "#c2552d", "#2d5b66", "#a8842a")
    drawn = []
    for n, ink in enumerate(inks):
        x, lean = 150 + n * 238, (-4, 2, -1.5, 3, -3)[n]
        leaves = "".join(
            f'<path fill="{ink}" transform="translate(105 {210 + k * 36}) scale({side} 1)" d="M0 0q46 -44 84 -10q-30 36 -84 10z"/>'
            for k in range(4)
            for side in (1, -1)
        )
        drawn.append(
            f'<g transform="translate({x} {150 + (n % 2) * 46}) rotate({lean})">'
            f'<path fill="#f6efdd" d="M0 0h210v520H0z"/><path fill="{ink}" d="M0 0h210v92H0zM0 470h210v50H0z"/>'
            f'<path fill="#f6efdd" d="M24 32h162v10H24zM24 54h104v10H24z"/>'
            f'<path stroke="{ink}" stroke-width="7" d="M105 180v190"/>{leaves}'
            '<path fill="#000" opacity=".08" d="M196 0h14v520h-14z"/></g>'
        )
    tray = (
        '<path fill="#8a6338" d="M60 640h1280v190H60z"/><path fill="#6f4d28" d="M60 640h1280v22H60zM60 808h1280v22H60z"/>'
        '<path fill="#5a3d1f" d="M60 640h26v190H60zM1314 640h26v190h-26z"/>'
    )
    return frame(1400, 960, "".join(drawn) + tray, "#cfd6b4")


def poles() -> Drawing:
    """Beans climbing hazel poles tied at the top."""
    chance = random.Random(4)  # noqa: S311 - a drawing, not a secret
    rows = []
    for n in range(6):
        foot, top = 160 + n * 210, 700 + n * 6
        rows.append(f'<path stroke="#6b4a2c" stroke-width="13" d="M{foot} 960L{top} 60"/>')
        for k in range(26):
            along = 0.1 + k * 0.033
            x, y = foot + (top - foot) * along, 960 - 900 * along
            swing = 30 * sin(k * 0.9 + n)
            turn, size = chance.randrange(360), 18 + chance.random() * 22
            shade = _LEAF if chance.random() > 0.35 else _MOSS
            rows.append(
                f'<path fill="{shade}" transform="translate({x + swing:.0f} {y:.0f}) rotate({turn}) scale({size / 30:.2f})" '
                'd="M0 0q28 -34 58 0q-30 34 -58 0z"/>'
            )
            if k % 5 == 2:
                rows.append(
                    f'<path stroke="{_BEAN}" stroke-width="9" stroke-linecap="round" fill="none" '
                    f'd="M{x + swing:.0f} {y:.0f}q12 44 -4 92"/>'
                )
    ground = f'<path fill="{_CLAY}" d="M0 930q340 -36 700 -6t700 -10v146H0z"/>'
    return frame(1400, 1050, "".join(rows) + ground, _SKY)


def rye() -> Drawing:
    """Tall rye before the cut, the hedge far behind it."""
    chance = random.Random(9)  # noqa: S311
    hedge = '<path fill="#6d7f58" d="M0 330q90 -46 190 -16t210 -22 240 14 260 -18 300 16 260 -4v240H0z"/>'
    stalks = []
    for n in range(170):
        x, foot = n * 9 - 40 + chance.random() * 16, 1000
        bend, tall = 50 + 60 * sin(n / 23), 520 + 150 * chance.random()
        ink = "#b58f35" if n % 3 else "#d9b95c"
        tip_x, tip_y = x + bend, foot - tall
        stalks.append(
            f'<path stroke="{ink}" stroke-width="4" fill="none" d="M{x:.0f} {foot}Q{x:.0f} {foot - tall * 0.7:.0f} {tip_x:.0f} {tip_y:.0f}"/>'
            f'<path fill="{_STRAW}" transform="translate({tip_x:.0f} {tip_y:.0f}) rotate({24 + 10 * sin(n):.0f})" '
            'd="M0 0q16 -34 6 -92q-20 40 -6 92z"/>'
        )
    return frame(1400, 1000, hedge + "".join(stalks), "#efe3bd")


def drawers() -> Drawing:
    """The drying drawers, some pulled out, seed of every colour in them."""
    chance = random.Random(2)  # noqa: S311
    seeds = ("#6a2f5c", "#e8dcc0", "#2f2a26", "#b86b3a", "#8f9a55")
    drawn = []
    for row in range(4):
        for column in range(4):
            x, y = 90 + column * 280, 90 + row * 210
            drawn.append(f'<path fill="#9a7445" d="M{x} {y}h260v190h-260z"/>')
            if (row + column) % 3:
                drawn.append(
                    f'<path fill="#b58a55" d="M{x + 10} {y + 10}h240v170h-240z"/>'
                    f'<circle cx="{x + 130}" cy="{y + 120}" r="13" fill="#3a2d1c"/>'
                    f'<path fill="#f1e8d2" d="M{x + 70} {y + 40}h120v40h-120z"/>'
                )
            else:
                drawn.append(f'<path fill="#4b371f" d="M{x + 6} {y + 6}h248v178h-248z"/>')
                ink = seeds[(row * 2 + column) % 5]
                drawn += [
                    f'<ellipse cx="{x + 26 + chance.random() * 208:.0f}" cy="{y + 26 + chance.random() * 138:.0f}" '
                    f'rx="11" ry="7" fill="{ink}" transform="rotate({chance.randrange(-8, 8)} {x} {y})"/>'
                    for _ in range(90)
                ]
    return frame(1300, 1000, "".join(drawn), "#6b4c29")


def logo() -> Drawing:
    """A nettle leaf and an ear of rye, crossed."""
    teeth = " ".join(f"L{34 - 20 * sin(pi * k / 9):.1f} {14 + k * 6}" for k in range(1, 9))
    ears = "".join(
        f'<path fill="#8a6a1c" transform="translate(64 {26 + k * 9}) scale({side} 1)" d="M0 8q10 -2 12 -14q-12 2 -12 14z"/>'
        for k in range(5)
        for side in (1, -1)
    )
    return (
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 96 96" width="96" height="96">'
        f'<path fill="{_MOSS}" d="M34 8 {teeth} L34 70 Q58 40 34 8z"/><path stroke="{_MOSS}" stroke-width="4" d="M34 60v28"/>'
        f'{ears}<path stroke="#8a6a1c" stroke-width="4" d="M64 30v58"/></svg>'
    )
