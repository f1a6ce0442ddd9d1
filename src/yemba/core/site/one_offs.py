"""One-offs: what an owner set on one element or one section alone, which no sheet and no template reaches.

An element is a field's slug, or "ITEM.FIELD" for a field of an entry.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from typing import NamedTuple

from yemba.core.colour.srgb import Colour
from yemba.core.message import Message, labels
from yemba.core.part.part import ground_under
from yemba.core.place import OfOneOff, OfSection, Place
from yemba.core.site.buttons import KINDS
from yemba.core.site.catalogue import Catalogue, Family
from yemba.core.site.document import Section, Standing
from yemba.core.site.frame import size_of
from yemba.core.site.kinds import Field
from yemba.core.site.resolve import Look
from yemba.core.type.levels import STYLES, Text
from yemba.core.type.scale import Fluid, calm_size
from yemba.core.value.choice import Choice
from yemba.core.value.colour import ColourCode
from yemba.core.value.face import Face
from yemba.core.value.kind import Kind
from yemba.core.value.number import Number

ALIGNMENTS = labels({"start": "At the start", "center": "Centred", "end": "At the end"})
_ALIGNED = {value: name.lower() for value, name in ALIGNMENTS.items()}
_STYLED = {value: name.lower() for value, name in STYLES.items()}


BUTTON = "button"


class Property(NamedTuple):
    """Something that may be set apart: its name, and the kind of value it is."""

    name: str
    kind: Kind


PROPERTIES: Mapping[str, Property] = {
    "face": Property(Message("Typeface"), Face()),
    "size": Property(Message("Size"), Number(10, 160, "px", 0.5)),
    "weight": Property(Message("Weight"), Number(100, 900, "", 10)),
    "style": Property(Message("Style"), Choice(_STYLED)),
    "colour": Property(Message("Colour"), ColourCode()),
    "align": Property(Message("Alignment"), Choice(_ALIGNED)),
    BUTTON: Property(Message("Kind"), Choice(KINDS)),
}
"""What may be a one-off of a text; that of BUTTON, of the words of a button alone."""


class OneOff(NamedTuple):
    """`path` is where it stands in the document; `applies` says whether the present template shows it. `element` is ""
    for one of a whole section. `value` is in words, `otherwise` what would stand there without it."""

    standing: Standing
    where: str
    what: str
    value: str
    otherwise: str
    applies: bool
    path: tuple[str, ...]
    place: Place
    element: str = ""

    @property
    def key(self) -> str:
        """What it is known by: its path as one word."""
        return "/".join(self.path[3:])  # section ids are unique on a site

    @property
    def property(self) -> str:
        """The key of its property, or "layout" or "ground"."""
        return self.path[-1]


def one_offs(look: Look) -> list[OneOff]:
    """Every one-off of the site, as its sections stand."""
    return [one for standing in look.document.standing() for one in of_section(look, standing)]


def of_section(look: Look, standing: Standing) -> Iterator[OneOff]:
    """Those of one section."""
    where = look.where(standing)
    yield from _of_whole(look, standing, where)
    section = standing.section
    for element, values in section.one_offs.items():
        field = field_of(look.catalogue, section, element)
        if field is None:
            continue  # its entry is gone; undo brings both back
        level = level_of(look, section, element)
        text = look.texts[level]._replace(size=size_of(look, standing.key, level))
        for key, value in values.items():
            yield OneOff(
                standing=standing,
                where=where,
                what=Message("{name} of the {named}", name=PROPERTIES[key].name, named=_named(section, element, field)),
                value=in_words(look, key, value),
                otherwise=_otherwise(look, standing, key, text),
                applies=True,
                path=(*standing.path, "one_offs", element, key),
                place=OfOneOff(standing.key, element, key),
                element=element,
            )


def _of_whole(look: Look, standing: Standing, where: str) -> Iterator[OneOff]:
    """A layout and a ground that the owner chose for a section."""
    section = standing.section
    layouts = look.catalogue.kind(section.kind).layout_names()
    for called, what, names, resolve in (
        (Message("Layout"), "layout", layouts, look.layout_of),
        (Message("Ground"), "ground", look.ground_names, look.ground_of),
    ):
        stored = getattr(section, what)
        if stored:
            current, otherwise = resolve(section.kind, stored).value, resolve(section.kind, None).value
            yield OneOff(
                standing=standing,
                where=where,
                what=called,
                value=names.get(stored, stored),
                otherwise=names[otherwise],
                applies=current == stored,
                path=(*standing.path, what),
                place=OfSection(standing.key, what),
            )


def field_of(catalogue: Catalogue, section: Section, element: str) -> Field | None:
    """The field an element shows; None for one that the section does not have."""
    item, _, slug = element.rpartition(".")
    if item and item not in section.items:
        return None
    fields = catalogue.kind(section.kind).fields_of(item)
    return next((field for field in fields if field.slug == slug and field.sets_text), None)


def level_of(look: Look, section: Section, element: str) -> str:
    """The level of text that an element is set in, by the template that shows it."""
    slug = element.rpartition(".")[2]
    own = look.template.levels.get(f"{section.kind}.{slug}")
    if own:
        return own
    field = field_of(look.catalogue, section, element)
    return field.level if field else "body"


def may_be(look: Look, section: Section, element: str, key: str) -> bool:
    """Whether a property may be set apart of an element."""
    if key not in PROPERTIES or field_of(look.catalogue, section, element) is None:
        return False
    return key != BUTTON or level_of(look, section, element) == BUTTON


def _named(section: Section, element: str, field: Field) -> str:
    item = element.rpartition(".")[0]
    return (
        Message("{name} of entry {index}", name=field.name.lower(), index=section.order.index(item) + 1)
        if item
        else field.name.lower()
    )


def in_words(look: Look, key: str, value: str) -> str:
    """A one-off's value as its owner knows it."""
    kind = PROPERTIES[key].kind
    if kind.refers_to == "face" and value not in look.families:
        return Message("a face that is gone")
    return kind.say(value, look)


def _otherwise(look: Look, standing: Standing, key: str, text: Text) -> str:
    match key:
        case "face":
            return look.families[text.face].name
        case "size":
            return Message("{low:.3g} to {high:.3g} px", low=text.size.low, high=text.size.high)
        case "weight":
            return f"{text.weight}"
        case "style":
            return _STYLED[text.style]
        case "colour":
            ground = ground_under(look, standing)
            return Message("{ground_names}’s own", ground_names=look.ground_names[ground])
        case "button":
            return KINDS["first"].lower()
        case _:
            return Message("the layout’s own")


class Apart(NamedTuple):
    """The one-offs of an element as they show; None or "" for what is not set, or names what is gone."""

    face: Family | None
    size: Fluid | None
    weight: str
    style: str
    colour: Colour | None


def apart(look: Look, stored: Mapping[str, str]) -> Apart:
    """One-offs of an element, as stored, resolved."""
    size, colour = stored.get("size"), stored.get("colour")
    read = look.read_colour(colour) if colour else None
    return Apart(
        face=look.families.get(stored.get("face", "")),
        size=Fluid(calm_size(float(size)), float(size)) if size else None,
        weight=stored.get("weight", ""),
        style=stored.get("style", ""),
        colour=read.colour if read else None,
    )


def faces_of_one_offs(look: Look) -> list[Family]:
    """The families that one-offs alone call for."""
    return [look.families[slug] for slug in _worked_out(look, "face") if slug in look.families]


def weights_of_one_offs(look: Look) -> list[int]:
    """The weights that one-offs call for."""
    return [int(weight) for weight in _worked_out(look, "weight")]


def _worked_out(look: Look, key: str) -> list[str]:
    return sorted({stored[key] for stored in look.document.one_offs() if key in stored})
