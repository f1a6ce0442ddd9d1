"""What differs of the whole site: template, brand sheet, name, tagline."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.change.difference.change import VALUE, WORDS, Change, Pair, change
from yemba.core.change.operation import Path
from yemba.core.place import OfSheet, OfSite, OfTemplate
from yemba.core.site.resolve import Look


def changes(pair: Pair) -> Iterator[Change]:
    before, after = pair.before, pair.after
    if before.template != after.template:
        names = pair.was.template.name, pair.now.template.name
        yield change("template", VALUE, "Template", names, OfTemplate(), pair.moved(("template",)))
    if (before.ready_sheet, before.own_sheet) != (after.ready_sheet, after.own_sheet):
        names = _sheet_name(pair.was), _sheet_name(pair.now)
        yield change("ready-sheet", VALUE, "Brand sheet", names, OfSheet(), pair.moved(*_sheet_paths(pair)))
    for words, subject in (("name", "Site name"), ("tagline", "Tagline")):
        states = getattr(before, words), getattr(after, words)
        if states[0] != states[1]:
            yield change(words, WORDS, subject, states, OfSite(words), pair.moved((words,)))


def _sheet_paths(pair: Pair) -> list[Path]:
    return [("ready_sheet",), ("own_sheet",), ("set_aside",), *(("sheet", key) for key in covered(pair))]


def _sheet_name(look: Look) -> str:
    document = look.document
    if document.own_sheet:
        return document.own_sheet
    return look.catalogue.ready_sheet(document.ready_sheet).name if document.ready_sheet else "the template’s own"


def covered(pair: Pair) -> list[str]:
    """Keys of the brand sheet that a newly applied ready sheet has taken over from the owner."""
    path = pair.after.ready_sheet
    if path is None or path == pair.before.ready_sheet:
        return []
    ready = pair.now.catalogue.ready_sheet(path).values
    return [key for key in ready if key in pair.before.sheet and key not in pair.after.sheet]
