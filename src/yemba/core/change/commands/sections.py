"""Sections and what stands in them: add, move, layout, ground, words, items, bin."""

from __future__ import annotations

from typing import Any, ClassVar

from yemba.core.change.command import Command
from yemba.core.change.commands.pages import move
from yemba.core.change.operation import ABSENT, Operation, Path, put, remove
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document, Section
from yemba.core.site.ids import new_id
from yemba.core.site.kinds import Field
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain as plain_words


def _path(document: Document, section: str, *inner: str) -> Path:
    page, _ = document.section(section)
    return ("pages", page, "sections", section, *inner)


def _called(document: Document, catalogue: Catalogue, section: str) -> str:
    """A section as the owner knows it: its kind and its page."""
    page, found = document.section(section)
    return f"{catalogue.kind(found.kind).name} on {document.pages[page].name}"


def starter(kind: str, catalogue: Catalogue) -> dict[str, Any]:
    """A new section of a kind with its starter words and items."""
    shape = catalogue.kind(kind)
    section: dict[str, Any] = {
        "kind": kind,
        "fields": {f.slug: f.read(f.starter) for f in shape.fields if f.starter},
    }
    if shape.items:
        fields = {f.slug: f.read(f.starter) for f in shape.items.fields if f.starter}
        ids = [new_id() for _ in range(shape.items.begins)]
        section |= {"items": {key: {"fields": fields} for key in ids}, "order": ids}
    return section


class AddSection(Command):
    """Add a section with its starter words; `after` names the one above it, "" puts it first."""

    name: ClassVar[str] = "add-section"
    page: str
    kind: str
    after: str | None = None

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        page = document.page(self.page)
        section = starter(catalogue.kind(self.kind).slug, catalogue)
        place = len(page.order)
        if self.after is not None:
            place = page.order.index(self.after) + 1 if self.after in page.order else 0
        key = new_id()
        return [
            put(document, ("pages", self.page, "sections", key), section),
            put(document, ("pages", self.page, "order"), [*page.order[:place], key, *page.order[place:]]),
        ]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"{catalogue.kind(self.kind).name} added to {document.page(self.page).name}"


class MoveSection(Command):
    name: ClassVar[str] = "move-section"
    section: str
    by: int

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        page, _ = document.section(self.section)
        order = move(document.pages[page].order, self.section, self.by)
        return [put(document, ("pages", page, "order"), order)]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"{_called(document, catalogue, self.section)} moved"


class SetLayout(Command):
    """A section's layout; "" for the template's."""

    name: ClassVar[str] = "set-layout"
    section: str
    layout: str = ""

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        _, section = document.section(self.section)
        known = catalogue.kind(section.kind).layout_names()
        if self.layout and self.layout not in known:
            raise Fault(
                "no-such-layout", f"“{self.layout}” is no layout of this kind. Choose: {', '.join(known)}.", "layout"
            )
        return [put(document, _path(document, self.section, "layout"), self.layout or ABSENT)]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        _, section = document.section(self.section)
        layout = catalogue.kind(section.kind).layout_names().get(self.layout, "as the template has it")
        return f"{_called(document, catalogue, self.section)}: {layout}"


class SetGround(Command):
    """A section's ground; "" for the template's."""

    name: ClassVar[str] = "set-ground"
    section: str
    ground: str = ""

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        names = Look(document, catalogue).ground_names
        if self.ground and self.ground not in names:
            raise Fault("no-such-ground", f"“{self.ground}” is no ground. Choose: {', '.join(names)}.", "ground")
        return [put(document, _path(document, self.section, "ground"), self.ground or ABSENT)]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        ground = Look(document, catalogue).ground_names.get(self.ground, "as the template has it")
        return f"{_called(document, catalogue, self.section)}: ground {ground}"


class SetWords(Command):
    """One field of a section or of one of its items."""

    name: ClassVar[str] = "set-words"
    section: str
    field: str
    words: str = ""
    item: str = ""

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        _, section = document.section(self.section)
        kind = catalogue.kind(section.kind)
        if self.item and self.item not in section.items:
            raise Fault("gone", "That entry is no longer here. Undo brings it back.", self.field)
        field = kind.item_field(self.field) if self.item else kind.field(self.field)
        value = field.read(self.words)
        if field.type == "picture" and value and value not in document.pictures:
            raise Fault("no-such-picture", "That picture is no longer here. Choose a file again.", self.field)
        if value.startswith("page:") and value[5:] not in document.pages:
            raise Fault("no-such-page", "The page this would link to is no longer there. Choose another.", self.field)
        inner = ("items", self.item, "fields", self.field) if self.item else ("fields", self.field)
        return [put(document, _path(document, self.section, *inner), value or ABSENT)]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        _, section = document.section(self.section)
        kind = catalogue.kind(section.kind)
        field = kind.item_field(self.field) if self.item else kind.field(self.field)
        text = _in_words(document, field, self.words)
        shown = f"“{text[:32]}{'…' if len(text) > 32 else ''}”" if text else "emptied"
        return f"{_called(document, catalogue, self.section)}: {field.name.lower()} {shown}"


def _in_words(document: Document, field: Field, typed: str) -> str:
    """What was typed as its owner knows it: a page and a picture by their names."""
    if typed.startswith("page:") and typed[5:] in document.pages:
        return document.pages[typed[5:]].name
    if field.type == "picture":
        return document.pictures[typed].name if typed in document.pictures else ""
    return plain_words(typed)


class AddItem(Command):
    name: ClassVar[str] = "add-item"
    section: str

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        _, section = document.section(self.section)
        shape = catalogue.kind(section.kind).items
        if shape is None:
            raise Fault("no-items", f"{catalogue.kind(section.kind).name} has no list to add to.")
        fields = {f.slug: f.read(f.starter) for f in shape.fields if f.starter}
        key = new_id()
        return [
            put(document, _path(document, self.section, "items", key), {"fields": fields}),
            put(document, _path(document, self.section, "order"), [*section.order, key]),
        ]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"{_called(document, catalogue, self.section)}: one more"


class MoveItem(Command):
    name: ClassVar[str] = "move-item"
    section: str
    item: str
    by: int

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        _, section = document.section(self.section)
        _held(section, self.item)
        return [put(document, _path(document, self.section, "order"), move(section.order, self.item, self.by))]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"{_called(document, catalogue, self.section)}: order"


class RemoveItem(Command):
    """Take an item away; undo brings it back."""

    name: ClassVar[str] = "remove-item"
    section: str
    item: str

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        _, section = document.section(self.section)
        _held(section, self.item)
        order = [key for key in section.order if key != self.item]
        return [
            remove(document, _path(document, self.section, "items", self.item)),
            put(document, _path(document, self.section, "order"), order),
        ]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"{_called(document, catalogue, self.section)}: one taken away"


class BinSection(Command):
    name: ClassVar[str] = "bin-section"
    section: str

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        page, section = document.section(self.section)
        order = document.pages[page].order
        binned = {
            "section": section.model_dump(mode="json", exclude_defaults=True),
            "stood_on": page,
            "place": order.index(self.section),
        }
        return [
            put(document, ("bin", self.section), binned),
            remove(document, ("pages", page, "sections", self.section)),
            put(document, ("pages", page, "order"), [key for key in order if key != self.section]),
        ]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"{_called(document, catalogue, self.section)} to the bin"


class RestoreSection(Command):
    """Put a section back where it stood, or on the first page where its page is gone."""

    name: ClassVar[str] = "restore-section"
    section: str

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        binned = document.bin.get(self.section)
        if binned is None or binned.section is None:
            raise Fault("gone", "That section is not in the bin.", "section")
        page = binned.stood_on if binned.stood_on in document.pages else document.order[0]
        order = document.pages[page].order
        place = min(binned.place, len(order))
        plain = binned.section.model_dump(mode="json", exclude_defaults=True)
        return [
            put(document, ("pages", page, "sections", self.section), plain),
            put(document, ("pages", page, "order"), [*order[:place], self.section, *order[place:]]),
            remove(document, ("bin", self.section)),
        ]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        binned = document.bin.get(self.section)
        kind = catalogue.kind(binned.section.kind).name if binned and binned.section else "Section"
        return f"{kind} out of the bin"


def _held(section: Section, item: str) -> None:
    if item not in section.items:
        raise Fault("gone", "That entry is no longer here. Undo brings it back.", "item")
