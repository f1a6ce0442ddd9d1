"""A logo as it comes from a friend: what would be better, and each of it done. Strangers' files, so in a process apart.

A drawing stays one: its background is taken out as a shape, its room by its viewBox, its colours where they are named.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from functools import lru_cache
from io import BytesIO
from typing import Any, NamedTuple
from xml.etree.ElementTree import Element, fromstring, tostring

import numpy as np
from PIL import Image

from yemba.core import apart
from yemba.core.colour.contrast import ratio
from yemba.core.colour.srgb import WHITE, Colour, from_hex
from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.picture import cutout, recolour
from yemba.core.picture.cutout import Pixels, Plain
from yemba.core.picture.drawing import raster
from yemba.core.picture.intake import CleanPicture

TRIM, BACKGROUND, ENCLOSED = "trim", "background", "enclosed"
_ROOM = 0.08  # share of width or height that may be empty; common practice, no source
_LOOKED_AT = 800  # px; the longest side that a logo is looked at in
_KEPT = 1400  # px; the longest side that one is kept in: four times what the highest header draws of most
_TRIED = 6  # shapes of a drawing, from its lowest, that may be its background
_SHAPES = ("rect", "path", "polygon", "circle", "ellipse")
_PAPER = 1.1  # contrast to white up to which a background is the paper that a logo was drawn on
_SECONDS, _PATIENCE = 15.0, 600.0


class LogoReading(NamedTuple):
    """`background` is the code of a plain one that can be taken out, "" for none, `enclosed` whether it also shows
    within marks; `room` the share, 0 to 1, of width or height that is empty round the marks, see-through or of the
    background, 0 where that is little."""

    background: str = ""
    enclosed: bool = False
    room: float = 0.0


@lru_cache(maxsize=64)
def read_logo(data: bytes, form: str) -> LogoReading:
    """What would be better about a logo; nothing of one that cannot be looked at in time."""
    try:
        return LogoReading(*apart.work("read-logo", seconds=_SECONDS, patience=_PATIENCE, data=data, form=form))
    except apart.Failed:
        return LogoReading()


def mended(data: bytes, form: str, act: str) -> CleanPicture:
    """The logo without its background (BACKGROUND, or ENCLOSED within marks too), or without room round it (TRIM).

    Raises Fault ``nothing-to-mend`` or ``picture-unreadable``.
    """
    return _apart("mend-logo", data=data, form=form, act=act)


def mended_by_itself(brought: CleanPicture) -> tuple[CleanPicture, frozenset[str]]:
    """A logo with all done that asks for nobody's choice, and what this was: BACKGROUND where it is white and no mark
    closes any of it in, TRIM. It stays as it was brought where it cannot be mended, and where it has a colour behind
    its marks, which may well be its plate."""
    logo, reading = brought, read_logo(brought.data, brought.format)
    if reading.background and ratio(from_hex(reading.background), WHITE) > _PAPER:
        return brought, frozenset()
    had_room = reading.room > 0
    takes_out = bool(reading.background) and not reading.enclosed
    try:
        if takes_out:
            logo = mended(logo.data, logo.format, BACKGROUND)
        if read_logo(logo.data, logo.format).room:
            logo = mended(logo.data, logo.format, TRIM)
    except Fault:
        return brought, frozenset()
    done = {BACKGROUND: takes_out, TRIM: had_room}
    return logo, frozenset(act for act, was_done in done.items() if was_done)


def version(data: bytes, form: str, grounds: Sequence[Colour], ink: Colour) -> CleanPicture:
    """The logo in colours that stand out from these grounds, all light or all dark; `ink` is taken by one of a single
    colour. Raises Fault ``picture-unreadable``."""
    return _apart("recolour-logo", data=data, form=form, grounds=[ground.hex for ground in grounds], ink=ink.hex)


def _apart(task: str, **given: Any) -> CleanPicture:
    try:
        return CleanPicture(**apart.work(task, seconds=_SECONDS, **given))
    except apart.Failed as error:
        reason = Message(
            "The logo cannot be changed here. Change it in the program that drew it, and choose the file again."
        )
        raise Fault("picture-unreadable", reason, "file") from error


def read_here(data: bytes, form: str) -> list[Any]:
    """As `read_logo`, for a process apart."""
    pixels = _pixels(data, form)
    plain = cutout.plain_background(pixels)
    room = _room(pixels, plain)
    if plain is None or (form == "svg" and _without_shape(data) is None):
        return ["", False, room]
    return [plain.colour.hex, form != "svg" and cutout.has_enclosed(pixels, plain), room]


def mend_here(data: bytes, form: str, act: str) -> dict[str, Any]:
    """As `mended`, for a process apart."""
    if form == "svg":
        whole = _trimmed_svg(data) if act == TRIM else _without_shape(data)
        return _drawing(_required(whole))._asdict()
    pixels = _pixels(data, form, _KEPT)
    plain = cutout.plain_background(pixels)
    if act != TRIM:
        pixels = cutout.without_background(pixels, _required(plain), enclosed=act == ENCLOSED)
        plain = None
    box = _required(cutout.marks_box(pixels, plain))
    return _png(pixels[box.top : box.bottom, box.left : box.right])._asdict()


def recolour_here(data: bytes, form: str, grounds: list[str], ink: str) -> dict[str, Any]:
    """As `version`, for a process apart."""
    pixels = _pixels(data, form, _KEPT)
    single = recolour.of_one_colour(pixels)
    on = [from_hex(code) for code in grounds]
    change = recolour.for_grounds(on, from_hex(ink), of_one_colour=single)
    if form == "svg":
        return _drawing(recolour.recoloured_svg(data, change))._asdict()
    return _png(recolour.recoloured(pixels, change))._asdict()


def _required(thing: Any) -> Any:
    if thing is None:
        raise Fault(
            "nothing-to-mend", Message("There is nothing of this left to mend. Look at the logo again."), "logo"
        )
    return thing


def _pixels(data: bytes, form: str, longest: int = _LOOKED_AT) -> Pixels:
    with Image.open(BytesIO(raster(data, form, _LOOKED_AT))) as opened:
        seen = opened.convert("RGBA")
        seen.thumbnail((longest, longest), reducing_gap=3.0)
        return np.asarray(seen)


def _png(pixels: Pixels) -> CleanPicture:
    out = BytesIO()
    Image.fromarray(np.ascontiguousarray(pixels)).save(out, "PNG", optimize=True)
    height, width = pixels.shape[:2]
    return CleanPicture(out.getvalue(), "png", width, height)


def _drawing(svg: bytes) -> CleanPicture:
    root = fromstring(svg)  # noqa: S314 - it was cleaned when it was taken in
    width, height = (max(1, round(float(root.get(side, "1")))) for side in ("width", "height"))
    return CleanPicture(svg, "svg", width, height)


def _room(pixels: Pixels, plain: Plain | None = None) -> float:
    """The larger share of width or height that is empty round the marks; 0 where it is little, or all is empty."""
    box = cutout.marks_box(pixels, plain)
    if box is None:
        return 0.0
    height, width = pixels.shape[:2]
    empty = max(1 - (box.right - box.left) / width, 1 - (box.bottom - box.top) / height)
    return empty if empty > _ROOM else 0.0


def _without_shape(svg: bytes) -> bytes | None:
    """The drawing without the lowest shape that fills it; None where none of its lowest does."""
    for number in range(_TRIED):
        root = fromstring(svg)  # noqa: S314
        if not _drop(root, number):
            return None
        lighter = tostring(root)
        if cutout.plain_background(_pixels(lighter, "svg")) is None and _see_through(lighter):
            return lighter
    return None


def _see_through(svg: bytes) -> bool:
    pixels = _pixels(svg, "svg")
    edge = np.concatenate([pixels[0, :, 3], pixels[-1, :, 3], pixels[:, 0, 3], pixels[:, -1, 3]])
    return bool(np.mean(edge < 128) > 0.5) and cutout.marks_box(pixels) is not None


def _drop(root: Element, number: int) -> bool:
    """Take out the shape of this number, in the order they are drawn; whether there is one."""
    for counted, (holder, shape) in enumerate(_shapes(root)):
        if counted == number:
            holder.remove(shape)
            return True
    return False


def _shapes(root: Element) -> Iterator[tuple[Element, Element]]:
    """Every shape with what holds it; not those that are kept to be used elsewhere."""
    for child in root:
        tag = child.tag.rpartition("}")[2]
        if tag in _SHAPES:
            yield root, child
        elif tag in ("g", "a", "switch", "svg"):
            yield from _shapes(child)


def _trimmed_svg(svg: bytes) -> bytes | None:
    """The drawing with its viewBox about its marks."""
    pixels = _pixels(svg, "svg")
    box = cutout.marks_box(pixels, cutout.plain_background(pixels))
    if box is None:
        return None
    root = fromstring(svg)  # noqa: S314
    left, top, width, height = (float(number) for number in root.get("viewBox", "").replace(",", " ").split())
    across, down = width / pixels.shape[1], height / pixels.shape[0]
    own = (box.right - box.left) * across, (box.bottom - box.top) * down
    root.set("viewBox", " ".join(f"{number:g}" for number in (left + box.left * across, top + box.top * down, *own)))
    for side, size in zip(("width", "height"), own, strict=True):
        root.set(side, f"{size:g}")
    return tostring(root)
