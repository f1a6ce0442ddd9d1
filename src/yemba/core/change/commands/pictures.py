"""Pictures: take one in, describe it, say what no crop may lose, replace, bin and bring back."""

from __future__ import annotations

from math import gcd
from typing import Any, ClassVar

from yemba.core import room
from yemba.core.change.command import Command
from yemba.core.change.operation import ABSENT, Operation, put, remove, value_at
from yemba.core.errors import Fault
from yemba.core.message import Message, labels
from yemba.core.picture.crop import ratio_of
from yemba.core.picture.filters import FILTERS, NONE
from yemba.core.picture.framing import ALL, Box, Framing, Spot
from yemba.core.picture.logo import BACKGROUND, ENCLOSED, TRIM
from yemba.core.picture.placing import FILL, WHOLE
from yemba.core.site.document import Document, Picture
from yemba.core.site.drawings import of_drawing
from yemba.core.site.ids import Ids
from yemba.core.site.logo import NAMES, POINTED
from yemba.core.site.pictures import framing, picture_size, uses
from yemba.core.site.resolve import Look
from yemba.core.value.brand_colour import BrandColourChoice
from yemba.core.value.kind import refuse_choice
from yemba.core.value.line import Line
from yemba.core.value.number import Number

MENDED = labels(
    {
        BACKGROUND: "without its background",
        ENCLOSED: "without its background, within its marks too",
        TRIM: "trimmed to its marks",
    }
)
COLOURS = labels({"site": "in the colours of the site", "own": "in its own colours"})
_VERSIONS = {"logo-pointed": POINTED, **{f"logo-{name}": key for key, name in NAMES.items()}}
_CALLED = {
    "logo": Message("Logo"),
    "icon": Message("Site icon"),
    "logo-pointed": Message("Under the pointer, in place of the logo:"),
    "logo-light": Message("Light version of the logo:"),
    "logo-dark": Message("Dark version of the logo:"),
}
SHAPES = ("1:1", "5:4", "4:3", "3:2", "16:9", "2:1", "3:1", "4:5", "3:4", "2:3", "9:16")
"""That a picture is cropped to, width to height; common practice, no source."""
FITTED = labels({FILL: "fills its places", WHOLE: "stands whole in its places"})
_KEPT = ("alt", "decoration", "added", "whole", "version_of", "filter", "tint", "tint_strength")
QUARTERS = ("-90", "90", "180")
_USUAL_TINT = "30"  # %
_LEAST_SHARE = 5  # % of a picture that a crop leaves at least, both ways
_SAME_SHAPE = 0.01  # proportions nearer than this need no crop


def _known(document: Document, picture: str) -> Picture:
    if picture not in document.pictures:
        raise Fault("gone", Message("That picture is no longer here. Undo, or look in the bin."), "picture")
    return document.pictures[picture]


class _Stored(Command):
    """A picture whose bytes are in the store."""

    by_hand: ClassVar[bool] = False

    picture: str
    file: str
    format: str
    width: int
    height: int
    file_name: str


class AddPicture(_Stored):
    """Make a stored picture known to the document; `use` is "logo", "logo-light", "logo-dark" or "logo-pointed" for a
    version of it, "icon", or the field of a section it goes to at once."""

    name: ClassVar[str] = "add-picture"
    use: str = ""
    section: str = ""
    item: str = ""
    added: str = ""

    @property
    def version(self) -> str:
        """The key of the setting of the version of the logo that it is; "" for none."""
        return _VERSIONS.get(self.use, "")

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        room.PICTURES.check(len(look.document.pictures.keys() - {self.picture}))
        about = _about(self) | ({"added": self.added} if self.added else {})
        if self.version:
            about["version_of"] = look.value("logo.picture")
            _known(look.document, about["version_of"])
        steps = [put(look.document, ("pictures", self.picture), about)]
        if self.use == "logo":
            steps += [
                put(look.document, ("sheet", "logo.picture"), self.picture),
                put(look.document, ("sheet", "logo.form"), "picture"),
            ]
        elif self.use == "icon":
            steps += [
                put(look.document, ("parts", "icon.picture"), self.picture),
                put(look.document, ("parts", "icon.form"), "picture"),
            ]
        elif self.version:
            steps.append(put(look.document, ("parts", self.version), self.picture))
        elif self.section:
            steps += _shown_in(look, self.picture, self.section, self.item, self.use or "picture")
        return steps

    def say(self, look: Look) -> str:
        called = _CALLED.get(self.use, Message("Picture"))
        return Message("{called} {file}", called=called, file=self.file_name)


class TakeDrawing(Command):
    """A picture of the collection for the field of a section or of an entry, or just to have it."""

    name: ClassVar[str] = "take-drawing"
    drawing: str
    section: str = ""
    item: str = ""
    field: str = "picture"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        room.PICTURES.check(len(look.document.pictures))
        picture = ids()
        steps = [put(look.document, ("pictures", picture), _of_collection(look, self.drawing))]
        return steps + (_shown_in(look, picture, self.section, self.item, self.field) if self.section else [])

    def say(self, look: Look) -> str:
        drawing = look.catalogue.collection.get(self.drawing)
        return Message("Picture {name}, of the collection", name=drawing.name if drawing else self.drawing)


class ColourPicture(Command):
    """A picture of the collection in the colours of the site, or in its own."""

    name: ClassVar[str] = "colour-picture"
    picture: str
    colours: str = "site"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        picture = _known(look.document, self.picture)
        if not picture.collection:
            raise Fault(
                "not-of-the-collection",
                Message("{name} has no colours that could be others.", name=picture.name),
                "picture",
            )
        if self.colours not in COLOURS:
            raise refuse_choice(self.colours, Message("Its colours"), "colours", list(COLOURS))
        return [put(look.document, ("pictures", self.picture, "own_colours"), self.colours == "own" or ABSENT)]

    def say(self, look: Look) -> str:
        return f"{look.document.pictures[self.picture].name}: {COLOURS.get(self.colours, self.colours)}"


class DescribePicture(Command):
    """Alt text: what a picture shows, for those who do not see it."""

    name: ClassVar[str] = "describe-picture"
    picture: str
    alt: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        _known(look.document, self.picture)
        alt = Line(250).read(self.alt, Message("The alt text"), "alt")
        return [put(look.document, ("pictures", self.picture, "alt"), alt or ABSENT)]

    def say(self, look: Look) -> str:
        return Message("Alt text of {name}", name=look.document.pictures[self.picture].name)


class CallDecoration(Command):
    """Say that a picture shows nothing that must be said, or that it does."""

    name: ClassVar[str] = "call-decoration"
    picture: str
    decoration: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        _known(look.document, self.picture)
        return [put(look.document, ("pictures", self.picture, "decoration"), bool(self.decoration) or ABSENT)]

    def say(self, look: Look) -> str:
        name = look.document.pictures[self.picture].name
        return (
            Message("{name} is decoration", name=name)
            if self.decoration
            else Message("{name} is no decoration", name=name)
        )


class CropPicture(Command):
    """Show less of a picture: what lies between four sides, in % of it as it is turned, or the largest part of a shape
    about its focal point."""

    name: ClassVar[str] = "crop-picture"
    picture: str
    left: str = "0"
    top: str = "0"
    right: str = "100"
    bottom: str = "100"
    shape: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        picture = _known(look.document, self.picture)
        old = framing(picture)
        return _framed(look.document, self.picture, old._replace(box=self._box(picture), ratio=None))

    def _box(self, picture: Picture) -> Box:
        if self.shape:
            if self.shape not in SHAPES:
                raise refuse_choice(self.shape, Message("Its shape"), "shape", list(SHAPES))
            return _largest(picture, self.shape)
        sides = "left", "top", "right", "bottom"
        left, top, right, bottom = (_share(getattr(self, side), side) for side in sides)
        if right - left < _LEAST_SHARE or bottom - top < _LEAST_SHARE:
            reason = Message(
                "Between left {left:g} % and right {right:g} %, top {top:g} % and bottom {bottom:g} % hardly ",
                left=left,
                right=right,
                top=top,
                bottom=bottom,
            )
            raise Fault(
                "crop-too-small",
                Message(
                    "{reason}anything is left. Leave {least_share} % both ways.",
                    reason=reason,
                    least_share=_LEAST_SHARE,
                ),
                "left",
            )
        return left, top, right, bottom

    def say(self, look: Look) -> str:
        to = Message(" to {shape}", shape=self.shape) if self.shape else ""
        return Message("{name} cropped{to}", name=look.document.pictures[self.picture].name, to=to)


class TurnPicture(Command):
    """Turn a picture clockwise by a `quarter`, -90, 90 or 180, or set it straight by at most 44 `degrees`."""

    name: ClassVar[str] = "turn-picture"
    picture: str
    quarter: str = ""
    degrees: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        old = framing(_known(look.document, self.picture))
        if self.quarter:
            if self.quarter not in QUARTERS:
                raise refuse_choice(self.quarter, Message("Turned by"), "quarter", list(QUARTERS))
            return _framed(look.document, self.picture, old.rotate(int(self.quarter)))
        straight = round(Number(-44, 44, "°").read(self.degrees or "0", Message("Straightened by"), "degrees"), 1)
        return _framed(look.document, self.picture, old.straighten(straight))

    def say(self, look: Look) -> str:
        name = look.document.pictures[self.picture].name
        return (
            Message("{name} turned by {quarter}°", name=name, quarter=self.quarter)
            if self.quarter
            else Message("{name} straightened by {value}°", name=name, value=self.degrees or 0)
        )


class FitPicture(Command):
    """Whether a picture fills its places, cropped, or stands whole within them."""

    name: ClassVar[str] = "fit-picture"
    picture: str
    fit: str = FILL

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        _known(look.document, self.picture)
        if self.fit not in FITTED:
            raise refuse_choice(self.fit, Message("How it stands in its places"), "fit", list(FITTED))
        return [put(look.document, ("pictures", self.picture, "whole"), self.fit == WHOLE or ABSENT)]

    def say(self, look: Look) -> str:
        return f"{look.document.pictures[self.picture].name} {FITTED.get(self.fit, self.fit)}"


class TonePicture(Command):
    """Show a picture under a filter, and under a tint: a colour of the brand, "@" and its id, that covers it by a
    `strength` in %."""

    name: ClassVar[str] = "tone-picture"
    picture: str
    filter: str = NONE
    tint: str = ""
    strength: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        _known(look.document, self.picture)
        if self.filter not in FILTERS:
            raise refuse_choice(self.filter, Message("Filter over the picture"), "filter", list(FILTERS))
        BrandColourChoice().check(self.tint, look, Message("Tint"), "tint")
        strength = Number(1, 100, "%").read(self.strength or _USUAL_TINT, Message("Strength of the tint"), "strength")
        new = {
            "filter": ABSENT if self.filter == NONE else self.filter,
            "tint": self.tint or ABSENT,
            "tint_strength": round(strength) if self.tint else ABSENT,
        }
        return [put(look.document, ("pictures", self.picture, field), value) for field, value in new.items()]

    def say(self, look: Look) -> str:
        name = look.document.pictures[self.picture].name
        seen = FILTERS.get(self.filter, self.filter).lower()
        if self.tint:
            return Message("{name}: {seen}, tinted", name=name, seen=seen)
        return Message("{name}: {seen}", name=name, seen=seen)


class MirrorPicture(Command):
    """Show a picture as in a mirror, left for right."""

    name: ClassVar[str] = "mirror-picture"
    picture: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        old = framing(_known(look.document, self.picture))
        return _framed(look.document, self.picture, old.flip())

    def say(self, look: Look) -> str:
        return Message("{name} mirrored", name=look.document.pictures[self.picture].name)


class SetFocal(Command):
    """The spot that no crop may lose, in % of the picture from its left and its top."""

    name: ClassVar[str] = "set-focal"
    picture: str
    x: str = "50"
    y: str = "50"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        _known(look.document, self.picture)
        steps = []
        for axis, typed, name in (("x", self.x, Message("From the left")), ("y", self.y, Message("From the top"))):
            share = round(Number(0, 100, "%").read(typed, name, axis))
            new = ABSENT if share == Picture.model_fields[f"focal_{axis}"].default else share
            steps.append(put(look.document, ("pictures", self.picture, f"focal_{axis}"), new))
        return steps

    def say(self, look: Look) -> str:
        return Message(
            "Focal point of {name}: {x} %, {y} %", name=look.document.pictures[self.picture].name, x=self.x, y=self.y
        )


class ReplacePicture(_Stored):
    """Another file in the same places, cropped to the same proportion; words about it stay."""

    name: ClassVar[str] = "replace-picture"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        old = _known(look.document, self.picture)
        about = _about(self)
        shape = old.shape or _shape(*picture_size(old))
        if not self._has(shape):
            about["shape"] = shape
        of_old = old.model_dump(mode="json", exclude_defaults=True)
        about |= {key: of_old[key] for key in _KEPT if key in of_old}
        return [put(look.document, ("pictures", self.picture), about)]

    def _has(self, shape: str) -> bool:
        """Whether the new file has this proportion, "w:h", so that nothing need be cropped; SVG scales to any."""
        ratio = ratio_of(shape) or 1
        return self.format == "svg" or abs(self.width / self.height / ratio - 1) < _SAME_SHAPE

    def say(self, look: Look) -> str:
        return Message(
            "{name} replaced by {file_name}", name=look.document.pictures[self.picture].name, file_name=self.file_name
        )


class MendLogo(_Stored):
    """The logo without its background, or without the room round it: in its place, words about it stay. Versions that
    were made of it as it was are let go."""

    name: ClassVar[str] = "mend-logo"
    mended: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        old = _known(look.document, self.picture)
        if self.mended not in MENDED:
            raise refuse_choice(self.mended, Message("What is mended"), "mended", list(MENDED))
        about = _about(self) | ({"alt": old.alt} if old.alt else {})
        versions = (remove(look.document, ("parts", key)) for key in NAMES if key in look.document.parts)
        return [put(look.document, ("pictures", self.picture), about), *versions]

    def say(self, look: Look) -> str:
        return Message("Logo {value}", value=MENDED.get(self.mended, self.mended))


class ShowWhole(Command):
    """Show all of a picture that is cropped, or that took the proportion of another."""

    name: ClassVar[str] = "show-whole"
    picture: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        old = framing(_known(look.document, self.picture))
        return _framed(look.document, self.picture, old._replace(box=ALL, ratio=None))

    def say(self, look: Look) -> str:
        return Message("{name} whole", name=look.document.pictures[self.picture].name)


class BinPicture(Command):
    """Take a picture out of every place it is used; the bin remembers which."""

    name: ClassVar[str] = "bin-picture"
    picture: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        picture = _known(look.document, self.picture)
        paths = [use.path for use in uses(look.document)[self.picture]]
        binned: dict[str, Any] = {"picture": picture.model_dump(mode="json", exclude_defaults=True)}
        if paths:
            binned["uses"] = [list(path) for path in paths]
        return [
            put(look.document, ("bin", self.picture), binned),
            *(remove(look.document, path) for path in paths),
            remove(look.document, ("pictures", self.picture)),
        ]

    def say(self, look: Look) -> str:
        return Message("Picture {name} to the bin", name=look.document.pictures[self.picture].name)


class RestorePicture(Command):
    """Bring a picture back, into those of its places that are still there and empty."""

    name: ClassVar[str] = "restore-picture"
    picture: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        binned = look.document.bin.get(self.picture)
        if binned is None or binned.picture is None:
            raise Fault("gone", Message("That picture is not in the bin."), "picture")
        plain = binned.picture.model_dump(mode="json", exclude_defaults=True)
        paths = [tuple(path) for path in binned.uses]
        return [
            put(look.document, ("pictures", self.picture), plain),
            *(put(look.document, path, self.picture) for path in paths if _free(look.document, path)),
            remove(look.document, ("bin", self.picture)),
        ]

    def say(self, look: Look) -> str:
        binned = look.document.bin.get(self.picture)
        name = binned.picture.name if binned and binned.picture else ""
        return Message("Picture {name} out of the bin", name=name)


def _free(document: Document, path: tuple[str, ...]) -> bool:
    holder = path[: path.index("fields")] if "fields" in path else ()
    return value_at(document, path) is ABSENT and (not holder or value_at(document, holder) is not ABSENT)


def _share(typed: str, side: str) -> float:
    return round(Number(0, 100, "%").read(typed, side.capitalize(), side), 2)


def _largest(picture: Picture, shape: str) -> Box:
    """The largest box of a shape about the focal point, where that is in the upright picture."""
    sides = (picture.width, picture.height)
    whole = framing(picture)._replace(box=ALL, ratio=None)
    x, y = _focal_in(picture, whole)
    across, down = whole.upright(*sides)
    ratio = ratio_of(shape) or across / down
    wide, high = min(100.0, 100 * down * ratio / across), min(100.0, 100 * across / ratio / down)
    left, top = (max(0, min(100 - side, at - side / 2)) for at, side in ((x, wide), (y, high)))
    return left, top, left + wide, top + high


def _framed(document: Document, key: str, new: Framing) -> list[Operation]:
    """Show a picture so, its focal point where it was in the picture."""
    picture = document.pictures[key]
    x, y = (round(max(0, min(100, share))) for share in _focal_in(picture, new))
    box = "" if new.box == ALL else " ".join(f"{side:.2f}".rstrip("0").rstrip(".") for side in new.box)
    stored = {"mirror": new.mirror, "rotation": round(new.rotation, 1), "crop": box, "focal_x": x, "focal_y": y}
    if new.ratio is None:
        stored["shape"] = ""
    usual = {field: Picture.model_fields[field].default for field in stored}
    return [
        put(document, ("pictures", key, field), ABSENT if value == usual[field] else value)
        for field, value in stored.items()
    ]


def _focal_in(picture: Picture, new: Framing) -> Spot:
    """The focal point of a picture in % of what another framing shows; what a shape crops further changes nothing."""
    sides = (picture.width, picture.height)
    old = framing(picture)._replace(ratio=None)
    in_original = old.in_original((picture.focal_x, picture.focal_y), *sides)
    return new._replace(ratio=None).in_shown(in_original, *sides)


def _about(stored: _Stored) -> dict[str, Any]:
    sizes = {"width": stored.width, "height": stored.height}
    return {"file": stored.file, "format": stored.format, **sizes, "name": stored.file_name}


def _shown_in(look: Look, picture: str, section: str, item: str, field: str) -> list[Operation]:
    """A picture put into a field. Raises Fault ``gone`` or ``no-such-field``."""
    standing = look.document.section(section)
    known = look.catalogue.kind(standing.section.kind).field(field, item)
    if known.kind.refers_to != "picture":
        raise Fault("no-such-field", Message("{name} takes no picture.", name=known.name), "use")
    if item and item not in standing.section.items:
        raise Fault("gone", Message("That entry is no longer there. Undo, or choose another."), "item")
    inner = ("items", item) if item else ()
    return [put(look.document, (*standing.path, *inner, "fields", known.slug), picture)]


def _of_collection(look: Look, slug: str) -> dict[str, Any]:
    """What a picture of the collection brings along. Raises Fault ``no-such-drawing``."""
    drawing = look.catalogue.collection.get(slug)
    if drawing is None:
        raise Fault("no-such-drawing", Message("The collection has no picture “{slug}”.", slug=slug), "drawing")
    return of_drawing(drawing)


def _shape(width: int, height: int) -> str:
    return f"{width // gcd(width, height)}:{height // gcd(width, height)}"
