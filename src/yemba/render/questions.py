"""The questions that fragments of a page ask of the site around them."""

from __future__ import annotations

from typing import Any, NamedTuple

from yemba.core.change.commands.pages import menu
from yemba.core.language import ENGLISH
from yemba.core.layout.tiles import TileSizes
from yemba.core.site.document import Picture
from yemba.core.site.logo import logo_on
from yemba.core.site.structured import business
from yemba.core.type.levels import LEVELS
from yemba.render.level import longest_word
from yemba.render.one_off import one_off_mark
from yemba.render.recorder import question
from yemba.render.site import Site


class Entry(NamedTuple):
    """An entry of the menu: a page, what it is called there, and its slug."""

    page: str
    name: str
    slug: str


@question
def value(site: Site, key: str) -> Any:
    """A design value, resolved."""
    return site.look.value(key)


@question
def site_name(site: Site) -> str:
    return site.look.document.name


@question
def tagline(site: Site) -> str:
    return site.look.document.tagline


@question
def entries(site: Site) -> list[Entry]:
    """What the menu shows, in its order."""
    document = site.look.document
    names, hidden = document.navigation.names, document.navigation.hidden
    entries = [(key, document.pages[key]) for key in menu(document) if key not in hidden]
    return [Entry(key, names.get(key, page.name), page.slug) for key, page in entries]


@question
def slug(site: Site, page: str) -> str | None:
    """A page's slug, None for one that is gone."""
    target = site.look.document.pages.get(page)
    return target.slug if target else None


@question
def picture(site: Site, key: str) -> Picture | None:
    return site.look.pictures.get(key)


@question
def logo(site: Site, ground: str) -> Picture | None:
    """The logo for a ground, None where the name stands for it."""
    return logo_on(site.look, ground)


@question
def layout(site: Site, kind: str, stored: str | None) -> str:
    """The layout that shows a section of a kind, given what is stored."""
    return str(site.look.layout_of(kind, stored).value)


@question
def picture_sizes(site: Site, kind: str, layout: str) -> TileSizes:
    """How wide a layout draws its pictures."""
    return site.look.picture_sizes(kind, layout)


@question
def ground(site: Site, kind: str, stored: str | None) -> str:
    """The ground that such a section stands on."""
    return str(site.look.ground_of(kind, stored).value)


@question
def set_apart(site: Site, stored: tuple[tuple[str, str], ...]) -> str:
    """The mark of an element with these one-offs."""
    return one_off_mark(site.look, dict(stored))


@question
def longest(site: Site, kind: str, field: str, words: str) -> str:
    """The mark of a heading by its longest word: of a field "heading" of a section, or "title" of an item."""
    level = site.look.template.levels.get(f"{kind}.{field}") or _level(site, kind, field)
    return longest_word(site.look, level, words) if LEVELS[level].fits else ""


@question
def longest_in(site: Site, level: str, words: str) -> str:
    """The mark of words in a level by the longest of them."""
    return longest_word(site.look, level, words)


def _level(site: Site, kind: str, field: str) -> str:
    shape = site.look.catalogue.kind(kind)
    return next(known.level for known in (*shape.fields, *shape.fields_of("item")) if known.slug == field)


@question
def today(site: Site) -> str:
    return site.today.isoformat()


@question
def year(site: Site) -> int:
    return site.today.year


@question
def language_of_phrases(site: Site) -> str:
    """The language that Yemba itself speaks on the pages: the site's where there are translations."""
    language = site.look.language
    return language.tag if language.phrases else ENGLISH.tag


@question
def page_ground(site: Site) -> str:
    """The ground behind the sections."""
    return site.look.template.page


@question
def theme(site: Site) -> str:
    """The colour that browsers put around the page."""
    return site.look.grounds[site.look.value("header.ground")].fill.hex


@question
def about(site: Site) -> dict[str, Any]:
    """What search engines are told about the business."""
    return business(site.look, site.address)


@question
def sections_of(site: Site, part: str) -> list[Any]:
    """The sections that a part holds, with their ids."""
    return site.look.document.holder(("shared", part)).ordered()
