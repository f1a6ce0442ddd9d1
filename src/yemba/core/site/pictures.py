"""Where the pictures of a site are used."""

from __future__ import annotations

from typing import NamedTuple

from yemba.core.cache import by_identity
from yemba.core.place import OfField, OfSetting, Place
from yemba.core.site.document import Document, Page, Picture, Standing, ordered_items
from yemba.core.site.resolve import Look
from yemba.core.site.settings import referring


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


def leading_picture(look: Look, page: Page) -> Picture | None:
    """The first picture that a page shows."""
    for _, section in page.ordered():
        values = [
            *section.fields.values(),
            *(value for _, item in ordered_items(section) for value in item.fields.values()),
        ]
        shown = next((look.pictures[value] for value in values if value in look.pictures), None)
        if shown:
            return shown
    return None


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
