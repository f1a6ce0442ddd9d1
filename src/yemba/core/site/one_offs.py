"""One-offs: what an owner set on one element or one section alone, which no sheet and no template reaches.

An element is a field's slug, or "ITEM.FIELD" for a field of an entry.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from typing import NamedTuple

from yemba.core.colour.srgb import Colour
from yemba.core.site.catalogue import Catalogue, Family
from yemba.core.site.document import Section, ordered_sections
from yemba.core.site.kinds import Field
from yemba.core.site.resolve import Look
from yemba.core.site.settings import Between, Identifier, OneOf, Rule
from yemba.core.type.levels import STYLES, Text
from yemba.core.type.scale import Fluid, calm_size

ALIGNMENTS = {"start": "At the start", "center": "Centred", "end": "At the end"}
RULES: Mapping[str, Rule] = {
    "face": Identifier(),
    "size": Between(10, 160, "px", 0.5),
    "weight": Between(100, 900, "", 10),
    "style": OneOf(STYLES),
    "colour": Identifier(),
    "align": OneOf(ALIGNMENTS),
}
"""What may be a one-off of a text. A colour is "@" and a brand colour's id, or a code."""
NAMES = {
    "face": "Typeface",
    "size": "Size",
    "weight": "Weight",
    "style": "Style",
    "colour": "Colour",
    "align": "Alignment",
}


class OneOff(NamedTuple):
    """`path` is where it stands in the document; `applies` says whether the present template shows it. `element` is ""
    for one of a whole section, `control` the id of the control that decides it."""

    page: str
    section: str
    where: str
    what: str
    value: str
    otherwise: str
    applies: bool
    path: tuple[str, ...]
    element: str = ""
    control: str = ""

    @property
    def key(self) -> str:
        """What it is known by: its path as one word."""
        return "/".join(self.path[3:])  # section ids are unique on a site


def one_offs(look: Look) -> list[OneOff]:
    """Every one-off of the site, pages in their order; `otherwise` is what would stand there without it."""
    return [
        one
        for page_id, page in look.document.ordered_pages()
        for key, section in ordered_sections(page)
        for one in of_section(look, page_id, key, section)
    ]


def of_section(look: Look, page: str, key: str, section: Section) -> Iterator[OneOff]:
    kind = look.catalogue.kind(section.kind)
    where, here = f"{kind.name} on {look.document.pages[page].name}", ("pages", page, "sections", key)
    bare = section.model_copy(update={"layout": None, "ground": None})
    if section.layout:
        names, shown = kind.layout_names(), look.layout(section).value == section.layout
        said = names.get(section.layout, section.layout), names[look.layout(bare).value]
        yield OneOff(page, key, where, "Layout", *said, shown, (*here, "layout"), control=f"layout-of-{key}")
    if section.ground:
        names = look.ground_names
        said = names.get(section.ground, section.ground), names[look.ground(bare).value]
        shown = look.ground(section).value == section.ground
        yield OneOff(page, key, where, "Ground", *said, shown, (*here, "ground"), control=f"ground-of-{key}")
    for element, values in section.one_offs.items():
        field = field_of(look.catalogue, section, element)
        if field is None:
            continue  # its entry is gone; undo brings both back
        text = look.texts[level_of(look, section, element)]
        for name, value in values.items():
            what = f"{NAMES[name]} of the {_named(section, element, field)}"
            said = in_words(look, name, value), _otherwise(look, section, name, text)
            path = (*here, "one_offs", element, name)
            yield OneOff(page, key, where, what, *said, True, path, element, f"one-{element}-{name}")


def field_of(catalogue: Catalogue, section: Section, element: str) -> Field | None:
    """The field an element shows; None for one that the section does not have."""
    kind = catalogue.kind(section.kind)
    item, _, slug = element.rpartition(".")
    if item and (item not in section.items or kind.items is None):
        return None
    fields = kind.items.fields if item and kind.items else kind.fields
    return next((field for field in fields if field.slug == slug and field.sets_text), None)


def level_of(look: Look, section: Section, element: str) -> str:
    """The level of text that an element is set in, by the template that shows it."""
    slug = element.rpartition(".")[2]
    own = look.template.levels.get(f"{section.kind}.{slug}")
    if own:
        return own
    field = field_of(look.catalogue, section, element)
    return field.level if field else "body"


def _named(section: Section, element: str, field: Field) -> str:
    item = element.rpartition(".")[0]
    return f"{field.name.lower()} of entry {section.order.index(item) + 1}" if item else field.name.lower()


def in_words(look: Look, name: str, value: str) -> str:
    """A one-off's value as its owner knows it."""
    rule = RULES[name]
    if name == "face":
        family = look.families.get(value)
        return family.name if family else "a face that is gone"
    if name == "colour":
        found = look.read_colour(value)
        return (look.brand_name(found.colour) or found.colour.hex) if found else "a colour that is gone"
    if isinstance(rule, OneOf):
        return rule.choices.get(value, value).lower()
    return f"{value} {rule.unit}".strip() if isinstance(rule, Between) else value


def _otherwise(look: Look, section: Section, name: str, text: Text) -> str:
    match name:
        case "face":
            return look.families[text.face].name
        case "size":
            return f"{text.size.low:.3g} to {text.size.high:.3g} px"
        case "weight":
            return f"{text.weight}"
        case "style":
            return STYLES[text.style].lower()
        case "colour":
            return f"{look.ground_names[look.ground(section).value]}’s own"
        case _:
            return "the layout’s own"


class Shown(NamedTuple):
    """The one-offs of an element as they show; None or "" for what is not set, or names what is gone."""

    face: Family | None
    size: Fluid | None
    weight: str
    style: str
    colour: Colour | None


def shown_values(look: Look, section: Section, element: str) -> Shown:
    stored = section.one_offs.get(element, {})
    size, colour = stored.get("size"), stored.get("colour")
    read = look.read_colour(colour) if colour else None
    return Shown(
        face=look.families.get(stored.get("face", "")),
        size=Fluid(calm_size(float(size)), float(size)) if size else None,
        weight=stored.get("weight", ""),
        style=stored.get("style", ""),
        colour=read.colour if read else None,
    )


def faces_of_one_offs(look: Look) -> list[Family]:
    """The families that one-offs alone call for."""
    return [look.families[slug] for slug in _given(look, "face") if slug in look.families]


def weights_of_one_offs(look: Look) -> list[int]:
    """The weights that one-offs call for."""
    return [int(weight) for weight in _given(look, "weight")]


def _given(look: Look, name: str) -> list[str]:
    sections = (section for page in look.document.pages.values() for section in page.sections.values())
    return sorted({v[name] for section in sections for v in section.one_offs.values() if name in v})
