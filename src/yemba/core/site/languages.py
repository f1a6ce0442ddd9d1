"""A site in several languages: its main one, and further ones, in which pages have versions of their own.

A page of a further language is a page like others: `language` is its tag, `version_of` the page it says the same as.
What stands on every page is said otherwise in a further language by its `Wording`. To be rendered, a document is *seen
in* a language: then its menu, links and words are those of that language, by the same rules as ever.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from sys import intern

from yemba.core.cache import by_identity
from yemba.core.language import own_name
from yemba.core.site.document import MAIN, Document, Holder, Navigation, Section, Standing, Wording, stored_of
from yemba.core.site.navigation import menu, parent
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain

LANGUAGE = "site.language"
MOST = 8
"""Further languages of a site."""
LINES = ("header.action", "footer.words", "footer.copyright")
"""The settings that are words."""
_AT_HOME = "name", "tagline"
_WORD = re.compile(r"[^\W\d_]{3}")


def further(document: Document) -> list[str]:
    """The tags of the further languages, those first that were chosen."""
    used = (page.language for page in document.pages.values() if page.language)
    return list(dict.fromkeys([*document.languages, *used]))


def original(document: Document, page: str) -> str:
    """The page of the main language that one is a version of, or it itself."""
    of = document.pages[page].version_of
    return of if of in document.pages else page


def versions(document: Document, page: str) -> dict[str, str]:
    """A page in all its languages, by tag, MAIN for the main one."""
    return _versions(document).get(original(document, page), {})


@by_identity("versions of pages", most=2_000_000, weigh=lambda found: 1_000 + 200 * len(found))
def _versions(document: Document) -> dict[str, dict[str, str]]:
    by_original: dict[str, dict[str, str]] = {}
    for key in document.order:
        language = document.pages[key].language or MAIN
        by_original.setdefault(original(document, key), {}).setdefault(language, key)
    return by_original


def version(document: Document, page: str, language: str) -> str:
    """The page in another language, "" where it has none there."""
    return versions(document, page).get(language, "")


def in_shown(document: Document, page: str) -> str:
    """Where a link to a page leads: from a document seen in a further language to the version there, if there is
    one that visitors see. A link to a page of a further language leads just there."""
    if not document.seen_in or page not in document.pages or document.pages[page].language:
        return page
    there = version(document, page, document.seen_in)
    return there if there and document.is_published(there) else page


def home(document: Document, language: str) -> str:
    """The page a language begins with: the first page's version, else the first of its pages; "" where it has none."""
    first = version(document, document.order[0], language)
    if first and document.is_published(first):
        return first
    own = (key for key, page in document.published_pages() if (page.language or MAIN) == language)
    return next(own, "")


def is_shown(section: Section, language: str) -> bool:
    """Whether a section of a part, or a standing one, is shown on pages of a language, MAIN for the main one."""
    return section.language in ("", language)


def seen_in(look: Look, language: str) -> Look:
    """A site as pages of a further language show it."""
    document = _seen_in(look.document, intern(language), intern(str(look.value(LANGUAGE))))
    return Look(document, look.catalogue, look.whole)


@by_identity("documents seen in a language", most=8_000_000, weigh=lambda document: 4_000 + 100 * len(document.pages))
def _seen_in(document: Document, language: str, main: str) -> Document:
    wording = document.languages.get(language, Wording())
    words = {name: getattr(wording, name) for name in _AT_HOME if getattr(wording, name)}
    about = {
        "site": document.site | {LANGUAGE: language},
        "parts": document.parts | dict(wording.lines),
        "navigation": _navigation(document, language),
        "seen_in": language,
        "main_language": main,
    }
    return document.model_copy(update=words | about)


def _navigation(document: Document, language: str) -> Navigation:
    """The menu of the main language with each page in its version there; those that have none are not in it."""
    there = {key: version(document, key, language) for key in document.pages}
    order = [there.get(key, key) for key in menu(document)]
    under = {there.get(key, key): parent(document, key) for key in menu(document) if parent(document, key)}
    return document.navigation.model_copy(
        update={
            "order": [key for key in order if key],
            "names": {key: document.pages[over].name for key, over in there.items() if over},
            "hidden": [there.get(key, key) for key in document.navigation.hidden],
            "under": {key: there.get(over, over) for key, over in under.items() if key and there.get(over, over)},
        }
    )


def missing_pages(document: Document) -> Iterator[tuple[str, str]]:
    """Pages that visitors see in the main language, each with a further language in which they have none."""
    for key, page in document.published_pages():
        if not page.language and not page.posted:
            yield from ((key, tag) for tag in further(document) if not version(document, key, tag))


def missing_sections(document: Document, page: str) -> list[str]:
    """Sections of the original that a version has no counterpart of."""
    of = original(document, page)
    if of == page:
        return []
    there = {section.version_of for section in document.pages[page].sections.values()}
    return [key for key in document.pages[of].order if key not in there]


def still_original(look: Look, page: str) -> Iterator[tuple[str, str, str]]:
    """Texts of a version that are as in the original: section, field and entry, "" for none. Prices, addresses by
    which somebody is reached, and what has no word may be so."""
    document = look.document
    of = document.pages.get(original(document, page))
    for key, section in document.pages[page].ordered():
        origin = of.sections.get(section.version_of) if of else None
        if origin is None:
            continue
        originals = {stored.value for stored in stored_of(Standing(("pages", page), section.version_of, origin))}
        for stored in stored_of(Standing(("pages", page), key, section)):
            field = look.catalogue.kind(section.kind).field(stored.field, stored.item)
            is_said = field.type in ("line", "words") and not field.reaches
            if is_said and stored.value in originals and _WORD.search(plain(stored.value)):
                yield key, stored.field, stored.item


def main_language(look: Look) -> str:
    """The tag of the main language."""
    return look.document.main_language or str(look.value(LANGUAGE))


def name(look: Look, tag: str) -> str:
    """A language as its own speakers call it; MAIN for the main one."""
    return own_name(main_language(look) if tag == MAIN else tag)


def shown_sections(holder: Holder, language: str) -> list[tuple[str, Section]]:
    """What a part shows on pages of a language."""
    return [(key, section) for key, section in holder.ordered() if is_shown(section, language)]


def first_step(document: Document) -> str:
    """What addresses begin with in the language a document is seen in: "de/", "" in the main one."""
    return step(document.seen_in) if document.seen_in else ""


def step(language: str) -> str:
    """What addresses in a further language begin with: "pt-br/"."""
    return f"{language.lower()}/"
