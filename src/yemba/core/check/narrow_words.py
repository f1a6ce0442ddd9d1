"""What does not fit the narrowest phone: words too long for a heading, and what runs out of its page
(WCAG 2.2 SC 1.4.10)."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from yemba.core.check.finding import Finding, Inspected, place_of, where
from yemba.core.limits import NARROWEST
from yemba.core.message import Message
from yemba.core.place import OfField
from yemba.core.site.document import Document, Standing, ordered_items
from yemba.core.site.resolve import Look
from yemba.core.type.breaking import unbroken

NAME = Message("At 320 px")


def find(inspected: Inspected) -> Iterator[Finding]:
    yield from _sideways(inspected)
    yield from inspected.of_sections(_small)


def _sideways(inspected: Inspected) -> Iterator[Finding]:
    """Pages on which something is wider than its window, as that measured them, whether it shows or is cut off."""
    for page_id, measured in inspected.measured.items():
        if page_id in inspected.look.document.pages and measured.content > measured.width:
            fragment = measured.widest
            sentence = Message(
                "{name} is too wide for a phone: {where} reaches to {content} px of {width}.",
                name=inspected.look.document.pages[page_id].name,
                where=where(inspected.look, page_id, fragment),
                content=measured.content,
                width=measured.width,
            )
            yield Finding(sentence, place_of(fragment), page_id)


class _Heading(NamedTuple):
    """A heading with the level of text it is set in."""

    place: OfField
    level: str
    words: str


def _small(inspected: Inspected, standing: Standing) -> list[Finding]:
    """Headings that one word makes smaller than the text, since a size gives way before a word breaks."""
    look, findings = inspected.look, []
    measures, least = look.template.measures, look.sizes["body"].low
    room = NARROWEST - 2 * measures.gutter - 2 * measures.inset
    for heading in _headings(look, standing):
        parts = unbroken(heading.words)
        text, family = look.texts[heading.level], look.face(heading.level)
        word = max(parts, key=lambda part: family.text_width(text, part, 1.0), default="")
        fitting = room / max(0.1, family.text_width(text, word, 1.0))
        if fitting < least:
            sentence = Message(
                "“{word}” in {where} is so long that its heading is set at {fitting:.0f} px on a narrow phone, "
                "smaller than the text at {least:g} px. Shorten it, or hyphenate it where it may break.",
                word=word,
                where=look.where(standing),
                fitting=fitting,
                least=least,
            )
            findings.append(Finding(sentence, heading.place, standing.page))
    return findings


def _headings(look: Look, standing: Standing) -> Iterator[_Heading]:
    section, kind = standing.section, look.catalogue.kind(standing.section.kind)
    level = "h1" if _leads(look.document, standing) else "h2"
    yield _Heading(OfField(standing.key, "heading"), level, section.fields.get("heading", ""))
    heads = [field.slug for field in kind.fields_of("item") if field.heads]
    for key, item in ordered_items(section):
        for slug in heads:
            yield _Heading(OfField(standing.key, slug, key), "h4", item.fields.get(slug, ""))


def _leads(document: Document, standing: Standing) -> bool:
    """Whether a section is the first of its page."""
    return bool(standing.page) and document.pages[standing.page].order[0] == standing.key
