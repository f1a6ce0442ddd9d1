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


def _put(document: Document, palette: Brand) -> list[Operation]:
    chosen = setting("palette")
    return [put(document, ("sheet", "palette"), chosen.rule.read(palette, chosen.name, "palette"))]


class OfColour(Command):
    """What is done to one brand colour: `change` alters the palette, `told` says it of the colour's name."""

    colour: str

    def change(self, palette: Brand, place: int) -> None:
        raise NotImplementedError

    def told(self, name: str) -> str:
        raise NotImplementedError

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        palette = _palette(document, catalogue)
        self.change(palette, self._place(palette))
        return _put(document, palette)

    def say(self, document: Document, catalogue: Catalogue) -> str:
        palette = _palette(document, catalogue)
        return self.told(palette[self._place(palette)]["name"])

    def _place(self, palette: Brand) -> int:
        for place, known in enumerate(palette):
            if known["id"] == self.colour:
                return place
        raise Fault("gone", "That colour is no longer in the palette.", "colour")


class SetColour(OfColour):
    """A brand colour's hex code, or any CSS colour."""

    name: ClassVar[str] = "set-colour"
    hex: str

    def change(self, palette: Brand, place: int) -> None:
        palette[place]["hex"] = parse(self.hex, "hex").hex

    def told(self, name: str) -> str:
        return f"{name} to {parse(self.hex).hex}"


class NameColour(OfColour):
    name: ClassVar[str] = "name-colour"
    colour_name: str

    def change(self, palette: Brand, place: int) -> None:
        palette[place]["name"] = self.colour_name

    def told(self, name: str) -> str:
        return f"Colour {name} is called {self.colour_name}"


class RemoveColour(OfColour):
    name: ClassVar[str] = "remove-colour"

    def change(self, palette: Brand, place: int) -> None:
        del palette[place]

    def told(self, name: str) -> str:
        return f"Colour {name} removed"


class MoveColour(OfColour):
    """Move a colour by `by` places; the first colour leads."""

    name: ClassVar[str] = "move-colour"
    by: int

    def change(self, palette: Brand, place: int) -> None:
        palette.insert(min(max(0, place + self.by), len(palette) - 1), palette.pop(place))

    def told(self, name: str) -> str:
        return f"Colour {name} moved"


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
