"""Reach: the places whose content or resolved values differ between two documents."""

from __future__ import annotations

from typing import Any, NamedTuple

from pydantic import ValidationError

from yemba.core.change.difference import Change
from yemba.core.change.operation import apply
from yemba.core.site.document import Section, ordered_sections
from yemba.core.site.resolve import Look

_TEXT_ROLES = ("fill", "heading", "text", "quiet", "line", "focus")
_LINK_ROLES = ("link", "link_hover")
_BUTTON_ROLES = ("button", "button_text", "button_edge", "button_hover", "button_pressed")
_LINKING = ("telephone", "mail", "link")


class Place(NamedTuple):
    """A section of a page, or "header" or "footer" of one."""

    page: str
    section: str


def reach(before: Look, after: Look) -> list[Place]:
    """Places that look or read otherwise, in the order of the pages after."""
    was, now = places(before), places(after)
    gone = [place for place in was if place not in now]
    return [place for place, facts in now.items() if was.get(place) != facts] + gone


def of_change(change: Change, live: Look) -> list[Place]:
    """The places one waiting change touches: those that differ once it alone is on the live document.

    A change that cannot stand alone (its page is new too) touches the section or page it names.
    """
    try:
        alone = apply(live.document, change.steps)
    except ValidationError:
        return [Place(change.page, change.section)]
    return reach(live, Look(alone, live.catalogue))


def places(look: Look) -> dict[Place, Any]:
    """Every place of a site with all that decides how it looks and reads."""
    shared = _shared(look)
    parts = {part: _part(look, part) for part in ("header", "footer")}
    found: dict[Place, Any] = {}
    for page_id, page in look.document.ordered_pages():
        found[Place(page_id, "header")] = (shared, parts["header"])
        for key, section in ordered_sections(page):
            found[Place(page_id, key)] = (shared, _section(look, section))
        found[Place(page_id, "footer")] = (shared, parts["footer"])
    return found


def _shared(look: Look) -> tuple[Any, ...]:
    keys = ("type.heading", "type.body", "type.heading_weight", "shape.corner", "frame.width")
    return (look.template.slug, *(look.value(key) for key in keys), tuple(look.sizes.items()))


def _part(look: Look, part: str) -> tuple[Any, ...]:
    document = look.document
    ground = look.grounds[look.value(f"{part}.ground")]
    names = tuple((key, page.name, page.slug) for key, page in document.ordered_pages())
    if part == "header":
        keys = ("header.arrangement", "header.height_wide", "header.height_phone", "header.tagline", "logo.form")
        own = (*(look.value(key) for key in keys), document.tagline, look.value("logo.picture"))
        roles: tuple[str, ...] = (*_TEXT_ROLES, "link_hover")
    else:
        own = tuple(look.value(f"footer.{key}") for key in ("copyright", "navigation", "words"))
        roles = (*_TEXT_ROLES, *_LINK_ROLES)
    return (document.name, own, names, document.navigation, tuple(getattr(ground, role) for role in roles))


def _section(look: Look, section: Section) -> tuple[Any, ...]:
    slug = look.ground(section).value
    ground = look.grounds[slug]
    roles = [*_TEXT_ROLES]
    values = [section.fields, *(item.fields for item in section.items.values())]
    if section.fields.get("button"):
        roles += _BUTTON_ROLES
    if any("<a " in v or (k in _LINKING and k != "link") for fields in values for k, v in fields.items()) or any(
        item.fields.get("link") for item in section.items.values()
    ):
        roles += _LINK_ROLES
    used = {value for fields in values for value in fields.values()}
    shown = tuple(p for key, p in sorted(look.document.pictures.items()) if key in used)
    return (section, look.layout(section).value, slug, shown, tuple(getattr(ground, role) for role in roles))
