"""One page: header, sections, footer, each a fragment that can be had alone."""

from __future__ import annotations

import re
from functools import cache
from typing import Any, NamedTuple

from django.template import Context, Engine
from django.utils.safestring import SafeString, mark_safe

from yemba import catalogue as shipped
from yemba.core.calendar import spoken
from yemba.core.change.commands.pages import menu
from yemba.core.site.document import Page, Section, ordered_items, ordered_sections
from yemba.core.site.kinds import Field
from yemba.render import pictures
from yemba.render.site import Site
from yemba.render.style import SKELETON

_PAGE_LINK = re.compile(r'href="page:(\w+)"')


class Fragments(NamedTuple):
    """A page in pieces, in the order they stand: place id to HTML."""

    arrangement: str
    pieces: dict[str, str]

    @property
    def order(self) -> list[str]:
        return [place for place in self.pieces if place not in ("header", "footer")]


@cache
def _engine() -> Engine:
    # render stands without Django's settings: the export and the tests of it need none
    return Engine(dirs=[str(SKELETON), str(shipped.KINDS)], builtins=["yemba.render.tags"])


def path_of(page: Page) -> str:
    """The file a page is published as."""
    return f"{page.slug}/index.html" if page.slug else "index.html"


def fragments(site: Site, page_id: str) -> Fragments:
    """Header, sections and footer of a page."""
    page = site.look.document.pages[page_id]
    pieces = {"header": _header(site, page_id)}
    for place, (section_id, section) in enumerate(ordered_sections(page)):
        pieces[section_id] = _section(site, page, section_id, section, place)
    pieces["footer"] = _footer(site, page_id)
    return Fragments(site.look.value("header.arrangement"), pieces)


def render_page(site: Site, page_id: str, sheets: list[str], preloads: list[str]) -> str:
    """The whole page; `sheets` and `preloads` are file names under assets/."""
    look, page = site.look, site.look.document.pages[page_id]
    made = fragments(site, page_id)
    root = _root(page)
    first = page.sections[page.order[0]] if page.order else None
    home = look.document.name if not look.document.tagline else f"{look.document.name}: {look.document.tagline}"
    return _render(
        "page.html",
        document=look.document,
        page=page,
        page_id=page_id,
        draft=site.draft,
        root=root,
        title=page.title or (f"{page.name} – {look.document.name}" if page.slug else home),
        description=page.description,
        sheets=[f"{root}assets/{name}" for name in sheets],
        preloads=[f"{root}assets/{name}" for name in preloads],
        theme=look.grounds[look.value("header.ground")].fill.hex,
        arrangement=made.arrangement,
        lone=first is None or not first.fields.get("heading"),
        header=mark_safe(made.pieces["header"]),
        footer=mark_safe(made.pieces["footer"]),
        sections=[mark_safe(made.pieces[place]) for place in made.order],
    )


def _render(name: str, **context: Any) -> str:
    return str(_engine().get_template(name).render(Context(context)))


def _root(page: Page) -> str:
    return "../" if page.slug else ""


def _href(site: Site, at: Page, link: str) -> str:
    """The address of a stored link as seen from a page; "" where its page is gone."""
    if not link.startswith("page:"):
        return link
    page = site.look.document.pages.get(link[5:])
    return (_root(at) + (f"{page.slug}/" if page.slug else "") or "./") if page else ""


def _entries(site: Site, page_id: str) -> list[dict[str, Any]]:
    document = site.look.document
    return [
        {
            "name": document.navigation.names.get(key, document.pages[key].name),
            "href": _href(site, document.pages[page_id], f"page:{key}"),
            "current": key == page_id,
        }
        for key in menu(document)
        if key not in document.navigation.hidden
    ]


def _header(site: Site, page_id: str) -> str:
    look, page = site.look, site.look.document.pages[page_id]
    logo = look.document.pictures.get(look.value("logo.picture"))
    shown = logo and look.value("logo.form") == "picture"
    return _render(
        "header.html",
        document=look.document,
        draft=site.draft,
        ground=look.value("header.ground"),
        home=_root(page) or "./",
        logo=pictures.logo(logo, _root(page), look.document.name) if logo and shown else None,
        tagline=look.document.tagline if look.value("header.tagline") else "",
        entries=_entries(site, page_id),
    )


def _footer(site: Site, page_id: str) -> str:
    look = site.look
    line = look.value("footer.copyright").replace("{year}", str(site.today.year)).replace("{name}", look.document.name)
    return _render(
        "footer.html",
        draft=site.draft,
        ground=look.value("footer.ground"),
        words=look.value("footer.words"),
        copyright=line,
        entries=_entries(site, page_id) if look.value("footer.navigation") else [],
    )


def _section(site: Site, page: Page, section_id: str, section: Section, place: int) -> str:
    look = site.look
    kind, layout = look.catalogue.kind(section.kind), look.layout(section).value
    item_fields = kind.items.fields if kind.items else []
    level = 1 if place == 0 else 2
    own = f"{section.kind}/{layout}.html"
    inner = _render(
        own if (shipped.KINDS / own).exists() else f"{section.kind}/section.html",
        s=_shown(site, page, kind.fields, section.fields),
        items=[{"id": key, **_shown(site, page, item_fields, item.fields)} for key, item in ordered_items(section)],
        layout=layout,
        level=level,
        below=level + 1 if section.fields.get("heading") or place == 0 else 2,
        first=place == 0,
        draft=site.draft,
        language=look.document.language,
        one_offs=section.one_offs,
        types={field.slug: field.type for field in kind.fields},
        item_types={field.slug: field.type for field in item_fields},
    )
    return _render(
        "section.html",
        id=section_id,
        kind=section.kind,
        layout=layout,
        ground=look.ground(section).value,
        draft=site.draft,
        inner=mark_safe(inner),
    )


def _shown(site: Site, page: Page, fields: list[Field], stored: dict[str, str]) -> dict[str, Any]:
    """Stored values as a layout prints them."""
    return {field.slug: _value(site, page, field, stored[field.slug]) for field in fields if stored.get(field.slug)}


def _value(site: Site, page: Page, field: Field, stored: str) -> Any:
    document = site.look.document
    match field.type:
        case "words":
            return SafeString(_PAGE_LINK.sub(lambda match: _page_link(site, page, match[1]), stored))
        case "link":
            return _href(site, page, stored)
        case "price":
            return spoken.price(stored, document.currency, document.language)
        case "picture":
            found = document.pictures.get(stored)
            return pictures.shown(found, _root(page)) if found else None
        case _:
            return stored


def _page_link(site: Site, at: Page, page_id: str) -> str:
    """The attributes of a link to a page; a draft also says which, so that words go back as stored."""
    said = f' data-page="{page_id}"' if site.draft else ""
    return f'href="{_href(site, at, f"page:{page_id}")}"{said}'
