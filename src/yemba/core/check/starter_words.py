"""Sections in which the words they began with still stand, or that say nothing."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Finding, Inspected
from yemba.core.kept import kept
from yemba.core.site.document import Section, ordered_sections, values_of
from yemba.core.site.kinds import Field, SectionKind
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain

NAME = "Starter words"


def find(inspected: Inspected) -> Iterator[Finding]:
    """Each section once, with the first of its fields that needs words."""
    look = inspected.look
    for page_id, page in look.document.ordered_pages():
        for key, section in ordered_sections(page):
            kind = look.catalogue.kind(section.kind)
            where = f"{kind.name} on {page.name}"
            if control := _unwritten(section, kind):
                said = f"{where} still has the words it began with. Write your own, or take the section out."
                yield Finding(said, "pages", page_id, key, control)
            elif not any(plain(value) for value in values_of(section)):
                yield Finding(f"{where} is empty. Write in it, or take it out.", "pages", page_id, key)


def starter_sections(look: Look) -> set[str]:
    """Ids of sections of which a field of words still says what it said when it was added."""
    return {
        key
        for page in look.document.pages.values()
        for key, section in page.sections.items()
        if _unwritten(section, look.catalogue.kind(section.kind))
    }


@kept
def _unwritten(section: Section, kind: SectionKind) -> str:
    """The control of the first field with starter words, "" where there is none."""
    for field in kind.fields:
        if _starts(field, section.fields):
            return f"words-{field.slug}"
    for key in section.order:
        for field in kind.items.fields if kind.items else []:
            if _starts(field, section.items[key].fields):
                return f"words-{key}-{field.slug}"
    return ""


_SAID_AS_IT_IS = {"thanks"}  # words that will do as they are


def _starts(field: Field, stored: dict[str, str]) -> bool:
    if field.type != "words" or not field.starter or field.slug in _SAID_AS_IT_IS:
        return False
    return plain(stored.get(field.slug, "")) == plain(field.read(field.starter))
