"""Brand sheets go out as an open file and come back without loss; what is none is refused with the reason."""

from __future__ import annotations

import json
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.editing import edited
from yemba.catalogue import catalogue as shipped
from yemba.core.brand.sheet import compare, read_file, values_of_look, write
from yemba.core.errors import Fault
from yemba.core.limits import SHEET_BYTES
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look

LOGO = b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 4 4"><path d="M0 0h4v4z"/></svg>'
colours = st.lists(st.integers(0, 0xFFFFFF), min_size=3, max_size=8, unique=True)


@given(colours, st.integers(16, 24), st.sampled_from(sorted(shipped().families)))
def test_a_sheet_reads_back_as_it_was_written(hexes: list[int], base: int, family: str) -> None:
    palette = [{"id": f"c{n}", "name": f"Colour {n}", "hex": f"#{v:06x}"} for n, v in enumerate(hexes)]
    values = {
        "palette": palette,
        "type.base": base,
        "type.heading": family,
        "grounds.own": [{"id": "xkelp", "name": "Kelp", "fill": "@c1"}],
        "roles.by_hand": [
            {"id": "dark.link", "value": palette[0]["hex"]},
            {"id": "xkelp.button", "value": "#ffffff40"},
        ],
    }
    read = read_file(write("Tide", values, None), shipped())
    assert (read.name, read.values, read.logo) == ("Tide", values, None)


def test_a_logo_goes_along(catalogue: Catalogue) -> None:
    read = read_file(write("Tide", {}, (LOGO, "mark.svg", "A wave")), catalogue)
    assert read.logo is not None
    assert read.logo[1:] == ("mark.svg", "A wave")


def told(**over: Any) -> bytes:
    return json.dumps({"format": "brand-sheet", "version": 1, "name": "Tide", "values": {}} | over).encode()


@pytest.mark.parametrize(
    ("data", "code"),
    [
        (told(values={"grounds.own": [{"id": "xkelp"}]}), "empty"),
        (told(values={"grounds.own": [{"id": "xkelp", "name": "Kelp", "fill": 3}]}), "colour-unreadable"),
        (told(values={"roles.by_hand": [{"id": "dark.shine", "value": "#fff"}]}), "no-such-role"),
        (told(values={"roles.by_hand": [{"id": ["dark"]}]}), "no-such-role"),
        (b"", "sheet-unreadable"),
        (b"\xff\xfe\x00", "sheet-unreadable"),
        (b"[" * 100_000, "sheet-unreadable"),
        (b'{"format": "else"}', "sheet-unreadable"),
        (told(version=2), "sheet-unreadable"),
        (told(name=""), "empty"),
        (told(values={"header.ground": "dark"}), "no-such-setting"),
        (told(values={"type.base": 400}), "number-out-of-range"),
        (told(values={"palette": "red"}), "palette-size"),
        (told(values={"palette": ["red", 1, None]}), "palette-size"),
        (told(values={"logo.form": []}), "no-such-choice"),
        (told(values={"type.body": {}}), "no-such-family"),
        (told(values={"palette": [{"hex": "#12"}] * 3}), "empty"),
        (told(values={"type.heading": "papyrus"}), "no-such-family"),
        (told(logo={"data": "not base 64"}), "sheet-unreadable"),
        (told(logo={"data": "PHNjcmlwdC8+", "name": "x.svg"}), "picture-unreadable"),
        (b" " * (SHEET_BYTES + 1), "file-too-large"),
    ],
)
def test_what_is_no_brand_sheet_is_refused(data: bytes, code: str, catalogue: Catalogue) -> None:
    with pytest.raises(Fault) as caught:
        read_file(data, catalogue)
    assert caught.value.code == code


def test_two_sheets_are_compared_value_by_value(document: Document, catalogue: Catalogue) -> None:
    look = Look(document, catalogue)
    here = values_of_look(look)
    there = here | {"type.base": 22, "type.heading": "fraunces"}
    rows = compare(here, there, look)
    assert [(row.name, row.first, row.second) for row in rows if not row.same] == [
        ("Heading typeface", "Bricolage Grotesque", "Fraunces"),
        ("Base size", "18 px", "22 px"),
    ]
    assert not rows[0].same
    assert rows[-1].same


def test_an_own_sheet_covers_what_was_set_and_it_comes_back(document: Document, catalogue: Catalogue) -> None:
    own = edited(document, "set-value", key="type.base", value=20)
    logo = {"file": "f" * 64, "format": "svg", "width": 4, "height": 4, "name": "mark.svg"}
    applied = edited(own, "apply-own-sheet", title="Tide", values={"type.base": 23}, logo=logo)
    look = Look(applied, catalogue)
    assert look.value("type.base") == 23
    assert applied.pictures[look.value("logo.picture")].file == "f" * 64
    twice = edited(applied, "apply-own-sheet", title="Tide", values={"type.base": 23}, logo=logo)
    assert twice.pictures.keys() == applied.pictures.keys(), "the logo is there already"
    assert edited(applied, "bring-back-sheet").sheet["type.base"] == 20
    returned = edited(applied, "return-sheet")
    assert Look(returned, catalogue).value("type.base") == Look(document, catalogue).value("type.base")
    assert returned.own_sheet is None
