"""A colour as eight-bit sRGB, and the ways an owner may write one."""

from __future__ import annotations

import re
from typing import NamedTuple

from coloraide import Color

from yemba.core.errors import Fault

_HEX = re.compile(r"#?([0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})", re.IGNORECASE)


class Colour(NamedTuple):
    """Eight-bit sRGB; each channel 0 to 255."""

    red: int
    green: int
    blue: int

    @property
    def hex(self) -> str:
        """Lower-case ``#rrggbb``."""
        return f"#{self.red:02x}{self.green:02x}{self.blue:02x}"


BLACK = Colour(0, 0, 0)
WHITE = Colour(255, 255, 255)


def parse(text: str, field: str = "colour") -> Colour:
    """Read hex (3, 4, 6 or 8 digits, # or not) or any CSS colour; what lies outside sRGB is mapped in.

    Raises Fault ``colour-unreadable`` where the text is no colour, ``colour-see-through``
    where it has an alpha below one: a brand colour is what it is on every background.
    """
    typed = text.strip()
    if match := _HEX.fullmatch(typed):
        typed = "#" + match.group(1)
    try:
        read = Color(typed)
    except ValueError:
        raise Fault(
            "colour-unreadable",
            f"“{text}” is not a colour. Write a hex code such as #8c3b2a, or a CSS colour such as teal.",
            field,
        ) from None
    if read.alpha(nans=False) < 1:
        raise Fault(
            "colour-see-through",
            f"“{text}” is see-through. A brand colour is solid: leave out the last two digits.",
            field,
        )
    fitted = read.convert("srgb").fit(method="oklch-chroma")
    red, green, blue = (round(255 * channel) for channel in fitted.coords(nans=False))
    return Colour(red, green, blue)


def from_hex(code: str) -> Colour:
    """Read the stored form, ``#rrggbb``, and nothing else."""
    return Colour(int(code[1:3], 16), int(code[3:5], 16), int(code[5:7], 16))


def mix(first: Colour, second: Colour, share: float) -> Colour:
    """Lay `second` at opacity `share` (0 to 1) over `first`: source-over in gamma-coded sRGB,
    as browsers do it (W3C Compositing and Blending Level 1, section 5.1)."""
    blend = (round(a + (b - a) * share) for a, b in zip(first, second, strict=True))
    return Colour(*blend)
