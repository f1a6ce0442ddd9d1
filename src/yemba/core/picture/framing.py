"""What is shown of a picture: mirrored, then turned, then cropped.

Where it is turned by less than a quarter, what is shown is the largest upright rectangle of its own proportion that
holds no empty corner: for a width w, a height h and an angle a its share of both is the smaller of
w / (w cos a + h sin a) and h / (w sin a + h cos a), since its own bounding box, turned back, must lie within.
"""

from __future__ import annotations

from hashlib import sha256
from io import BytesIO
from math import cos, floor, radians, sin
from typing import NamedTuple
from xml.etree.ElementTree import Element, SubElement, tostring

from defusedxml.ElementTree import fromstring
from PIL import Image

from yemba.core.picture.crop import crop

Spot = tuple[float, float]
Box = tuple[float, float, float, float]
"""Left, top, right and bottom, in % of the upright picture."""
ALL: Box = (0, 0, 100, 100)
_SVG = "http://www.w3.org/2000/svg"
_QUARTERS = {1: Image.Transpose.ROTATE_270, 2: Image.Transpose.ROTATE_180, 3: Image.Transpose.ROTATE_90}


class Framing(NamedTuple):
    """`rotation` is in degrees clockwise, from 0 to 360, never halfway between two quarters; `box` what is left of the
    upright picture. Where a `ratio` of width to height is given, what is left is cropped to it about the `focal` spot,
    in % of it."""

    mirror: bool = False
    rotation: float = 0
    box: Box = ALL
    ratio: float | None = None
    focal: tuple[int, int] = (50, 50)

    @property
    def quarters(self) -> int:
        """How often it is turned clockwise by a quarter, 0 to 3."""
        return floor(self.rotation / 90 + 0.5) % 4

    @property
    def degrees(self) -> float:
        """What it is turned by beside the quarters, more than -45 and less than 45."""
        return self.rotation - 90 * floor(self.rotation / 90 + 0.5)

    @property
    def mark(self) -> str:
        """What files of it are known by; "" where it is shown as it is."""
        plain = self.ratio is None and self[:3] == AS_IT_IS[:3]
        return "" if plain else sha256(repr(self).encode()).hexdigest()[:8]

    def upright(self, width: int, height: int) -> tuple[float, float]:
        """Width and height, in px, of a picture that is turned and not yet cropped."""
        wide, high = (height, width) if self.quarters % 2 else (width, height)
        angle = radians(abs(self.degrees))
        of_width = wide / (wide * cos(angle) + high * sin(angle))
        of_height = high / (wide * sin(angle) + high * cos(angle))
        share = min(of_width, of_height)
        return wide * share, high * share

    def window(self, width: int, height: int) -> tuple[float, float, float, float]:
        """What is shown as left, top, width and height in px of the upright picture."""
        wide, high = self.upright(width, height)
        left, top, right, bottom = (
            side * of / 100 for side, of in zip(self.box, (wide, high, wide, high), strict=True)
        )
        if self.ratio is None:
            return left, top, right - left, bottom - top
        within = crop(round(right - left), round(bottom - top), self.ratio, self.focal)
        return left + within.left, top + within.top, within.right - within.left, within.bottom - within.top

    def size(self, width: int, height: int) -> tuple[int, int]:
        """Width and height as shown, in whole px."""
        *_, wide, high = self.window(width, height)
        return max(1, round(wide)), max(1, round(high))

    def image(self, whole: Image.Image) -> Image.Image:
        """What is shown of it. Nothing is drawn anew but by a turn of less than a quarter."""
        framed = whole.transpose(Image.Transpose.FLIP_LEFT_RIGHT) if self.mirror else whole
        if self.quarters:
            framed = framed.transpose(_QUARTERS[self.quarters])
        if self.degrees:
            framed = framed.rotate(-self.degrees, Image.Resampling.BICUBIC)
        left, top, _, _ = self.window(*whole.size)
        wide, high = self.upright(*whole.size)
        width, height = self.size(*whole.size)
        x = _within(left + (framed.width - wide) / 2, framed.width - width)
        y = _within(top + (framed.height - high) / 2, framed.height - height)
        return framed.crop((x, y, x + width, y + height))

    def drawing(self, svg: bytes, width: int, height: int) -> bytes:
        """What is shown of a drawing of this size in px, as a drawing."""
        left, top, wide, high = self._window_from_centre(width, height)
        outer = Element("svg", xmlns=_SVG, width=f"{wide:g}", height=f"{high:g}")
        outer.set("viewBox", f"{left:g} {top:g} {wide:g} {high:g}")
        root = fromstring(svg)
        root.attrib |= {"x": "0", "y": "0", "width": f"{width}", "height": f"{height}"}
        group = SubElement(outer, "g", transform=self._transform(width, height))
        group.append(root)
        return tostring(outer)

    def _transform(self, width: int, height: int) -> str:
        """From a drawing of this size in px to what is shown, its centre being the origin (SVG 1.1, section 7.6)."""
        flip = "scale(-1 1) " if self.mirror else ""
        to_centre = f"translate({-width / 2:g} {-height / 2:g})"
        return f"rotate({self.rotation:g}) {flip}{to_centre}"

    def apply(self, data: bytes, form: str, width: int, height: int) -> bytes:
        """The bytes of what is shown; of pixels as PNG."""
        if not self.mark:
            return data
        if form == "svg":
            return self.drawing(data, width, height)
        out = BytesIO()
        with Image.open(BytesIO(data)) as opened:
            self.image(opened).save(out, "PNG")
        return out.getvalue()

    def in_original(self, spot: Spot, width: int, height: int) -> Spot:
        """A spot in % of what is shown, in % of the picture as it was brought; outside 0 to 100 where it has none."""
        left, top, wide, high = self._window_from_centre(width, height)
        x, y = left + wide * spot[0] / 100, top + high * spot[1] / 100
        x, y = _rotated(x, y, -self.rotation)
        if self.mirror:
            x = -x
        return 50 + 100 * x / width, 50 + 100 * y / height

    def in_shown(self, spot: Spot, width: int, height: int) -> Spot:
        """The way back."""
        x, y = (spot[0] - 50) * width / 100, (spot[1] - 50) * height / 100
        if self.mirror:
            x = -x
        x, y = _rotated(x, y, self.rotation)
        left, top, wide, high = self._window_from_centre(width, height)
        return 100 * (x - left) / wide, 100 * (y - top) / high

    def _window_from_centre(self, width: int, height: int) -> tuple[float, float, float, float]:
        """As `window`, from the middle of the upright picture, about which it is turned."""
        left, top, wide, high = self.window(width, height)
        across, down = self.upright(width, height)
        return left - across / 2, top - down / 2, wide, high

    def rotate(self, degrees: float) -> Framing:
        """Turned clockwise by so much more; what is cropped goes along by quarters."""
        turned = (self.rotation + degrees) % 360
        box = self.box
        for _ in range((self._replace(rotation=turned).quarters - self.quarters) % 4):
            left, top, right, bottom = box
            box = (100 - bottom, left, 100 - top, right)
        return self._replace(rotation=turned, box=box)

    def straighten(self, degrees: float) -> Framing:
        """Turned by so many degrees beside its quarters, -44 to 44."""
        return self._replace(rotation=(90 * self.quarters + degrees) % 360)

    def flip(self) -> Framing:
        """What is shown, seen in a mirror."""
        left, top, right, bottom = self.box
        return self._replace(
            mirror=not self.mirror, rotation=-self.rotation % 360, box=(100 - right, top, 100 - left, bottom)
        )


AS_IT_IS = Framing()


def _within(place: float, most: int) -> int:
    return max(0, min(most, round(place)))


def _rotated(x: float, y: float, degrees: float) -> Spot:
    """Clockwise about 0, 0, y downwards."""
    across, up = cos(radians(degrees)), sin(radians(degrees))
    return x * across - y * up, x * up + y * across
