"""Names in type: icons, link cards and drawings have a letter for every one, whatever face the site stands in; a name set as a mark."""

from __future__ import annotations

import re
from io import BytesIO

import pytest
from fontTools.pens.boundsPen import BoundsPen
from fontTools.svgLib.path import parse_path
from PIL import Image, ImageOps

from yemba.core.check import site_icon
from yemba.core.check.finding import Inspected
from yemba.core.colour.grounds import work_out
from yemba.core.colour.srgb import from_hex
from yemba.core.picture.drawing import drawn
from yemba.core.picture.icons import initial, initial_of
from yemba.core.picture.ornaments import ORNAMENTS
from yemba.core.picture.sharing import Card, Words, card
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.lettering import Lettering
from yemba.core.site.logo import logo_pointed
from yemba.core.site.resolve import Look
from yemba.core.site.wordmark import Wordmark, in_two, wordmark

BLACK, WHITE = from_hex("#000000"), from_hex("#ffffff")
NAMES = {
    "Łódź Introligatornia": "Ł",
    "Čajovna": "Č",
    "Ωδείο": "Ω",
    "ورق": "و",
    "ספר": "ס",
    "Журнал": "Ж",
    "Ếch": "Ế",
    "ßeta": "ß",
    "  9 Tide Row": "9",
    "saltmarsh": "S",
    "?!": "·",
}


def _lettering(catalogue: Catalogue, slug: str) -> Lettering:
    return Lettering(catalogue.families[slug], catalogue.families.values(), 700)


@pytest.mark.parametrize("name", NAMES)
def test_every_shipped_face_gives_an_icon_to_names_of_every_script(catalogue: Catalogue, name: str) -> None:
    for slug in catalogue.families:
        lettering = _lettering(catalogue, slug)
        letter = initial_of(name, lettering)
        assert letter == NAMES[name], slug
        [run] = lettering.runs(letter)
        assert run.face.covers(letter), "not the box that stands for a missing letter"


def test_the_face_itself_draws_what_it_has(catalogue: Catalogue) -> None:
    lettering = _lettering(catalogue, "bricolage-grotesque")
    own = catalogue.families["bricolage-grotesque"]
    assert lettering.runs("Repairs, £9")[0].face is own.open(own.file("R", 700).name)
    assert lettering.width("Repairs", 20) == pytest.approx(own.width("Repairs", 20, 700))


def test_icons_stand_in_the_middle(catalogue: Catalogue) -> None:
    for name in NAMES:
        svg = initial(name, _lettering(catalogue, "fraunces"), WHITE, BLACK)
        left, top, right, bottom = _ink(svg)
        assert abs(left + right - 128) <= 2, name
        assert abs(top + bottom - 128) <= 2, name
        high, wide = bottom - top, right - left
        as_large = abs(high - 0.56 * 128) <= 2 if high / wide > 0.56 / 0.72 else abs(wide - 0.72 * 128) <= 2
        assert as_large or name == "?!", "as high, or as wide, as a letter may be"


def _ink(svg: bytes) -> tuple[int, int, int, int]:
    """The box of the dark pixels in a drawing of 128 x 128 px."""
    picture = Image.open(BytesIO(drawn(svg, 128, 128))).convert("L")
    return ImageOps.invert(picture).point(lambda grey: 255 if grey > 100 else 0).getbbox()


def test_what_nobody_can_draw_is_passed_over_and_said(catalogue: Catalogue, document: Document) -> None:
    lettering = _lettering(catalogue, "work-sans")
    assert lettering.lacks("書店 Books書") == "書店"
    assert initial_of("書店 Books", lettering) == "B"
    assert initial_of("書店", lettering) == "·"
    assert lettering.line("書", 0, 0, 20, "#000000") == ""
    assert lettering.bounds("書") == (0.0, 0.0, 0.0, 0.0)
    look = Look(document.model_copy(update={"name": "書店 Books"}), catalogue)
    [icon, link_card] = [finding.sentence for finding in site_icon.find(Inspected(look, load=bytes, weigh=int))]
    assert "書" in icon and "店" not in icon
    assert "店" in link_card


def test_lines_from_the_right_stand_at_the_right(catalogue: Catalogue) -> None:
    lettering = _lettering(catalogue, "work-sans")
    assert [run.words.strip() for run in lettering.runs("ورق 9 Tide")] == ["9 Tide", "ورق"]
    assert [run.words.strip() for run in lettering.runs("Tide ورق")] == ["Tide", "ورق"]
    ground = work_out((BLACK, WHITE), (), ())["light"]
    svg = card(Card(Words("ورق", lettering), Words("", lettering), ground)).decode()
    [x] = re.findall(r"translate\(([\d.]+) ", svg)
    assert float(x) > 600


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
