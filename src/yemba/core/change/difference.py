"""Waiting changes: what differs between two documents, by id, as the owner thinks of it.

Computed whenever it is asked for, never stored: it cannot be stale.
"""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any, NamedTuple

from yemba.core.colour.grounds import GROUND_NAMES
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document, Page, Section
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS, OneOf, YesNo
from yemba.core.site.words import plain


class Change(NamedTuple):
    """`subject` is what changed, `before` and `after` its state in words; for colours, hex codes.

    `form` is one of colour, value, words, section, page. `page` and `section` say where, "" for
    the whole site. `chapter` is where it is decided, `control` the id of the control there.
    """

    key: str
    form: str
    subject: str
    before: str
    after: str
    chapter: str
    page: str = ""
    section: str = ""
    control: str = ""


def difference(before: Document, after: Document, catalogue: Catalogue) -> list[Change]:
    """Every change from `before` to `after`, design first, then pages in their order."""
    was, now = Look(before, catalogue), Look(after, catalogue)
    return [
        *_site(before, after, catalogue),
        *_palette(was, now),
        *_values(was, now),
        *_navigation(before, after),
        *_pages(was, now),
        *_pictures(before, after),
    ]


def _site(before: Document, after: Document, catalogue: Catalogue) -> Iterator[Change]:
    if before.template != after.template:
        old, new = (catalogue.template(d.template).name for d in (before, after))
        yield Change("template", "value", "Template", old, new, "template")
    if before.ready_sheet != after.ready_sheet:
        old, new = (catalogue.ready_sheet(d.ready_sheet).name if d.ready_sheet else "—" for d in (before, after))
        yield Change("ready-sheet", "value", "Brand sheet", old, new, "template")
    if before.name != after.name:
        yield Change("name", "words", "Site name", before.name, after.name, "logo", control="title")
    if before.tagline != after.tagline:
        yield Change("tagline", "words", "Tagline", before.tagline, after.tagline, "logo", control="tagline")


def _palette(was: Look, now: Look) -> Iterator[Change]:
    old, new = ({c["id"]: c for c in look.value("palette")} for look in (was, now))
    for key, colour in new.items():
        before = old.get(key)
        control = f"colour-{key}"
        if before is None:
            yield Change(f"colour.{key}", "colour", colour["name"], "", colour["hex"], "palette", control=control)
        elif before["hex"] != colour["hex"]:
            yield Change(
                f"colour.{key}", "colour", colour["name"], before["hex"], colour["hex"], "palette", control=control
            )
        elif before["name"] != colour["name"]:
            yield Change(
                f"colour.{key}", "words", "Colour name", before["name"], colour["name"], "palette", control=control
            )
    for key in old.keys() - new.keys():
        yield Change(f"colour.{key}", "colour", old[key]["name"], old[key]["hex"], "", "palette")
    kept = [key for key in new if key in old]
    if kept != [key for key in old if key in new]:
        first = [next(iter(colours.values()))["name"] for colours in (old, new)]
        yield Change("palette.order", "value", "Order of colours", f"{first[0]} leads", f"{first[1]} leads", "palette")


def _values(was: Look, now: Look) -> Iterator[Change]:
    for key, setting in SETTINGS.items():
        before, after = was.value(key), now.value(key)
        if key == "palette" or before == after:
            continue
        yield Change(
            f"value.{key}", "value", setting.name, _said(was, key), _said(now, key), setting.chapter, control=key
        )


def _said(look: Look, key: str) -> str:
    value, rule = look.value(key), SETTINGS[key].rule
    if isinstance(rule, OneOf):
        return rule.choices.get(value, str(value))
    if isinstance(rule, YesNo):
        return "shown" if value else "not shown"
    if key in ("type.heading", "type.body"):
        return look.family(key).name
    if key == "logo.picture":
        picture = look.document.pictures.get(value)
        return picture.name if picture else "none"
    unit = getattr(rule, "unit", "")
    return f"{value:g} {unit}".strip() if isinstance(value, int | float) else str(value) or "none"


def _navigation(before: Document, after: Document) -> Iterator[Change]:
    if before.navigation.order != after.navigation.order:
        yield Change("navigation.order", "value", "Order of the menu", "as it was", "new order", "header")
    for page_id, page in after.pages.items():
        names = [document.navigation.names.get(page_id, "") for document in (before, after)]
        if names[0] != names[1]:
            was, now = (name or page.name for name in names)
            yield Change(f"navigation.{page_id}", "words", "Menu name", was, now, "header", page_id)
        was, now = ("hidden" if page_id in d.navigation.hidden else "shown" for d in (before, after))
        if was != now and page_id in before.pages:
            yield Change(f"menu.{page_id}", "value", f"{page.name} in the menu", was, now, "header", page_id)


def _pages(was: Look, now: Look) -> Iterator[Change]:
    before, after = was.document, now.document
    for page_id, page in after.ordered_pages():
        old = before.pages.get(page_id)
        if old is None:
            yield Change(f"page.{page_id}", "page", f"Page {page.name}", "", "new", "pages", page_id)
        elif old != page:
            yield from _page(page_id, old, page, now)
    for page_id in before.order:
        if page_id not in after.pages:
            yield Change(f"page.{page_id}", "page", f"Page {before.pages[page_id].name}", "there", "gone", "pages")
    common = [[p for p in d.order if p in after.pages and p in before.pages] for d in (before, after)]
    if common[0] != common[1]:
        yield Change("page.order", "value", "Order of pages", "as it was", "new order", "pages")


def _page(page_id: str, old: Page, new: Page, now: Look) -> Iterator[Change]:
    for field, subject in (
        ("name", "Page name"),
        ("slug", "Address"),
        ("title", "Title"),
        ("description", "Description"),
    ):
        values = (getattr(old, field), getattr(new, field))
        if values[0] != values[1]:
            yield Change(
                f"page.{page_id}.{field}", "words", subject, *values, "pages", page_id, control=f"page-{page_id}"
            )
    for key in new.order:
        kind = now.catalogue.kind(new.sections[key].kind).name
        if key not in old.sections:
            yield Change(f"section.{key}", "section", f"{kind} on {new.name}", "", "new", "pages", page_id, key)
        elif old.sections[key] != new.sections[key]:
            yield from _section(page_id, key, old.sections[key], new.sections[key], f"{kind} on {new.name}", now)
    for key in old.order:
        if key not in new.sections:
            kind = now.catalogue.kind(old.sections[key].kind).name
            yield Change(f"section.{key}", "section", f"{kind} on {new.name}", "there", "gone", "pages", page_id)
    common = [[s for s in page.order if s in new.sections and s in old.sections] for page in (old, new)]
    if common[0] != common[1]:
        yield Change(
            f"page.{page_id}.order", "value", f"Order on {new.name}", "as it was", "new order", "pages", page_id
        )


def _section(page: str, key: str, old: Section, new: Section, where: str, now: Look) -> Iterator[Change]:
    kind = now.catalogue.kind(new.kind)
    about: dict[str, Any] = {"chapter": "pages", "page": page, "section": key}
    for attribute, names in (("layout", kind.layout_names()), ("ground", GROUND_NAMES)):
        values = [getattr(section, attribute) for section in (old, new)]
        if values[0] != values[1]:
            said = [names.get(value or "", "as the template has it") for value in values]
            yield Change(f"section.{key}.{attribute}", "value", f"{attribute.title()}: {where}", *said, **about)
    if old.one_offs != new.one_offs:
        said = [f"{len(section.one_offs)} one-offs" for section in (old, new)]
        yield Change(f"section.{key}.one-offs", "value", f"One-offs: {where}", *said, **about)
    for field in kind.fields:
        values = [plain(section.fields.get(field.slug, "")) for section in (old, new)]
        if old.fields.get(field.slug) != new.fields.get(field.slug):
            yield Change(f"section.{key}.{field.slug}", "words", f"{field.name}: {where}", *values, **about)
    if (old.items, old.order) != (new.items, new.order):
        plural = kind.items.plural if kind.items else "Items"
        said = [_item_words(old, new), _item_words(new, old)]
        yield Change(f"section.{key}.items", "words", f"{plural}: {where}", *said, **about)


def _item_words(section: Section, other: Section) -> str:
    """The words of the items that the other state has not."""
    differing = [section.items[key] for key in section.order if section.items[key] != other.items.get(key)]
    said = "; ".join(" ".join(plain(value) for value in item.fields.values()) for item in differing)
    return said or f"{len(section.order)} entries"


def _pictures(before: Document, after: Document) -> Iterator[Change]:
    for key, picture in after.pictures.items():
        old = before.pictures.get(key)
        if old and old.alt != picture.alt:
            yield Change(f"picture.{key}", "words", f"Alt text of {picture.name}", old.alt, picture.alt, "pages")
