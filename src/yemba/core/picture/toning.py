"""The colours that a picture is shown in: a filter over it, and a tint upon that.

They are put into the files that are published, so that a picture looks alike in every layout, in its enlarged view, in
feeds and on cards. What is see-through stays so.
"""

from __future__ import annotations

from typing import NamedTuple
from xml.etree.ElementTree import Element, SubElement

import numpy as np
from PIL import Image, ImageFilter

from yemba.core.colour.srgb import BLACK, WHITE, Colour
from yemba.core.picture.filters import CONTRAST, DUOTONE, GREY, GREY_SHARES, NONE, SHARPER, SOFT, in_colours

_BLUR = 1 / 400  # of the width, so that every size of a picture is as soft
_ID = "toning"


class Toning(NamedTuple):
    """A filter by its slug, with the `dark` and `light` colour that the one of two colours makes of a picture; over it
    a tint, as opaque as `strength` (0 to 1)."""

    filter: str = NONE
    dark: Colour = BLACK
    light: Colour = WHITE
    tint: Colour = BLACK
    strength: float = 0

    @property
    def mark(self) -> str:
        """What differs where a picture looks different; "" where it is shown as it is."""
        of_filter = (self.filter, self.dark.hex, self.light.hex) if self.filter == DUOTONE else (self.filter,)
        of_tint = (self.tint.hex, f"{self.strength:g}") if self.strength else ()
        return "" if self.filter == NONE and not of_tint else " ".join((*of_filter, *of_tint))

    def image(self, picture: Image.Image) -> Image.Image:
        """A picture in these colours."""
        if not self.mark:
            return picture
        see_through = picture.convert("RGBA").getchannel("A") if picture.has_transparency_data else None
        toned = picture.convert("RGB")
        if self.filter == SOFT:
            toned = toned.filter(ImageFilter.GaussianBlur(toned.width * _BLUR))
        elif self.filter != NONE:
            toned = Image.fromarray(in_colours(np.asarray(toned), self.filter, self.dark, self.light))
        if self.strength:
            toned = Image.blend(toned, Image.new("RGB", toned.size, tuple(self.tint)), self.strength)
        if see_through is not None:
            toned.putalpha(see_through)
        return toned

    def drawing(self, width: int) -> Element:
        """The same as an SVG filter for a drawing `width` px wide; it is referred to by `REFERENCE`."""
        made = Element("filter", {"id": _ID, "x": "0", "y": "0", "width": "1", "height": "1"})
        made.set("color-interpolation-filters", "sRGB")
        if self.filter == SOFT:
            SubElement(made, "feGaussianBlur", stdDeviation=f"{width * _BLUR:g}")
        if self.filter == SHARPER:
            _contrast(made)
        if self.filter in (GREY, DUOTONE):
            row = " ".join([*(f"{share:g}" for share in GREY_SHARES), "0 0"])
            SubElement(made, "feColorMatrix", type="matrix", values=f"{row} {row} {row} 0 0 0 1 0")
        if self.filter == DUOTONE:
            _flood(made, self.light, blend="multiply")
            _flood(made, self.dark, blend="lighten")
        if self.strength:
            _flood(made, self.tint, self.strength)
        return made


REFERENCE = f"url(#{_ID})"
AS_IT_IS = Toning()


def _contrast(made: Element) -> None:
    transfer = SubElement(made, "feComponentTransfer")
    for channel in ("feFuncR", "feFuncG", "feFuncB"):
        SubElement(transfer, channel, type="linear", slope=f"{CONTRAST:g}", intercept=f"{(1 - CONTRAST) / 2:g}")


def _flood(made: Element, colour: Colour, opacity: float = 1, blend: str = "") -> None:
    """A colour over what was made before, where that is not see-through."""
    before, flood, both = "SourceGraphic", f"colour-{len(made)}", f"both-{len(made)}"
    if len(made):
        before = f"seen-{len(made)}"
        made[-1].set("result", before)
    SubElement(made, "feFlood", {"flood-color": colour.hex, "flood-opacity": f"{opacity:g}", "result": flood})
    if blend:
        SubElement(made, "feBlend", {"in": flood, "in2": before, "mode": blend, "result": both})
        SubElement(made, "feComposite", {"in": both, "in2": "SourceAlpha", "operator": "in"})
    else:
        SubElement(made, "feComposite", {"in": flood, "in2": before, "operator": "atop"})
