"""A whole site as files: path to content, made only when asked for."""

from __future__ import annotations

import json
from collections.abc import Callable, Mapping
from functools import cache, lru_cache, partial
from hashlib import sha256
from pathlib import Path
from typing import NamedTuple
from xml.etree.ElementTree import Element, SubElement, tostring

from django.utils.safestring import mark_safe

from yemba.catalogue import kind_script
from yemba.core.picture import icons, sharing
from yemba.core.picture.drawing import raster
from yemba.core.picture.signature import SIGNATURES
from yemba.core.picture.sizes import FORMATS, resized, widths
from yemba.core.site.document import Page, Picture
from yemba.core.site.files import led_to, path
from yemba.core.site.ics import calendars, ics, ics_path
from yemba.core.site.journal import list_page
from yemba.core.site.languages import further
from yemba.core.site.logo import icon_picture, logo_on
from yemba.core.site.pictures import leading_picture, picture_bytes, picture_size, rendition
from yemba.core.site.resolve import Look
from yemba.core.site.scripts import kinds_with_scripts
from yemba.render import fonts, pictures
from yemba.render.fragment import rendered
from yemba.render.journal import feed, listing_page, listings
from yemba.render.page import SITE_CARD, Rendered, card_path, path_of, render_notice, render_page, script_name
from yemba.render.questions import feed_path, has_posts
from yemba.render.recorder import Answers, Reads
from yemba.render.site import Site
from yemba.render.style import Style, rules, style


class Recording(NamedTuple):
    """A file whose making tells what it depends on. `base` names all that is known beforehand; `make` gives the bytes
    and the reads, by what they are of; `holds` says whether such reads are as they were."""

    base: str
    make: Callable[[], tuple[bytes, PageReads]]
    holds: Callable[[PageReads], bool]


PageReads = Mapping[str, Reads]
"""Reads of the fragments of a page and of its head."""


class File(NamedTuple):
    """`make` gives the bytes. `key` names content that always comes out the same, "" where only making it tells; what
    has been made once under a key need not be made again. A page is a `recording` instead."""

    make: Callable[[], bytes]
    key: str = ""
    recording: Recording | None = None


def site_files(site: Site) -> dict[str, File]:
    """Every file of the site by its path."""
    look, answers = site.look, Answers(site)
    links: dict[str, Links] = {}
    files: dict[str, File] = {}
    for language in ("", *further(look.document)):
        seen = answers.in_language(language).look
        sheets = _sheets(style(seen, site.draft), site.draft)
        links[language] = Links(list(sheets), _preloads(seen, site.draft))
        files |= {f"assets/{name}": File(partial(text.encode)) for name, text in sheets.items()}
    files |= {} if site.draft else _scripts(look)
    pages = look.document.ordered_pages() if site.draft else look.document.published_pages()
    for page_id, page in pages:
        files[path_of(page)] = _page_file(answers.of_page(page_id), page_id, page, links[page.language])
    for old, new in redirects(look).items():
        files[f"{old}/index.html"] = File(partial(_moved, site, old, new))
    for language, linked in links.items():
        files |= _journal(answers.in_language(language), linked)
    files["404.html"] = File(partial(_missing, answers, links[""]))
    files |= _fonts(look, site.draft)
    for picture in look.pictures.values():
        files |= picture_files(picture, site.load)
    for key in sorted(led_to(look.document)):
        file = look.document.files[key]
        files[path(file)] = File(partial(site.load, file.file), f"file:{file.file}")
    for key, entries in calendars(look).items():
        files[ics_path(key)] = File(partial(ics, look, entries, site.address, site.moment))
    files |= _icon_files(site)
    files["manifest.webmanifest"] = File(partial(_manifest, look))
    card = sharing_card(site)
    files[SITE_CARD] = File(partial(sharing.to_png, card), f"sharing:{_digest(card)}")
    for page_id, page in pages:
        if page.card:
            own = sharing_card(site, page_id)
            files[card_path(page_id, page)] = File(partial(sharing.to_png, own), f"sharing:{_digest(own)}")
    if site.address:
        files["sitemap.xml"] = File(partial(_sitemap, site))
        files["robots.txt"] = File(partial(_robots, site))
    return files


def _journal(answers: Answers, links: Links) -> dict[str, File]:
    """The lists of posts, and the feed, in the language that the site is seen in."""
    site = answers.site
    whole = list_page(site.look)
    made = {
        f"{listing.path}index.html": _recorded(
            answers, partial(listing_page, answers, listing, *links), repr((listing, whole, links))
        )
        for listing in listings(site)
    }
    return made | ({feed_path(site.look.document): File(partial(feed, site))} if has_posts(site) else {})


def _scripts(look: Look) -> dict[str, File]:
    """The scripts of the kinds that have a section which needs one."""
    kinds = kinds_with_scripts(look, (one.section for one in look.document.standing()))
    return {f"assets/{script_name(kind)}": File(partial(kind_script(kind).encode)) for kind in kinds}


class Links(NamedTuple):
    """What the head of every page links: names under assets/ of stylesheets, and of fonts to fetch ahead."""

    sheets: list[str]
    preloads: list[str]


def rules_of_templates(look: Look) -> dict[str, File]:
    """The rules of a draft in every template: a window shows one before it is chosen."""
    files = {}
    for slug in look.catalogue.templates:
        other = Look(look.document.model_copy(update={"template": slug}), look.catalogue)
        text = rules(other, draft=True)
        files[f"assets/{_sheet_name('rules', text)}"] = File(partial(text.encode))
    return files


def _page_file(answers: Answers, page_id: str, page: Page, links: Links) -> File:
    own = "" if answers.site.draft else answers.look.document.shown(page_id).model_dump_json(exclude_defaults=True)
    return _recorded(answers, partial(render_page, answers, page_id, *links), repr((page_id, own, links)))


def _recorded(answers: Answers, render: Callable[[], Rendered], inputs: str) -> File:
    """A page, known again by these inputs and by what it reads; a draft's is made each time."""

    def make() -> tuple[bytes, PageReads]:
        made = render()
        return made.html.encode(), made.reads

    if answers.site.draft:
        return File(lambda: make()[0])
    base = _digest(f"{_renderer()} {inputs} {answers.site.address}".encode(), 40)
    recording = Recording(f"{page_base()}{base}", make, lambda reads: all(map(answers.hold, reads.values())))
    return File(lambda: make()[0], recording=recording)


def redirects(look: Look) -> dict[str, str]:
    """Addresses that pages had before and nobody has now, each with the id of the page it leads to."""
    pages = look.document.published_pages()
    slugs = {page.slug for _, page in pages}
    return {old: page_id for page_id, page in pages for old in page.was if old and old not in slugs}


def notice(title: str, words: str, button: str, link: str = "/") -> str:
    """The one section of a page that is none of the owner's; `words` are clean HTML."""
    return rendered("notice.html", title=title, words=mark_safe(words), button=button, link=link)


def notice_page(site: Site, title: str, inner: str) -> bytes:
    """Such a page whole."""
    sheets = list(_sheets(style(site.look, site.draft), site.draft))
    return render_notice(Answers(site), title, inner, sheets, _preloads(site.look, site.draft)).encode()


def _missing(answers: Answers, links: Links) -> bytes:
    """What visitors see at an address that is none; its links hold at any depth."""
    document = answers.look.document
    first = document.pages[document.order[0]].name
    phrase = answers.look.language.phrase
    words = phrase("There is nothing at this address. It may have been mistyped, or the page is gone.")
    inner = notice(phrase("Not found"), f"<p>{words}</p>", phrase("Go to %(page)s", page=first), answers.site.root)
    return render_notice(answers, f"{phrase('Not found')} – {document.name}", inner, *links).encode()


def _moved(site: Site, old: str, page_id: str) -> bytes:
    """What stands at an address `old` that a page had before, for servers that know no redirects."""
    page = site.look.document.pages[page_id]
    to = "../" * (old.count("/") + 1) + (f"{page.slug}/" if page.slug else "")
    canonical = f"{site.address}{page.slug}/" if page.slug else site.address
    language = site.look.value("site.language")
    return rendered("moved.html", language=language, page=page.name, to=to, canonical=canonical or to).encode()


def _sitemap(site: Site) -> bytes:
    """Sitemaps protocol 0.9."""
    root = Element("urlset", xmlns="http://www.sitemaps.org/schemas/sitemap/0.9")
    pages = [path_of(page).removesuffix("index.html") for _, page in site.look.document.published_pages()]
    seen = (Answers(site).in_language(language).site for language in ("", *further(site.look.document)))
    for address in [*pages, *(listing.path for one in seen for listing in listings(one))]:
        SubElement(SubElement(root, "url"), "loc").text = site.address + address
    return b'<?xml version="1.0" encoding="UTF-8"?>\n' + tostring(root)


def _robots(site: Site) -> bytes:
    """RFC 9309."""
    return f"User-agent: *\nAllow: /\n\nSitemap: {site.address}sitemap.xml\n".encode()


def sharing_card(site: Site, page_id: str = "") -> bytes:
    """The picture for link cards, as SVG: the site's, or that of a page with a composition of its own."""
    look = site.look
    ground = _ground_of_card(look)
    picture = logo_on(look, ground)
    logo = sharing.Mark(picture_bytes(picture, site.load), picture.format, *picture_size(picture)) if picture else None
    document = look.document
    page = document.pages[page_id or document.order[0]]
    title, below = (page.name, document.name) if page_id and page.slug else (document.name, document.tagline)
    made_of = sharing.Card(
        sharing.Words(page.title or title if page_id else title, look.lettering("title")),
        sharing.Words(below, look.lettering("body")),
        look.grounds[ground],
        logo,
        look.template.signature,
        look.grounds[look.template.page],
        _picture_of_card(site, page),
    )
    return sharing.card(made_of, page.card if page_id else look.value("sharing.composition"))


def _ground_of_card(look: Look) -> str:
    """As it is set; else that of the header, and the light one where the header's is the page's."""
    own = look.value("sharing.ground")
    if own in look.grounds:
        return str(own)
    standing = str(look.value("header.ground"))
    return "light" if standing == look.template.page else standing


def _picture_of_card(site: Site, page: Page) -> sharing.Behind | None:
    """The page's leading picture; None where it has none, or its file is gone."""
    picture = leading_picture(site.look, page)
    if picture is None:
        return None
    try:
        data = raster(picture_bytes(picture, site.load), picture.format, sharing.WIDTH)
    except (OSError, KeyError, ValueError):
        return None
    return sharing.Behind(data, (picture.focal_x, picture.focal_y))


def style_names(draft: Style) -> list[str]:
    """The names of a draft's style files, rules before values."""
    return list(_sheets(draft, draft=True))


def _sheets(made: Style, draft: bool) -> dict[str, str]:
    """A draft's values stand in a file of their own, so that a change of colour moves only them."""
    texts = {"rules": made.rules, "values": made.values} if draft else {"site": made.rules + made.values}
    return {_sheet_name(name, text): text for name, text in texts.items()}


def _sheet_name(name: str, text: str) -> str:
    return f"{name}.{_digest(text.encode())}.css"


def _digest(data: bytes, letters: int = 10) -> str:
    return sha256(data).hexdigest()[:letters]


def page_base() -> str:
    """What the bases of all pages begin with that this renderer makes."""
    return f"page:{_renderer()[:8]}:"


@cache
def _renderer() -> str:
    """What Yemba itself puts into a page: another renderer makes other pages from the same document."""
    root = Path(__file__).parent.parent
    sources = [*root.glob("render/**/*"), *root.glob("catalogue/kinds/**/*"), *root.glob("core/**/*.py")]
    read = (file.read_bytes() for file in sorted(sources) if file.is_file() and file.suffix != ".pyc")
    return _digest(b"".join(read), 40)


def _preloads(look: Look, draft: bool) -> list[str]:
    return [] if draft else fonts.preloads(look, fonts.published(look))


def _fonts(look: Look, draft: bool) -> dict[str, File]:
    if not draft:
        return {f"assets/{one.name}": File(one.make, f"font:{one.key}") for one in fonts.published(look)}
    files = {}
    for name, (family, file) in fonts.whole_files(look).items():
        files[f"assets/{name}"] = File(partial(family.read, file.name))
    return files


def picture_files(picture: Picture, load: Callable[[str], bytes]) -> dict[str, File]:
    """Every file of a picture by its path; `load` gives the stored bytes by their hash."""
    if picture.format == "svg":
        name = pictures.file_name(picture, picture.width, "svg")
        return {f"assets/{name}": File(partial(picture_bytes, picture, load), f"picture:{name}")}
    sizes = [(width, form) for form in FORMATS for width in widths(picture_size(picture)[0])]
    sizes.append(pictures.fallback(picture))
    files = {}
    for width, form in sizes:
        name = pictures.file_name(picture, width, form)
        files[f"assets/{name}"] = picture_file(picture, width, form, load)
    return files


def picture_file(picture: Picture, width: int, form: str, load: Callable[[str], bytes]) -> File:
    """A picture in one width and format, as it is seen."""
    name = pictures.file_name(picture, width, form)
    return File(lambda: resized(load(picture.file), width, form, rendition(picture)), f"picture:{name}")


def _icon_files(site: Site) -> dict[str, File]:
    tiles = icon_tiles(site)
    made_of = _digest(b"".join(tiles))
    return {path: File(partial(_icon, tiles, path), f"icon:{made_of}:{path}") for path in icon_paths()}


def icon_paths() -> list[str]:
    """The paths of the icon set."""
    sized = [f"icons/icon-{size}.png" for size in (180, 192, 512)]
    return ["favicon.ico", "icons/icon.svg", *sized, "icons/maskable-192.png", "icons/maskable-512.png"]


def icon_tiles(site: Site) -> tuple[bytes, bytes]:
    """The plain and the maskable tile, as SVG."""
    look = site.look
    picture, ground = icon_picture(look), look.grounds[look.value("header.ground")]
    if picture:
        about = (picture_bytes(picture, site.load), picture.format, *picture_size(picture), ground.fill)
        return icons.from_logo(*about), icons.from_logo(*about, icons.safe_share())
    lead, behind = look.grounds["strong"], look.grounds[look.template.page]
    letter = partial(icons.initial, look.document.name, look.lettering("title"), lead.fill, lead.text)
    around = lead if behind.fill == lead.text else behind
    mark = SIGNATURES[look.template.signature](icons.TILE, icons.TILE, lead.text.hex, around.fill.hex)
    return letter(mark), letter()


@lru_cache(maxsize=8)
def _icon_set(tile: bytes, maskable: bytes) -> dict[str, bytes]:
    return icons.icon_set(tile, maskable)


def _icon(tiles: tuple[bytes, bytes], path: str) -> bytes:
    return _icon_set(*tiles)[path]


def _manifest(look: Look) -> bytes:
    """W3C Web App Manifest."""
    listed = [
        {"src": f"icons/{name}-{size}.png", "sizes": f"{size}x{size}", "type": "image/png", "purpose": purpose}
        for name, purpose in (("icon", "any"), ("maskable", "maskable"))
        for size in (192, 512)
    ]
    fill = look.grounds[look.value("header.ground")].fill.hex
    about = {"name": look.document.name, "start_url": "./", "display": "browser", "icons": listed}
    return json.dumps(about | {"theme_color": fill, "background_color": fill}, ensure_ascii=False).encode()
