"""Taking a picture file in: what it is, whether it is whole and harmless, and how large."""

from __future__ import annotations

import re
import warnings
from io import BytesIO
from typing import NamedTuple
from xml.etree.ElementTree import Element, ParseError, register_namespace, tostring

from defusedxml.common import DefusedXmlException
from defusedxml.ElementTree import fromstring
from PIL import Image, ImageOps, UnidentifiedImageError

from yemba.core.errors import Fault
from yemba.core.limits import PICTURE_BYTES
from yemba.core.picture.drawing import drawn

MOST_PIXELS = 50_000_000
_LONGEST_SIDE = 2560  # px kept of a photograph: more than any place on a page shows
_KNOWN = {"PNG": "png", "JPEG": "jpeg", "WEBP": "webp"}
_SVG = "{http://www.w3.org/2000/svg}"
register_namespace("", _SVG.strip("{}"))  # written out without a prefix, as drawing programs do
register_namespace("xlink", "http://www.w3.org/1999/xlink")
_UNSAFE_ELEMENTS = {
    "script",
    "foreignObject",
    "iframe",
    "embed",
    "object",
    "audio",
    "video",
    "handler",
    "animate",
    "set",
}
_ELSEWHERE = re.compile(r"(?:https?:|//|javascript:|file:|@import|url\(\s*['\"]?(?!#))", re.IGNORECASE)
_URL_ELSEWHERE = re.compile(r"url\(\s*['\"]?(?!#)", re.IGNORECASE)
_REFERENCES = ("href", "src")
_HARMLESS = ("#", "data:image/png", "data:image/jpeg")


class CleanPicture(NamedTuple):
    """A picture ready to be kept: `format` is svg, png, jpeg or webp; sizes in px."""

    data: bytes
    format: str
    width: int
    height: int


def clean_picture(data: bytes, name: str) -> CleanPicture:
    """Check and clean an uploaded picture. `name` is told in errors.

    Raises Fault: ``file-too-large``, ``picture-unreadable``, ``picture-too-large``, ``svg-unsafe``.
    """
    if len(data) > PICTURE_BYTES:
        raise Fault(
            "file-too-large",
            f"“{name}” has {len(data) / 1e6:.0f} MB. At most {PICTURE_BYTES // 1_000_000} MB fit; "
            "save it smaller and choose it again.",
            "file",
        )
    if not data:
        raise Fault("picture-unreadable", f"“{name}” is empty. Choose another file.", "file")
    if data.lstrip()[:1] == b"<" or data[:3] == b"\xef\xbb\xbf":
        return _clean_svg(data, name)
    return _clean_pixels(data, name)


def _clean_pixels(data: bytes, name: str) -> CleanPicture:
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", Image.DecompressionBombWarning)
            with Image.open(BytesIO(data), formats=list(_KNOWN)) as opened:
                if opened.width * opened.height > MOST_PIXELS:
                    raise Fault(
                        "picture-too-large",
                        f"“{name}” is {opened.width} x {opened.height} pixels. At most "
                        f"{MOST_PIXELS // 1_000_000} million fit; save it smaller.",
                        "file",
                    )
                form = _KNOWN[opened.format or ""]
                turned = ImageOps.exif_transpose(opened)
                turned.thumbnail((_LONGEST_SIDE, _LONGEST_SIDE), Image.Resampling.LANCZOS)
                return _encoded(turned, form)
    except (UnidentifiedImageError, OSError, SyntaxError, ValueError) as error:
        if isinstance(error, Fault):
            raise
        raise Fault(
            "picture-unreadable",
            f"“{name}” is not a picture Yemba can read, or it is broken. Use SVG, PNG, JPEG or WebP.",
            "file",
        ) from error
    except (Image.DecompressionBombWarning, Image.DecompressionBombError) as error:
        raise Fault(
            "picture-too-large",
            f"“{name}” has more than {MOST_PIXELS // 1_000_000} million pixels. Save it smaller.",
            "file",
        ) from error


def _encoded(picture: Image.Image, form: str) -> CleanPicture:
    """Encoded anew without what the camera wrote into the file: place, owner, thumbnail."""
    clear = picture.mode in ("RGBA", "LA", "PA") or "transparency" in picture.info
    picture = picture.convert("RGBA" if clear and form != "jpeg" else "RGB")
    out = BytesIO()
    options = {"quality": 90} if form != "png" else {"optimize": True}
    picture.save(out, form.upper(), **options)
    return CleanPicture(out.getvalue(), form, picture.width, picture.height)


def _clean_svg(data: bytes, name: str) -> CleanPicture:
    try:
        root: Element = fromstring(data, forbid_dtd=True)
    except (ParseError, DefusedXmlException, ValueError) as error:
        raise Fault(
            "picture-unreadable", f"“{name}” looks like SVG but cannot be read. Save it again as plain SVG.", "file"
        ) from error
    if root.tag != f"{_SVG}svg":
        raise Fault("picture-unreadable", f"“{name}” is not an SVG picture. Use SVG, PNG, JPEG or WebP.", "file")
    for element in root.iter():
        _refuse_unsafe(element, name)
    width, height = _svg_size(root, name)
    root.set("width", f"{width:g}")
    root.set("height", f"{height:g}")
    clean = tostring(root)
    try:
        drawn(clean, 32)
    except Exception as error:
        raise Fault("picture-unreadable", f"“{name}” cannot be drawn. Save it again as plain SVG.", "file") from error
    return CleanPicture(clean, "svg", max(1, round(width)), max(1, round(height)))


def _refuse_unsafe(element: Element, name: str) -> None:
    tag = str(element.tag).rpartition("}")[2]
    unsafe = tag if tag in _UNSAFE_ELEMENTS else ""
    for attribute, value in element.attrib.items():
        plain = attribute.rpartition("}")[2].lower()
        if (
            plain.startswith("on")
            or (plain in _REFERENCES and not value.startswith(_HARMLESS))
            or (plain == "style" and _ELSEWHERE.search(value))
            or (plain not in _REFERENCES and _URL_ELSEWHERE.search(value))
        ):
            unsafe = f"{plain}=“{value[:40]}”"
    if tag == "style" and _ELSEWHERE.search(element.text or ""):
        unsafe = "a style that loads from elsewhere"
    if unsafe:
        raise Fault(
            "svg-unsafe",
            f"“{name}” holds {unsafe}, which a picture may not. Save it again as plain SVG, without scripts and links.",
            "file",
        )


def _svg_size(root: Element, name: str) -> tuple[float, float]:
    """Width and height in px, from viewBox, else from width and height."""
    try:
        if box := root.get("viewBox"):
            _, _, width, height = (float(part) for part in box.replace(",", " ").split())
        else:
            width, height = (float(root.get(side, "").removesuffix("px")) for side in ("width", "height"))
            root.set("viewBox", f"0 0 {width:g} {height:g}")
    except ValueError:
        width = height = 0.0
    if not (0 < width < 20_000 and 0 < height < 20_000):
        raise Fault("picture-unreadable", f"“{name}” does not say how large it is. Save it with a viewBox.", "file")
    return width, height
