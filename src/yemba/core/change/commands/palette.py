"""Brand colours: change, name, add, remove, move, all at once. The palette is kept as a whole once it is touched."""

from __future__ import annotations

from typing import Any, ClassVar

from yemba.core.change.command import Command
from yemba.core.change.commands.grounds import put_entries
from yemba.core.change.operation import ABSENT, Operation, put, value_at
from yemba.core.colour.files import read_palette
from yemba.core.colour.harmony import neutral
from yemba.core.colour.naming import name_for
from yemba.core.colour.oklch import Oklch, difference, to_colour
from yemba.core.colour.srgb import Colour, parse, read, read_many
from yemba.core.errors import Fault
from yemba.core.limits import COLOUR_NAME_LETTERS
from yemba.core.message import Joined, Message
from yemba.core.site.document import Document, Stored
from yemba.core.site.ids import Ids
from yemba.core.site.one_offs import one_offs
from yemba.core.site.resolve import Look
from yemba.core.site.settings import referring, setting
from yemba.core.value.entries import FEWEST_COLOURS, MOST_COLOURS
from yemba.core.value.number import Number

Brand = list[dict[str, str]]
_OF_TINT = ("tint", "tint_strength")


def _palette(look: Look) -> Brand:
    value: Any = look.value("palette")
    return [dict(colour) for colour in value]


def _put(document: Document, palette: Brand) -> list[Operation]:
    chosen = setting("palette")
    return [put(document, ("sheet", "palette"), chosen.read(palette))]


def _is_colour(look: Look, stored: Stored) -> bool:
    """Whether a value is that of a field which names a brand colour."""
    fields = look.catalogue.kind(stored.standing.section.kind).fields_of(stored.item)
    return any(field.slug == stored.field and field.kind.refers_to == "colour" for field in fields)


class OfColour(Command):
    """What is done to one brand colour: `change` alters the palette, `label` says it of the colour's name."""

    colour: str

    def change(self, palette: Brand, place: int) -> None:
        raise NotImplementedError

    def label(self, name: str) -> str:
        raise NotImplementedError

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        palette = _palette(look)
        self.change(palette, self._place(palette))
        return _put(look.document, palette)

    def say(self, look: Look) -> str:
        palette = _palette(look)
        return self.label(palette[self._place(palette)]["name"])

    def _place(self, palette: Brand) -> int:
        for place, colour in enumerate(palette):
            if colour["id"] == self.colour:
                return place
        raise Fault("gone", Message("That colour is no longer in the palette."), "colour")


class SetColour(OfColour):
    """A brand colour's hex code, or any CSS colour."""

    name: ClassVar[str] = "set-colour"
    hex: str

    def change(self, palette: Brand, place: int) -> None:
        palette[place]["hex"] = parse(self.hex, "hex").hex

    def label(self, name: str) -> str:
        parsed = read(self.hex)
        if parsed.mapped:
            return Message("{name} to {hex}, the nearest that screens show", name=name, hex=parsed.colour.hex)
        return Message("{name} to {hex}", name=name, hex=parsed.colour.hex)


class SetNumbers(OfColour):
    """A brand colour by its numbers in OKLCH: lightness 0 to 100 %, chroma 0 to 0.4, hue 0 to 360 degrees."""

    name: ClassVar[str] = "set-colour-numbers"
    lightness: str
    chroma: str
    hue: str

    def change(self, palette: Brand, place: int) -> None:
        palette[place]["hex"] = self._colour().hex

    def label(self, name: str) -> str:
        return Message("{name} to {hex}", name=name, hex=self._colour().hex)

    def _colour(self) -> Colour:
        lightness = Number(0, 100, "%").read(self.lightness, Message("Lightness"), "lightness")
        chroma = Number(0, 0.4, "").read(self.chroma, Message("Chroma"), "chroma")
        return to_colour(Oklch(lightness / 100, chroma, Number(0, 360, "°").read(self.hue, Message("Hue"), "hue")))


def colour_beneath(look: Look, colour: str) -> dict[str, str] | None:
    """A brand colour as the layer below the owner's has it; None where that has none of this id."""
    sheet = dict(look.document.sheet)
    sheet.pop("palette", None)
    document = look.document.model_copy(update={"sheet": sheet})
    beneath = Look(document, look.catalogue).value("palette")
    return next((dict(one) for one in beneath if one["id"] == colour), None)


class ReturnColour(OfColour):
    """One brand colour as the layer below has it; the others stay."""

    name: ClassVar[str] = "return-colour"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        palette, below = _palette(look), colour_beneath(look, self.colour)
        place = self._place(palette)
        if below is None:
            raise Fault(
                "nothing-beneath",
                Message("{name} is a colour of yours alone; remove it instead.", name=palette[place]["name"]),
                "colour",
            )
        palette[place] = below
        return _put(look.document, palette)

    def label(self, name: str) -> str:
        return Message("{name} as it was given", name=name)


class NameColour(OfColour):
    name: ClassVar[str] = "name-colour"
    colour_name: str

    def change(self, palette: Brand, place: int) -> None:
        palette[place]["name"] = self.colour_name

    def label(self, name: str) -> str:
        return Message("Colour {name} is called {colour_name}", name=name, colour_name=self.colour_name)


class RemoveColour(OfColour):
    """Take a colour away. `instead` is the id of the one that takes its place: in the order, and wherever the
    colour was set by hand; with "" these are worked out again."""

    name: ClassVar[str] = "remove-colour"
    instead: str = ""

    def change(self, palette: Brand, place: int) -> None:
        ids = [colour["id"] for colour in palette]
        if self.instead in ids and self.instead != self.colour:
            palette[place] = palette[ids.index(self.instead)]
            del palette[ids.index(self.instead)]
        else:
            del palette[place]

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        return [
            *super().plan(look, ids),
            *self._entries(look, "grounds.own", "fill"),
            *self._entries(look, "roles.by_hand", "value"),
            *self._one_offs(look),
            *self._settings(look),
            *self._fields(look),
            *self._tints(look),
        ]

    def _entries(self, look: Look, key: str, field: str) -> list[Operation]:
        """Entries of a list that are in this colour."""
        entries = look.value(key)
        if not any(entry[field] == f"@{self.colour}" for entry in entries):
            return []
        return [put_entries(look.document, key, [self._moved(look, entry, field) for entry in entries])]

    def _settings(self, look: Look) -> list[Operation]:
        """Parts that are in this colour take the one that comes in its place, or none."""
        stored = look.document.parts
        new = f"@{self.instead}" if self.instead else ABSENT
        named = [one.key for one in referring("colour") if stored.get(one.key) == f"@{self.colour}"]
        return [put(look.document, ("parts", key), new) for key in named]

    def _fields(self, look: Look) -> list[Operation]:
        """So do sections and their entries."""
        new = f"@{self.instead}" if self.instead else ABSENT
        stored = (one for one in look.document.stored() if one.value == f"@{self.colour}")
        return [put(look.document, one.path, new) for one in stored if _is_colour(look, one)]

    def _tints(self, look: Look) -> list[Operation]:
        """So do pictures that are tinted with it."""
        tinted = (key for key, picture in look.document.pictures.items() if picture.tint == f"@{self.colour}")
        if self.instead:
            return [put(look.document, ("pictures", key, "tint"), f"@{self.instead}") for key in tinted]
        return [put(look.document, ("pictures", key, field), ABSENT) for key in tinted for field in _OF_TINT]

    def _one_offs(self, look: Look) -> list[Operation]:
        """Texts set apart in the colour keep it as a code, or take the one that takes its place."""
        was = look.read_colour(f"@{self.colour}")
        new = f"@{self.instead}" if self.instead else was.colour.hex if was else ABSENT
        return [
            put(look.document, one.path, new)
            for one in one_offs(look)
            if one.property == "colour" and value_at(look.document, one.path) == f"@{self.colour}"
        ]

    def _moved(self, look: Look, entry: dict[str, str], field: str) -> dict[str, str]:
        if entry[field] != f"@{self.colour}":
            return entry
        own = look.read_colour(entry[field])
        if self.instead:
            return entry | {field: f"@{self.instead}"}
        return entry | {field: own.colour.hex if own and field == "fill" else ""}

    def label(self, name: str) -> str:
        return Message("Colour {name} removed", name=name)


class MoveColour(OfColour):
    """Move a colour by `by` places; the first colour leads."""

    name: ClassVar[str] = "move-colour"
    by: int

    def change(self, palette: Brand, place: int) -> None:
        palette.insert(min(max(0, place + self.by), len(palette) - 1), palette.pop(place))

    def label(self, name: str) -> str:
        return Message("Colour {name} moved", name=name)


class AddColour(Command):
    """Add a colour, or every colour of a text with several codes."""

    name: ClassVar[str] = "add-colour"
    hex: str
    colour_name: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        palette = _palette(look)
        for colour in self._colours():
            name = self.colour_name.strip() or str(name_for(colour, [known["name"] for known in palette]))
            palette.append({"id": ids(), "name": name, "hex": colour.hex})
        return _put(look.document, palette)

    def say(self, look: Look) -> str:
        colours = self._colours()
        if len(colours) > 1:
            return Message("{number} colours added", number=len(colours))
        names = [colour["name"] for colour in _palette(look)]
        return Message("Colour {value} added", value=self.colour_name.strip() or name_for(colours[0], names))

    def _colours(self) -> list[Colour]:
        several = read_many(self.hex)
        return [one.colour for one in several] if len(several) > 1 else [parse(self.hex, "hex")]


class ChoosePalette(Command):
    """A whole palette at once: from a file, from pasted codes, or one that was suggested.

    Colours keep the ids of those whose places they take, so that what is set by hand follows. One or two colours
    are made whole with a paper and an ink that lean to the first; of more than eight the first eight are taken.
    """

    name: ClassVar[str] = "choose-palette"
    codes: str
    palette_name: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        kept_ids = [colour["id"] for colour in _palette(look)]
        colours = whole(read_palette(self.codes).colours)
        kept_ids += [ids() for _ in colours[len(kept_ids) :]]
        palette = [
            {"id": one, "name": name[:COLOUR_NAME_LETTERS], "hex": colour.hex}
            for one, (name, colour) in zip(kept_ids, colours, strict=False)
        ]
        return _put(look.document, palette)

    def say(self, look: Look) -> str:
        parsed = read_palette(self.codes)
        count, more = len(parsed.colours), []
        if count < FEWEST_COLOURS:
            more = [Message("{number} added to make it whole", number=len(whole(parsed.colours)) - count)]
        elif count > MOST_COLOURS:
            more = [Message("the first {most_colours} of {count} taken", most_colours=MOST_COLOURS, count=count)]
        name = f" {self.palette_name}" if self.palette_name else ""
        words = [
            Message("Palette{name}, {min} colours", name=name, min=min(count, MOST_COLOURS)),
            *more,
        ]
        return Joined(". ", filter(None, [Joined("; ", words), Joined(" ", parsed.lost)]))


def whole(colours: list[tuple[str, Colour]]) -> list[tuple[str, Colour]]:
    """A palette of at least three and at most eight."""
    palette = list(colours)
    lead = palette[0][1]
    for lightness in (0.965, 0.26, 0.6):
        near = neutral(lead, lightness)
        if len(palette) < FEWEST_COLOURS and all(difference(near, colour) > 0.1 for _, colour in palette):
            palette.append((str(name_for(near, [name for name, _ in palette])), near))
    return palette[:MOST_COLOURS]
