"""What differs of the whole site: template, brand sheet, name, tagline."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.change.difference.change import GONE, NEW, VALUE, WORDS, Change, Pair, change
from yemba.core.change.operation import Path
from yemba.core.message import Message, labels
from yemba.core.place import OfLanguage, OfSheet, OfSite, OfTemplate
from yemba.core.site.document import Wording
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.core.value.language import LanguageChoice


def changes(pair: Pair) -> Iterator[Change]:
    before, after = pair.before, pair.after
    if before.template != after.template:
        names = pair.was.template.name, pair.now.template.name
        yield change("template", VALUE, Message("Template"), names, OfTemplate(), pair.moved(("template",)))
    if (before.ready_sheet, before.own_sheet) != (after.ready_sheet, after.own_sheet):
        names = _sheet_name(pair.was), _sheet_name(pair.now)
        yield change("ready-sheet", VALUE, Message("Brand sheet"), names, OfSheet(), pair.moved(*_sheet_paths(pair)))
    for words, subject in (("name", Message("Site name")), ("tagline", Message("Tagline"))):
        states = getattr(before, words), getattr(after, words)
        if states[0] != states[1]:
            yield change(words, WORDS, subject, states, OfSite(words), pair.moved((words,)))

    for tag in dict.fromkeys([*before.languages, *after.languages]):
        yield from _language(pair, tag)


def _language(pair: Pair, tag: str) -> Iterator[Change]:
    """A further language that came or went, or what every page says in it."""
    old, new = pair.before.languages.get(tag), pair.after.languages.get(tag)
    named, here = LanguageChoice().say(tag, pair.now), ("languages", tag)
    if old is None or new is None:
        states = GONE if old else NEW
        place = OfLanguage(tag)
        yield change(
            f"language.{tag}", VALUE, Message("Language {named}", named=named), states, place, pair.moved(here)
        )
        return
    for what in ("name", "tagline", *dict.fromkeys([*old.lines, *new.lines])):
        states = _said(old, what), _said(new, what)
        if states[0] != states[1]:
            subject, path = _subject(what), (*here, *(("lines", what) if what in SETTINGS else (what,)))
            place = OfLanguage(tag, what)
            key = f"language.{tag}.{what}"
            yield change(
                key,
                WORDS,
                Message("{subject} in {named}", subject=subject, named=named),
                states,
                place,
                pair.moved(path),
            )


def _said(wording: Wording, what: str) -> str:
    return wording.lines.get(what, "") if what in SETTINGS else str(getattr(wording, what))


def _subject(what: str) -> str:
    return SETTINGS[what].name if what in SETTINGS else labels({"name": "Site name", "tagline": "Tagline"})[what]


def _sheet_paths(pair: Pair) -> list[Path]:
    return [("ready_sheet",), ("own_sheet",), ("set_aside",), *(("sheet", key) for key in covered(pair))]


def _sheet_name(look: Look) -> str:
    document = look.document
    if document.own_sheet:
        return document.own_sheet
    return (
        look.catalogue.ready_sheet(document.ready_sheet).name if document.ready_sheet else Message("the template’s own")
    )


def covered(pair: Pair) -> list[str]:
    """Keys of the brand sheet that a newly applied ready sheet has taken over from the owner."""
    path = pair.after.ready_sheet
    if path is None or path == pair.before.ready_sheet:
        return []
    ready = pair.now.catalogue.ready_sheet(path).values
    return [key for key in ready if key in pair.before.sheet and key not in pair.after.sheet]
