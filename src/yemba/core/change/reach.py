"""Reach: the places whose content or resolved values differ between two documents."""

from __future__ import annotations

from typing import Any, NamedTuple

from yemba.core.change.difference import Change
from yemba.core.site.document import Document, Section, ordered_sections
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


def of_change(change: Change, live: Look, draft: Look) -> list[Place]:
    """The places one waiting change touches.

    A change of content touches its own section or page; one of design every place that looks
    otherwise once the live document has this value and no other of the draft's.
    """
    if change.section:
        return [Place(change.page, change.section)]
    if change.form == "page" or change.key.startswith(("page.", "section.")):
        return [place for place in places(draft) if place.page == change.page and change.form == "page"]
    return reach(live, Look(with_only(live.document, change, draft), live.catalogue))


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


def with_only(document: Document, change: Change, draft: Look) -> Document:
    """`document` with the design values that one change sets in the draft."""
    plain, other = document.plain(), draft.document.plain()
    home, _, key = change.key.partition(".")
    match home:
        case "template":
            plain["template"] = other["template"]
        case "colour" | "palette":
            plain.setdefault("sheet", {})["palette"] = _palette_with(document, change, draft)
        case "value":
            holder = "parts" if key in other.get("parts", {}) or key in plain.get("parts", {}) else "sheet"
            plain.setdefault(holder, {})[key] = draft.value(key)
            if key == "logo.picture":
                plain["pictures"] = other.get("pictures", {})
        case "name" | "tagline" | "navigation" | "menu":
            for field in ("name", "tagline", "navigation"):
                plain[field] = other.get(field, plain.get(field, "" if field != "navigation" else {}))
        case _:
            return document
    return Document.model_validate(plain)


def _palette_with(document: Document, change: Change, draft: Look) -> list[dict[str, str]]:
    """The palette of `document` with one colour as the draft has it."""
    key = change.key.partition(".")[2]
    before = Look(document, draft.catalogue).value("palette")
    after = {c["id"]: c for c in draft.value("palette")}
    if change.key == "palette.order" or key not in {c["id"] for c in before} or key not in after:
        return list(draft.value("palette"))
    return [after[key] if c["id"] == key else c for c in before]


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
