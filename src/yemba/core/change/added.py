"""What an edit brought into being: where its owner goes on."""

from __future__ import annotations

from collections.abc import Sequence

from yemba.core.change.operation import ABSENT, Operation
from yemba.core.place import OfColour, OfField, OfGround, OfPage, OfSection, Place
from yemba.core.site.document import STANDING
from yemba.core.site.resolve import Look

_LISTS = {"palette": OfColour, "grounds.own": OfGround}
"""Values that are lists of things with ids, and the place of one."""


def added(steps: Sequence[Operation], before: Look) -> Place | None:
    """The page, section, item, colour or ground that the steps add; of a section or an item its first field, of a
    standing section where it stands. None where they add nothing, or several things at once, or a page that is only
    led to: its owner stays."""
    places = [place for step in steps for place in _places(step, before)]
    if len(places) != 1 or (isinstance(places[0], OfPage) and not _of_pages_alone(steps)):
        return None
    return places[0]


def _of_pages_alone(steps: Sequence[Operation]) -> bool:
    return all(step.path[0] in ("order", "bin") or step.path[:-1] == ("pages",) for step in steps)


def _places(step: Operation, before: Look) -> list[Place]:
    match step.path:
        case ("sheet", key) if key in _LISTS and step.new is not ABSENT:
            known = {entry["id"] for entry in before.value(key)}
            now = [entry["id"] for entry in step.new]
            return [_LISTS[key](id_) for id_ in now if id_ not in known] if known <= set(now) else []
        case ("pages", page) if step.old is ABSENT:
            return [OfPage(page)]
        case ("shared", slug, "sections", section) if slug == STANDING and step.old is ABSENT:
            return [OfSection(section, "at")]
        case (_, _, "sections", section) if step.old is ABSENT:
            return [OfField(section, before.catalogue.kind(step.new["kind"]).fields[0].slug)]
        case (*_, section, "items", item) if step.old is ABSENT:
            kind = before.catalogue.kind(before.document.section(section).section.kind)
            return [OfField(section, kind.fields_of(item)[0].slug, item)]
    return []
