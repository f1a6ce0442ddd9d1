"""Headings that skip a level, so that the outline of a page has a hole (WCAG 2.2 SC 1.3.1, 2.4.6)."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.site.document import ordered_items, ordered_sections

NAME = "Order of headings"


def find(inspected: Inspected) -> Iterator[Finding]:
    """Small headings within words (level 3) on a page where no heading of level 2 stands above them."""
    look = inspected.look
    for page_id, page in look.document.ordered_pages():
        level = 1
        for place, (key, section) in enumerate(ordered_sections(page)):
            kind = look.catalogue.kind(section.kind)
            if place and section.fields.get("heading"):
                level = 2
            for field in kind.fields:
                value = section.fields.get(field.slug, "")
                if field.type != "words" or "<h3>" not in value:
                    continue
                if level < 2:
                    plain = value.replace("<h3>", "<p><strong>").replace("</h3>", "</strong></p>")
                    cure = Cure("Make it bold text", "set-words", {"section": key, "field": field.slug, "words": plain})
                    said = f"A small heading in {kind.name} on {page.name} follows the page’s title directly."
                    yield Finding(said, "pages", page_id, key, f"words-{field.slug}", cure)
                level = 3
            heads = [field.slug for field in kind.items.fields if field.heads] if kind.items else []
            if any(item.fields.get(slug) for _, item in ordered_items(section) for slug in heads):
                level = max(level, 2)
