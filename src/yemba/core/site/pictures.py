"""The pictures of a site: what is shown of each, and where."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from yemba.core.cache import by_identity
from yemba.core.message import Joined, Message
from yemba.core.picture.crop import ratio_of
from yemba.core.picture.filters import FILTERS
from yemba.core.picture.framing import ALL, Framing
from yemba.core.picture.rendition import Rendition
from yemba.core.picture.toning import Toning
from yemba.core.place import OfField, OfSetting, Place
from yemba.core.site.document import Document, Page, Picture, Standing, ordered_items
from yemba.core.site.resolve import Look
from yemba.core.site.settings import referring
from yemba.core.value.brand_colour import BrandColourChoice


class Use(NamedTuple):
    """A field that shows a picture: of a section, or of one of its items. Where `standing` is None it is a design value
    (the logo, the picture behind the header), and `field` its key."""

    path: tuple[str, ...]
    place: Place
    field: str
    standing: Standing | None = None

    @property
    def page(self) -> str:
        """The id of its page, "" for what stands on every page."""
        return self.standing.page if self.standing else ""

    @property
    def speaks(self) -> bool:
        """Whether a picture says something there: one behind text only adorns, the logo has the site's name."""
        return self.standing is not None and self.field != "backdrop"


def is_answered(picture: Picture) -> bool:
    """Whether it is said what the picture shows, or that nothing need be said."""
    return bool(picture.alt) or picture.decoration


def framing(picture: Picture) -> Framing:
    """What is shown of it."""
    left, top, right, bottom = map(float, picture.crop.split()) if picture.crop else ALL
    focal = (picture.focal_x, picture.focal_y)
    shape = ratio_of(picture.shape)
    # where nothing is cut about it, the spot makes no other picture
    return Framing(
        picture.mirror, picture.rotation, (left, top, right, bottom), shape, focal if shape else Framing().focal
    )


def toning(picture: Picture) -> Toning:
    """The colours that it is shown in, where it has those of the site (``Look.pictures``)."""
    if picture.tones is None:
        return Toning(picture.filter)
    dark, light, tint = picture.tones
    if tint is None:
        return Toning(picture.filter, dark, light)
    return Toning(picture.filter, dark, light, tint, picture.tint_strength / 100)


def rendition(picture: Picture) -> Rendition:
    """What visitors see of it."""
    return Rendition(framing(picture), toning(picture))


def picture_size(picture: Picture) -> tuple[int, int]:
    """Width and height in px of what is shown of it."""
    return framing(picture).size(picture.width, picture.height)


def in_words_of(picture: Picture) -> str:
    """What is shown of it in words: "whole", or "mirrored, turned by 90°, cropped to 800 × 600"."""
    frame = framing(picture)
    width, height = picture_size(picture)
    cropped = picture.crop or picture.shape
    done = [
        Message("mirrored") if frame.mirror else "",
        Message("turned by {rotation:g}°", rotation=frame.rotation) if frame.rotation else "",
        Message("cropped to {width} × {height}", width=width, height=height) if cropped else "",
    ]
    done = list(filter(None, done))
    return Joined(", ", done) if done else Message("whole")


def toning_in_words(picture: Picture, look: Look) -> str:
    """The colours that it is shown in in words: "as it is", or "grey, 30 % Red over it"."""
    seen = FILTERS.get(picture.filter, picture.filter).lower()
    if not picture.tint:
        return seen
    return Message(
        "{seen}, {tint_strength} % {value} over it",
        seen=seen,
        tint_strength=picture.tint_strength,
        value=BrandColourChoice().say(picture.tint, look),
    )


def proportion(picture: Picture) -> float:
    """Width over height of what is shown of it."""
    width, height = picture_size(picture)
    return width / height


def picture_bytes(picture: Picture, load: Callable[[str], bytes]) -> bytes:
    """What visitors see of it; `load` gives its bytes as they were brought by their hash."""
    return rendition(picture).apply(load(picture.file), picture.format, picture.width, picture.height)


def leading_picture(look: Look, page: Page) -> Picture | None:
    """The first picture that a page shows."""
    for _, section in page.ordered():
        values = [
            *section.fields.values(),
            *(value for _, item in ordered_items(section) for value in item.fields.values()),
        ]
        picture = next((look.pictures[value] for value in values if value in look.pictures), None)
        if picture:
            return picture
    return None


def missing_pictures(look: Look) -> dict[str, Picture]:
    """The pictures that are shown somewhere and whose files the store lacks, by id."""
    missing = {}
    for key, places in uses(look.document).items():
        picture = look.document.pictures[key]
        is_file = not picture.collection
        if places and is_file and not look.catalogue.is_stored(picture.file):
            missing[key] = picture
    return missing


@by_identity("uses of pictures", most=8_000_000, weigh=lambda used: 1_000_000 + 300 * sum(map(len, used.values())))
def uses(document: Document) -> dict[str, list[Use]]:
    """For every picture of the document the places that show it: design values, then sections as they stand."""
    by_picture: dict[str, list[Use]] = {key: [] for key in document.pictures}
    for setting in referring("picture"):
        shared = getattr(document, setting.home).get(setting.key)
        if shared in by_picture:
            by_picture[shared].append(Use((setting.home, setting.key), OfSetting(setting.key), setting.key))
    for stored in document.stored():
        if stored.value in by_picture:
            standing = stored.standing
            place = OfField(standing.key, stored.field, stored.item)
            by_picture[stored.value].append(Use(stored.path, place, stored.field, standing))
    return by_picture
