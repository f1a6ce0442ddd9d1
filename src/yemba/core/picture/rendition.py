"""What visitors see of a picture: what is shown of it, in the colours that it is shown in."""

from __future__ import annotations

from hashlib import sha256
from io import BytesIO
from typing import NamedTuple
from xml.etree.ElementTree import Element, SubElement, tostring

from defusedxml.ElementTree import fromstring
from PIL import Image

from yemba.core.picture import framing, toning
from yemba.core.picture.framing import Framing
from yemba.core.picture.toning import Toning

_SVG = "http://www.w3.org/2000/svg"


class Rendition(NamedTuple):
    """A framing, then a toning."""

    framing: Framing = framing.AS_IT_IS
    toning: Toning = toning.AS_IT_IS

    @property
    def mark(self) -> str:
        """What files of it are known by; "" where a picture is shown as it is."""
        if not self.toning.mark:
            return self.framing.mark
        return sha256(f"{self.framing.mark} {self.toning.mark}".encode()).hexdigest()[:8]

    def apply(self, data: bytes, form: str, width: int, height: int) -> bytes:
        """The bytes of what is seen of a picture of this size in px; of pixels as PNG."""
        framed = self.framing.apply(data, form, width, height)
        if not self.toning.mark:
            return framed
        if form == "svg":
            return self._drawing(framed, *self.framing.size(width, height))
        out = BytesIO()
        with Image.open(BytesIO(framed)) as opened:
            self.toning.image(opened).save(out, "PNG")
        return out.getvalue()

    def _drawing(self, svg: bytes, width: int, height: int) -> bytes:
        outer = Element("svg", xmlns=_SVG, width=f"{width}", height=f"{height}", viewBox=f"0 0 {width} {height}")
        outer.append(self.toning.drawing(width))
        root = fromstring(svg)
        root.attrib |= {"x": "0", "y": "0", "width": f"{width}", "height": f"{height}"}
        SubElement(outer, "g", filter=toning.REFERENCE).append(root)
        return tostring(outer)


AS_IT_IS = Rendition()
