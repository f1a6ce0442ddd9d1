"""A name set in type as a mark."""

from __future__ import annotations

import pytest
from fontTools.pens.boundsPen import BoundsPen
from fontTools.svgLib.path import parse_path

from yemba.core.picture.ornaments import ORNAMENTS
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.logo import logo_pointed
from yemba.core.site.resolve import Look
from yemba.core.site.wordmark import Wordmark, in_two, wordmark


@pytest.mark.parametrize(
    ("name", "lines"),
    [
        ("Saltmarsh Bindery", ("Saltmarsh", "Bindery")),
        ("Of Tide and Quay Row", ("Of Tide and", "Quay Row")),
        ("A Nebelschwadenbuchbinderei", ("A", "Nebelschwadenbuchbinderei")),
        ("Sole", ("Sole",)),
        ("  Sole   Trader ", ("Sole", "Trader")),
        ("", ("",)),
    ],
)
def test_it_breaks_where_its_wider_line_is_narrowest(name: str, lines: tuple[str, ...]) -> None:
    assert in_two(name, len) == lines


def marked(document: Document, catalogue: Catalogue, name: str = "Saltmarsh Bindery", **sheet: str) -> Wordmark:
    values = {f"logo.{key}": value for key, value in sheet.items()}
    return wordmark(Look(Document.model_validate(document.plain() | {"name": name, "sheet": values}), catalogue))


def test_what_stands_beside_it(document: Document, catalogue: Catalogue) -> None:
    assert marked(document, catalogue) == Wordmark(("Saltmarsh Bindery",))
    assert marked(document, catalogue, "(ælfric) & Sons", beside="letter").letter == "Æ"
    assert marked(document, catalogue, "…", beside="letter").letter == "", "there is no letter in it"
    assert marked(document, catalogue, "…", beside="letter").beside == 0
    ornament = marked(document, catalogue, beside="ornament", ornament="leaf")
    assert ornament.ornament == "leaf"
    assert marked(document, catalogue, beside="none", ornament="leaf").ornament == ""
    assert 0 < ornament.beside < marked(document, catalogue, beside="ornament", lines="two").beside


def test_ornaments_stay_in_their_box() -> None:
    for ornament in ORNAMENTS.values():
        pen = BoundsPen(None)
        parse_path(ornament.path, pen)
        left, top, right, bottom = pen.bounds
        assert left >= 0, ornament
        assert top >= 0, ornament
        assert max(right, bottom) <= 24, ornament
        assert min(right - left, bottom - top) > 12, f"{ornament.name} fills its box"


def test_what_shows_under_the_pointer_goes_with_its_logo(document: Document, catalogue: Catalogue) -> None:
    kept = {"file": "a", "format": "png", "width": 10, "height": 10}
    pictures = {"logo": kept, "other": kept | {"version_of": "logo"}, "new": kept}
    for logo, form, there in (("logo", "picture", True), ("new", "picture", False), ("logo", "wordmark", False)):
        plain = document.plain() | {
            "pictures": pictures,
            "sheet": {"logo.picture": logo, "logo.form": form},
            "parts": {"logo.pointed": "other"},
        }
        shown = logo_pointed(Look(Document.model_validate(plain), catalogue))
        assert (shown is not None) == there, (logo, form)
