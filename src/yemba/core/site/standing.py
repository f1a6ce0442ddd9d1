"""Standing sections: where new pages show them."""

from __future__ import annotations

from collections.abc import Iterable

from yemba.core.site.document import FIRST, LAST, Document


def on_new_pages(document: Document) -> dict[str, str]:
    """The standing sections that a new page shows: those that every page shows, where there are several."""
    pages = list(document.pages.values())
    if len(pages) < 2:
        return {}
    common = [key for key in pages[0].standing if all(key in page.standing for page in pages)]
    return {key: _usual(page.standing[key] for page in pages) for key in common}


def _usual(places: Iterable[str]) -> str:
    """Before the content where it is so on every page, else after it."""
    return FIRST if all(place == FIRST for place in places) else LAST
