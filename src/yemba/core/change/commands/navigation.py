"""The menu: order, names, what is hidden, what stands under what, links of its own."""

from __future__ import annotations

from typing import ClassVar

from yemba.core import room
from yemba.core.change.command import Command
from yemba.core.change.commands.pages import move
from yemba.core.change.new_pages import with_new_pages
from yemba.core.change.operation import ABSENT, Operation, put, remove
from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.site.document import Document
from yemba.core.site.ids import Ids
from yemba.core.site.navigation import menu, name_of, parent, siblings
from yemba.core.site.resolve import Look
from yemba.core.value.line import Line
from yemba.core.value.link import Link

_NAME = Line(40)
_HOME = ("navigation",)


def _known(document: Document, entry: str) -> str:
    """The entry, if it is there. Raises Fault ``gone``."""
    if entry not in document.navigation.links:
        document.page(entry)
    return entry


class MoveMenuEntry(Command):
    """Move an entry among those beside it."""

    name: ClassVar[str] = "move-menu-entry"
    entry: str
    by: int

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document = look.document
        beside = siblings(document, parent(document, _known(document, self.entry)))
        moved = iter(move(beside, self.entry, self.by))
        order = [next(moved) if key in beside else key for key in menu(document)]
        return [put(document, (*_HOME, "order"), order)] if order != menu(document) else []

    def say(self, look: Look) -> str:
        return Message("{name_of} moved in the menu", name_of=name_of(look.document, self.entry))


class PlaceMenuEntry(Command):
    """Put an entry under another, "" for the top, before one of those there, "" for after them all."""

    name: ClassVar[str] = "place-menu-entry"
    entry: str
    under: str = ""
    before: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document = look.document
        _known(document, self.entry)
        if self.under:
            self._check(document)
        order = [key for key in menu(document) if key != self.entry]
        place = order.index(self.before) if self.before in order else len(order)
        under = put(document, (*_HOME, "under", self.entry), self.under or ABSENT)
        moved = [*order[:place], self.entry, *order[place:]]
        steps = [put(document, (*_HOME, "order"), moved), under]
        return [step for step in steps if step.old != step.new]

    def _check(self, document: Document) -> None:
        over = name_of(document, _known(document, self.under))
        entry = name_of(document, self.entry)
        if self.under == self.entry or parent(document, self.under):
            reason = Message(
                "“{entry}” cannot stand under “{over}”, which stands under another itself. Menus are two deep.",
                entry=entry,
                over=over,
            )
            raise Fault("menu-too-deep", reason, "under")
        if siblings(document, self.entry):
            reason = Message(
                "“{entry}” has entries under it and cannot stand under “{over}”. Move those out first.",
                entry=entry,
                over=over,
            )
            raise Fault("menu-too-deep", reason, "under")

    def say(self, look: Look) -> str:
        over = (
            Message("under {name_of}", name_of=name_of(look.document, self.under))
            if self.under
            else Message("at the top")
        )
        return Message("{name_of} stands {over}", name_of=name_of(look.document, self.entry), over=over)


class NestMenuEntry(Command):
    """Put an entry under the one above it (`by` 1), or out from under its own to behind that (`by` -1)."""

    name: ClassVar[str] = "nest-menu-entry"
    entry: str
    by: int

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document = look.document
        over = parent(document, _known(document, self.entry))
        if bool(over) == (self.by > 0):
            return []
        tops = siblings(document, "")
        if over:
            behind = tops[tops.index(over) + 1 :]
            return PlaceMenuEntry(entry=self.entry, before=behind[0] if behind else "").plan(look, ids)
        above = tops[: tops.index(self.entry)]
        if not above:
            reason = Message(
                "“{name_of}” is the first entry: there is none above it to stand under.",
                name_of=name_of(document, self.entry),
            )
            raise Fault("menu-too-deep", reason, "entry")
        return PlaceMenuEntry(entry=self.entry, under=above[-1]).plan(look, ids)

    def say(self, look: Look) -> str:
        name = name_of(look.document, self.entry)
        return (
            Message("{name} stands further in", name=name)
            if self.by > 0
            else Message("{name} stands at the top", name=name)
        )


class NameMenuEntry(Command):
    """What the menu calls an entry; empty: the page's own name."""

    name: ClassVar[str] = "name-menu-entry"
    entry: str
    entry_name: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document = look.document
        name = _NAME.read(self.entry_name, Message("The menu name"), "entry_name")
        if self.entry in document.navigation.links:
            named = Line(40, empty=False).read(self.entry_name, Message("The name of a link"), "entry_name")
            return [put(document, (*_HOME, "links", self.entry, "name"), named)]
        new = ABSENT if name in ("", document.page(self.entry).name) else name
        return [put(document, (*_HOME, "names", self.entry), new)]

    def say(self, look: Look) -> str:
        document = look.document
        if self.entry in document.navigation.links:
            return Message(
                "{name_of} is called {entry_name} in the menu",
                name_of=name_of(document, self.entry),
                entry_name=self.entry_name,
            )
        page = document.page(self.entry).name
        return Message("{page} is called {value} in the menu", page=page, value=self.entry_name or page)


class ShowMenuEntry(Command):
    """Show an entry in the menu or hide it; hidden, the address of its page still opens."""

    name: ClassVar[str] = "show-menu-entry"
    entry: str
    shown: bool = False

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        _known(look.document, self.entry)
        hidden = [key for key in look.document.navigation.hidden if key != self.entry]
        return [put(look.document, (*_HOME, "hidden"), hidden if self.shown else [*hidden, self.entry])]

    def say(self, look: Look) -> str:
        name = name_of(look.document, self.entry)
        return (
            Message("{name} shown in the menu", name=name)
            if self.shown
            else Message("{name} hidden from the menu", name=name)
        )


class AddMenuLink(Command):
    """An entry that leads to a section, an address, mail or a telephone."""

    name: ClassVar[str] = "add-menu-link"
    entry_name: str
    link: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        links = look.document.navigation.links
        room.LINKS.check(len(links), "entry_name")
        name = Line(40, empty=False).read(self.entry_name, Message("The name of a link"), "entry_name")
        link, steps = _where(look, ids, self.link)
        return [*steps, put(look.document, (*_HOME, "links", ids()), {"name": name, "link": link})]

    def say(self, look: Look) -> str:
        return Message("{entry_name} added to the menu", entry_name=self.entry_name)


class LeadMenuLink(Command):
    """Where a link of the menu leads."""

    name: ClassVar[str] = "lead-menu-link"
    entry: str
    link: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        _linked(look.document, self.entry)
        link, steps = _where(look, ids, self.link)
        return [*steps, put(look.document, (*_HOME, "links", self.entry, "link"), link)]

    def say(self, look: Look) -> str:
        return Message(
            "{name_of} leads to {value}", name_of=name_of(look.document, self.entry), value=Link().say(self.link, look)
        )


class RemoveMenuLink(Command):
    name: ClassVar[str] = "remove-menu-link"
    entry: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document = look.document
        _linked(document, self.entry)
        navigation = document.navigation
        steps = [remove(document, (*_HOME, "links", self.entry))]
        below = [key for key, over in navigation.under.items() if self.entry in (key, over)]
        steps += [remove(document, (*_HOME, "under", key)) for key in below]
        for home in ("order", "hidden"):
            listed = getattr(navigation, home)
            if self.entry in listed:
                steps.append(put(document, (*_HOME, home), [key for key in listed if key != self.entry]))
        return steps

    def say(self, look: Look) -> str:
        return Message("{name_of} taken out of the menu", name_of=name_of(look.document, self.entry))


def _linked(document: Document, entry: str) -> None:
    if entry not in document.navigation.links:
        raise Fault("gone", Message("This link is no longer in the menu. Undo brings it back."), "entry")


def _where(look: Look, ids: Ids, typed: str) -> tuple[str, list[Operation]]:
    """The link that is stored, and the steps that make the page it leads to where that is new."""
    link = Link().read_on(look, typed, Message("The link"), "link")
    if not link:
        reason = Message(
            "This link leads nowhere. Choose a section, or write https://…, a mail address, or tel: and a number."
        )
        raise Fault("link-unreadable", reason, "link")
    return with_new_pages(look, ids, Link(), str(link), "link")
