"""The highest layer that speaks decides; taking its value away shows the one below."""

from __future__ import annotations

from typing import Any

import pytest

from yemba.core.errors import Fault
from yemba.core.layout.header_fit import Setting, fit
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document, read
from yemba.core.site.resolve import Look, Origin
from yemba.core.site.settings import SETTINGS


def change(document: Document, **fields: Any) -> Document:
    return Document.model_validate(document.plain() | fields)


def test_layers_answer_in_their_order(document: Document, catalogue: Catalogue) -> None:
    def corner(doc: Document) -> tuple[Any, Origin]:
        found = Look(doc, catalogue).resolve("type.heading")
        return found.value, found.origin

    bare = Look(document, catalogue)
    assert bare.resolve("footer.copyright").origin is Origin.ENGINE
    assert corner(document) == ("bricolage-grotesque", Origin.TEMPLATE)
    ready = change(document, ready_sheet="slipway/lamplight")
    assert corner(ready) == ("fraunces", Origin.SHEET)
    own = change(document, ready_sheet="slipway/lamplight", sheet={"type.heading": "alegreya"})
    assert corner(own) == ("alegreya", Origin.SHEET)
    part = Look(change(document, parts={"header.ground": "dark"}), catalogue)
    assert part.resolve("header.ground") == ("dark", Origin.PART, "")


def test_a_ready_sheet_stays_where_the_template_changes(document: Document, catalogue: Catalogue) -> None:
    moved = change(document, ready_sheet="slipway/lamplight", template="handbill")
    assert Look(moved, catalogue).value("type.heading") == "fraunces"


def test_sections_take_layout_and_ground_from_the_template_until_set(document: Document, catalogue: Catalogue) -> None:
    look = Look(document, catalogue)
    _, opening = next(iter(document.pages.values())).sections.items().__iter__().__next__()
    assert look.layout(opening) == ("beside", Origin.TEMPLATE, "Slipway")
    assert look.ground(opening.model_copy(update={"ground": "dark"})) == ("dark", Origin.SECTION, "")
    lost = opening.model_copy(update={"layout": "from-another-time"})
    assert look.layout(lost).value == "beside"


def test_every_setting_resolves_in_every_template(document: Document, catalogue: Catalogue) -> None:
    for template in catalogue.templates:
        look = Look(change(document, template=template), catalogue)
        for key, setting in SETTINGS.items():
            value = look.value(key)
            assert value is None or value == setting.read(value), key


@pytest.mark.parametrize(
    ("text", "reason"),
    [
        ("", "JSON"),
        ("{}", "name"),
        ('{"name": "x", "template": "slipway", "colour": "red"}', "colour"),
        ('{"name": "x", "template": "slipway", "order": ["p"]}', "order"),
        (
            '{"name":"x","template":"slipway","order":["a","b"],'
            '"pages":{"a":{"name":"A","slug":"s"},"b":{"name":"B","slug":"s"}}}',
            "address",
        ),
    ],
)
def test_what_is_no_document_is_refused_with_the_reason(text: str, reason: str) -> None:
    with pytest.raises(Fault) as caught:
        read(text)
    assert reason in caught.value.sentence


def test_the_header_folds_later_the_longer_its_names(document: Document, catalogue: Catalogue) -> None:
    look = Look(document, catalogue)
    shown = [Setting(look.face(level), look.texts[level]) for level in ("title", "navigation")]
    measures, arrangements = look.template.measures, catalogue.arrangements
    folds = [
        fit(arrangements[arrangement], "Saltmarsh Bindery", ["Repairs"] * count, *shown, measures).fold
        for arrangement in ("stack", "row")
        for count in (0, 3, 6, 14)
    ]
    assert folds[:4] == sorted(folds[:4])
    assert folds[4:] == sorted(folds[4:])
    assert folds[7] > folds[3]
    side = arrangements["side"]
    columns = {entry: fit(side, "S", [entry], *shown, measures) for entry in ("Short", "A name that wraps", "W" * 40)}
    assert {one.fold for one in columns.values()} == {960}, "no word takes the column away"
    assert columns["Short"].column == columns["A name that wraps"].column < columns["W" * 40].column
    small = Setting(look.face("small"), look.texts["small"])
    row = [
        fit(arrangements["row"], "S", ["Short"] * 6, *shown, measures, tagline=small.two_lines(tagline)).fold
        for tagline in ("", "Books mended", "Books mended and made in Tide Row")
    ]
    assert row == sorted(set(row)), "the tagline counts"


def test_a_menu_in_lines_or_columns_unfolds_sooner(document: Document, catalogue: Catalogue) -> None:
    look = Look(document, catalogue)
    shown = [Setting(look.face(level), look.texts[level]) for level in ("title", "navigation")]
    row = catalogue.arrangements["row"].model_copy(update={"rows": [["navigation"]]})
    ways = {
        "line": row,
        "two lines": row.model_copy(update={"menu_lines": 2}),
        "columns": row.model_copy(update={"menu_rows": 4}),
    }

    def width(way: str, count: int) -> float:
        return fit(ways[way], "S", ["Repairs"] * count, *shown, look.template.measures).navigation

    assert width("line", 12) > width("two lines", 12) > width("columns", 12)
    assert width("columns", 4) == width("line", 1), "one column is as wide as its widest entry"
    assert width("columns", 5) == width("line", 2), "a fifth entry begins another"
    assert width("two lines", 1) == width("line", 1), "two lines need no more than one"
