"""The questions that fragments of a page ask of the site around them."""

from __future__ import annotations

import json
from collections.abc import Iterable
from typing import Any, NamedTuple

from yemba.core.language import ENGLISH
from yemba.core.layout.arrangement import NONE, OVER
from yemba.core.layout.tiles import TileSizes
from yemba.core.part.part import parts
from yemba.core.picture import placing
from yemba.core.site import background, dates, files, footer, frame, journal, languages, navigation, scripts
from yemba.core.site.behind import PICTURE, of_fields, of_section
from yemba.core.site.behind_style import style_mark
from yemba.core.site.buttons import FILLED, SHADE, form_of
from yemba.core.site.document import MAIN, Document, OwnFile, Page, Picture
from yemba.core.site.excerpts import Excerpt
from yemba.core.site.excerpts import excerpt as excerpt_of
from yemba.core.site.extra import extra
from yemba.core.site.header import ground_on, header, marks
from yemba.core.site.header import shown_title as header_title
from yemba.core.site.header_ground import behind
from yemba.core.site.logo import logo_on
from yemba.core.site.logo import logo_pointed as pointed
from yemba.core.site.pictures import proportion
from yemba.core.site.structured import business
from yemba.core.site.wordmark import Wordmark
from yemba.core.site.wordmark import wordmark as mark_of
from yemba.core.type.levels import LEVELS
from yemba.core.value.link import FILE, PAGE, target
from yemba.render.level import longest_word
from yemba.render.one_off import one_off_mark
from yemba.render.recorder import question
from yemba.render.site import Site


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
def entries(site: Site) -> list[navigation.Entry]:
    """What the menu shows, in its order; their links as `path` gives them."""
    return _led(site.look.document, navigation.entries(site.look.document))


@question
def trail(site: Site, page: str) -> list[navigation.Entry]:
    """The entries of the menu that lead to a page which stands under another."""
    return _led(site.look.document, navigation.trail(site.look.document, page))


def _led(document: Document, entries: Iterable[navigation.Entry]) -> list[navigation.Entry]:
    """The entries with their links as `path` gives them, without those that lead to what is gone."""
    led = (
        entry._replace(link=_path(document, entry.link), below=tuple(_led(document, entry.below))) for entry in entries
    )
    return [entry for entry in led if entry.link]


def _path(document: Document, link: str) -> str:
    """A stored link as it stands in markup: one of a page begins with "/", the site's own address; "" if it is gone."""
    page, section = target(link)
    page = languages.in_shown(document, page)
    if link.startswith(FILE):
        file = document.files.get(link.removeprefix(FILE))
        return f"/{files.path(file)}" if file else ""
    if not page:
        return link
    if not document.is_published(page):
        return ""
    there = _section_there(document.shown(page), section)
    return _direct(document, page) + (f"#{there}" if there else "")


def _direct(document: Document, page: str) -> str:
    """The path of a page, in whichever language it is."""
    slug = document.pages[page].slug
    return f"/{slug}/" if slug else "/"


def _section_there(page: Page, section: str) -> str:
    """The name in the address of a section, or of the one that says the same on this page; "" where there is none."""
    every = page.sections.items() if section else ()
    known = next(((key, one) for key, one in every if section in (key, one.version_of)), None)
    return known[1].slug or known[0] if known else ""


@question
def in_main_language(site: Site) -> bool:
    """Whether the site is seen in its main language."""
    return not site.look.document.seen_in


@question
def home(site: Site) -> str:
    """The path of the page that the site begins with, in the language it is seen in."""
    document = site.look.document
    first = languages.home(document, document.seen_in or MAIN)
    return _direct(document, first) if first else "/"


@question
def alternates(site: Site, page: str) -> list[tuple[str, str]]:
    """A page in every language that visitors see it in, by tag, with its path below the site's; nothing where that is
    one alone. The main one comes once more, as the one for anybody else."""
    document = site.look.document
    versions = _seen_versions(document, page)
    if len(versions) < 2:
        return []
    main = languages.main_language(site.look)
    paths = [(main if tag == MAIN else tag, _direct(document, key)[1:]) for tag, key in versions.items()]
    return [*paths, *(("x-default", path) for tag, path in paths if tag == main)]


def _seen_versions(document: Document, page: str) -> dict[str, str]:
    versions = languages.versions(document, page) if page in document.pages else {}
    return {tag: key for tag, key in versions.items() if document.is_published(key)}


@question
def switch(site: Site, page: str) -> list[tuple[str, str, str]]:
    """The other languages of the site: the tag of each, what its speakers call it, and where it leads: to the same
    page there, else to the page it begins with."""
    document, look = site.look.document, site.look
    there = _seen_versions(document, page)
    here = document.seen_in or MAIN
    ways = [(tag, there.get(tag) or languages.home(document, tag)) for tag in (MAIN, *languages.further(document))]
    return [
        (languages.main_language(look) if tag == MAIN else tag, languages.name(look, tag), _direct(document, key))
        for tag, key in ways
        if tag != here and key
    ]


@question
def path(site: Site, link: str) -> str:
    """A stored link as `_path` gives it."""
    return _path(site.look.document, link)


@question
def file(site: Site, link: str) -> OwnFile | None:
    """The file that a stored link leads to."""
    return site.look.document.files.get(link.removeprefix(FILE)) if link.startswith(FILE) else None


@question
def excerpt(site: Site, link: str) -> Excerpt | None:
    """What the page that a stored link leads to says of itself."""
    return excerpt_of(site.look, languages.in_shown(site.look.document, target(link)[0]))


class Listed(NamedTuple):
    """A page where it is listed: its address as `path` gives it, and what it says of itself."""

    path: str
    excerpt: Excerpt


def _listed(site: Site, keys: Iterable[str]) -> list[Listed]:
    excerpts = ((key, excerpt_of(site.look, key)) for key in keys)
    return [Listed(_path(site.look.document, f"{PAGE}{key}"), summary) for key, summary in excerpts if summary]


@question
def listed(site: Site, shows: str, tag: str, month: str, most: str) -> list[Listed]:
    """What a section of excerpts lists that chooses none by hand: posts of a tag and a month, or pages of a tag."""
    document = site.look.document
    posts = shows == journal.POSTS
    keys = journal.posts(document, site.moment, tag=tag, month=month) if posts else journal.tagged_pages(document, tag)
    return _listed(site, keys[: int(most)])


@question
def ways(site: Site) -> list[tuple[str, list[tuple[str, str, int]]]]:
    """The lists of tags and of months, each entry with its address and how many posts it has."""
    document = site.look.document
    counts = journal.ways(document, site.moment)
    slugs = journal.tag_slugs(journal.every_tag(document))
    tags = [(tag, tag_path(document, slugs[tag]), count) for tag, count in counts.tags.items()]
    months = [(month, month_path(document, month), count) for month, count in counts.months.items()]
    return [("tags", tags), ("months", months)]


def tag_path(document: Document, slug: str) -> str:
    """The address of the posts of a tag, as `path` gives one."""
    return f"/{languages.first_step(document)}tag/{slug}/"


def month_path(document: Document, month: str) -> str:
    """The address of the posts of a month, "2026-10"."""
    return f"/{languages.first_step(document)}month/{month}/"


def feed_path(document: Document) -> str:
    """The file of the newest posts."""
    return f"{languages.first_step(document)}feed.atom"


@question
def post(site: Site, page: str) -> tuple[str, list[tuple[str, str]]] | None:
    """When a page was posted, and its tags with their addresses; None for a page that is no post."""
    document = site.look.document
    whole = document.pages.get(page)
    if whole is None or not whole.posted:
        return None
    slugs = journal.tag_slugs(journal.every_tag(document))
    return whole.posted, [(tag, tag_path(document, slugs[tag])) for tag in whole.tags]


@question
def onward(site: Site, page: str) -> tuple[list[Listed], list[Listed], str] | None:
    """The post before one and that after it, and the address of the page that lists all; None for what is no post."""
    document = site.look.document
    if page not in document.pages or not document.pages[page].posted:
        return None
    before, after = (_listed(site, filter(None, [key])) for key in journal.neighbours(document, page, site.moment))
    whole = journal.list_page(site.look)
    return before, after, _path(document, f"{PAGE}{whole}") if whole else ""


@question
def has_posts(site: Site) -> bool:
    """Whether visitors see any post in the language the site is seen in."""
    return bool(journal.posts(site.look.document, site.moment))


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
def behind_section(site: Site, kind: str, ground: str | None, fields: tuple[tuple[str, str], ...]) -> tuple[str, str]:
    """What is shown behind the words of a section of a kind, with a ground and fields as stored; and its mark in the
    stylesheet."""
    chosen = of_fields(dict(fields), site.look.ground_of(kind, ground).value)
    return chosen.shown(site.look), style_mark(site.look, chosen)


@question
def button(site: Site, kind: str) -> str:
    """The classes of a button of a kind."""
    look = site.look
    form = form_of(look.value("buttons.form"), kind)
    classes = ["button", *([f"is-{form}"] if form != FILLED else [])]
    sign, pointed, pressed = (look.value(f"buttons.{name}") for name in ("sign", "pointed", "pressed"))
    classes += [f"with-{sign}"] if sign != "none" else []
    classes += [f"pointed-{pointed}"] if pointed != SHADE else []
    classes += [f"pressed-{pressed}"] if pressed != SHADE else []
    return " ".join(classes)


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
def wordmark(site: Site) -> Wordmark:
    """The name as it is set where it stands for the logo."""
    return mark_of(site.look)


@question
def shown_title(site: Site) -> str:
    """Where the name or the logo stands in the header."""
    return header_title(site.look)


@question
def longest_in_title(site: Site) -> str:
    """The mark of the name by its longest word and what stands beside it."""
    return longest_word(site.look, "title", site.look.document.name, mark_of(site.look).beside)


@question
def logo_pointed(site: Site) -> Picture | None:
    """What stands in the logo's place under the pointer."""
    return pointed(site.look)


@question
def longest_in(site: Site, level: str, words: str) -> str:
    """The mark of words in a level by the longest of them."""
    return longest_word(site.look, level, words)


def _level(site: Site, kind: str, field: str) -> str:
    shape = site.look.catalogue.kind(kind)
    return next(known.level for known in (*shape.fields, *shape.fields_of("item")) if known.slug == field)


@question
def coming(site: Site, entries: str, most: str) -> list[dates.Coming]:
    """Dates that are not over, of entries as JSON gives them by their ids."""
    return dates.coming(json.loads(entries), site.moment, int(most))


@question
def year(site: Site) -> int:
    return site.today.year


@question
def language_of_phrases(site: Site) -> str:
    """The language that Yemba itself speaks on the pages: the site's where there are translations."""
    language = site.look.language
    return language.tag if language.phrases else ENGLISH.tag


@question
def ground_of_part(site: Site, part: str, page: str) -> str:
    """The ground that a part stands on, on a page."""
    return parts()[part].ground_on(site.look, page)


@question
def header_extra(site: Site) -> tuple[Picture, str, bool, bool] | None:
    """The small picture of the header, where it leads, whether it is mirrored and whether it is see-through."""
    look, small = site.look, extra(site.look)
    if small is None:
        return None
    link = _path(look.document, look.value("header.extra_link"))
    return small.picture, link, look.value("header.extra_mirror"), look.value("header.extra_strength") < 100


@question
def entries_before_title(site: Site) -> int | None:
    """How many entries of the menu stand before a title that stands between them; None where it stands otherwise."""
    return header(site.look).half if site.look.arrangement.split else None


@question
def has_header(site: Site) -> bool:
    return site.look.arrangement.menu != NONE


@question
def header_marks(site: Site) -> str:
    """Classes of the header for what its owner set of it."""
    return marks(site.look)


@question
def backdrop(site: Site, part: str) -> Picture | None:
    """The picture behind a part, where one is shown."""
    look = site.look
    if part == "header" and behind(look) != PICTURE:
        return None
    if part == "background":
        return background.chosen(look).backdrop(look) if background.is_seen(look) else None
    return look.pictures.get(look.value(f"{part}.backdrop"))


@question
def footer_marks(site: Site) -> tuple[str, str, bool]:
    """Classes of the footer and its mark in the stylesheet, "" for nothing of its own; whether it names the site."""
    return footer.marks(site.look), style_mark(site.look, footer.behind(site.look)), footer.names_site(site.look)


@question
def stands_over_picture(site: Site, page: str) -> bool:
    """Whether the header stands over a section with a picture behind it."""
    look = site.look
    if look.arrangement.stands != OVER or page not in look.document.pages:
        return False
    whole = look.document.shown(page)
    if not whole.order:
        return False
    return of_section(look, whole.sections[whole.order[0]]).backdrop(look) is not None


@question
def sidebar_on(site: Site, page: str) -> str:
    """Where the sidebar stands on a page: "start", "end" or "none"."""
    return frame.sidebar_on(site.look, page)


@question
def background_marks(site: Site) -> str:
    """Classes of what is behind the page; "" where nothing of it is seen."""
    look = site.look
    if not background.is_seen(look):
        return ""
    kind = background.chosen(look).shown(look)
    classes = [f"shows-{kind}"]
    if kind == PICTURE:
        classes += placing.classes(look.value("background.fit"), look.value("background.anchor"))
        classes += [f"filter-{look.value('background.filter')}"] if look.value("background.filter") != "none" else []
    return " ".join([*classes, f"moves-{look.value('background.moves')}"])


@question
def background_tile(site: Site) -> tuple[float, float] | None:
    """Width and height in px of a tile of the picture behind the page; None where it is no tile."""
    look = site.look
    picture = background.chosen(look).backdrop(look)
    if picture is None or look.value("background.fit") != "tile":
        return None
    width = look.value("background.tile")
    return width, round(width / proportion(picture), 2)


@question
def kinds_with_scripts_everywhere(site: Site) -> tuple[str, ...]:
    """The kinds of section whose script goes with every page."""
    return scripts.kinds_with_scripts_everywhere(site.look)


@question
def page_ground(site: Site) -> str:
    """The ground behind the sections."""
    return site.look.template.page


@question
def theme(site: Site, page: str) -> str:
    """The colour that browsers put around a page."""
    return site.look.grounds[ground_on(site.look, page)].fill.hex


@question
def about(site: Site) -> dict[str, Any]:
    """What search engines are told about the business."""
    return business(site.look, site.address)


@question
def sections_of(site: Site, part: str) -> list[Any]:
    """The sections that a part shows in the language the site is seen in, with their ids."""
    document = site.look.document
    return languages.shown_sections(document.holder(("shared", part)), document.seen_in or MAIN)
