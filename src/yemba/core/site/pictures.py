"""Where the pictures of a site are used."""

from __future__ import annotations

from typing import NamedTuple

from yemba.core.site.document import Document
from yemba.core.site.settings import SETTINGS


class Use(NamedTuple):
    """A field that shows a picture: of a section, or of one of its items. `page` is "" for what every page shares:
    the logo and the picture behind the header, whose `field` is the design value."""

    page: str
    section: str = ""
    item: str = ""
    field: str = ""

    @property
    def path(self) -> tuple[str, ...]:
        """Where the picture's id stands in the document."""
        if not self.page:
            return (SETTINGS[self.field].home, self.field)
        inner = ("items", self.item) if self.item else ()
        return ("pages", self.page, "sections", self.section, *inner, "fields", self.field)


def uses(document: Document) -> dict[str, list[Use]]:
    """For every picture of the document the places that show it, pages in their order."""
    found: dict[str, list[Use]] = {key: [] for key in document.pictures}
    for key in ("logo.picture", "header.backdrop"):
        shared = getattr(document, SETTINGS[key].home).get(key)
        if shared in found:
            found[shared].append(Use("", field=key))
    for page_id, page in document.ordered_pages():
        for key in page.order:
            section = page.sections[key]
            holders = [("", section.fields), *((item, section.items[item].fields) for item in section.order)]
            for item, fields in holders:
                for field, value in fields.items():
                    if value in found:
                        found[value].append(Use(page_id, key, item, field))
    return found
