"""Pictures that say nothing to those who do not see them (WCAG 2.2 SC 1.1.1)."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from yemba.core.check.finding import Finding, Inspected
from yemba.core.message import Message
from yemba.core.place import OfField, OfPicture
from yemba.core.site.document import Document
from yemba.core.site.pictures import Use, is_answered, uses

NAME = Message("Alt text")


def find(inspected: Inspected) -> Iterator[Finding]:
    """Pictures shown on pages without alt text; a logo has the site's name."""
    look = inspected.look
    for key, use in _undescribed(look.document).items():
        picture, page = look.document.pictures[key], look.document.pages.get(use.page)
        on = Message(" on {name}", name=page.name) if page else ""
        sentence = Message(
            "{name}{on} has no alt text. Say in a line what it shows, or that it is decoration.",
            name=picture.name,
            on=on,
        )
        place = replace(use.place, what="alt") if isinstance(use.place, OfField) else OfPicture(key, "alt")
        yield Finding(sentence, place, use.page)


def _undescribed(document: Document) -> dict[str, Use]:
    """Pictures without alt text that say something on a page, each with the first place that shows it."""
    speaking = {key: [use for use in places if use.speaks] for key, places in uses(document).items()}
    return {key: places[0] for key, places in speaking.items() if places and not is_answered(document.pictures[key])}


def pictures_without_alt(document: Document) -> list[str]:
    """Names of pictures in use on pages that have no alt text."""
    return [document.pictures[key].name for key in _undescribed(document)]
