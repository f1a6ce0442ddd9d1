"""The journal on the site as written: lists by tag and month, ways on, the feed, and what a change of it touches."""

from __future__ import annotations

import re
from datetime import UTC, date, datetime
from typing import Any
from xml.etree import ElementTree

import pytest

from yemba.catalogue import catalogue as shipped
from yemba.core.site.document import Document
from yemba.core.site.journal import as_at
from yemba.core.site.resolve import Look
from yemba.render.files import site_files
from yemba.render.reach import State, reach
from yemba.render.site import Site

ATOM = "{http://www.w3.org/2005/Atom}"
NOW = datetime(2026, 10, 3, 12, tzinfo=UTC)
POSTS = {
    "a": ("Slow glue", "2026-10-01", ["Paste", "Schöne Dinge"]),
    "b": ("Quick glue", "2026-10-02T08:00", ["Paste"]),
    "c": ("No glue", "2026-08-15", []),
    "d": ("To come", "2026-12-24", ["Paste"]),
}


def _document(**more: Any) -> Document:
    listed = {"kind": "excerpts", "fields": {"heading": "All", "shows": "posts", "ways": "both", **more}}
    pages: dict[str, Any] = {
        "home": {"name": "Home", "slug": "", "sections": {"h": {"kind": "words"}}, "order": ["h"]},
        "all": {"name": "Journal", "slug": "journal", "sections": {"l": listed}, "order": ["l"]},
    }
    for key, (name, posted, tags) in POSTS.items():
        sections = {
            f"{key}h": {"kind": "post", "fields": {"heading": name}},
            f"{key}w": {"kind": "words", "fields": {"body": f'<p>Of {name} & <a href="page:all">all</a>.</p>'}},
            f"{key}o": {"kind": "onward"},
        }
        about = {"name": name, "slug": f"post-{key}", "posted": posted, "tags": tags}
        pages[key] = about | {"sections": sections, "order": [*sections]}
    return Document.model_validate({"name": "Glue & Co", "template": "slipway", "pages": pages, "order": [*pages]})


def _site(document: Document, **more: Any) -> Site:
    """As ``hosting.rendering`` makes one."""
    look = Look(as_at(document, more.get("now", NOW)), shipped())
    about = {"address": "https://glue.example/", "now": NOW} | more
    return Site(look, date(2026, 10, 3), lambda _: b"", **about)


@pytest.fixture(scope="module")
def written() -> dict[str, str]:
    """The text files of the site, by path."""
    files = site_files(_site(_document()))
    wanted = (path for path in files if path.endswith((".html", ".atom", ".xml", ".css")))
    return {path: files[path].make().decode() for path in wanted}


def test_there_is_a_list_for_each_tag_and_month_that_has_a_post_and_no_other(written: dict[str, str]) -> None:
    lists = {path for path in written if path.startswith(("tag/", "month/"))}
    assert lists == {
        f"{path}/index.html" for path in ("tag/paste", "tag/schone-dinge", "month/2026-10", "month/2026-08")
    }


def test_lists_show_their_posts_newest_first_and_lead_to_them(written: dict[str, str]) -> None:
    found = re.findall(r'class="name"><a href="([^"]+)">', written["tag/paste/index.html"])
    assert found == ["../../post-b/", "../../post-a/"]
    assert re.findall(r'class="name"><a href="([^"]+)">', written["journal/index.html"]) == [
        "../post-b/",
        "../post-a/",
        "../post-c/",
    ]


def test_every_inner_link_of_every_page_leads_to_a_file(written: dict[str, str]) -> None:
    for path, html in written.items():
        if path.endswith("index.html"):
            depth = path.count("/")
            for link in re.findall(r'href="((?:\.\./)+[\w/.-]*)"', html):
                assert link.count("../") == depth, (path, link)
                target = link.removeprefix("../" * depth)
                assert target in written or f"{target}index.html" in written or "." in target, (path, link)


def test_a_post_leads_to_those_around_it_and_one_to_come_is_not_there_yet(written: dict[str, str]) -> None:
    assert re.findall(r'<a href="([^"]+)" rel="(\w+)">', written["post-a/index.html"])[-2:] == [
        ("../post-c/", "prev"),
        ("../post-b/", "next"),
    ]
    head = [("../tag/paste/", "tag"), ("../tag/schone-dinge/", "tag")]
    assert re.findall(r'<a href="([^"]+)" rel="(\w+)">', written["post-a/index.html"])[:2] == head
    assert 'rel="next"' not in written["post-b/index.html"]
    assert "post-d/index.html" not in site_files(_site(_document(), now=datetime(2026, 10, 3, tzinfo=UTC)))
    assert "To come" not in "".join(written.values())


def test_the_feed_has_the_posts_newest_first_with_whole_links(written: dict[str, str]) -> None:
    feed = ElementTree.fromstring(written["feed.atom"])
    entries = feed.findall(f"{ATOM}entry")
    assert [entry.findtext(f"{ATOM}title") for entry in entries] == ["Quick glue", "Slow glue", "No glue"]
    assert entries[0].findtext(f"{ATOM}published") == "2026-10-02T08:00:00Z"
    assert 'href="https://glue.example/journal/"' in str(entries[0].findtext(f"{ATOM}content"))
    assert len({entry.findtext(f"{ATOM}id") for entry in entries}) == 3
    assert 'href="../feed.atom"' in written["journal/index.html"]


def test_a_site_without_posts_has_no_feed_and_says_nothing_of_one() -> None:
    document = _document()
    pages = {key: document.pages[key] for key in ("home", "all")}
    files = site_files(_site(document.model_copy(update={"pages": pages, "order": [*pages]})))
    assert "feed.atom" not in files
    assert b"feed.atom" not in files["index.html"].make()
    assert b"Nothing has been posted yet." in files["journal/index.html"].make()


@pytest.mark.parametrize(
    ("change", "places"),
    [
        ({"name": "Slower glue"}, set()),  # the title in its head stands
        ({"tags": ["Tape"]}, {("a", "ah"), ("all", "l")}),
        ({"posted": "2026-10-02"}, {("a", "ah"), ("all", "l")}),
        ({"unpublished": True}, {("all", "l"), ("b", "bo"), ("c", "co"), *(("a", key) for key in ("ah", "aw", "ao"))}),
    ],
)
def test_what_a_change_of_a_post_touches(change: dict[str, Any], places: set[tuple[str, str]]) -> None:
    before = _document()
    pages = before.pages | {"a": before.pages["a"].model_copy(update=change)}
    after = before.model_copy(update={"pages": pages})
    spots = {(spot.page, spot.place) for spot in reach(State(_site(before)), State(_site(after)))}
    assert {spot for spot in spots if spot[1] not in ("header", "footer", "sidebar", "background")} == places


def test_a_size_reaches_the_excerpts_that_show_something_and_none_of_the_empty_ones() -> None:
    """Both sections are of one cut: same kind, same fields filled."""
    document = _document(tag="Paste", ways="")
    empty = {"kind": "excerpts", "fields": {"heading": "All", "shows": "posts", "tag": "Wood"}}
    first = {"name": "Empty", "slug": "empty", "sections": {"e": empty}, "order": ["e"]}
    plain = document.plain()
    order = ["home", "none", *plain["order"][1:]]
    document = Document.model_validate(plain | {"pages": plain["pages"] | {"none": first}, "order": order})
    larger = document.model_copy(update={"sheet": {**document.sheet, "h5.wide": 21, "h5.phone": 19}})
    reached = {(spot.page, spot.place) for spot in reach(State(_site(document)), State(_site(larger)))}
    assert ("all", "l") in reached
    assert ("none", "e") not in reached
