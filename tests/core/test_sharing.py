"""Pictures for sharing: three compositions, in which no word is cut and the picture keeps its focal spot."""

from __future__ import annotations

import re
from io import BytesIO

import pytest
from PIL import Image

from tests.editing import edited
from tests.sampling import some
from yemba.core.change.difference import difference
from yemba.core.colour.grounds import work_out
from yemba.core.colour.srgb import from_hex
from yemba.core.errors import Fault
from yemba.core.picture.sharing import (
    BESIDE,
    COMPOSITIONS,
    HEIGHT,
    NAME,
    PICTURE,
    WIDTH,
    Behind,
    Card,
    Words,
    card,
    to_png,
)
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.lettering import Lettering
from yemba.core.site.pictures import leading_picture
from yemba.core.site.resolve import Look

GROUND = work_out((from_hex("#8c3b2a"), from_hex("#2f5f8a"), from_hex("#f4efe2")), (), ())["light"]
TITLES = [
    "Sole",
    "The Saltmarsh Bindery and Paper Workshop of Tide Row, Lower Quay and everything between the two of them",
    "Donaudampfschifffahrtsgesellschaftskapitänswitwenrente",
    "ورشة تجليد الكتب في المد",
]


@pytest.fixture
def lettering(catalogue: Catalogue) -> Lettering:
    family = catalogue.families["fraunces"]
    return Lettering(family, list(catalogue.families.values()), 600)


def picture() -> Behind:
    """Blue, with a red square round its focal spot, at 80 % and 20 %."""
    made = Image.new("RGB", (1600, 1600), (20, 40, 200))
    made.paste((230, 20, 20), (1180, 220, 1380, 420))
    out = BytesIO()
    made.save(out, "PNG")
    return Behind(out.getvalue(), (80, 20))


def made_of(lettering: Lettering, title: str, shown: Behind | None) -> Card:
    return Card(Words(title, lettering), Words("Books mended and made in Tide Row", lettering), GROUND, picture=shown)


@pytest.mark.parametrize("title", some(TITLES[1:], 2))
@pytest.mark.parametrize("composition", [*COMPOSITIONS])
def test_every_word_stands_within_the_card(lettering: Lettering, title: str, composition: str) -> None:
    svg = card(made_of(lettering, title, picture()), composition)
    placed = [tuple(map(float, pair)) for pair in re.findall(r"translate\(([-\d.]+) ([-\d.]+)\)", svg.decode())]
    assert placed
    shot = Image.open(BytesIO(to_png(svg))).convert("RGB")
    assert shot.size == (WIDTH, HEIGHT)
    ink, fill = tuple(GROUND.heading), tuple(GROUND.fill)
    edges = [shot.getpixel((x, y)) for x in (0, 1, WIDTH - 2, WIDTH - 1) for y in range(0, HEIGHT, 3)]
    assert ink not in edges, "no letter runs out at a side"
    assert any(shot.getpixel((x, y)) == ink for x in range(0, WIDTH, 2) for y in range(0, HEIGHT, 2))
    assert fill in {shot.getpixel((x, HEIGHT - 4)) for x in range(0, WIDTH, 10)}, "words have their ground"


@pytest.mark.parametrize("composition", [PICTURE, BESIDE])
def test_the_focal_spot_is_seen(lettering: Lettering, composition: str) -> None:
    shot = Image.open(BytesIO(to_png(card(made_of(lettering, "Sole", picture()), composition)))).convert("RGB")
    red = [
        1
        for x in range(0, WIDTH, 8)
        for y in range(0, HEIGHT, 8)
        if shot.getpixel((x, y))[0] > 200 > 90 > shot.getpixel((x, y))[1]
    ]
    assert len(red) > 40


def test_without_a_picture_words_stand_alone(lettering: Lettering) -> None:
    alone = card(made_of(lettering, "Sole", None), NAME)
    assert [card(made_of(lettering, "Sole", None), one) for one in COMPOSITIONS] == [alone] * 3


def test_a_page_may_have_its_own_and_says_so(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    own = edited(document, "share-page", page=home, card="beside")
    (change,) = difference(document, own, catalogue)
    assert (change.before, change.after) == ("as the site’s", "Words beside a picture")
    assert edited(own, "share-page", page=home, card="").text() == document.text()
    with pytest.raises(Fault, match="“collage”"):
        edited(document, "share-page", page=home, card="collage")


def test_the_leading_picture_is_the_first_that_is_shown(document: Document, catalogue: Catalogue) -> None:
    plain = document.plain()
    home = plain["pages"][plain["order"][0]]
    plain["pictures"] = {
        "p": {"file": "f", "format": "jpeg", "width": 9, "height": 6},
        "q": {"file": "g", "format": "jpeg", "width": 9, "height": 6},
    }
    assert leading_picture(Look(document, catalogue), document.pages[document.order[0]]) is None
    home["sections"][home["order"][1]]["fields"]["backdrop"] = "q"
    home["sections"][home["order"][0]]["fields"]["picture"] = "p"
    look = Look(Document.model_validate(plain), catalogue)
    shown = leading_picture(look, look.document.pages[look.document.order[0]])
    assert shown and shown.file == "f"
