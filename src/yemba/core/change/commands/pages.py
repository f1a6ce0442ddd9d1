"""Pages: add, rename, move, bin, bring back."""

from __future__ import annotations

import re
from typing import Any, ClassVar

from yemba.core import room
from yemba.core.change.command import Command
from yemba.core.change.operation import ABSENT, Operation, put, remove
from yemba.core.errors import Fault
from yemba.core.limits import NAME_LETTERS
from yemba.core.message import Message
from yemba.core.picture.sharing import COMPOSITIONS
from yemba.core.site.addresses import RESERVED, free_slug, slug_from
from yemba.core.site.document import Document, Page
from yemba.core.site.ids import Ids
from yemba.core.site.languages import step
from yemba.core.site.resolve import Look
from yemba.core.site.standing import on_new_pages
from yemba.core.trade.begin import new_page, purposes
from yemba.core.trade.trade import TradePage
from yemba.core.value.choice import Choice
from yemba.core.value.line import Line

NAME = Line(NAME_LETTERS, empty=False)
_ID = re.compile(r"[a-z][a-z0-9]{0,11}")


def move(order: list[str], thing: str, by: int) -> list[str]:
    """`order` with `thing` moved by `by` places, kept within the ends."""
    rest = [other for other in order if other != thing]
    place = min(max(0, order.index(thing) + by), len(rest))
    return [*rest[:place], thing, *rest[place:]]


def has_own_address(page: Page) -> bool:
    """Whether its address may be changed: the first page of each language has the language's own."""
    return bool(page.slug) and f"{page.slug}/" != step(page.language)


def _was(page: Page, slug: str) -> list[str]:
    """The addresses a page leaves behind when it moves to `slug`; they lead to it."""
    return [old for old in dict.fromkeys([*page.was, page.slug]) if old and old != slug]


class AddPage(Command):
    """Add a page at the end, blank or for a `purpose` (``core.trade.begin.purposes``) with its sections, and its name
    where none is typed."""

    name: ClassVar[str] = "add-page"
    page_name: str = ""
    page: str = ""
    purpose: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        room.PAGES.check(len(look.document.pages), "page_name")
        name = NAME.read(self._named(look), Message("The page’s name"), "page_name")
        page = self.page or ids()
        if not _ID.fullmatch(page) or page in look.document.pages or page in look.document.bin:
            reason = Message(
                "A page cannot be known by “{page}”: that is in use, or no id. Add the page again.", page=page[:20]
            )
            raise Fault("id-in-use", reason, "page_name")
        begun: dict[str, Any] = {
            "name": name,
            "slug": free_slug(name, {other.slug for other in look.document.pages.values()}),
        }
        begun |= new_page(look, self._purpose(look).sections, ids) if self.purpose else {}
        begun |= {"standing": standing} if (standing := on_new_pages(look.document)) else {}
        return [
            put(look.document, ("pages", page), begun),
            put(look.document, ("order",), [*look.document.order, page]),
        ]

    def _purpose(self, look: Look) -> TradePage:
        known = purposes(look)
        if self.purpose not in known:
            offered = ", ".join(page.name for page in known.values())
            raise Fault(
                "no-such-purpose",
                Message(
                    "“{purpose}” is no purpose of a page. Choose: {offered}.", purpose=self.purpose, offered=offered
                ),
                "purpose",
            )
        return known[self.purpose]

    def _named(self, look: Look) -> str:
        """What is typed, else what pages of this purpose are called."""
        return self.page_name if self.page_name.strip() or not self.purpose else str(self._purpose(look).name)

    def say(self, look: Look) -> str:
        return Message("Page {named} added", named=self._named(look))


class RenamePage(Command):
    """A page's name, address, and what search engines are told; what is left out stays."""

    name: ClassVar[str] = "rename-page"
    page: str
    page_name: str | None = None
    slug: str | None = None
    title: str | None = None
    description: str | None = None

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        page = look.document.page(self.page)
        steps = []
        if self.page_name is not None:
            name = NAME.read(self.page_name, Message("The page’s name"), "page_name")
            steps.append(put(look.document, ("pages", self.page, "name"), name))
        if self.slug is not None and has_own_address(page) and self.slug.strip() != page.slug:
            slug = self._address(look.document)
            steps.append(put(look.document, ("pages", self.page, "slug"), slug))
            steps.append(put(look.document, ("pages", self.page, "was"), _was(page, slug) or ABSENT))
            steps += [
                put(look.document, ("pages", key, "was"), [old for old in other.was if old != slug] or ABSENT)
                for key, other in look.document.pages.items()
                if key != self.page and slug in other.was
            ]
        for field, limit in (("title", 90), ("description", 200)):
            typed = getattr(self, field)
            if typed is not None:
                text = Line(limit).read(typed, Message("The {field}", field=field), field)
                steps.append(put(look.document, ("pages", self.page, field), text or ABSENT))
        return [step for step in steps if step.old != step.new]

    def _address(self, document: Document) -> str:
        """The whole address: that of a page of a further language begins with the language's step."""
        head, slash, _ = document.pages[self.page].slug.rpartition("/")
        typed = (self.slug or "").strip().strip("/").removeprefix(f"{head}{slash}")
        if not typed or slug_from(typed) != typed:
            raise Fault(
                "address-unreadable",
                Message(
                    "“{slug}” cannot be an address. Use small letters, digits and hyphens, such as {value}.",
                    slug=self.slug,
                    value=slug_from(typed) or "repairs",
                ),
                "slug",
            )
        whole = f"{head}{slash}{typed}"
        holder = next((p.name for k, p in document.pages.items() if p.slug == whole and k != self.page), "")
        if holder or typed in RESERVED:
            others = {page.slug.removeprefix(f"{head}{slash}") for page in document.pages.values()}
            by = Message("the page “{holder}”", holder=holder) if holder else Message("Yemba’s own files")
            raise Fault(
                "address-in-use",
                Message(
                    "The address “{whole}” is in use by {by}. {free_slug} is free.",
                    whole=whole,
                    by=by,
                    free_slug=free_slug(typed, others),
                ),
                "slug",
            )
        return whole

    def say(self, look: Look) -> str:
        page = look.document.page(self.page)
        if self.page_name is not None and page.name != self.page_name:
            return Message("Page {name} is now {page_name}", name=page.name, page_name=self.page_name)
        return Message("Address and description of {name}", name=page.name)


class SharePage(Command):
    """Which picture goes with links to a page: one of its own in a composition, or "" for the site's."""

    name: ClassVar[str] = "share-page"
    page: str
    card: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        look.document.page(self.page)
        card = Choice({"": Message("As the site's")} | COMPOSITIONS).read(
            self.card, Message("The picture for sharing"), "card"
        )
        return [put(look.document, ("pages", self.page, "card"), card or ABSENT)]

    def say(self, look: Look) -> str:
        name = look.document.page(self.page).name
        return Message(
            "Picture for sharing of {name}: {value}",
            name=name,
            value=COMPOSITIONS.get(self.card, Message("as the site’s")).lower(),
        )


class ShowSidebar(Command):
    """Whether a page has the sidebar that the site has."""

    name: ClassVar[str] = "show-sidebar"
    page: str
    shown: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        look.document.page(self.page)
        return [put(look.document, ("pages", self.page, "no_sidebar"), ABSENT if self.shown else True)]

    def say(self, look: Look) -> str:
        name = look.document.page(self.page).name
        return Message("Sidebar on {name}", name=name) if self.shown else Message("No sidebar on {name}", name=name)


class MovePage(Command):
    name: ClassVar[str] = "move-page"
    page: str
    by: int

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        look.document.page(self.page)
        order = move(look.document.order, self.page, self.by)
        steps = [put(look.document, ("order",), order)]
        first, was = order[0], look.document.order[0]
        if first != was:  # the first page stands at the site's own address
            leaving = look.document.pages[first]
            steps += [
                put(look.document, ("pages", was, "slug"), self._slug(look.document, was, first)),
                put(look.document, ("pages", first, "slug"), ""),
                put(look.document, ("pages", first, "was"), _was(leaving, "")),
            ]
        return steps

    def _slug(self, document: Document, page: str, leaves: str) -> str:
        others = {other.slug for key, other in document.pages.items() if key not in (page, leaves)}
        return free_slug(document.pages[page].name, others)

    def say(self, look: Look) -> str:
        return Message("Page {name} moved", name=look.document.page(self.page).name)


class BinPage(Command):
    name: ClassVar[str] = "bin-page"
    page: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        page = look.document.page(self.page)
        if not page.slug:
            raise Fault(
                "first-page",
                Message("“{name}” is the first page. Put another page first, then bin it.", name=page.name),
                "page",
            )
        place = look.document.order.index(self.page)
        binned = {"page": page.model_dump(mode="json", exclude_defaults=True), "place": place}
        return [
            put(look.document, ("bin", self.page), binned),
            remove(look.document, ("pages", self.page)),
            put(look.document, ("order",), [key for key in look.document.order if key != self.page]),
        ]

    def say(self, look: Look) -> str:
        return Message("Page {name} to the bin", name=look.document.page(self.page).name)


class RestorePage(Command):
    name: ClassVar[str] = "restore-page"
    page: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        binned = look.document.bin.get(self.page)
        if binned is None or binned.page is None:
            raise Fault("gone", Message("That page is not in the bin."), "page")
        plain = binned.page.model_dump(mode="json", exclude_defaults=True)
        used = {page.slug for page in look.document.pages.values()} | RESERVED
        while plain["slug"] in used:
            plain["slug"] += "-2"
        place = min(binned.place, len(look.document.order))
        return [
            put(look.document, ("pages", self.page), plain),
            put(look.document, ("order",), [*look.document.order[:place], self.page, *look.document.order[place:]]),
            remove(look.document, ("bin", self.page)),
        ]

    def say(self, look: Look) -> str:
        binned = look.document.bin.get(self.page)
        return Message("Page {name} out of the bin", name=binned.page.name if binned and binned.page else "")
