"""Headings that skip a level, so that the outline of a page has a hole (WCAG 2.2 SC 1.3.1, 2.4.6)."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.place import OfField
from yemba.core.site.document import Section, Standing, ordered_items
from yemba.core.site.kinds import Field, SectionKind
from yemba.core.site.resolve import Look

NAME = "Order of headings"


def find(inspected: Inspected) -> Iterator[Finding]:
    """Small headings within words (level 3) on a page where no heading of level 2 stands above them."""
    look = inspected.look
    level = 1
    for standing in look.document.standing():
        section, kind = standing.section, look.catalogue.kind(standing.section.kind)
        first = look.document.holder(standing.holder).order[0] == standing.key
        level = _from(level, section, first)
        for field in kind.fields:
            if field.type != "words" or "<h3>" not in section.fields.get(field.slug, ""):
                continue
            if level < 2:
                yield _skipped(look, standing, field)
            level = 3
        if _items_head(section, kind):
            level = max(level, 2)


def _from(level: int, section: Section, first: bool) -> int:
    """The level that a section begins from."""
    if first:
        return 1
    return 2 if section.fields.get("heading") else level


def _skipped(look: Look, standing: Standing, field: Field) -> Finding:
    words = standing.section.fields[field.slug]
    bold = words.replace("<h3>", "<p><strong>").replace("</h3>", "</strong></p>")
    arguments = {"section": standing.key, "field": field.slug, "words": bold}
    sentence = f"A small heading in {look.where(standing)} follows the page’s title directly."
    cure = Cure("Make it bold text", "set-words", arguments)
    return Finding(sentence, OfField(standing.key, field.slug), standing.page, cure)


def _items_head(section: Section, kind: SectionKind) -> bool:
    """Whether an item of the section shows a heading."""
    heads = [field.slug for field in kind.fields_of("item") if field.heads]
    return any(item.fields.get(slug) for _, item in ordered_items(section) for slug in heads)
