"""The site icon in every size browsers and phones want."""

from __future__ import annotations

import base64
from io import BytesIO

from PIL import Image

from yemba.core.colour.srgb import Colour
from yemba.core.picture.drawing import drawn
from yemba.core.type.facts import Face

_ICO = (16, 32, 48)
_SAFE = 0.8  # share of a maskable icon that no mask cuts (W3C Web App Manifest, "safe zone")
_PLAIN_SHARE = 0.88  # of the tile that a logo fills where nothing cuts it


def initial(name: str, face: Face, weight: int, fill: Colour, ink: Colour) -> bytes:
    """An icon for a site without a logo: the first letter of its name on a tile, as SVG."""
    letter = next((character for character in name if character.isalnum()), "·").upper()
    height = face.facts.cap_height
    size = height / 0.56
    left = (size - face.width(letter, face.units_per_em, weight)) / 2
    base = (size + height) / 2
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="512" height="512" viewBox="0 0 {size:.0f} {size:.0f}">'
        f'<path fill="{fill.hex}" d="M0 0h{size:.0f}v{size:.0f}H0z"/>'
        f'<path fill="{ink.hex}" transform="translate({left:.1f} {base:.1f}) scale(1 -1)" d="{face.outline(letter, weight)}"/></svg>'
    ).encode()


def from_logo(logo: bytes, form: str, width: int, height: int, fill: Colour, share: float = _PLAIN_SHARE) -> bytes:
    """An icon from a logo: the logo centred on a square tile of the ground it stands on, as SVG."""
    scale = 512 * share / max(width, height)
    kind = "svg+xml" if form == "svg" else form
    data = base64.b64encode(logo).decode()
    drawn_width, drawn_height = width * scale, height * scale
    return (
        '<svg xmlns="http://www.w3.org/2000/svg" width="512" height="512" viewBox="0 0 512 512">'
        f'<path fill="{fill.hex}" d="M0 0h512v512H0z"/>'
        f'<image x="{(512 - drawn_width) / 2:.1f}" y="{(512 - drawn_height) / 2:.1f}" width="{drawn_width:.1f}" '
        f'height="{drawn_height:.1f}" href="data:image/{kind};base64,{data}"/></svg>'
    ).encode()


def icon_set(tile: bytes, maskable: bytes) -> dict[str, bytes]:
    """Every icon file by its path: .ico with 16, 32 and 48; 180; 192 and 512, also maskable; SVG."""
    drawn = {size: _draw(tile, size) for size in (16, 32, 48, 180, 192, 512)}
    return {
        "favicon.ico": _ico([drawn[size] for size in _ICO]),
        "icons/icon.svg": tile,
        **{f"icons/icon-{size}.png": drawn[size] for size in (180, 192, 512)},
        **{f"icons/maskable-{size}.png": _draw(maskable, size) for size in (192, 512)},
    }


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
