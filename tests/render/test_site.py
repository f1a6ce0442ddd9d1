"""Documents become pages, styles and files."""

from __future__ import annotations

import re
from datetime import date
from html.parser import HTMLParser
from typing import Any

import brotli
import pytest

from yemba.catalogue import catalogue as shipped
from yemba.core.part.part import parts
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.core.type.facts import Face
from yemba.render.files import site_files
from yemba.render.page import fragments
from yemba.render.recorder import Answers
from yemba.render.site import Site
from yemba.render.style import style, values

TODAY = date(2026, 11, 24)


def site(document: Document, catalogue: Catalogue, *, draft: bool = False, **over: Any) -> Site:
    changed = Document.model_validate(document.plain() | over)
    return Site(Look(changed, catalogue), TODAY, lambda _: b"", draft)


def page(rendered: Site, path: str = "index.html") -> str:
    return site_files(rendered)[path].make().decode()


class Links(HTMLParser):
    def __init__(self) -> None:
        super().__init__()
        self.found: list[str] = []

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        self.found += [value for name, value in attrs if name in ("href", "src") and value]


def test_the_same_document_gives_the_same_bytes(document: Document, catalogue: Catalogue) -> None:
    first, second = ({p: f.make() for p, f in site_files(site(document, catalogue)).items()} for _ in range(2))
    assert first == second


@pytest.mark.parametrize("template", sorted(shipped().templates))
def test_every_link_and_file_a_page_names_is_there(document: Document, catalogue: Catalogue, template: str) -> None:
    files = site_files(site(document, catalogue, template=template))
    for path in files:
        if not path.endswith(".html"):
            continue
        links = Links()
        links.feed(files[path].make().decode())
        assert links.found
        for link in links.found:
            if link.startswith(("#", "mailto:", "tel:")):
                continue
            steps = [*path.split("/")[:-1], *link.split("/")]
            way: list[str] = []
            for step in steps:
                if step == "..":
                    way.pop()
                elif step not in (".", ""):
                    way.append(step)
            wanted = "/".join(way)
            assert wanted in files or f"{wanted}/index.html".lstrip("/") in files, f"{link} on {path}"


def test_a_live_page_has_no_script_and_no_marks_a_draft_has(document: Document, catalogue: Catalogue) -> None:
    live, draft = page(site(document, catalogue)), page(site(document, catalogue, draft=True))
    assert "<script" not in live
    assert "data-place" not in live
    assert "data-field" not in live
    assert "window.js" in draft
    assert 'data-field="heading"' in draft


def test_a_draft_and_a_live_page_say_the_same(document: Document, catalogue: Catalogue) -> None:
    def body(html: str) -> str:
        inner = html[html.index("<body") :]
        shown = re.sub(r"<(\w+)[^>]* hidden></\1>", "", inner)  # a draft says where a part would stand
        return re.sub(r"\n+", "\n", re.sub(r' data-(?:place|field|item|edit|page|setting|stored)="[^"]*"', "", shown))

    assert body(page(site(document, catalogue))) == body(page(site(document, catalogue, draft=True)))


def test_owners_words_are_escaped(document: Document, catalogue: Catalogue) -> None:
    html = page(site(document, catalogue, name="<b>Salt</b> & marsh"))
    assert "<b>Salt" not in html
    assert "&lt;b&gt;Salt&lt;/b&gt; &amp; marsh" in html


def test_every_page_has_one_first_heading(document: Document, catalogue: Catalogue) -> None:
    files = site_files(site(document, catalogue))
    for path, file in files.items():
        if path.endswith(".html"):
            assert file.make().decode().count("<h1") == 1, path


def test_an_empty_page_and_one_without_heading_are_whole(document: Document, catalogue: Catalogue) -> None:
    plain = document.plain()
    first, second = document.order[:2]
    plain["pages"][first] = {"name": "Home", "slug": ""}
    lone = {"x1": {"kind": "words", "fields": {"body": "<p>Only this.</p>"}}}
    plain["pages"][second] = {"name": "Lone", "slug": "lone", "sections": lone, "order": ["x1"]}
    rendered = site(Document.model_validate(plain), catalogue)
    assert '<h1 class="unseen">Home</h1>' in page(rendered)
    assert '<h1 class="unseen">Lone</h1>' in page(rendered, "lone/index.html")


def test_the_year_stays_current_and_the_name_follows(document: Document, catalogue: Catalogue) -> None:
    html = page(site(document, catalogue, name="Nettle & Rye"))
    assert "© 2026 Nettle &amp; Rye" in html
    later = Site(site(document, catalogue).look, date(2031, 1, 1), lambda _: b"")
    assert "© 2031" in page(later)


def test_a_hidden_page_is_in_no_menu_and_still_there(document: Document, catalogue: Catalogue) -> None:
    hidden = document.order[1]
    rendered = site(document, catalogue, navigation={"hidden": [hidden]})
    html = {key: made.html for key, made in fragments(Answers(rendered), document.order[0]).items()}
    assert ">Prices<" not in html["header"] + html["footer"]
    assert "prices/index.html" in site_files(rendered)


def test_a_link_to_a_page_that_is_gone_leads_nowhere_wrong(document: Document, catalogue: Catalogue) -> None:
    plain = document.plain()
    prices = document.order[1]
    del plain["pages"][prices]
    plain["order"].remove(prices)
    assert "prices" not in page(site(Document.model_validate(plain), catalogue)).lower().replace("what it costs", "")


def test_dates_and_prices_are_said_in_the_sites_language(document: Document, catalogue: Catalogue) -> None:
    plain = document.plain()
    sections = {
        "x1": {
            "kind": "dates",
            "order": ["a", "b"],
            "items": {
                "a": {"fields": {"title": "Later", "day": "2027-03-14", "begins": "10:00", "ends": "16:00"}},
                "b": {"fields": {"title": "Sooner", "day": "2026-12-05"}},
            },
        },
        "x2": {
            "kind": "price-list",
            "order": ["a", "b", "c"],
            "items": {
                "a": {"fields": {"title": "A", "price": "from 48.00"}},
                "b": {"fields": {"title": "B", "price": "4.50"}},
                "c": {"fields": {"title": "C"}},
            },
        },
    }
    home = document.order[0]
    plain["pages"][home] |= {"sections": sections, "order": ["x1", "x2"]}
    rendered = page(site(Document.model_validate(plain | {"site": {"site.currency": "GBP"}}), catalogue))
    assert rendered.index("Sooner") < rendered.index("Later")
    for said in ("5 December 2026", "14 March 2027", "10:00–16:00", "from £48", "£4.50", "by arrangement"):
        assert said in rendered
    german = page(
        site(Document.model_validate(plain | {"site": {"site.currency": "GBP", "site.language": "de"}}), catalogue)
    )
    assert "5. Dezember 2026" in german
    assert "4,50" in german


FIRST_FLIGHT = 10 * 1460 - 1000
"""Bytes that come with the first answer, headers left room for: RFC 6928, initial window of ten segments."""


@pytest.mark.parametrize("template", sorted(shipped().templates))
def test_a_stylesheet_stays_small_and_asks_nobody_else(document: Document, catalogue: Catalogue, template: str) -> None:
    made = style(site(document, catalogue, template=template).look)
    whole = made.rules + made.values
    assert len(brotli.compress(whole.encode())) < FIRST_FLIGHT
    assert "http" not in whole
    assert whole.count("{") == whole.count("}")


def test_words_from_the_right_are_set_from_the_right(document: Document, catalogue: Catalogue) -> None:
    plain = document.plain()
    home = document.order[0]
    opening = document.pages[home].order[0]
    plain["pages"][home]["sections"][opening]["fields"]["heading"] = "ورشة تجليد الكتب"
    made = page(site(Document.model_validate(plain), catalogue))
    assert made.count('dir="rtl"') == 1, "the heading alone"
    hebrew = page(site(Document.model_validate(plain | {"site": {"site.language": "he"}}), catalogue))
    assert '<html lang="he" dir="rtl">' in hebrew
    assert 'dir="ltr"' in hebrew, "English words on a Hebrew site"


def test_a_level_set_by_hand_and_a_one_off_reach_the_styles(document: Document, catalogue: Catalogue) -> None:
    plain = document.plain()
    home = document.order[0]
    opening = document.pages[home].order[0]
    plain["pages"][home]["sections"][opening]["one_offs"] = {"heading": {"size": "51", "colour": "@c1", "face": "lora"}}
    plain["sheet"] = {"h2.spacing": 0.05, "h2.case": "small-caps", "navigation.face": "oswald", "h1.outline": 0.04}
    found = site(Document.model_validate(plain), catalogue)
    made = style(found.look)
    for said in (
        "--spacing-h2:0.05em;",
        "--caps-h2:all-small-caps;",
        "--outline-h1:0.04em;",
        '--face-navigation:"Oswald"',
    ):
        assert said in made.values
    mark = re.search(r'data-one="(\w+)"', page(found))
    assert mark
    rule = made.values.split(f'[data-one="{mark[1]}"]')[1].split("}")[0]
    assert '"Lora"' in rule
    assert f"color:{found.look.read_colour('@c1').colour.hex};" in rule
    names = [path for path in site_files(found) if path.endswith(".woff2")]
    assert {"lora", "oswald"} <= {name.split("/")[1].split("-latin")[0] for name in names}


def test_a_live_site_takes_only_the_letters_that_it_shows(document: Document, catalogue: Catalogue) -> None:
    def letters(found: Document) -> set[int]:
        files = site_files(site(found, catalogue))
        made = [file.make() for path, file in files.items() if "newsreader-latin" in path and "normal" in path]
        return {letter for data in made for letter in Face(data).letters}

    def written(words: str) -> set[int]:
        plain = document.plain()
        opening = document.pages[document.order[0]].order[0]
        plain["pages"][document.order[0]]["sections"][opening]["fields"]["lead"] = f"<p>{words}</p>"
        return letters(Document.model_validate(plain))

    few = letters(document)
    assert ord("é") in few, "of the language"
    assert ord("ř") not in few
    assert written("Þorn and þing") == few, "letters near those of the language change no file"
    czech = written("Dvořák")
    assert {ord("ř"), ord("Ř")} <= czech - few
    assert written("Dvořák, Plzeň") == czech, "nor does another letter of the same alphabet"


@pytest.mark.parametrize("part", [part.slug for part in parts().values() if f"{part.slug}.filter" in SETTINGS])
def test_a_filter_of_two_colours_has_them_wherever_it_is(document: Document, catalogue: Catalogue, part: str) -> None:
    assert "--duotone-dark:" not in values(Look(document, catalogue))
    filtered = document.model_copy(update={"parts": {**document.parts, f"{part}.filter": "duotone"}})
    assert "--duotone-dark:" in values(Look(filtered, catalogue))
