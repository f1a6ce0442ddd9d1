"""Sections and what stands in them: add, move, layout, ground, words, items, bin."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from typing import Any, ClassVar

from yemba.core import room
from yemba.core.change.command import Command
from yemba.core.change.commands.pages import move
from yemba.core.change.new_pages import also_made, with_new_pages
from yemba.core.change.operation import ABSENT, Operation, apply, put, remove
from yemba.core.change.patch import steps_between
from yemba.core.errors import Fault
from yemba.core.message import Joined, Message, Plural, labels
from yemba.core.part.part import parts
from yemba.core.site.addresses import TAKEN_BY_PAGES, free_slug, slug_from
from yemba.core.site.document import STANDING, Holder, Section, Standing
from yemba.core.site.feeds import FETCHED
from yemba.core.site.ids import Ids
from yemba.core.site.kinds import OPENS, Field, SectionKind
from yemba.core.site.resolve import Look
from yemba.core.site.text_import import ImportedSection, sections_of
from yemba.core.trade.begin import new_entry, new_section
from yemba.core.value.kind import refuse_choice

_TEMPLATES = Message("as the template has it")


class AddSection(Command):
    """Add a section with its starter words to a page, or to a `part` that holds sections; `after` names the one above
    it, "" puts it first, None where its kind belongs: first or last; without a `layout` it has the template's."""

    name: ClassVar[str] = "add-section"
    page: str = ""
    part: str = ""
    kind: str
    layout: str = ""
    after: str | None = None

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        path = self._holder(look)
        order = look.document.holder(path).order
        room.SECTIONS.check(len(order), "kind")
        kind = look.catalogue.kind(self.kind)
        if self.layout and self.layout not in kind.layout_names():
            raise refuse_choice(
                self.layout, Message("The layout of {name}", name=kind.name), "layout", list(kind.layout_names())
            )
        language = look.document.page(self.page).language if self.page else ""
        section, key = new_section(look, kind, ids, language), ids()
        section |= {"layout": self.layout} if self.layout else {}
        return [
            put(look.document, (*path, "sections", key), section),
            put(look.document, (*path, "order"), _inserted(order, [key], self._above(kind))),
        ]

    def _above(self, kind: SectionKind) -> str | None:
        return "" if self.after is None and OPENS in kind.roles else self.after

    def _holder(self, look: Look) -> tuple[str, str]:
        if self.part:
            if self.part not in parts() or not parts()[self.part].holds_sections:
                raise Fault("no-such-part", Message("“{part}” is no part that holds sections.", part=self.part), "part")
            return ("shared", self.part)
        look.document.page(self.page)
        return ("pages", self.page)

    def say(self, look: Look) -> str:
        where = parts()[self.part].name if self.part else look.document.page(self.page).name
        return Message("{name} added to {where}", name=look.catalogue.kind(self.kind).name, where=where)


class AddText(Command):
    """Bring a text in as sections of words: after the section `after`, before all where it is "", else at the end."""

    name: ClassVar[str] = "add-text"
    page: str
    text: str = ""
    after: str | None = None

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        order = look.document.page(self.page).order
        imported = self._imported(look)
        room.SECTIONS.check(len(order) + len(imported) - 1, "text")
        path = ("pages", self.page)
        made = {ids(): self._section(look, one) for one in imported}
        steps = [put(look.document, (*path, "sections", key), section) for key, section in made.items()]
        steps.append(put(look.document, (*path, "order"), _inserted(order, made, self.after)))
        return steps

    def _imported(self, look: Look) -> list[ImportedSection]:
        return sections_of(self.text, look.catalogue.kind("words").field("heading").limit)

    def _section(self, look: Look, imported: ImportedSection) -> dict[str, Any]:
        kind = look.catalogue.kind("words")
        fields = {
            "heading": kind.field("heading").read(imported.heading),
            "body": kind.field("body").read(imported.words),
        }
        return {"kind": kind.slug, "fields": {slug: words for slug, words in fields.items() if words}}

    def say(self, look: Look) -> str:
        return Plural(
            "A text as {number} section of {name}",
            "A text as {number} sections of {name}",
            len(self._imported(look)),
            name=look.document.page(self.page).name,
        )


def _inserted(order: Sequence[str], keys: Iterable[str], after: str | None) -> list[str]:
    """An order with more after one of it; before all where it is none of it, at the end where it is None."""
    place = len(order)
    if after is not None:
        place = order.index(after) + 1 if after in order else 0
    return [*order[:place], *keys, *order[place:]]


def _placed(order: Sequence[str], thing: str, before: str) -> list[str]:
    """An order with a thing of it before another, or at the end."""
    rest = [key for key in order if key != thing]
    place = rest.index(before) if before in rest else len(rest)
    return [*rest[:place], thing, *rest[place:]]


class OfSection(Command):
    """What is done to one section."""

    section: str

    def standing(self, look: Look) -> Standing:
        """Where it stands. Raises Fault ``gone``."""
        return look.document.section(self.section)

    def kind(self, look: Look) -> SectionKind:
        return look.catalogue.kind(self.standing(look).section.kind)

    def where(self, look: Look) -> str:
        """The section as the owner knows it: its kind and its page."""
        return look.where(self.standing(look))


class MoveSection(OfSection):
    name: ClassVar[str] = "move-section"
    by: int

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        holder = self.standing(look).holder
        order = move(look.document.holder(holder).order, self.section, self.by)
        return [put(look.document, (*holder, "order"), order)]

    def say(self, look: Look) -> str:
        return Message("{where} moved", where=self.where(look))


class PlaceSection(OfSection):
    """Put a section before another, or at the end: where it stands, or on another `page`, where it has another id, so
    that it may leave the one page and come to the other by themselves."""

    name: ClassVar[str] = "place-section"
    before: str = ""
    page: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        standing = self.standing(look)
        if standing.is_shared and self.page:
            cure = Message("Show it there too, or take it off this page.")
            raise Fault(
                "on-several-pages",
                Message("A standing section does not move from page to page. {cure}", cure=cure),
                "page",
            )
        goes = ("pages", self.page) if self.page else standing.holder
        order = look.document.holder(goes).order
        if goes == standing.holder:
            placed = _placed(order, self.section, self.before)
            return [put(look.document, (*goes, "order"), placed)] if placed != order else []
        room.SECTIONS.check(len(order), "page")
        left = [key for key in look.document.holder(standing.holder).order if key != self.section]
        key = ids()
        return [
            put(look.document, (*standing.holder, "order"), left),
            remove(look.document, standing.path),
            put(
                look.document,
                (*goes, "sections", key),
                copy_of(_named_on(look.document.holder(goes), standing.section), ids),
            ),
            put(look.document, (*goes, "order"), _placed(order, key, self.before)),
        ]

    def say(self, look: Look) -> str:
        moved = self.page and ("pages", self.page) != self.standing(look).holder
        return (
            Message("{where} moved to {name}", where=self.where(look), name=look.document.page(self.page).name)
            if moved
            else Message("{where} moved", where=self.where(look))
        )


class CopySection(OfSection):
    """The same section once more: after itself, or at the end of another page."""

    name: ClassVar[str] = "copy-section"
    page: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        standing, key = self.standing(look), ids()
        goes = ("pages", self.page) if self.page else standing.holder
        order = look.document.holder(goes).order
        room.SECTIONS.check(len(order), "page")
        place = order.index(self.section) + 1 if self.section in order else len(order)
        return [
            put(
                look.document, (*goes, "sections", key), copy_of(standing.section.model_copy(update={"slug": ""}), ids)
            ),
            put(look.document, (*goes, "order"), [*order[:place], key, *order[place:]]),
        ]

    def say(self, look: Look) -> str:
        to = Message(" to {name}", name=look.document.page(self.page).name) if self.page else ""
        return Message("{where} copied{to}", where=self.where(look), to=to)


def _named_on(holder: Holder, section: Section) -> Section:
    """The section with its name in addresses, or without it where another there has it."""
    in_use = any(other.slug == section.slug for other in holder.sections.values())
    return section.model_copy(update={"slug": ""}) if in_use else section


def _plain(section: Section) -> dict[str, Any]:
    return section.model_dump(mode="json", exclude_defaults=True)


def copy_of(section: Section, ids: Ids) -> dict[str, Any]:
    """As it is stored, its items with ids of their own, which what is set apart of them goes by."""
    own = {key: ids() for key in section.order}
    one_offs = {_element(element, own): values for element, values in section.one_offs.items()}
    items = {own[key]: item for key, item in section.items.items()}
    return _plain(section.model_copy(update={"items": items, "order": list(own.values()), "one_offs": one_offs}))


def _element(element: str, own: Mapping[str, str]) -> str:
    """What a text is known by within its section: that of an item is "ITEM.FIELD"."""
    item, dot, field = element.partition(".")
    return f"{own.get(item, item)}{dot}{field}"


class NameSection(OfSection):
    """What a section is called in addresses, behind "#", so that links lead to it; "" for nothing of its own."""

    name: ClassVar[str] = "name-section"
    slug: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        standing = self.standing(look)
        typed = self.slug.strip().removeprefix("#")
        if typed:
            self._check(typed, look.document.holder(standing.holder))
        return [put(look.document, (*standing.path, "slug"), typed or ABSENT)]

    def _check(self, typed: str, holder: Holder) -> None:
        named = {other.slug for key, other in holder.sections.items() if key != self.section and other.slug}
        in_use = named | TAKEN_BY_PAGES | holder.sections.keys()
        if slug_from(typed) != typed:
            reason = Message(
                "“{typed}” cannot stand in an address. Use small letters, digits and hyphens, such as {example}.",
                typed=typed,
                example=slug_from(typed) or "prices",
            )
            raise Fault("address-unreadable", reason, "slug")
        if typed in in_use:
            free = free_slug(typed, in_use)
            raise Fault(
                "address-in-use",
                Message("“{typed}” is in use on this page. {free} is free.", typed=typed, free=free),
                "slug",
            )

    def say(self, look: Look) -> str:
        named = f"#{self.slug.removeprefix('#')}" if self.slug else Message("no name of its own")
        return Message("{where}: {named} in addresses", where=self.where(look), named=named)


class SetLayout(OfSection):
    """A section's layout; "" for the template's."""

    name: ClassVar[str] = "set-layout"
    layout: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        known = self.kind(look).layout_names()
        if self.layout and self.layout not in known:
            offered = ", ".join(known)
            raise Fault(
                "no-such-layout",
                Message(
                    "“{layout}” is no layout of this kind. Choose: {offered}.", layout=self.layout, offered=offered
                ),
                "layout",
            )
        return [put(look.document, (*self.standing(look).path, "layout"), self.layout or ABSENT)]

    def say(self, look: Look) -> str:
        return f"{self.where(look)}: {self.kind(look).layout_names().get(self.layout, _TEMPLATES)}"


class SetGround(OfSection):
    """A section's ground; "" for the template's."""

    name: ClassVar[str] = "set-ground"
    ground: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        names = look.ground_names
        if self.ground and self.ground not in names:
            raise Fault(
                "no-such-ground",
                Message("“{ground}” is no ground. Choose: {listed}.", ground=self.ground, listed=Joined(", ", names)),
                "ground",
            )
        return [put(look.document, (*self.standing(look).path, "ground"), self.ground or ABSENT)]

    def say(self, look: Look) -> str:
        return Message(
            "{where}: ground {value}", where=self.where(look), value=look.ground_names.get(self.ground, _TEMPLATES)
        )


class SetWords(OfSection):
    """One field of a section or of one of its items."""

    name: ClassVar[str] = "set-words"
    field: str
    words: str = ""
    item: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        standing = self.standing(look)
        if self.item:
            check_item(standing.section, self.item, self.field)
        field = self._field(look)
        value = field.kind.read_on(look, self.words, field.name, field.slug)
        linked, steps = with_new_pages(look, ids, field.kind, value, field.slug)
        inner = ("items", self.item) if self.item else ()
        return [*steps, put(look.document, (*standing.path, *inner, "fields", self.field), linked or ABSENT)]

    def _field(self, look: Look) -> Field:
        return self.kind(look).field(self.field, self.item)

    def say(self, look: Look) -> str:
        field = self._field(look)
        made = "" if field.kind.refers_to else also_made(look, field.kind, self.words)
        return f"{self.where(look)}: {field.name.lower()} {self._quoted(field, look)}{made}"

    def _quoted(self, field: Field, look: Look) -> str:
        text = field.kind.say(self.words, look) if self.words else ""
        if text in ("", "none"):
            return Message("emptied")
        return f"“{_beginning(text)}”"


def _beginning(text: str) -> str:
    """As much of it as a label has room for."""
    return text if len(text) <= 32 else f"{text[:32]}…"


class AddItem(OfSection):
    name: ClassVar[str] = "add-item"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        standing, kind = self.standing(look), self.kind(look)
        if kind.items is None:
            raise Fault("no-items", Message("{name} has no list to add to.", name=kind.name))
        room.ENTRIES.check(len(standing.section.order))
        key = ids()
        language = look.document.page(standing.page).language if standing.page else ""
        entry = new_entry(look, standing.section, kind.items.fields, language)
        return [
            put(look.document, (*standing.path, "items", key), entry),
            put(look.document, (*standing.path, "order"), [*standing.section.order, key]),
        ]

    def say(self, look: Look) -> str:
        return Message("{where}: one more", where=self.where(look))


class OfItem(OfSection):
    """What is done to one item of a section."""

    item: str

    def order(self, look: Look) -> list[str]:
        """The items as they stand. Raises Fault ``gone`` where this is none of them."""
        section = self.standing(look).section
        check_item(section, self.item, "item")
        return section.order


class MoveItem(OfItem):
    name: ClassVar[str] = "move-item"
    by: int

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        order = move(self.order(look), self.item, self.by)
        return [put(look.document, (*self.standing(look).path, "order"), order)]

    def say(self, look: Look) -> str:
        return Message("{where}: order", where=self.where(look))


class PlaceItem(OfItem):
    """Put an item before another, or at the end."""

    name: ClassVar[str] = "place-item"
    before: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        stands = self.order(look)
        order = _placed(stands, self.item, self.before)
        return [put(look.document, (*self.standing(look).path, "order"), order)] if order != stands else []

    def say(self, look: Look) -> str:
        return Message("{where}: order", where=self.where(look))


class RemoveItem(OfItem):
    """Take an item away; undo brings it back."""

    name: ClassVar[str] = "remove-item"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        order = [key for key in self.order(look) if key != self.item]
        path = self.standing(look).path
        return [
            remove(look.document, (*path, "items", self.item)),
            put(look.document, (*path, "order"), order),
        ]

    def say(self, look: Look) -> str:
        return Message("{where}: one taken away", where=self.where(look))


class DoToItems(OfSection):
    """The same act on several items of a section, by their ids with blanks between: "out", "copy", or to the "first"
    or "last" place. Copies stand after what they are copies of."""

    name: ClassVar[str] = "do-to-items"
    items: str
    act: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        standing, chosen = self.standing(look), self._chosen(look)
        path, order = standing.path, standing.section.order
        if self.act == "out":
            gone = [remove(look.document, (*path, "items", key)) for key in chosen]
            return [*gone, put(look.document, (*path, "order"), [key for key in order if key not in chosen])]
        if self.act == "copy":
            return self._copied(look, standing, {key: ids() for key in chosen})
        rest = [key for key in order if key not in chosen]
        moved = [*chosen, *rest] if self.act == "first" else [*rest, *chosen]
        return [put(look.document, (*path, "order"), moved)] if moved != order else []

    def _chosen(self, look: Look) -> list[str]:
        """Those that are picked, in their order. Raises Fault ``nothing-picked``, or for an act that is none."""
        if self.act not in _ACTS_ON_ITEMS:
            raise refuse_choice(self.act, Message("What is done"), "act", list(_ACTS_ON_ITEMS))
        chosen = [key for key in self.standing(look).section.order if key in self.items.split()]
        if not chosen:
            raise Fault("nothing-picked", Message("No entry is picked. Tick one or more in the list first."), "items")
        return chosen

    def _copied(self, look: Look, standing: Standing, copies: Mapping[str, str]) -> list[Operation]:
        section = standing.section
        room.ENTRIES.check(len(section.order) + len(copies) - 1, "items")
        order = list(section.order)
        steps = []
        for key, new in copies.items():
            order.insert(order.index(key) + 1, new)
            item = section.items[key].model_dump(mode="json", exclude_defaults=True)
            steps.append(put(look.document, (*standing.path, "items", new), item))
        for element, values in section.one_offs.items():
            if element.split(".")[0] in copies:
                steps.append(put(look.document, (*standing.path, "one_offs", _element(element, copies)), values))
        return [*steps, put(look.document, (*standing.path, "order"), order)]

    def say(self, look: Look) -> str:
        count = len(self._chosen(look))
        entries = Message("1 entry") if count == 1 else Message("{count} entries", count=count)
        return f"{self.where(look)}: {entries} {_ACTS_ON_ITEMS[self.act]}"


_ACTS_ON_ITEMS = labels({"out": "taken away", "copy": "copied", "first": "put first", "last": "put last"})
"""What can be done to several items at once, said after their number."""


class BinSection(OfSection):
    name: ClassVar[str] = "bin-section"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        standing = self.standing(look)
        order = look.document.holder(standing.holder).order
        pages = look.document.shows(self.section) if standing.is_shared else []
        binned = {
            "section": standing.section.model_dump(mode="json", exclude_defaults=True),
            "stood_on": standing.holder[1],
            "place": order.index(self.section),
            "uses": [[page, look.document.pages[page].standing[self.section]] for page in pages],
        }
        return [
            put(look.document, ("bin", self.section), binned),
            remove(look.document, standing.path),
            put(look.document, (*standing.holder, "order"), [key for key in order if key != self.section]),
            *(put(look.document, ("pages", page, "standing", self.section), ABSENT) for page in pages),
        ]

    def say(self, look: Look) -> str:
        pages = len(look.document.shows(self.section))
        where = self.where(look)
        if not pages:
            return Message("{where} to the bin", where=where)
        return Plural(
            "{where} to the bin, from {number} page", "{where} to the bin, from {number} pages", pages, where=where
        )


class RestoreSection(Command):
    """Put a section back where it stood, or on the first page where its page is gone."""

    name: ClassVar[str] = "restore-section"
    section: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document = look.document
        binned = document.bin.get(self.section)
        if binned is None or binned.section is None:
            raise Fault("gone", Message("That section is not in the bin."), "section")
        path = self._holder(look, binned.stood_on)
        order = document.holder(path).order
        place = min(binned.place, len(order))
        section = _named_on(document.holder(path), binned.section)
        return [
            put(document, (*path, "sections", self.section), _plain(section)),
            put(document, (*path, "order"), [*order[:place], self.section, *order[place:]]),
            remove(document, ("bin", self.section)),
            *(
                put(document, ("pages", page, "standing", self.section), at)
                for page, at in binned.uses
                if page in document.pages
            ),
        ]

    def _holder(self, look: Look, stood_on: str) -> tuple[str, str]:
        if stood_on in parts() or stood_on == STANDING:
            return ("shared", stood_on)
        return ("pages", stood_on if stood_on in look.document.pages else look.document.order[0])

    def say(self, look: Look) -> str:
        binned = look.document.bin.get(self.section)
        kind = look.catalogue.kind(binned.section.kind).name if binned and binned.section else Message("Section")
        return Message("{kind} out of the bin", kind=kind)


def check_item(section: Section, item: str, field: str) -> None:
    """Raises Fault ``gone`` or ``of-feed`` beside `field` where the item is not in the section."""
    if item.startswith(FETCHED):
        reason = Message("This date comes from the section’s calendar feed. Change it where that calendar is kept.")
        raise Fault("of-feed", reason, field)
    if item not in section.items:
        raise Fault("gone", Message("That entry is no longer here. Undo brings it back."), field)


class DoToSections(Command):
    """The same act on several sections, by their ids with blanks between: "bin", "copy" or "move" to a `page`, or
    "ground"."""

    name: ClassVar[str] = "do-to-sections"
    sections: str
    act: str
    page: str = ""
    ground: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document = look.document
        for command in self._each(look):
            document = apply(document, command.plan(Look(document, look.catalogue), ids))
        return steps_between(look.document, document)

    def _each(self, look: Look) -> list[Command]:
        keys = [one.key for one in look.document.standing() if one.key in self.sections.split()]
        if not keys:
            raise Fault(
                "nothing-picked", Message("No section is picked. Tick one or more in the list first."), "sections"
            )
        if self.act == "bin":
            return [BinSection(section=key) for key in keys]
        if self.act == "copy":
            return [CopySection(section=key, page=self.page) for key in keys]
        if self.act == "move":
            return [PlaceSection(section=key, page=self.page) for key in keys]
        if self.act == "ground":
            return [SetGround(section=key, ground=self.ground) for key in keys]
        raise refuse_choice(self.act, Message("What is done"), "act", list(_ACTS))

    def say(self, look: Look) -> str:
        count = len(self._each(look))
        sections = Message("1 section") if count == 1 else Message("{count} sections", count=count)
        return f"{sections} {_ACTS[self.act]} {self._to(look)}".rstrip()

    def _to(self, look: Look) -> str:
        """Where they go, or what they stand on."""
        if self.act == "ground":
            return look.ground_names.get(self.ground, _TEMPLATES)
        return look.document.page(self.page).name if self.page and self.act != "bin" else ""


_ACTS = labels({"bin": "to the bin", "copy": "copied to", "move": "moved to", "ground": "on the ground"})
"""What can be done to several sections at once, said after their number."""
