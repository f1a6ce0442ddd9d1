"""Every text a site shows, with the face it is set in and where it stands."""

from __future__ import annotations

from collections.abc import Iterator
from html import unescape
from typing import NamedTuple

from yemba.core.site.catalogue import Family
from yemba.core.site.document import Section, ordered_sections
from yemba.core.site.one_offs import field_of, level_of, shown_values
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain

_PARTS = "the header"


class Shown(NamedTuple):
    """`words` without markup; `page` and `section` are "" for what stands in the header."""

    page: str
    section: str
    where: str
    element: str
    level: str
    family: Family
    words: str


def texts(look: Look) -> Iterator[Shown]:
    """Those of the header, then page by page; numbers that a layout works out are not among them."""
    document = look.document
    yield Shown("", "", _PARTS, "name", "title", look.face("title"), document.name)
    if document.tagline:
        yield Shown("", "", _PARTS, "tagline", "small", look.face("small"), document.tagline)
    for page_id, page in document.ordered_pages():
        entry = document.navigation.names.get(page_id, page.name)
        yield Shown(page_id, "", _PARTS, "navigation", "navigation", look.face("navigation"), entry)
        for section_id, section in ordered_sections(page):
            where = f"{look.catalogue.kind(section.kind).name} on {page.name}"
            for element, stored in _elements(section):
                if stored and field_of(look.catalogue, section, element):
                    level = level_of(look, section, element)
                    family = shown_values(look, section, element).face or look.face(level)
                    words = unescape(plain(stored))
                    yield Shown(page_id, section_id, where, element, level, family, words)
    footer = f"{look.value('footer.words')} {look.value('footer.copyright')}"
    yield Shown("", "", "the footer", "words", "footer", look.face("footer"), footer)


def _elements(section: Section) -> Iterator[tuple[str, str]]:
    """Every stored value by its element."""
    yield from section.fields.items()
    for key in section.order:
        yield from ((f"{key}.{slug}", value) for slug, value in section.items[key].fields.items())
