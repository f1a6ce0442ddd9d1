"""Standing sections on the desk of a page: which pages show each, and which of them this one does not."""

from __future__ import annotations

from yemba.core.message import Message
from yemba.core.site.document import FIRST, LAST, STANDING
from yemba.core.site.resolve import Look
from yemba.studio.desks.setting import Context


def standing_desk(look: Look, section: str, page: str) -> Context:
    """A standing section as the desk of a page that shows it needs it."""
    document = look.document
    pages = document.shows(section)
    return {
        "on": [{"id": key, "name": document.pages[key].name, "here": key == page} for key in pages],
        "off": [(key, one.name) for key, one in document.ordered_pages() if key not in pages],
        "at": document.pages[page].standing[section],
        "places": _places(look, page),
    }


def _places(look: Look, page: str) -> list[tuple[str, str]]:
    """Where on the page it may stand, each with its name."""
    after = [
        (key, Message("after {name}", name=look.catalogue.kind(section.kind).name))
        for key, section in look.document.pages[page].ordered()
    ]
    return [(FIRST, Message("before all")), *after, (LAST, Message("after all"))]


def elsewhere(look: Look, page: str) -> list[Context]:
    """Standing sections that a page does not show."""
    document = look.document
    sections = document.holder(("shared", STANDING)).ordered()
    return [
        {"id": key, "kind": look.catalogue.kind(section.kind), "count": len(document.shows(key)), "section": section}
        for key, section in sections
        if key not in document.pages[page].standing
    ]
