"""What was pointed at: its name, where its look comes from, and the control that decides it."""

from __future__ import annotations

from typing import NamedTuple
from urllib.parse import urlencode

from django.urls import reverse

from yemba.core.colour.grounds import ROLE_NAMES
from yemba.core.errors import Fault
from yemba.core.site.one_offs import NAMES, field_of, in_words, level_of
from yemba.core.site.resolve import Look, Origin, Resolved
from yemba.core.type.levels import LEVELS
from yemba.sites.models import Site


class Fact(NamedTuple):
    """One thing that decides how an element looks: what, its value, its origin, and its chapter's address."""

    what: str
    value: str
    origin: str
    address: str


class Told(NamedTuple):
    """`address` opens the chapter that decides the element, `control` is the id to go to there."""

    name: str
    facts: list[Fact]
    address: str
    control: str


_HEADER = {"logo": ("logo", "Logo"), "tagline": ("logo", "Tagline"), "navigation": ("header", "Navigation")}
_FOOTER = {"copyright": "footer.copyright", "words": "footer.words", "navigation": "footer.navigation"}


def where(site: Site, look: Look, place: str, field: str = "", item: str = "") -> Told:
    """Raises Fault ``gone`` for a section that is no longer there."""
    if place == "header":
        chapter, name = _HEADER.get(field, ("header", "Header"))
        control = {"logo": "title", "tagline": "tagline", "navigation": "menu-entries"}.get(field, "header.ground")
        facts = [
            *_on_ground(site, look, look.value("header.ground"), "header", field),
            *_type(site, look, {"logo": "title", "tagline": "small"}.get(field, "navigation")),
        ]
        return Told(name, facts, _address(site, chapter), control)
    if place == "footer":
        control = _FOOTER.get(field, "footer.ground")
        facts = [
            *_on_ground(site, look, look.value("footer.ground"), "footer", "words"),
            *_type(site, look, "footer"),
        ]
        return Told({"copyright": "Copyright line"}.get(field, "Footer"), facts, _address(site, "footer"), control)
    page_id, section = look.document.section(place)
    kind = look.catalogue.kind(section.kind)
    ground, layout = look.ground(section), look.layout(section)
    known = kind.item_field(field).name if item and field else kind.field(field).name if field else ""
    page = look.document.pages[page_id].name
    name = f"{known} in {kind.name}, {page}" if known else f"{kind.name}, {page}"
    address = _address(site, "pages", page=page_id, section=place)
    element = f"{item}.{field}" if item else field
    facts = [*_on_ground(site, look, ground.value, "", field)]
    if field_of(look.catalogue, section, element):
        facts += _type(site, look, level_of(look, section, element))
    facts.append(Fact("Layout", kind.layout_names()[layout.value], _from(layout), address))
    facts += [
        Fact(NAMES[name], in_words(look, name, value), Origin.ONE_OFF.value, address)
        for name, value in section.one_offs.get(element, {}).items()
    ]
    control = f"words-{item}-{field}" if item else f"words-{field}" if field else f"section-{place}"
    return Told(name, facts, address, control)


def _address(site: Site, chapter: str, **query: str) -> str:
    address = reverse("workbench", args=(site.slug, chapter))
    return f"{address}?{urlencode(query)}" if query else address


def _from(found: Resolved) -> str:
    return f"{found.origin} {found.detail}".strip()


# The roles an element shows, by its field, the one it is known by first.
_ROLES = {
    "heading": ("heading", "fill"),
    "title": ("heading", "fill"),
    "button": ("button", "button_text", "button_edge", "button_hover", "button_pressed"),
    "label": ("link", "link_hover", "visited"),
    "link": ("link", "link_hover", "visited"),
    "navigation": ("text", "link_hover", "fill"),
    "": ("fill", "text"),
    "picture": ("fill",),
}


def _on_ground(site: Site, look: Look, slug: str, part: str, field: str) -> list[Fact]:
    """Every colour of an element: brand colour, worked out or by hand, by its role, on its ground."""
    place = f" in the {part}" if part else ""
    facts = []
    for role in _ROLES.get(field, ("text", "link", "fill")):
        colour = getattr(look.grounds[slug], role)
        by_hand, named = f"{slug}.{role}" in look.by_hand, look.brand_name(colour)
        origin = "you, by hand" if by_hand else _from(look.resolve("palette"))
        value = named or f"{colour.hex}{'' if by_hand else ', worked out'}"
        said = f"{value}, {ROLE_NAMES[role]} on {look.ground_names[slug]}{place}"
        facts.append(
            Fact("Colour" if not facts else "", said, origin, _address(site, "palette", ground=slug, role=role))
        )
    return facts


def _type(site: Site, look: Look, slug: str) -> list[Fact]:
    """The face and the size of a level of text."""
    level, text = LEVELS[slug], look.texts[slug]
    own = level.faced and look.value(f"{slug}.face") == text.face
    face = look.resolve(f"{slug}.face" if own else f"type.{level.follows}")
    low, high = text.size
    by_hand = next((found for end in ("wide", "phone") if (found := look.resolve(f"{slug}.{end}")).set_by_owner), None)
    size = by_hand or look.resolve("type.ratio")
    sizes = _address(site, "type", show="sizes", level=slug)
    return [
        Fact("Typeface", look.families[text.face].name, _from(face), _address(site, "type")),
        Fact("Size", f"{level.name}, {low:.3g} to {high:.3g} px", _from(size), sizes),
    ]


def safe_where(site: Site, look: Look, place: str, field: str, item: str) -> Told | None:
    """As `where`, None for anything that is no longer there."""
    try:
        return where(site, look, place, field, item)
    except Fault:
        return None
