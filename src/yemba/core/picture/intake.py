"""Taking a picture file in: what it is, whether it is whole and harmless, and how large."""

from __future__ import annotations

import warnings
from io import BytesIO
from typing import Any, NamedTuple

from PIL import Image, ImageOps, UnidentifiedImageError

from yemba.core import apart
from yemba.core.errors import Fault
from yemba.core.limits import PICTURE_BYTES
from yemba.core.message import Message
from yemba.core.picture.drawing import drawn
from yemba.core.picture.svg import clean_svg

MOST_PIXELS = 50_000_000
_LONGEST_SIDE = 2560  # px kept of a photograph: more than any place on a page shows
_SECONDS = 20.0
_KNOWN = {"PNG": "png", "JPEG": "jpeg", "WEBP": "webp"}


class CleanPicture(NamedTuple):
    """A picture ready to be kept: `format` is svg, png, jpeg or webp; sizes in px."""

    data: bytes
    format: str
    width: int
    height: int


def clean_picture(data: bytes, name: str) -> CleanPicture:
    """Check and clean an uploaded picture, in a process of its own. `name` is told in errors.

    Raises Fault: ``file-too-large``, ``picture-unreadable``, ``picture-too-large``, ``svg-unsafe``, ``busy``.
    """
    named = name[:80]
    _check_bytes(data, named)
    try:
        return CleanPicture(**apart.work("clean-picture", seconds=_SECONDS, data=data, name=named))
    except apart.Failed as error:
        reason = Message(
            "“{named}” takes too long to read, or fills the memory. Save it simpler or smaller.", named=named
        )
        raise Fault("picture-unreadable", reason, "file") from error


def clean_here(data: bytes, name: str) -> dict[str, Any]:
    """What `clean_picture` tells, for a process apart."""
    if data.lstrip()[:1] == b"<" or data[:3] == b"\xef\xbb\xbf":
        return _drawing(data, name)._asdict()
    return _clean_pixels(data, name)._asdict()


def _drawing(data: bytes, name: str) -> CleanPicture:
    clean, width, height = clean_svg(data, name)
    try:
        drawn(clean, 32)
    except Exception as error:
        raise Fault(
            "picture-unreadable", Message("“{name}” cannot be drawn. Save it again as plain SVG.", name=name), "file"
        ) from error
    return CleanPicture(clean, "svg", width, height)


def _check_bytes(data: bytes, name: str) -> None:
    if len(data) > PICTURE_BYTES:
        raise Fault(
            "file-too-large",
            Message(
                "“{name}” has {number:.0f} MB. At most {picture_bytes} MB fit; save it smaller and choose it again.",
                name=name,
                number=len(data) / 1e6,
                picture_bytes=PICTURE_BYTES // 1_000_000,
            ),
            "file",
        )
    if not data:
        raise Fault("picture-unreadable", Message("“{name}” is empty. Choose another file.", name=name), "file")


def _clean_pixels(data: bytes, name: str) -> CleanPicture:
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", Image.DecompressionBombWarning)
            with Image.open(BytesIO(data), formats=list(_KNOWN)) as opened:
                if opened.width * opened.height > MOST_PIXELS:
                    raise Fault(
                        "picture-too-large",
                        Message(
                            "“{name}” is {width} x {height} pixels. At most {most_pixels} million fit; save it "
                            "smaller.",
                            name=name,
                            width=opened.width,
                            height=opened.height,
                            most_pixels=MOST_PIXELS // 1_000_000,
                        ),
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
            Message(
                "“{name}” is not a picture Yemba can read, or it is broken. Use SVG, PNG, JPEG or WebP.", name=name
            ),
            "file",
        ) from error
    except (Image.DecompressionBombWarning, Image.DecompressionBombError) as error:
        raise Fault(
            "picture-too-large",
            Message(
                "“{name}” has more than {most_pixels} million pixels. Save it smaller.",
                name=name,
                most_pixels=MOST_PIXELS // 1_000_000,
            ),
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
