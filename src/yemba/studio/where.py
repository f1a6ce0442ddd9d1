"""What was pointed at: its name, where its look comes from, and the control that decides it."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from yemba.core.colour.grounds import ROLE_NAMES
from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.part.part import Part, ground_under, parts
from yemba.core.place import OfField, OfOneOff, OfPage, OfRole, OfSection, OfSetting, Place
from yemba.core.site.document import Standing
from yemba.core.site.frame import size_of
from yemba.core.site.kinds import ABOUT, POST
from yemba.core.site.one_offs import PROPERTIES, field_of, in_words, level_of
from yemba.core.site.resolve import Look, Origin
from yemba.core.type.levels import LEVELS
from yemba.core.type.scale import Fluid
from yemba.hosting.services import rendering
from yemba.render.page import fragment_of, places
from yemba.render.recorder import Answers
from yemba.render.uses import text_value
from yemba.sites.models import Site
from yemba.studio.controls import control


class Fact(NamedTuple):
    """One thing that decides how an element looks: what, its value, its origin, and where it is decided."""

    what: str
    value: str
    origin: str
    place: Place


class Provenance(NamedTuple):
    """An element by name, all that decides its look, and the place that decides it first."""

    name: str
    facts: list[Fact]
    place: Place


class Answer(NamedTuple):
    """Provenance as it is shown: facts with the addresses of their controls; where the element's own control is."""

    name: str
    facts: list[tuple[Fact, str]]
    address: str
    control: str


_WITH = {
    "button_text": ("button", "button_text", "button_edge", "button_hover", "button_pressed"),
    "link": ("link", "link_hover", "visited"),
    "text": ("text", "link", "fill"),
}
"""The roles that go together, by the one that text is in; any other goes with the background."""


def provenance(look: Look, place: str, field: str = "", item: str = "") -> Provenance:
    """Of an element of a part (`place` is its slug) or of a section (its id). Raises Fault ``gone``."""
    if place in parts():
        return _of_part(look, parts()[place], field)
    return _of_section(look, look.document.section(place), field, item)


def answer(site: Site, look: Look, place: str, field: str, item: str) -> Answer | None:
    """As `provenance`, with addresses; None for anything that is no longer there."""
    try:
        decided = provenance(look, place, field, item)
    except Fault:
        return None
    decides = control(decided.place, look)
    facts = [(fact, control(fact.place, look).address(site)) for fact in decided.facts]
    return Answer(decided.name, facts, decides.address(site), decides.id)


def colour_roles(look: Look, place: str, field: str, item: str = "") -> tuple[str, tuple[str, ...]]:
    """The ground an element stands on, and the roles of it that it shows, the one it is known by first."""
    part, page = _part(look, place), _page(look, place)
    own_part = parts().get(place)
    ground = own_part.ground_on(look, page) if own_part else ground_under(look, look.document.section(place), page)
    if not field and place not in parts():
        return ground, ("fill", "text")
    markup = _markup(look, page, part or place)
    value = text_value(markup, look, "body" if part else "main", place, field, item) if markup else ""
    role = value.replace("-", "_")
    known = role if role in ROLE_NAMES else "text"
    return ground, _WITH.get(known, (known, "fill"))


def _markup(look: Look, page: str, place: str) -> str:
    """A part or section as a page shows it; "" where it does not."""
    answers = Answers(rendering(look.document, draft=True))
    shown = places(answers.of_page(page).look.document.shown(page))
    return fragment_of(answers, page, place).html if place in shown else ""


def _part(look: Look, place: str) -> str:
    """The part that a place is, or stands in; "" for a section of pages."""
    return place if place in parts() else look.document.section(place).part


def _page(look: Look, place: str) -> str:
    """A page that shows it."""
    own: str = "" if place in parts() else look.document.section(place).page
    shown_on: list[str] = look.document.shows(place) or look.document.order
    return own or shown_on[0]


def _of_part(look: Look, part: Part, field: str) -> Provenance:
    element = part.element(field)
    facts = [
        *_colours(look, *colour_roles(look, part.slug, field), Message(" in the {name}", name=part.name.lower())),
        *_type(look, element.level, look.texts[element.level].size),
    ]
    return Provenance(element.name, facts, element.place)


def _holder(look: Look, standing: Standing) -> str:
    """What a section stands in, as its owner knows it."""
    if standing.is_shared:
        return "standing"
    return look.document.pages[standing.page].name if standing.page else parts()[standing.part].name


def _of_section(look: Look, standing: Standing, field: str, item: str) -> Provenance:
    section, kind = standing.section, look.catalogue.kind(standing.section.kind)
    element = f"{item}.{field}" if item else field
    name = f"{kind.name}, {_holder(look, standing)}"
    decides: Place = OfSection(standing.key)
    if field == ABOUT and POST in kind.roles:
        name = Message("Day and tags in {name}", name=name)
        decides = OfPage(standing.page, "tags") if standing.page else decides
    elif field:
        name = Message("{name} in {name_2}", name=kind.field(field, item).name, name_2=name)
        decides = OfField(standing.key, field, item)
    facts = [*_colours(look, *colour_roles(look, standing.key, field, item), "")]
    if field_of(look.catalogue, section, element):
        level = level_of(look, section, element)
        facts += _type(look, level, size_of(look, standing.key, level))
    facts.append(_layout(look, standing))
    facts += _one_offs(look, standing, element)
    return Provenance(name, facts, decides)


def _layout(look: Look, standing: Standing) -> Fact:
    layout = look.layout(standing.section)
    names = look.catalogue.kind(standing.section.kind).layout_names()
    return Fact(Message("Layout"), names[layout.value], layout.comes_from, OfSection(standing.key, "layout"))


def _one_offs(look: Look, standing: Standing, element: str) -> Iterator[Fact]:
    for key, value in standing.section.one_offs.get(element, {}).items():
        place = OfOneOff(standing.key, element, key)
        yield Fact(PROPERTIES[key].name, in_words(look, key, value), Origin.ONE_OFF.words, place)


def _colours(look: Look, slug: str, roles: tuple[str, ...], where: str) -> Iterator[Fact]:
    """Every colour of an element: brand colour, worked out or by hand, by its role, on its ground."""
    for role in roles:
        colour = getattr(look.grounds[slug], role)
        by_hand, named = f"{slug}.{role}" in look.by_hand, look.brand_name(colour)
        origin = Message("you, by hand") if by_hand else look.resolve("palette").comes_from
        value = named or (colour.hex if by_hand else Message("{hex}, worked out", hex=colour.hex))
        words = Message(
            "{value}, {role_names} on {ground_names}{where}",
            value=value,
            role_names=ROLE_NAMES[role],
            ground_names=look.ground_names[slug],
            where=where,
        )
        yield Fact(Message("Colour") if role == roles[0] else "", words, origin, OfRole(slug, role))


def _type(look: Look, slug: str, size_now: Fluid) -> Iterator[Fact]:
    """The face and the size of a level of text."""
    level = LEVELS[slug]
    family = look.families[look.texts[slug].face]
    own = level.faced and look.value(f"{slug}.face") == family.slug
    face = f"{slug}.face" if own else f"type.{level.follows}"
    yield Fact(Message("Typeface"), family.name, look.resolve(face).comes_from, OfSetting(face))
    ends = [look.resolve(f"{slug}.{end}") for end in ("wide", "phone")]
    size = next((end for end in ends if end.set_by_owner), look.resolve("type.ratio"))
    low, high = size_now
    words = Message("{name}, {low:.3g} to {high:.3g} px", name=level.name, low=low, high=high)
    yield Fact(Message("Size"), words, size.comes_from, OfSetting(f"{slug}.wide"))
