"""Books, tools and papers of the bindery."""

from __future__ import annotations

import random
from math import cos, pi, sin

from yemba.demo.drawings import Drawing, frame

_PAPER, _BOARD, _OXIDE, _BOTTLE, _BRASS = "#f5f0e4", "#e0d5bd", "#8c3b2a", "#22302e", "#d9a441"
_SEA, _FOG = "#4d6a6a", "#b9c4bd"


def _tide(width: int, top: int, lines: int, ink: str, seed: int) -> str:
    """Low waves, each a little further apart than the one behind it."""
    chance = random.Random(seed)  # noqa: S311 - a drawing, not a secret
    waves = []
    for line in range(lines):
        y = top + line * (16 + line * 5)
        swing, length = 5 + line * 2.2, 150 + 18 * line
        shift = chance.random() * 2 * pi
        heights = ((x, y + swing * sin(x / length + shift)) for x in range(0, width + 20, 20))
        points = " ".join(f"{x},{height:.1f}" for x, height in heights)
        waves.append(f'<polyline points="{points}" fill="none" stroke="{ink}" stroke-width="2.4" opacity=".5"/>')
    return "".join(waves)


def _spine(x: int, foot: int, width: int, height: int, fill: str, bands: str) -> str:
    top = foot - height
    ribs = "".join(
        f'<path fill="{bands}" d="M{x} {top + int(height * share)}h{width}v7h-{width}z"/>'
        f'<path fill="#000" opacity=".22" d="M{x} {top + int(height * share) + 7}h{width}v3h-{width}z"/>'
        for share in (0.12, 0.2, 0.78, 0.86)
    )
    label = (
        f'<path fill="{bands}" opacity=".85" d="M{x + width * 0.2:.0f} {top + height * 0.34:.0f}h{width * 0.6:.0f}'
        f'v{height * 0.16:.0f}h-{width * 0.6:.0f}z"/>'
    )
    return (
        f'<path fill="{fill}" d="M{x} {top + 6}q{width / 2} -14 {width} 0v{height - 6}h-{width}z"/>{ribs}{label}'
        f'<path fill="url(#shade)" d="M{x} {top + 6}q{width / 2} -14 {width} 0v{height - 6}h-{width}z"/>'
    )


def books_on_the_estuary() -> Drawing:
    """Mended spines on a shelf before the evening tide."""
    rows = [
        (250, 128, 470, _OXIDE, _BRASS), (382, 84, 400, _BRASS, _BOTTLE), (470, 150, 520, _PAPER, _OXIDE),
        (624, 96, 430, "#3c5a63", _BRASS), (724, 118, 480, "#5b2d3a", _PAPER), (846, 74, 380, _BOARD, _BOTTLE),
    ]  # fmt: skip
    spines = "".join(_spine(x, 840, width, height, fill, bands) for x, width, height, fill, bands in rows)
    lying = (
        '<g transform="rotate(-14 1010 800)"><path fill="#2c4a44" d="M950 470h96v370h-96z"/>'
        '<path fill="#d9a441" d="M950 520h96v8h-96zM950 770h96v8h-96z"/><path fill="url(#shade)" d="M950 470h96v370h-96z"/></g>'
    )
    moon = '<circle cx="1090" cy="200" r="74" fill="#f5f0e4" opacity=".9"/>'
    shelf = '<path fill="#15201e" d="M0 840h1300v26H0z"/><path fill="#101918" d="M0 866h1300v234H0z" opacity=".55"/>'
    return frame(1300, 1100, moon + _tide(1300, 300, 11, "#cfd8cf", 3) + spines + lying + shelf, "url(#dusk)")


def sewing_frame() -> Drawing:
    """Folded sections being sewn onto cords."""
    cords = "".join(
        f'<path stroke="#efe6cf" stroke-width="9" d="M{x} 120V690"/><circle cx="{x}" cy="120" r="15" fill="{_BRASS}"/>'
        for x in (470, 610, 750, 890)
    )
    sections = "".join(
        f'<path fill="{_PAPER if n % 2 else "#eae0ca"}" d="M330 {690 - n * 20}h700q12 9 0 18h-700q-12 -9 0 -18z"/>'
        + "".join(
            f'<path stroke="{_OXIDE}" stroke-width="3" fill="none" d="M{x - 26} {699 - n * 20}q26 -16 52 0"/>'
            for x in (470, 610, 750, 890)
        )
        for n in range(9)
    )
    wood = (
        '<path fill="#7b5233" d="M240 86h880v46H240zM236 708h888v54H236z"/><path fill="#69442a" d="M262 132h36v576h-36zM1062 132h36v576h-36z"/>'
        '<path fill="#fff" opacity=".1" d="M240 86h880v10H240zM236 708h888v10H236z"/>'
    )
    needle = (
        '<path d="M930 480C1010 400 1130 470 1190 400" fill="none" stroke="#8c3b2a" stroke-width="4"/>'
        '<path d="M1184 408l58 -64 -10 22z" fill="#dfe3e0"/>'
    )
    table = '<path fill="#3a4a44" d="M0 762h1360v258H0z"/><path fill="#2d3b36" d="M0 762h1360v12H0z"/>'
    return frame(1360, 1020, table + wood + cords + sections + needle, "#c9cdbf")


def marbled_paper() -> Drawing:
    """Combed marbling in the bindery's colours."""
    chance = random.Random(11)  # noqa: S311
    inks = [_OXIDE, _BOTTLE, _BRASS, _PAPER, "#4d6a6a", "#b7684c", _BOARD]
    drawn = []
    for column in range(-2, 42):
        x = column * 34
        wave = [(x + 26 * sin(y / 60 + column * 0.9) + 15 * cos(y / 23 + column), y) for y in range(-20, 1060, 14)]
        points = " ".join(f"{px:.0f},{py}" for px, py in wave)
        drawn.append(
            f'<polyline points="{points}" fill="none" stroke="{inks[column % len(inks)]}" '
            f'stroke-width="{18 + 26 * chance.random():.0f}" stroke-linejoin="round"/>'
        )
    veins = "".join(
        f'<circle cx="{chance.random() * 1400:.0f}" cy="{chance.random() * 1050:.0f}" r="{3 + 9 * chance.random():.1f}" '
        f'fill="{chance.choice(inks)}" opacity=".75"/>'
        for _ in range(170)
    )
    return frame(1400, 1050, "".join(drawn) + veins, _BOARD)


def notebooks() -> Drawing:
    """A stack of notebooks, a ribbon hanging from each."""
    fills = [_OXIDE, "#d8c49a", _BOTTLE, "#4d6a6a", _BRASS]
    stack = "".join(
        f'<g transform="translate({(n % 3) * 22 - 20} {640 - n * 96}) rotate({(-2.2, 1.4, -0.6, 2.4, -1.6)[n]} 600 40)">'
        f'<path fill="{fill}" d="M250 0h720q14 0 14 14v60q0 14 -14 14h-720z"/><path fill="#f7f2e6" d="M262 12h706v64h-706z"/>'
        + "".join(f'<path stroke="#d9cfb8" d="M262 {y}h706"/>' for y in range(18, 76, 7))
        + f'<path fill="{fill}" d="M250 0h40v88h-40q-22 -44 0 -88z"/>'
        f'<path stroke="{_OXIDE if n % 2 else _BRASS}" stroke-width="7" fill="none" d="M{820 - n * 60} 80q10 40 -6 {70 + n * 9}"/></g>'
        for n, fill in enumerate(fills)
    )
    table = '<path fill="#cfc3a6" d="M0 720h1280v240H0z"/>'
    return frame(1280, 960, table + stack, "#e7dfcf")


def workshop_window() -> Drawing:
    """The workshop from the quay: a lit window over the slipway."""
    boards = "".join(f'<path stroke="#1a2725" stroke-width="3" d="M{x} 180V720"/>' for x in range(180, 1240, 46))
    panes = "".join(
        f'<path fill="#f0cf86" d="M{470 + c * 150} {330 + r * 130}h136v116h-136z"/>' for c in range(3) for r in range(2)
    )
    press = '<path fill="#3a2a1c" d="M520 520h290v20H520zM640 400h30v120h-30zM590 392h130v16H590zM560 470h210v14H560z" opacity=".85"/>'
    roof = '<path fill="#15211f" d="M130 190L690 40l560 150v22H130z"/>'
    slip = '<path fill="#55635d" d="M0 720h1380v60H0z"/><path fill="#3f4d48" d="M520 780h260l160 260H400z"/>'
    house = '<path fill="#2b3d3a" d="M170 190h1040v530H170z"/>'
    door = '<path fill="#8c3b2a" d="M990 440h140v280H990z"/><circle cx="1108" cy="590" r="7" fill="#d9a441"/>'
    return frame(
        1380,
        1040,
        house + boards + panes + press + door + roof + _tide(1380, 800, 7, "#aab8b0", 8) + slip,
        "url(#dusk)",
    )


def logo() -> Drawing:
    """A folded section over a wave, as Ines's friend drew it."""
    return (
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 96 96" width="96" height="96">'
        f'<path fill="{_OXIDE}" d="M10 22q20 -10 38 4q18 -14 38 -4v44q-20 -8 -38 5q-18 -13 -38 -5z"/>'
        f'<path fill="{_PAPER}" d="M46 30h4v40h-4z"/>'
        f'<path d="M8 84q10 -8 20 0t20 0t20 0t20 0" fill="none" stroke="{_BOTTLE}" stroke-width="5"/></svg>'
    )
