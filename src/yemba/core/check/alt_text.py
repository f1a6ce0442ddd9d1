"""Pictures that say nothing to those who do not see them (WCAG 2.2 SC 1.1.1)."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Finding, Inspected
from yemba.core.site.document import Document
from yemba.core.site.pictures import Use, uses

NAME = "Alt text"


def find(inspected: Inspected) -> Iterator[Finding]:
    """Pictures shown on pages without alt text; a logo has the site's name."""
    document = inspected.look.document
    for key, places in uses(document).items():
        on_pages = [place for place in places if _told(place)]
        if not on_pages or document.pictures[key].alt:
            continue
        first = on_pages[0]
        control = f"alt-of-words-{first.item}-{first.field}" if first.item else f"alt-of-words-{first.field}"
        name = document.pictures[key].name
        sentence = f"{name} on {document.pages[first.page].name} has no alt text. Say in a line what it shows."
        yield Finding(sentence, "pages", first.page, first.section, control)


def _told(place: Use) -> bool:
    """Whether a picture says something there: one behind text only adorns, the logo has the site's name."""
    return bool(place.page) and place.field != "backdrop"


def pictures_without_alt(document: Document) -> list[str]:
    """Names of pictures in use on pages that have no alt text."""
    shown = {key for key, places in uses(document).items() if any(_told(place) for place in places)}
    return [picture.name for key, picture in document.pictures.items() if key in shown and not picture.alt]
