"""One page: header, sections, footer, each a fragment that can be had alone."""

from __future__ import annotations

import json
import re
from functools import cache
from typing import Any, NamedTuple

from django.template import Context, Engine
from django.utils.safestring import SafeString, mark_safe

from yemba import catalogue as shipped
from yemba.core.calendar import spoken
from yemba.core.change.commands.pages import menu
from yemba.core.site.backdrop import of_header, of_section
from yemba.core.site.document import Document, Page, Section, ordered_items, ordered_sections
from yemba.core.site.kinds import Field
from yemba.core.site.structured import business, events
from yemba.core.type.alphabets import from_right
from yemba.render import pictures
from yemba.render.one_off import one_off_mark
from yemba.render.site import Site
from yemba.render.style import SKELETON

FORMS = "/-/form/"
"""Where a contact form of a live site is sent, followed by the section's id."""
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


class At(NamedTuple):
    """Where a fragment stands: `root` leads from there to the site's own address."""

    root: str
    page: str = ""


def fragments(site: Site, page_id: str) -> Fragments:
    """Header, sections and footer of a page."""
    page = site.look.document.pages[page_id]
    here = at(site.look.document, page_id)
    pieces = {"header": header(site, here)}
    for place, (section_id, section) in enumerate(ordered_sections(page)):
        pieces[section_id] = show_section(site, here, section_id, section, place)
    pieces["footer"] = footer(site, here)
    return Fragments(site.look.value("header.arrangement"), pieces)


def render_page(site: Site, page_id: str, sheets: list[str], preloads: list[str]) -> str:
    """The whole page; `sheets` and `preloads` are file names under assets/."""
    document, page = site.look.document, site.look.document.pages[page_id]
    made = fragments(site, page_id)
    first = page.sections[page.order[0]] if page.order else None
    head = Head(title_of(document, page), page.description, sheets, preloads, path_of(page).removesuffix("index.html"))
    told = [*events(document, page, site.address)]
    if not page.slug:
        told.insert(0, business(document, site.address))
    return _document(
        site,
        at(document, page_id),
        head,
        [made.pieces[place] for place in made.order],
        lone=page.name if first is None or not first.fields.get("heading") else "",
        header=made.pieces["header"],
        footer=made.pieces["footer"],
        structured=_json_ld(told) if site.address else "",
    )


def render_notice(site: Site, title: str, inner: str, sheets: list[str], preloads: list[str]) -> str:
    """A page that is none of the owner's, in the site's design: "not found", "sent". Its links hold at any address."""
    return _document(site, At("/"), Head(title, "", sheets, preloads, ""), [inner], noindex=True)


class Head(NamedTuple):
    """What stands in a page's head; `path` is its address below the site's."""

    title: str
    description: str
    sheets: list[str]
    preloads: list[str]
    path: str


def title_of(document: Document, page: Page) -> str:
    """What the browser and search engines call a page."""
    home = document.name if not document.tagline else f"{document.name}: {document.tagline}"
    return page.title or (f"{page.name} – {document.name}" if page.slug else home)


def _document(site: Site, here: At, head: Head, sections: list[str], **context: Any) -> str:
    look = site.look
    return render_part(
        "page.html",
        document=look.document,
        page_id=here.page,
        draft=site.draft,
        from_right=from_right(look.document.language),
        root=here.root,
        head=head,
        sheets=[f"{here.root}assets/{name}" for name in head.sheets],
        preloads=[f"{here.root}assets/{name}" for name in head.preloads],
        address=site.address,
        theme=look.grounds[look.value("header.ground")].fill.hex,
        arrangement=look.value("header.arrangement"),
        sections=[mark_safe(section) for section in sections],
        header=mark_safe(context.pop("header", None) or header(site, here)),
        footer=mark_safe(context.pop("footer", None) or footer(site, here)),
        **context,
    )


def _json_ld(told: list[dict[str, Any]]) -> str:
    """JSON that cannot end the script element it stands in."""
    if not told:
        return ""
    text = json.dumps(told if len(told) > 1 else told[0], ensure_ascii=False)
    return mark_safe(text.replace("<", "\\u003c"))


def render_part(name: str, **context: Any) -> str:
    return str(_engine().get_template(name).render(Context(context)))


def at(document: Document, page_id: str) -> At:
    """Where the fragments of a page stand."""
    return At("../" if document.pages[page_id].slug else "", page_id)


def _href(site: Site, here: At, link: str) -> str:
    """The address of a stored link as seen from a place; "" where its page is gone."""
    if not link.startswith("page:"):
        return link
    page = site.look.document.pages.get(link[5:])
    return (here.root + (f"{page.slug}/" if page.slug else "") or "./") if page else ""


def _entries(site: Site, here: At) -> list[dict[str, Any]]:
    document = site.look.document
    return [
        {
            "name": document.navigation.names.get(key, document.pages[key].name),
            "href": _href(site, here, f"page:{key}"),
            "current": key == here.page,
        }
        for key in menu(document)
        if key not in document.navigation.hidden
    ]


def header(site: Site, here: At) -> str:
    look = site.look
    logo = look.document.pictures.get(look.value("logo.picture"))
    shown = logo and look.value("logo.form") == "picture"
    behind = of_header(look)
    return render_part(
        "header.html",
        document=look.document,
        draft=site.draft,
        ground=look.value("header.ground"),
        home=here.root or "./",
        logo=pictures.logo(logo, here.root, look.document.name) if logo and shown else None,
        tagline=look.document.tagline if look.value("header.tagline") else "",
        entries=_entries(site, here),
        backdrop=pictures.shown(behind.picture, here.root) if behind else None,
        tint=behind.tint if behind else 0,
    )


def footer(site: Site, here: At) -> str:
    look = site.look
    line = look.value("footer.copyright").replace("{year}", str(site.today.year)).replace("{name}", look.document.name)
    return render_part(
        "footer.html",
        draft=site.draft,
        ground=look.value("footer.ground"),
        words=look.value("footer.words"),
        copyright=line,
        entries=_entries(site, here) if look.value("footer.navigation") else [],
    )


def show_section(
    site: Site,
    here: At,
    section_id: str,
    section: Section,
    place: int,
    typed: dict[str, str] | None = None,
    wrong: str = "",
) -> str:
    """One section, `place` counting from 0 on its page. A form shows again what was `typed`, and what is `wrong`."""
    look, sent = site.look, typed or {}
    kind, layout = look.catalogue.kind(section.kind), look.layout(section).value
    item_fields = kind.items.fields if kind.items else []
    level = 1 if place == 0 else 2
    own = f"{section.kind}/{layout}.html"
    inner = render_part(
        own if (shipped.KINDS / own).exists() else f"{section.kind}/section.html",
        id=section_id,
        s=_shown(site, here, kind.fields, section.fields),
        items=[
            {"id": key, "typed": sent.get(key, ""), **_shown(site, here, item_fields, item.fields)}
            for key, item in ordered_items(section)
        ],
        form_action=f"{FORMS}{section_id}/",
        typed=sent,
        wrong=wrong,
        layout=layout,
        sizes=kind.sizes(layout),
        level=level,
        below=level + 1 if section.fields.get("heading") or place == 0 else 2,
        first=place == 0,
        draft=site.draft,
        language=look.document.language,
        one_offs={
            element: {"align": values.get("align", ""), "one": one_off_mark(look, section, element)}
            for element, values in section.one_offs.items()
        },
        types={field.slug: field.type for field in kind.fields},
        item_types={field.slug: field.type for field in item_fields},
    )
    behind = of_section(look, section)
    return render_part(
        "section.html",
        backdrop=pictures.shown(behind.picture, here.root) if behind else None,
        tint=behind.tint if behind else 0,
        first=place == 0,
        id=section_id,
        kind=section.kind,
        layout=layout,
        ground=look.ground(section).value,
        draft=site.draft,
        inner=mark_safe(inner),
    )


def _shown(site: Site, here: At, fields: list[Field], stored: dict[str, str]) -> dict[str, Any]:
    """Stored values as a layout prints them."""
    return {field.slug: _value(site, here, field, stored[field.slug]) for field in fields if stored.get(field.slug)}


def _value(site: Site, here: At, field: Field, stored: str) -> Any:
    document = site.look.document
    match field.type:
        case "words":
            return SafeString(_PAGE_LINK.sub(lambda match: _page_link(site, here, match[1]), stored))
        case "link":
            return _href(site, here, stored)
        case "price":
            return spoken.price(stored, document.currency, document.language)
        case "picture":
            found = document.pictures.get(stored)
            return pictures.shown(found, here.root) if found else None
        case _:
            return stored


def _page_link(site: Site, here: At, page_id: str) -> str:
    """The attributes of a link to a page; a draft also says which, so that words go back as stored."""
    said = f' data-page="{page_id}"' if site.draft else ""
    return f'href="{_href(site, here, f"page:{page_id}")}"{said}'
