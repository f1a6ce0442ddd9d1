"""What stands on a site for its journal beside the posts: a page for each tag and each month, and an Atom feed."""

from __future__ import annotations

import re
from datetime import UTC
from html import escape
from typing import NamedTuple
from uuid import NAMESPACE_URL, uuid5
from xml.etree.ElementTree import Element, SubElement, tostring

from yemba.core.calendar import spoken
from yemba.core.site import journal
from yemba.core.site.dates import zone
from yemba.core.site.document import Page, Section
from yemba.core.site.excerpts import excerpt
from yemba.core.site.kinds import EXCERPTS
from yemba.core.value.link import PAGE
from yemba.render import fragment, questions
from yemba.render.fragment import At
from yemba.render.page import Rendered, render_listing
from yemba.render.part_view import href
from yemba.render.recorder import Answers
from yemba.render.site import Site

_MOST = 30  # posts in the feed
_ATOM = "http://www.w3.org/2005/Atom"
_INNER_LINK = re.compile(r'href="((?:page|file):[\w#]+)"')


class Listing(NamedTuple):
    """A page that lists posts: `path` is its address below the site's."""

    path: str
    heading: str
    tag: str = ""
    month: str = ""


def listings(site: Site) -> list[Listing]:
    """One for each tag and each month of which visitors see a post."""
    document, phrase = site.look.document, site.look.language.phrase
    ways, slugs = journal.ways(document, site.moment), journal.tag_slugs(journal.every_tag(document))
    tags = [
        Listing(questions.tag_path(document, slugs[tag])[1:], phrase("Posts on %(tag)s", tag=tag), tag=tag)
        for tag in ways.tags
    ]
    months = []
    for month in ways.months:
        named = phrase("Posts of %(month)s", month=spoken.month(f"{month}-01", site.look.value("site.language")))
        months.append(Listing(questions.month_path(document, month)[1:], named, month=month))
    return tags + months


def listing_page(answers: Answers, listing: Listing, sheets: list[str], preloads: list[str]) -> Rendered:
    """It whole, in the design of the site."""
    look = answers.look
    here = At("../" * listing.path.count("/"))
    fields = {
        "heading": listing.heading,
        "shows": journal.POSTS,
        "tag": listing.tag,
        "month": listing.month,
        "most": str(journal.MOST),
    }
    if whole := journal.list_page(look):
        fields["lead"] = f'<p><a href="{PAGE}{whole}">{escape(look.language.phrase("All posts"))}</a></p>'
    section = Section(kind=look.catalogue.kind_of_role(EXCERPTS).slug, fields={k: v for k, v in fields.items() if v})
    made = fragment.section(answers, here, "posts", section, True)
    return render_listing(answers, here, listing.heading, listing.path, made, sheets, preloads)


def feed(site: Site) -> bytes:
    """The newest posts (The Atom Syndication Format, RFC 4287), whole but for what is no running text."""
    look, address = site.look, site.address or "/"
    keys = journal.posts(look.document, site.moment)[:_MOST]
    root = Element("feed", {"xmlns": _ATOM, "xml:lang": look.value("site.language")})
    SubElement(root, "id").text = f"urn:uuid:{uuid5(NAMESPACE_URL, f'{address}{look.document.seen_in}')}"
    SubElement(root, "title").text = look.document.name
    if look.document.tagline:
        SubElement(root, "subtitle").text = look.document.tagline
    SubElement(
        root, "link", rel="self", type="application/atom+xml", href=f"{address}{questions.feed_path(look.document)}"
    )
    SubElement(root, "link", rel="alternate", type="text/html", href=href(address, questions.home(site)))
    SubElement(root, "updated").text = _moment(site, look.document.pages[keys[0]])
    SubElement(SubElement(root, "author"), "name").text = look.document.name
    for key in keys:
        _entry(root, site, key, address)
    return b'<?xml version="1.0" encoding="UTF-8"?>\n' + tostring(root)


def _entry(root: Element, site: Site, key: str, address: str) -> None:
    page, entry, summary = site.look.document.pages[key], SubElement(root, "entry"), excerpt(site.look, key)
    SubElement(entry, "id").text = f"urn:uuid:{uuid5(NAMESPACE_URL, f'{address}#{key}')}"
    SubElement(entry, "title").text = summary.name if summary else page.name
    SubElement(entry, "link", rel="alternate", type="text/html", href=f"{address}{page.slug}/")
    SubElement(entry, "published").text = SubElement(entry, "updated").text = _moment(site, page)
    for tag in page.tags:
        SubElement(entry, "category", term=tag)
    if summary and summary.words:
        SubElement(entry, "summary").text = summary.words
    if words := _words(site, page, address):
        SubElement(entry, "content", type="html").text = words


def _moment(site: Site, page: Page) -> str:
    """When a post appeared (RFC 3339)."""
    return journal.moment_of(page, zone(site.look)).astimezone(UTC).strftime("%Y-%m-%dT%H:%M:%SZ")


def _words(site: Site, page: Page, address: str) -> str:
    """The running text of a post, its links whole."""
    texts = []
    for _, section in page.ordered():
        kind = site.look.catalogue.kind(section.kind)
        texts += [section.fields.get(field.slug, "") for field in kind.fields if field.type == "words"]
    return _INNER_LINK.sub(lambda link: f'href="{_whole(site, link[1], address)}"', "".join(texts))


def _whole(site: Site, link: str, address: str) -> str:
    return href(address, questions.path(site, link)) or address
