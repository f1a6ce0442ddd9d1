"""What still needs a look is found, and nothing else."""

from __future__ import annotations

from yemba.core.check.alt_text import pictures_without_alt
from yemba.core.check.starter_words import starter_sections
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look


def test_starter_words_are_found_until_they_are_replaced(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    opening = document.pages[home].order[0]
    assert opening in starter_sections(Look(document, catalogue))
    plain = document.plain()
    plain["pages"][home]["sections"][opening]["fields"]["lead"] = "<p>Mended by hand.</p>"
    assert opening not in starter_sections(Look(Document.model_validate(plain), catalogue))


def test_only_pictures_in_use_want_alt_text(document: Document) -> None:
    plain = document.plain()
    about = {"file": "f", "format": "jpeg", "width": 1, "height": 1}
    plain["pictures"] = {
        "p1": about | {"name": "used.jpg"},
        "p2": about | {"name": "told.jpg", "alt": "A press"},
        "p3": about | {"name": "unused.jpg"},
    }
    sections = plain["pages"][document.order[0]]["sections"]
    first, second = list(sections.values())[:2]
    first["fields"]["picture"] = "p1"
    next(iter(second["items"].values()))["fields"]["picture"] = "p2"
    assert pictures_without_alt(Document.model_validate(plain)) == ["used.jpg"]
