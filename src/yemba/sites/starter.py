"""What a new site begins with: pages, sections and starter words."""

from __future__ import annotations

from typing import Any

from yemba.core.change.commands.sections import starter
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import Ids

_PAGES = (
    ("Home", "", ("opening", "offers", "words-with-picture", "hours-and-place")),
    ("Prices", "prices", ("words", "price-list")),
    ("Dates", "dates", ("dates", "words")),
    ("About", "about", ("words", "hours-and-place")),
)


def document(name: str, template: str, catalogue: Catalogue, ids: Ids) -> Document:
    """Four pages with starter words; the opening says the site's name."""
    pages: dict[str, Any] = {}
    for page_name, slug, kinds in _PAGES:
        sections = {ids(): starter(catalogue.kind(kind), ids) for kind in kinds}
        pages[ids()] = {"name": page_name, "slug": slug, "sections": sections, "order": list(sections)}
    home = next(iter(pages.values()))
    opening = home["sections"][home["order"][0]]
    prices = next(key for key, page in pages.items() if page["slug"] == "prices")
    opening["fields"] |= {"heading": name, "button": "What it costs", "link": f"page:{prices}"}
    return Document.model_validate({"name": name, "template": template, "pages": pages, "order": list(pages)})
