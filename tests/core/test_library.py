"""The pictures of a site found, their crops, and what is said of them."""

from __future__ import annotations

import pytest

from yemba.catalogue import catalogue as shipped
from yemba.core.change.command import read_command
from yemba.core.change.operation import apply
from yemba.core.change.subset import document_with
from yemba.core.check import alt_text
from yemba.core.errors import Fault
from yemba.core.picture.alt import from_file_name, proposals
from yemba.core.site import library
from yemba.core.site.document import Document, Item, Page, Picture, Section
from yemba.core.site.library import Query, search
from yemba.core.site.pictures import in_words_of, is_answered, picture_size, rendition, toning, uses
from yemba.core.site.resolve import Look


def _document(**pictures: Picture) -> Document:
    entry = Item(fields={"picture": "tall", "caption": "Thread, waxed"})
    gallery = Section(kind="gallery", fields={"heading": "At the bench"}, items={"one": entry}, order=["one"])
    page = Page(name="Home", slug="", sections={"s": gallery}, order=["s"])
    return Document(name="Bindery", template="slipway", pages={"home": page}, order=["home"], pictures=pictures)


def _picture(name: str, width: int, height: int, **more: object) -> Picture:
    return Picture(file=name, format="png", width=width, height=height, name=name, **more)  # type: ignore[arg-type]


THREE = _document(
    tall=_picture("IMG_2044.png", 600, 900, added="2026-01-02T10:00:00"),
    wide=_picture("red thread.png", 1600, 900, added="2026-03-01T10:00:00", alt="A reel"),
    square=_picture("Anvil.png", 800, 800, added="2026-02-01T10:00:00"),
)
LOOK = Look(THREE, shipped())


def _after(name: str, document: Document = THREE, **arguments: str) -> Document:
    return apply(document, read_command(name, arguments).plan(Look(document, shipped()), lambda: "new"))


@pytest.mark.parametrize(
    ("wanted", "keys"),
    [
        (Query(), ["wide", "square", "tall"]),
        (Query(order="oldest"), ["tall", "square", "wide"]),
        (Query(order="name"), ["square", "tall", "wide"]),
        (Query(order="size"), ["wide", "square", "tall"]),
        (Query(words="REEL thread"), ["wide"]),
        (Query(words="anvil reel"), []),
        (Query(use="used"), ["tall"]),
        (Query(use="unused"), ["wide", "square"]),
        (Query(use="unsaid"), ["tall"]),
        (Query(shape="square"), ["square"]),
        (Query(shape="tall"), ["tall"]),
    ],
)
def test_pictures_are_found(wanted: Query, keys: list[str]) -> None:
    assert [key for key, _ in search(LOOK, wanted)] == keys


def test_a_shape_is_that_of_what_is_shown() -> None:
    turned = _after("turn-picture", picture="tall", quarter="90")
    assert library.shape_of(turned.pictures["tall"]) == "wide"


@pytest.mark.parametrize(
    ("name", "words"),
    [
        ("IMG_2044.JPG", ""),
        ("DSC01234.png", ""),
        ("red-thread_binding 2.jpg", "Red thread binding"),
        ("MarbledPaper.webp", "Marbled Paper"),
        ("ab.png", ""),
        ("20260412_101500.jpg", ""),
    ],
)
def test_what_a_file_name_says(name: str, words: str) -> None:
    assert from_file_name(name) == words


def test_alt_texts_are_proposed_from_what_stands_beside() -> None:
    tall = THREE.pictures["tall"]
    assert library.proposals(tall, uses(THREE)["tall"]) == ["Thread, waxed", "At the bench"]
    assert proposals("at-the-bench.png", ["At the bench.", "", "x" * 500]) == ["At the bench."]


def test_decoration_is_an_answer() -> None:
    assert "tall" in alt_text._undescribed(THREE)
    decorated = _after("call-decoration", picture="tall", decoration="1")
    assert is_answered(decorated.pictures["tall"])
    assert not alt_text._undescribed(decorated)


def test_a_crop_keeps_the_focal_point_where_it_was() -> None:
    spot = _after("set-focal", picture="wide", x="75", y="25")
    cropped = _after("crop-picture", spot, picture="wide", left="50", top="0", right="100", bottom="50")
    wide = cropped.pictures["wide"]
    assert (wide.focal_x, wide.focal_y) == (50, 50)
    assert picture_size(wide) == (800, 450)
    assert in_words_of(wide) == "cropped to 800 × 450"
    assert _after("show-whole", cropped, picture="wide").pictures["wide"] == spot.pictures["wide"]


def test_a_shape_is_cut_as_large_as_it_goes_about_the_focal_point() -> None:
    spot = _after("set-focal", picture="wide", x="90", y="50")
    square = _after("crop-picture", spot, picture="wide", shape="1:1").pictures["wide"]
    assert picture_size(square) == (900, 900)
    assert square.crop.split()[2] == "100"


def test_a_mirror_and_a_turn_take_the_focal_point_along() -> None:
    spot = _after("set-focal", picture="wide", x="20", y="30")
    mirrored = _after("mirror-picture", spot, picture="wide").pictures["wide"]
    assert (mirrored.mirror, mirrored.focal_x, mirrored.focal_y) == (True, 80, 30)
    turned = _after("turn-picture", spot, picture="wide", quarter="90").pictures["wide"]
    assert (turned.rotation, turned.focal_x, turned.focal_y) == (90, 70, 20)
    assert picture_size(turned) == (900, 1600)


@pytest.mark.parametrize(
    ("arguments", "named"),
    [
        ({"left": "60", "right": "62"}, "60 %"),
        ({"left": "-3"}, "-3"),
        ({"shape": "7:1"}, "7:1"),
    ],
)
def test_a_crop_that_cannot_be_is_refused(arguments: dict[str, str], named: str) -> None:
    with pytest.raises(Fault) as refused:
        _after("crop-picture", picture="wide", **arguments)
    assert named in refused.value.sentence


def test_a_replaced_picture_keeps_the_shape_that_was_shown() -> None:
    square = _after("crop-picture", picture="wide", shape="1:1")
    new = {"file": "f", "format": "png", "width": "500", "height": "400", "file_name": "b.png"}
    after = _after("replace-picture", square, picture="wide", **new).pictures["wide"]
    assert (after.crop, after.shape, picture_size(after)) == ("", "1:1", (400, 400))
    assert after.alt == "A reel"


def _first_colours() -> tuple[str, str]:
    first, second = (colour["id"] for colour in LOOK.value("palette")[:2])
    return f"@{first}", f"@{second}"


def test_a_toned_picture_follows_the_palette() -> None:
    tint, _ = _first_colours()
    toned = _after("tone-picture", picture="wide", filter="duotone", tint=tint, strength="40")
    assert toned.pictures["wide"].tones is None, "colours are not stored with it"
    before = Look(toned, shipped())
    after = Look(_after("set-colour", toned, colour=tint[1:], hex="#00aa55"), shipped())
    assert toning(before.pictures["wide"]).tint.hex != toning(after.pictures["wide"]).tint.hex == "#00aa55"
    assert rendition(before.pictures["wide"]).mark != rendition(after.pictures["wide"]).mark
    assert before.pictures["tall"] == after.pictures["tall"]


def test_what_takes_the_place_of_a_colour_tints_in_its_place() -> None:
    tint, other = _first_colours()
    toned = _after("tone-picture", picture="wide", filter="grey", tint=tint)
    moved = _after("remove-colour", toned, colour=tint[1:], instead=other[1:]).pictures["wide"]
    bare = _after("remove-colour", toned, colour=tint[1:]).pictures["wide"]
    assert (moved.tint, moved.tint_strength) == (other, 30)
    assert (bare.tint, bare.tint_strength, bare.filter) == ("", 0, "grey")


def test_a_tint_goes_out_with_the_colour_it_is_of() -> None:
    added = _after("add-colour", hex="#123456")
    new = next(c["id"] for c in Look(added, shipped()).value("palette") if c["hex"] == "#123456")
    toned = _after("tone-picture", added, picture="wide", tint=f"@{new}")
    live = document_with(THREE, toned, ["picture.wide.toning"], shipped())
    assert toning(Look(live, shipped()).pictures["wide"]).tint.hex == "#123456"


@pytest.mark.parametrize(
    ("arguments", "named"),
    [({"filter": "sepia"}, "filter"), ({"tint": "@gone"}, "tint"), ({"tint": "", "strength": "0"}, "strength")],
)
def test_a_toning_that_cannot_be_is_refused(arguments: dict[str, str], named: str) -> None:
    with pytest.raises(Fault) as refused:
        _after("tone-picture", picture="wide", **arguments)
    assert refused.value.field == named
