"""What further languages lack: pages, sections, and words that still are those of the main language."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.place import OfField, OfLanguage, OfPage
from yemba.core.site import languages
from yemba.core.site.document import Page
from yemba.core.site.resolve import Look
from yemba.core.value.language import LanguageChoice

NAME = "Languages"


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
        cure = Cure(f"Make {name} in {named}", "make-version", {"page": page, "language": tag})
        yield Finding(f"{name} is not there in {named}: visitors who read that miss it.", OfLanguage(tag), page, cure)


def _sections(look: Look, key: str, page: Page) -> Iterator[Finding]:
    document = look.document
    for section in languages.missing_sections(document, key):
        name = look.catalogue.kind(document.section(section).section.kind).name
        cure = Cure(f"Put it on {page.name}", "bring-over", {"section": section, "page": key})
        yield Finding(f"{page.name} lacks the section {name} that its original has.", OfPage(key), key, cure)
    for section, field, item in languages.still_original(look, key):
        kind = look.catalogue.kind(page.sections[section].kind)
        sentence = f"{kind.field(field, item).name} in {kind.name} on {page.name} is worded as in the main language."
        yield Finding(sentence, OfField(section, field, item), key)
