"""What further languages lack: pages, sections, and words that still are those of the main language."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.message import Message
from yemba.core.place import OfField, OfLanguage, OfPage
from yemba.core.site import languages
from yemba.core.site.document import Page
from yemba.core.site.resolve import Look
from yemba.core.value.language import LanguageChoice

NAME = Message("Languages")


def find(inspected: Inspected) -> Iterator[Finding]:
    """A page that has no version in a language of the site, a section that a version lacks, a version with words as in
    the main language."""
    yield from _pages(inspected.look)
    for key, page in inspected.look.document.published_pages():
        if page.language:
            yield from _sections(inspected.look, key, page)


def _pages(look: Look) -> Iterator[Finding]:
    document = look.document
    for page, tag in languages.missing_pages(document):
        name, named = document.pages[page].name, LanguageChoice().say(tag, look)
        cure = Cure(
            Message("Make {name} in {named}", name=name, named=named), "make-version", {"page": page, "language": tag}
        )
        yield Finding(
            Message("{name} is not there in {named}: visitors who read that miss it.", name=name, named=named),
            OfLanguage(tag),
            page,
            cure,
        )


def _sections(look: Look, key: str, page: Page) -> Iterator[Finding]:
    document = look.document
    for section in languages.missing_sections(document, key):
        name = look.catalogue.kind(document.section(section).section.kind).name
        cure = Cure(Message("Put it on {name}", name=page.name), "bring-over", {"section": section, "page": key})
        yield Finding(
            Message("{name} lacks the section {name_2} that its original has.", name=page.name, name_2=name),
            OfPage(key),
            key,
            cure,
        )
    for section, field, item in languages.still_original(look, key):
        kind = look.catalogue.kind(page.sections[section].kind)
        sentence = Message(
            "{name} in {name_2} on {name_3} is worded as in the main language.",
            name=kind.field(field, item).name,
            name_2=kind.name,
            name_3=page.name,
        )
        yield Finding(sentence, OfField(section, field, item), key)
