"""Headers in every arrangement and template, with names, entries and logos of many sorts, in a browser."""

from __future__ import annotations

from collections.abc import Iterator
from functools import cache
from io import BytesIO
from itertools import combinations, product
from pathlib import Path
from typing import Any, NamedTuple

from PIL import Image

from yemba.core.layout.arrangement import OVER
from yemba.core.layout.header_fit import ROUNDING, Setting
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.header import header, header_fit
from yemba.core.site.resolve import Look
from yemba.studio.management.commands._looks import Looks

WIDTHS = (240, 320, 390, 480, 600, 700, 768, 900, 1024, 1280, 1600, 2560)
NAMES = {
    "short": ("Sole", "en-GB"),
    "long": ("The Saltmarsh Bindery and Paper Workshop of Tide Row and Quay", "en-GB"),
    "arabic": ("ورشة تجليد الكتب في المد", "ar"),
}
COUNTS = (3, 7, 14)
LOGOS = {"square": (200, 200), "wide": (600, 100)}
"""Their sizes in px; every other case has the name set in type."""
TYPE = {"none": {}, "marked": {"logo.lines": "two", "logo.beside": "ornament"}}
_ENTRIES = ("Repairs", "Notebooks", "Classes", "Workshop", "Journal", "Vouchers", "Prices", "Marbled papers", "Dates",
            "Questions", "Visit", "About the bench", "Letters", "Shop")  # fmt: skip
_ARABIC = ("إصلاح", "دفاتر", "دروس", "ورشة", "مجلة", "قسائم", "أسعار", "ورق", "مواعيد", "أسئلة", "زيارة", "عنا",
           "رسائل", "متجر")  # fmt: skip
_LINES = 2  # of a tagline, at most
_OFF = 1.0  # px
_LOGO_SHARE = 0.6  # of the window that a logo takes at most

_MEASURE = Path(__file__).with_suffix(".js").read_text()


class Case(NamedTuple):
    """What a header is like, by the names of its arrangement, template, name, number of entries and logo."""

    arrangement: str
    template: str
    name: str
    entries: int
    logo: str


def every_case(catalogue: Catalogue) -> Iterator[Case]:
    """All of them, arrangements that a template does not show left out."""
    for case in product(catalogue.arrangements, catalogue.templates, NAMES, COUNTS, (*TYPE, *LOGOS)):
        one = Case(*case)
        if catalogue.template(one.template).shows("header.arrangement", one.arrangement):
            yield one


def site_of(case: Case) -> Document:
    """A site with that header; every third has a tagline, every second a call to action."""
    name, language = NAMES[case.name]
    called = _ARABIC if language == "ar" else _ENTRIES
    pages: dict[str, Any] = {f"p{n}": {"name": called[n], "slug": f"p{n}" if n else ""} for n in range(case.entries)}
    opening = {"kind": "opening", "fields": {"heading": "Books"}}
    pages["p0"] |= {"sections": {"s0": opening}, "order": ["s0"]}
    odd = sum(map(ord, "".join(map(str, case))))
    parts: dict[str, Any] = {"header.arrangement": case.arrangement, "header.tagline": odd % 3 == 0}
    parts |= {"header.action": "Book" if odd % 2 else "", "header.action_link": "page:p1"}
    sheet: dict[str, Any] = dict(TYPE.get(case.logo, {}))
    pictures = {}
    if shape := LOGOS.get(case.logo):
        sheet = {"logo.form": "picture", "logo.picture": "logo"}
        pictures = {"logo": {"file": case.logo, "format": "png", "width": shape[0], "height": shape[1]}}
    return Document.model_validate(
        {
            "name": name,
            "tagline": "Books mended by hand, and new ones made",
            "template": case.template,
            "site": {"site.language": language},
            "sheet": sheet,
            "parts": parts,
            "pages": pages,
            "order": list(pages),
            "pictures": pictures,
            "navigation": {"under": {"p2": "p1"} if odd % 5 == 0 else {}},
        }
    )


@cache
def _logo(name: str) -> bytes:
    """A dark mark on a see-through ground."""
    out = BytesIO()
    Image.new("RGBA", LOGOS[name], (20, 20, 20, 255)).save(out, "PNG")
    return out.getvalue()


def faults(case: Case, catalogue: Catalogue, browser: Any) -> Iterator[str]:
    """Where the browser lays the header out otherwise than was worked out, at all widths."""
    site = site_of(case)
    look = Look(site, catalogue)
    looks = Looks(browser, site, catalogue, load=_logo)
    page = looks.page(WIDTHS[0])
    looks.open(page, "")
    for width in WIDTHS:
        page.set_viewport_size({"width": width, "height": 900})
        measured = page.evaluate(_MEASURE)
        yield from (f"{'-'.join(map(str, case))} at {width}: {what}" for what in _wrong(look, measured))
    page.context.close()


def _wrong(look: Look, measured: dict[str, Any]) -> Iterator[str]:
    width, pieces, fit = measured["width"], measured["pieces"], header_fit(look)
    arrangement = look.arrangement
    if measured["sideways"] > width + _OFF:
        yield f"it scrolls sideways to {measured['sideways']} px"
    for piece in pieces:
        if piece["left"] < -_OFF or piece["right"] > width + _OFF:
            yield f"{piece['what']} runs from {piece['left']:.0f} to {piece['right']:.0f}"
    yield from _overlaps(pieces)
    if arrangement.stands == OVER:
        yield from _off_the_section(pieces, measured["under"])
    if arrangement.menu != "unfolds":
        return
    if measured["folded"] != (width < fit.fold):
        yield f"folded is {measured['folded']}, worked out to unfold from {fit.fold}"
    if not measured["folded"] and not arrangement.column:
        yield from _widths(look, measured)


def _off_the_section(pieces: list[dict[str, Any]], section: dict[str, Any]) -> Iterator[str]:
    """A header over a section has the colours of its ground, and must not stand beside it."""
    if not section["painted"]:
        yield "the section that it stands over is not painted"
    for piece in pieces:
        beside = piece["left"] < section["left"] - _OFF or piece["right"] > section["right"] + _OFF
        if beside or piece["bottom"] > section["bottom"] or piece["top"] < section["top"] - _OFF:
            yield f"{piece['what']} stands off the section"


def _overlaps(pieces: list[dict[str, Any]]) -> Iterator[str]:
    for one, other in combinations(pieces, 2):
        across = _common(one, other, "left", "right")
        down = _common(one, other, "top", "bottom")
        if across > _OFF and down > _OFF:
            yield f"{one['what']} and {other['what']} overlap by {across:.0f} x {down:.0f} px"


def _common(one: dict[str, Any], other: dict[str, Any], start: str, end: str) -> float:
    """How far both reach along one another, in px; below 0 where they do not meet."""
    return float(min(one[end], other[end]) - max(one[start], other[start]))


def _widths(look: Look, measured: dict[str, Any]) -> Iterator[str]:
    """The name and the entries are as wide as was worked out, where the face has their letters."""
    width, head = measured["width"], header(look)
    if look.document.name == NAMES["arabic"][0]:
        return
    faces, contents = head.faces, head.contents
    beside = contents.beside * faces.title.text.size.at(width)
    name = beside + max(_drawn(faces.title, line, width) for line in head.title_lines)
    if contents.logo:
        name = min(head.title, _LOGO_SHARE * width)
    if abs(measured["name"] - name) > _OFF:
        yield f"the name is {measured['name']:.1f} px wide, worked out as {name:.1f}"
    tagline = faces.tagline.text
    most = _LINES * tagline.size.at(width) * tagline.leading + 2 * _OFF
    for piece in measured["pieces"]:
        if piece["what"].startswith("tagline") and piece["bottom"] - piece["top"] > most:
            yield f"the tagline is {piece['bottom'] - piece['top']:.0f} px high, more than {_LINES} lines"
    size = head.size_at(header_fit(look), width)
    for words, drawn in measured["entries"]:
        worked_out = size * _drawn(faces.navigation, words, width)
        if abs(drawn - worked_out) > _OFF:
            yield f"“{words}” is {drawn:.1f} px wide, worked out as {worked_out:.1f}"


def _drawn(setting: Setting, words: str, window: float) -> float:
    """What a browser draws, for which the core leaves a little more room."""
    return setting.width_at(words, window) / ROUNDING
