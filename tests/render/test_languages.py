"""Pages in several languages as they are written: addresses, alternates, switch, words, links, feeds."""

from __future__ import annotations

import re
from datetime import UTC, date, datetime
from typing import Any

import pytest

from yemba.catalogue import catalogue as shipped
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.render.files import site_files
from yemba.render.reach import State, reach
from yemba.render.recorder import Answers
from yemba.render.site import Site

ADDRESS = "https://tide.example/"


def _page(name: str, slug: str, **more: Any) -> dict[str, Any]:
    head = f"w-{slug.replace('/', '-') or 'home'}"
    words = {"kind": "words", "fields": {"heading": name, "body": '<p>See <a href="page:prices">prices</a>.</p>'}}
    return {"name": name, "slug": slug, "sections": {head: words}, "order": [head]} | more


def _document(**more: Any) -> Document:
    german: dict[str, Any] = {"language": "de"}
    pages = {
        "home": _page("Home", ""),
        "prices": _page("Prices", "prices"),
        "about": _page("About", "about"),
        "de-home": _page("Start", "de", version_of="home", **german),
        "de-prices": _page("Preise", "de/preise", version_of="prices", **german),
        "ar-home": _page("البداية", "ar", version_of="home", language="ar"),
        "de-post": _page("Ein Beitrag", "de/ein-beitrag", posted="2026-10-01", tags=["Watt"], **german),
        "post": _page("A post", "a-post", posted="2026-10-02", tags=["Mud"]),
    }
    footer = {
        "en": {"kind": "words", "language": "main", "fields": {"heading": "Come by"}},
        "de": {"kind": "words", "language": "de", "fields": {"heading": "Kommen Sie vorbei"}},
    }
    about = {
        "languages": {"de": {"tagline": "Niedrigwasser", "lines": {"footer.words": "Bis bald"}}, "ar": {}},
        "shared": {"footer": {"sections": footer, "order": ["en", "de"]}},
        "parts": {"footer.words": "So long", "header.tagline": True, "footer.switch": True},
    }
    plain = {"name": "Tide", "tagline": "Low water", "template": "slipway", "pages": pages, "order": [*pages]}
    return Document.model_validate(plain | about | more)


def _site(document: Document) -> Site:
    now = datetime(2026, 10, 3, 12, tzinfo=UTC)
    return Site(Look(document, shipped()), date(2026, 10, 3), lambda _: b"", address=ADDRESS, now=now)


@pytest.fixture(scope="module")
def written() -> dict[str, str]:
    files = site_files(_site(_document()))
    return {path: files[path].make().decode() for path in files if path.endswith((".html", ".atom", ".xml", ".css"))}


def test_each_page_is_in_its_language_and_direction(written: dict[str, str]) -> None:
    assert '<html lang="en-GB">' in written["index.html"]
    assert '<html lang="de">' in written["de/preise/index.html"]
    assert '<html lang="ar" dir="rtl">' in written["ar/index.html"]
    assert "Zum Inhalt springen" in written["de/preise/index.html"]
    assert "Skip to content" in written["prices/index.html"]


def test_what_every_page_says_is_said_in_its_language(written: dict[str, str]) -> None:
    german, english = written["de/index.html"], written["index.html"]
    for words in ("Niedrigwasser", "Bis bald", "Kommen Sie vorbei"):
        assert words in german
        assert words not in english
    for words in ("So long", "Come by"):
        assert words in english
        assert words not in german


def test_alternates_are_symmetric_name_each_page_itself_and_lead_to_files(written: dict[str, str]) -> None:
    of_page = {
        path: dict(re.findall(r'rel="alternate" hreflang="([\w-]+)" href="([^"]+)"', html))
        for path, html in written.items()
        if path.endswith(".html")
    }
    told = {path: ways for path, ways in of_page.items() if ways}
    assert set(told) == {"index.html", "de/index.html", "ar/index.html", "prices/index.html", "de/preise/index.html"}
    for path, ways in told.items():
        assert ADDRESS + path.removesuffix("index.html") in ways.values()
        assert ways["x-default"] == ways["en-GB"]
        for address in ways.values():
            there = f"{address.removeprefix(ADDRESS)}index.html"
            assert told[there] == ways, (path, there)


def test_the_switch_leads_to_the_same_page_else_to_the_beginning(written: dict[str, str]) -> None:
    ways = re.compile(r'<li class="language"><a href="([^"]+)" hreflang="([\w-]+)"')
    assert ways.findall(written["prices/index.html"]) == [("../de/preise/", "de"), ("../ar/", "ar")]
    assert ways.findall(written["about/index.html"]) == [("../de/", "de"), ("../ar/", "ar")]
    assert ways.findall(written["de/preise/index.html"]) == [("../../prices/", "en-GB"), ("../../ar/", "ar")]
    assert '<nav class="languages" aria-label="Sprachen">' in written["de/preise/index.html"]


def test_links_in_words_and_the_menu_stay_in_the_language(written: dict[str, str]) -> None:
    assert '<a href="../../de/preise/">prices</a>' in written["de/preise/index.html"]
    assert '<a href="../prices/">prices</a>' in written["ar/index.html"]  # which has no version of that page
    menu = written["de/index.html"].split('class="menu"')[1].split("</nav>")[0]
    assert "Preise" in menu
    assert "Prices" not in menu
    assert 'class="site-title" href="../de/"' in written["de/index.html"]


def test_every_inner_link_leads_to_a_file(written: dict[str, str]) -> None:
    for path, html in written.items():
        if path.endswith("index.html"):
            depth = path.count("/")
            for link in re.findall(r'href="((?:\.\./)+[\w/-]*/)"', html):
                target = "/".join([*path.split("/")[: depth - link.count("../")], link.replace("../", "")]).lstrip("/")
                assert f"{target}index.html" in written, (path, link)


def test_an_address_that_a_page_had_leads_to_the_one_it_has() -> None:
    document = _document()
    moved = document.pages["de-prices"].model_copy(update={"slug": "de/kosten", "was": ["de/preise", "kosten"]})
    files = site_files(_site(document.model_copy(update={"pages": document.pages | {"de-prices": moved}})))
    assert b'href="../../de/kosten/"' in files["de/preise/index.html"].make()
    assert b'href="../de/kosten/"' in files["kosten/index.html"].make()


def test_each_language_has_its_own_journal(written: dict[str, str]) -> None:
    assert "Ein Beitrag" in written["de/feed.atom"]
    assert "Ein Beitrag" not in written["feed.atom"]
    assert 'xml:lang="de"' in written["de/feed.atom"]
    assert "Beiträge zu Watt" in written["de/tag/watt/index.html"]
    assert "tag/watt/index.html" not in written
    assert 'href="../../feed.atom"' not in written["de/preise/index.html"]
    assert 'href="../../de/feed.atom"' in written["de/preise/index.html"]


def test_each_language_has_the_styles_that_its_menu_needs(written: dict[str, str]) -> None:
    sheets = {path: re.findall(r'rel="stylesheet" href="[./]*(assets/[^"]+)"', html) for path, html in written.items()}
    for path in ("index.html", "de/index.html", "ar/index.html"):
        assert all(sheet in written for sheet in sheets[path])
    assert sheets["de/index.html"] == sheets["de/preise/index.html"]


def test_a_change_of_words_in_one_language_touches_its_pages_alone() -> None:
    before = _document()
    after = _document(languages={"de": {"tagline": "Ebbe", "lines": {"footer.words": "Bis bald"}}, "ar": {}})
    spots = reach(State(_site(before)), State(_site(after)))
    assert {spot.page for spot in spots} == {"de-home", "de-prices", "de-post"}
    assert {spot.place for spot in spots} == {"header"}


def test_from_any_language_any_other_is_asked() -> None:
    answers = Answers(_site(_document()))
    german = answers.of_page("de-home")
    assert german.of_page("de-prices") is german
    assert german.of_page("prices") is answers
    arabic = german.of_page("ar-home")
    assert (arabic.look.language.tag, arabic.look.document.main_language) == ("ar", "en-GB")
    assert arabic is answers.of_page("ar-home")
