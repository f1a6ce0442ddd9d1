"""Brand colours: change, name, add, remove, move. The palette is kept as a whole once it is touched."""

from __future__ import annotations

from typing import Any, ClassVar

from yemba.core.change.command import Command
from yemba.core.change.operation import Operation, put
from yemba.core.colour.srgb import parse
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look
from yemba.core.site.settings import setting

Brand = list[dict[str, str]]


def _palette(document: Document, catalogue: Catalogue) -> Brand:
    value: Any = Look(document, catalogue).value("palette")
    return [dict(colour) for colour in value]


def _place(palette: Brand, colour: str) -> int:
    for place, known in enumerate(palette):
        if known["id"] == colour:
            return place
    raise Fault("gone", "That colour is no longer in the palette.", "colour")


def _put(document: Document, palette: Brand) -> list[Operation]:
    chosen = setting("palette")
    return [put(document, ("sheet", "palette"), chosen.rule.read(palette, chosen.name, "palette"))]


class SetColour(Command):
    """A brand colour's hex code, or any CSS colour."""

    name: ClassVar[str] = "set-colour"
    colour: str
    hex: str

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        palette = _palette(document, catalogue)
        palette[_place(palette, self.colour)]["hex"] = parse(self.hex, "hex").hex
        return _put(document, palette)

    def say(self, document: Document, catalogue: Catalogue) -> str:
        palette = _palette(document, catalogue)
        return f"{palette[_place(palette, self.colour)]['name']} to {parse(self.hex).hex}"


class NameColour(Command):
    name: ClassVar[str] = "name-colour"
    colour: str
    colour_name: str

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        palette = _palette(document, catalogue)
        palette[_place(palette, self.colour)]["name"] = self.colour_name
        return _put(document, palette)

    def say(self, document: Document, catalogue: Catalogue) -> str:
        palette = _palette(document, catalogue)
        return f"Colour {palette[_place(palette, self.colour)]['name']} is called {self.colour_name}"


class AddColour(Command):
    name: ClassVar[str] = "add-colour"
    hex: str
    colour_name: str = ""

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        palette = _palette(document, catalogue)
        name = self.colour_name.strip() or f"Colour {len(palette) + 1}"
        palette.append({"id": new_id(), "name": name, "hex": parse(self.hex, "hex").hex})
        return _put(document, palette)

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"Colour {self.colour_name or self.hex} added"


class RemoveColour(Command):
    name: ClassVar[str] = "remove-colour"
    colour: str

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        palette = _palette(document, catalogue)
        del palette[_place(palette, self.colour)]
        return _put(document, palette)

    def say(self, document: Document, catalogue: Catalogue) -> str:
        palette = _palette(document, catalogue)
        return f"Colour {palette[_place(palette, self.colour)]['name']} removed"


class MoveColour(Command):
    """Move a colour by `by` places; the first colour leads."""

    name: ClassVar[str] = "move-colour"
    colour: str
    by: int

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        palette = _palette(document, catalogue)
        place = _place(palette, self.colour)
        palette.insert(min(max(0, place + self.by), len(palette) - 1), palette.pop(place))
        return _put(document, palette)

    def say(self, document: Document, catalogue: Catalogue) -> str:
        palette = _palette(document, catalogue)
        return f"Colour {palette[_place(palette, self.colour)]['name']} moved"
