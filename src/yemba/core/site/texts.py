"""Every text a site shows, with the face it is set in and where it stands."""

from __future__ import annotations

from collections.abc import Iterator
from html import unescape
from typing import NamedTuple

from yemba.core.message import Message
from yemba.core.part.part import Part, parts
from yemba.core.site.catalogue import Family
from yemba.core.site.document import Standing, stored_of
from yemba.core.site.one_offs import apart, field_of, level_of
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain


class SiteText(NamedTuple):
    """`words` without markup; `page` and `section` are "" for what stands on every page."""

    page: str
    section: str
    where: str
    element: str
    level: str
    family: Family
    words: str


def texts(look: Look) -> Iterator[SiteText]:
    """Those of parts, then page by page. Numbers that a layout works out are not among them."""
    yield from texts_of_parts(look)
    for standing in look.document.standing():
        yield from texts_of_section(look, standing)


def texts_of_parts(look: Look) -> Iterator[SiteText]:
    """What stands on every page."""
    for part in parts().values():
        yield from _of_part(look, part)


def _of_part(look: Look, part: Part) -> Iterator[SiteText]:
    where = Message("the {name}", name=part.name.lower())
    for text in part.texts(look):
        level = part.element(text.element).level
        yield SiteText(text.page, "", where, text.element, level, look.face(level), text.words)


def texts_of_section(look: Look, standing: Standing) -> Iterator[SiteText]:
    """Those of one section."""
    section, where = standing.section, look.where(standing)
    for stored in stored_of(standing):
        if not stored.value or not field_of(look.catalogue, section, stored.element):
            continue
        level = level_of(look, section, stored.element)
        family = apart(look, section.one_offs.get(stored.element, {})).face or look.face(level)
        words = unescape(plain(stored.value))
        yield SiteText(standing.page, standing.key, where, stored.element, level, family, words)
