"""The languages of the site: which pages each has, what is still to be said in it, what every page says."""

from __future__ import annotations

from yemba.core.message import Message, Plural
from yemba.core.site import languages
from yemba.core.site.document import MAIN, Document, Section, Wording
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.core.value.language import LanguageChoice
from yemba.studio.desks.setting import Context


def languages_desk(look: Look) -> Context:
    """What the view of languages lists."""
    further = languages.further(look.document)
    present = {languages.main_language(look), *further}
    return {
        "main": named(look, MAIN),
        "offered": [(tag, name) for tag, name in LanguageChoice().choices(look) if tag not in present],
        "in_others": [_language(look, tag) for tag in further],
        "may_add": len(further) < languages.MOST,
    }


def named(look: Look, tag: str) -> str:
    """A language in English; MAIN for the main one."""
    return LanguageChoice().say(languages.main_language(look) if tag == MAIN else tag, look)


def _language(look: Look, tag: str) -> Context:
    document = look.document
    originals = [key for key, page in document.ordered_pages() if not page.language]
    pages = [_page(look, key, tag) for key in originals]
    alone = [key for key, page in document.ordered_pages() if page.language == tag and not page.version_of]
    return {
        "tag": tag,
        "name": named(look, tag),
        "own_name": languages.name(look, tag),
        "pages": pages,
        "alone": [{"id": key, "name": document.pages[key].name} for key in alone],
        "made": sum(bool(page["id"]) for page in pages),
        "said": _said(document, look, tag),
    }


def _page(look: Look, original: str, tag: str) -> Context:
    document, key = look.document, languages.version(look.document, original, tag)
    about = {"original": original, "of": document.pages[original].name, "id": key}
    if not key:
        return about
    missing, left = languages.missing_sections(document, key), list(languages.still_original(look, key))
    name = document.pages[key].name
    notes = [about["of"]] if name != about["of"] else []
    if missing:
        notes.append(Plural("lacks {number} section", "lacks {number} sections", len(missing)))
    if left:
        main = named(look, MAIN)
        notes.append(Plural("{number} text as in {main}", "{number} texts as in {main}", len(left), main=main))
    return about | {"name": name, "notes": notes}


def _said(document: Document, look: Look, tag: str) -> list[Context]:
    """What stands on every page, each with what the main language says."""
    wording = document.languages.get(tag, Wording())
    words = [
        ("name", Message("Site name"), wording.name, document.name),
        ("tagline", Message("Tagline"), wording.tagline, document.tagline),
        *((key, SETTINGS[key].name, wording.lines.get(key, ""), look.value(key)) for key in languages.LINES),
    ]
    return [{"what": what, "label": label, "said": text, "usual": usual} for what, label, text, usual in words]


def of_page(look: Look, page: str) -> Context:
    """A page in its languages: which it has, in which it could be made; None where the site has one alone."""
    document = look.document
    tags = (MAIN, *languages.further(document))
    by_tag = languages.versions(document, page)
    here = document.pages[page].language or MAIN
    rows = [{"tag": tag, "name": named(look, tag), "id": by_tag.get(tag, ""), "here": tag == here} for tag in tags]
    return {"rows": rows if len(tags) > 1 else [], "original": languages.original(document, page)}


def shared_section(look: Look, section: Section) -> Context | None:
    """In which language a shared section is shown, and which there are; None where the site has one alone."""
    further = languages.further(look.document)
    if not further and not section.language:
        return None
    known = dict.fromkeys([MAIN, *further, *([section.language] if section.language else [])])
    choices = [("", Message("Every language")), *((tag, named(look, tag)) for tag in known)]
    return {"value": section.language, "choices": choices}
