"""Every word that visitors see or hear on a published page is its owner's or comes from the catalogues.

All that Yemba says is put into brackets, all that the owner says is one letter; what else has letters is a day or a
price as CLDR has them, or is left over.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from datetime import UTC, date, datetime
from typing import Any

import pytest
import tinyhtml5
from babel import Locale
from freezegun import freeze_time

from yemba.catalogue import catalogue as shipped
from yemba.core.language import own_name
from yemba.core.site.document import Document
from yemba.core.site.journal import as_at
from yemba.core.site.kinds import EXCERPTS, Field, SectionKind
from yemba.core.site.resolve import Look
from yemba.render.files import notice, notice_page, site_files
from yemba.render.site import Site

OWN = "Ω"
HEARD = ("aria-label", "alt", "title", "placeholder", "content", "aria-description", "data-says")
_BRACKETS = re.compile("⟦[^⟦⟧]*⟧")
_LETTERS = re.compile(r"[^\W\d_]+")
_SILENT = ("script", "style", "template")
_BY_TYPE = {
    "line": OWN, "words": f"<p>{OWN}</p><h3>{OWN}</h3>", "link": "page:home", "price": "from 24.50", "date": "2027-03-14",
    "time": "18:30", "picture": "p", "tag": OWN, "percent": "40",
}  # fmt: skip


def _field(field: Field, turn: int) -> str:
    """Something for a field; of what it offers another each time."""
    if field.type == "choice":
        offered = [*field.offered]
        return offered[turn % len(offered)]
    return {"mail": "a@b.example", "telephone": "+44 1632 960 417"}.get(field.reaches, _BY_TYPE.get(field.type, ""))


def _section(kind: SectionKind, layout: str, turn: int) -> dict[str, Any]:
    filled = {field.slug: _field(field, turn) for field in kind.fields}
    section: dict[str, Any] = {"kind": kind.slug, "layout": layout, "fields": {k: v for k, v in filled.items() if v}}
    if kind.items:
        fields = {field.slug: _field(field, turn) for field in kind.items.fields}
        items = {f"i{n}": {"fields": {k: v for k, v in fields.items() if v}} for n in range(3)}
        for key, state in (("i1", "cancelled"), ("i2", "sold_out")):
            if "day" in fields:
                items[key]["fields"][state] = fields["day"]
        section |= {"items": items, "order": [*items]}
    return section


def _document(template: str) -> Document:
    """A page for every kind, with each of its layouts; posts; a second language."""
    pages: dict[str, Any] = {"home": {"name": OWN, "slug": ""}}
    for kind in shipped().kinds.values():
        layouts = [layout.slug for layout in kind.layouts]
        made = {f"{kind.slug}{turn}": _section(kind, layout, turn) for turn, layout in enumerate(layouts)}
        pages[kind.slug.replace("-", "")] = {"name": OWN, "slug": kind.slug, "sections": made, "order": [*made]}
        if EXCERPTS in kind.roles:
            for section in made.values():
                section["fields"] |= {"shows": "posts", "tag": "", "ways": "both"}
    for number in (1, 2, 3):
        head = {"h": {"kind": "post", "fields": {"heading": OWN}}, "o": {"kind": "onward"}}
        about = {"name": OWN, "slug": f"post-{number}", "posted": f"2027-01-0{number}", "tags": [OWN]}
        pages[f"post{number}"] = about | {"sections": {f"{k}{number}": v for k, v in head.items()}}
        pages[f"post{number}"]["order"] = [*pages[f"post{number}"]["sections"]]
    pages["en"] = {"name": OWN, "slug": "en-gb", "language": "en-GB", "version_of": "home"}
    picture = {"file": "f", "format": "svg", "width": 90, "height": 60, "name": OWN, "alt": OWN}
    about = {"site": {"site.language": "de"}, "parts": {"footer.credit": True, "footer.switch": True}}
    under = {"navigation": {"under": {"words": "opening"}}}
    plain = {
        "name": OWN,
        "tagline": OWN,
        "template": template,
        "pages": pages,
        "order": [*pages],
        "pictures": {"p": picture},
    }
    return Document.model_validate(plain | about | under)


@pytest.fixture
def pseudo(monkeypatch: pytest.MonkeyPatch) -> None:
    """German, with every sentence of Yemba's in brackets."""
    german = shipped().languages["de"]
    said = {english: f"⟦{english}⟧" for english in german.phrases}
    monkeypatch.setitem(shipped().languages, "de", german.model_copy(update={"phrases": said}))  # type: ignore[arg-type]


def _spoken(html: str) -> Iterator[str]:
    """What is seen and heard of a page, each with where it stands."""
    for element in tinyhtml5.parse(html, namespace_html_elements=False).iter():
        if not isinstance(element.tag, str) or element.tag in _SILENT:
            continue
        if element.tag == "meta" and element.get("name") != "description":
            continue
        texts = [element.text or "", *(child.tail or "" for child in element)]
        yield from (text for text in texts if text.strip())
        yield from (text for name in HEARD if (text := element.get(name, "")))


def _by_cldr() -> set[str]:
    """Words of days and prices in German, and what languages call themselves."""
    german = Locale("de")
    words = {
        word for width in ("wide", "abbreviated") for form in german.days.values() for word in form[width].values()
    }
    words |= {word for form in german.months.values() for word in form["wide"].values()}
    names = " ".join([*words, own_name("en-GB"), "EUR", "KB", "kB", "MB", "PDF"])
    return set(_LETTERS.findall(names))


@freeze_time("2027-03-01")
@pytest.mark.usefixtures("pseudo")
def test_nothing_is_said_on_a_page_that_no_catalogue_has() -> None:
    known, now = _by_cldr() | {OWN}, datetime(2027, 3, 1, tzinfo=UTC)
    document = as_at(_document("slipway"), now)
    drawing = b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 90 60"/>'
    site = Site(Look(document, shipped()), date(2027, 3, 1), lambda _: drawing, address="https://o.example/", now=now)
    files = site_files(site)
    pages = {path: files[path].make().decode() for path in files if path.endswith(".html")}
    pages["sent"] = notice_page(site, "⟦Sent⟧", notice("⟦Sent⟧", OWN, OWN)).decode()
    left = {
        (path, text.strip())
        for path, html in pages.items()
        if not path.startswith("en-gb/")
        for text in _spoken(html)
        if set(_LETTERS.findall(_BRACKETS.sub("", text).replace("a@b.example", ""))) - known
    }
    assert left == set()
    assert sum(html.count("⟦") for html in pages.values()) > 200
