"""The site icon in every size browsers and phones want."""

from __future__ import annotations

import base64
from functools import lru_cache
from io import BytesIO

from PIL import Image

from yemba.core.colour.contrast import ratio
from yemba.core.colour.srgb import Colour
from yemba.core.picture.drawing import drawn
from yemba.core.site.lettering import Lettering

_ICO = (16, 32, 48)
_SAFE = 0.8  # share of a maskable icon that no mask cuts (W3C Web App Manifest, "safe zone")
_PLAIN_SHARE = 0.88  # of the tile that a logo fills where nothing cuts it
TILE = 512
"""px; how wide and high an icon's drawing is."""
_HEIGHT, _WIDTH = 0.56, 0.72  # shares of the tile that a letter fills at most
_NONE = "·"
_TELLS = (
    1.8  # contrast ratio from which a pixel of the smallest icon is told from its ground; common practice, no source
)
_LEAST_SEEN = 0.08  # share of its pixels that must be: a letter's stem has more; common practice, no source


def initial_of(name: str, lettering: Lettering) -> str:
    """The letter that stands for a name: its first letter or digit that can be drawn, a dot where there is none."""
    drawable = (letter for letter in name if letter.isalnum() and lettering.can_draw(letter))
    letter = next(drawable, _NONE)
    capital = letter.upper()
    return capital if len(capital) == 1 and lettering.can_draw(capital) else letter


def initial(name: str, lettering: Lettering, fill: Colour, ink: Colour, mark: str = "") -> bytes:
    """An icon for a site without a logo: the letter of its name in the middle of a tile, over `mark`, as SVG."""
    letter = initial_of(name, lettering)
    left, bottom, right, top = lettering.bounds(letter)
    size = TILE * min(_HEIGHT / max(top - bottom, _HEIGHT / 2), _WIDTH / max(right - left, _WIDTH / 2))
    x = (TILE - (left + right) * size) / 2
    baseline = (TILE + (top + bottom) * size) / 2
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{TILE}" height="{TILE}" viewBox="0 0 {TILE} {TILE}">'
        f'<path fill="{fill.hex}" d="M0 0h{TILE}v{TILE}H0z"/>{mark}'
        f"{lettering.line(letter, x, baseline, size, ink.hex)}</svg>"
    ).encode()


def from_logo(logo: bytes, form: str, width: int, height: int, fill: Colour, share: float = _PLAIN_SHARE) -> bytes:
    """An icon from a logo: the logo centred on a square tile of the ground it stands on, as SVG."""
    scale = TILE * share / max(width, height)
    kind = "svg+xml" if form == "svg" else form
    data = base64.b64encode(logo).decode()
    drawn_width, drawn_height = width * scale, height * scale
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{TILE}" height="{TILE}" viewBox="0 0 {TILE} {TILE}">'
        f'<path fill="{fill.hex}" d="M0 0h{TILE}v{TILE}H0z"/>'
        f'<image x="{(TILE - drawn_width) / 2:.1f}" y="{(TILE - drawn_height) / 2:.1f}" width="{drawn_width:.1f}" '
        f'height="{drawn_height:.1f}" href="data:image/{kind};base64,{data}"/></svg>'
    ).encode()


def icon_set(tile: bytes, maskable: bytes) -> dict[str, bytes]:
    """Every icon file by its path: .ico with 16, 32 and 48; 180; 192 and 512, also maskable; SVG."""
    png = {size: _draw(tile, size) for size in (16, 32, 48, 180, 192, 512)}
    return {
        "favicon.ico": _ico([png[size] for size in _ICO]),
        "icons/icon.svg": tile,
        **{f"icons/icon-{size}.png": png[size] for size in (180, 192, 512)},
        **{f"icons/maskable-{size}.png": _draw(maskable, size) for size in (192, 512)},
    }


@lru_cache(maxsize=64)
def fades(tile: bytes, fill: Colour) -> bool:
    """Whether next to nothing of an icon's drawing stands out from its ground in the smallest size, a browser's tab."""
    smallest = _ICO[0]
    with Image.open(BytesIO(_draw(tile, smallest))) as opened:
        counted = opened.convert("RGB").getcolors(smallest * smallest) or []
    seen = sum(count for count, colour in counted if ratio(Colour(*colour), fill) >= _TELLS)  # type: ignore[misc]
    return seen < _LEAST_SEEN * smallest * smallest


def safe_share() -> float:
    """How much of the tile a logo may fill in a maskable icon: a square inside the safe circle."""
    return _SAFE / 2**0.5


def _draw(svg: bytes, size: int) -> bytes:
    return drawn(svg, size, size)


def _ico(pictures: list[bytes]) -> bytes:
    largest, *rest = [Image.open(BytesIO(data)) for data in reversed(pictures)]
    out = BytesIO()
    largest.save(out, "ICO", sizes=[(size, size) for size in _ICO], append_images=rest)
    return out.getvalue()
