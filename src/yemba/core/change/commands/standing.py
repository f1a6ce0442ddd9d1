"""Standing sections: one section shown on several pages, edited once."""

from __future__ import annotations

from typing import ClassVar

from yemba.core import room
from yemba.core.change.commands.sections import OfSection, copy_of
from yemba.core.change.operation import ABSENT, Operation, put, remove
from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.site.document import FIRST, LAST, STANDING, Document, Page, Standing
from yemba.core.site.ids import Ids
from yemba.core.site.resolve import Look

_HOLDER = ("shared", STANDING)
EVERY = "every"
"""Stands for all pages, where one is named."""


def places_on(page: Page) -> list[str]:
    """Where on a page standing sections can stand: before all, after each of its own, after all."""
    return [FIRST, *page.order, LAST]


def pages_of(document: Document, named: str) -> list[str]:
    """The page that is named, or every one. Raises Fault ``gone``."""
    if named == EVERY:
        return list(document.order)
    document.page(named)
    return [named]


def name_of(document: Document, named: str) -> str:
    """The page that is named, in words. Raises Fault ``gone``."""
    return Message("every page") if named == EVERY else document.page(named).name


class MakeStanding(OfSection):
    """Make a section of a page a standing one, shown where it stands now; it has another id from then on, so that it
    may go out by itself."""

    name: ClassVar[str] = "make-standing"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document, standing = look.document, self.standing(look)
        if not standing.page:
            raise Fault("already-shared", Message("This section is shared by several pages already."), "section")
        page, key = document.page(standing.page), ids()
        room.SECTIONS.check(len(document.holder(_HOLDER).order), "section")
        place = page.order.index(self.section)
        here = ("pages", standing.page)
        steps = [
            remove(document, standing.path),
            put(document, (*here, "order"), [one for one in page.order if one != self.section]),
            *_put_in(document, key, copy_of(standing.section, ids)),
            put(document, (*here, "standing", key), page.order[place - 1] if place else FIRST),
        ]
        followers = [one for one, after in page.standing.items() if after == self.section]
        moved = page.order[place - 1] if place else FIRST
        return [*steps, *(put(document, (*here, "standing", one), moved) for one in followers)]

    def say(self, look: Look) -> str:
        return Message("{where} made a standing section", where=self.where(look))


def _put_in(document: Document, key: str, section: dict[str, object]) -> list[Operation]:
    """Steps that put a section among the standing ones."""
    return [
        put(document, (*_HOLDER, "sections", key), section),
        put(document, (*_HOLDER, "order"), [*document.holder(_HOLDER).order, key]),
    ]


class _OfStanding(OfSection):
    """What is done to a standing section."""

    def standing(self, look: Look) -> Standing:
        """Raises Fault where it is none."""
        standing = super().standing(look)
        if not standing.is_shared:
            raise Fault(
                "not-standing",
                Message("This section stands on one page alone. Make it a standing one first."),
                "section",
            )
        return standing

    def called(self, look: Look) -> str:
        return look.catalogue.kind(self.standing(look).section.kind).name


class PutStanding(_OfStanding):
    """Show a standing section on a page, or on "every": `at` is "first", "last", or the own section it comes after."""

    name: ClassVar[str] = "put-standing"
    page: str
    at: str = LAST

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        self.standing(look)
        pages = pages_of(look.document, self.page)
        if self.page != EVERY and self.at not in places_on(look.document.pages[self.page]):
            raise Fault("gone", Message("The section it was to stand after is no longer on this page."), "at")
        at = self.at if self.page != EVERY or self.at in (FIRST, LAST) else LAST
        todo = [page for page in pages if self.page != EVERY or self.section not in look.document.pages[page].standing]
        return [
            put(look.document, ("pages", page, "standing", self.section), at)
            for page in todo
            if look.document.pages[page].standing.get(self.section) != at
        ]

    def say(self, look: Look) -> str:
        return Message(
            "{called} shown on {name_of}", called=self.called(look), name_of=name_of(look.document, self.page)
        )


class TakeOffStanding(_OfStanding):
    """Show a standing section no longer on a page, or on "every"; it is kept."""

    name: ClassVar[str] = "take-off-standing"
    page: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        self.standing(look)
        standing_on = set(look.document.shows(self.section))
        pages = [page for page in pages_of(look.document, self.page) if page in standing_on]
        return [put(look.document, ("pages", page, "standing", self.section), ABSENT) for page in pages]

    def say(self, look: Look) -> str:
        return Message(
            "{called} taken off {name_of}", called=self.called(look), name_of=name_of(look.document, self.page)
        )


class MakeOwn(_OfStanding):
    """Make a copy of a standing section the page's own, in its place there."""

    name: ClassVar[str] = "make-own"
    page: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document = look.document
        page = document.page(self.page)
        room.SECTIONS.check(len(page.order), "section")
        key = ids()
        copied = copy_of(self.standing(look).section.model_copy(update={"slug": ""}), ids)
        order = list(page.order)
        order.insert(self._place(page), key)
        here = ("pages", self.page)
        return [
            put(document, (*here, "sections", key), copied),
            put(document, (*here, "order"), order),
            put(document, (*here, "standing", self.section), ABSENT),
        ]

    def _place(self, page: Page) -> int:
        """Where it stands among the page's own sections: first, behind one of them, or last."""
        where = page.standing.get(self.section, LAST)
        if where == FIRST:
            return 0
        return page.order.index(where) + 1 if where in page.order else len(page.order)

    def say(self, look: Look) -> str:
        return Message("{called} made {name}’s own", called=self.called(look), name=look.document.page(self.page).name)
