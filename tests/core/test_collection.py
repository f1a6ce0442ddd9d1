"""The picture collection: drawings in roles, found by words, in the colours of a site."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.editing import edited
from yemba.core.colour.srgb import Colour
from yemba.core.errors import Fault
from yemba.core.picture.collection import ROLES, coloured, in_own_colours, roles_in, search
from yemba.core.picture.drawing import drawn
from yemba.core.picture.intake import clean_picture
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look

COLOURS = st.builds(Colour, *[st.integers(0, 255)] * 3)


def with_drawing(document: Document, catalogue: Catalogue) -> tuple[Document, str]:
    made = edited(document, "take-drawing", drawing="stove", section=document.pages[document.order[0]].order[0])
    return made, next(iter(made.pictures))


def test_there_are_sixty_each_with_words_and_colours(catalogue: Catalogue) -> None:
    assert len(catalogue.collection) >= 60
    for drawing in catalogue.collection.values():
        assert drawing.tags, drawing.slug
        assert len(drawing.alt.split()) >= 3, drawing.slug
        assert len(roles_in(drawing.svg)) >= 3, f"{drawing.slug} is in colours of roles"
        assert not set(roles_in(drawing.svg)) - set(ROLES)


def test_each_is_taken_as_any_drawing_and_can_be_drawn(catalogue: Catalogue) -> None:
    for drawing in catalogue.collection.values():
        data = in_own_colours(drawing)
        assert b"var(" not in data
        clean = clean_picture(data, f"{drawing.slug}.svg")
        assert (clean.width, clean.height) == (drawing.width, drawing.height)
    assert drawn(in_own_colours(catalogue.collection["stove"]), 60).startswith(b"\x89PNG")


def test_each_trade_has_pictures_enough(catalogue: Catalogue) -> None:
    for trade in catalogue.trades.values():
        fitting = [one for one in catalogue.collection.values() if set(one.tags) & set(trade.tags)]
        assert len(fitting) >= 5, trade.slug


@given(st.lists(COLOURS, min_size=3, max_size=8, unique=True))
def test_a_drawing_takes_the_colours_of_any_palette(catalogue: Catalogue, colours: list[Colour]) -> None:
    palette = [{"id": f"c{n}", "name": f"Colour {n}", "hex": colour.hex} for n, colour in enumerate(colours)]
    look = Look(Document(name="", template="slipway", sheet={"palette": palette}), catalogue)
    roles = dict(look.role_colours)
    assert tuple(roles) == ROLES
    text = coloured(catalogue.collection["stove"].svg, look.role_colours).decode()
    assert roles["lead"] == look.grounds["strong"].fill.hex
    assert roles["lead"] in text
    assert "var(" not in text


def test_a_picture_follows_the_palette_unless_it_keeps_its_own_colours(
    catalogue: Catalogue, document: Document
) -> None:
    made, key = with_drawing(document, catalogue)
    repainted = edited(made, "set-colour", colour="c1", hex="#7a1f4b")
    before, after = Look(made, catalogue), Look(repainted, catalogue)
    assert before.pictures[key].file != after.pictures[key].file
    assert after.load(after.pictures[key].file) != before.load(before.pictures[key].file)
    own = [Look(edited(one, "colour-picture", picture=key, colours="own"), catalogue) for one in (made, repainted)]
    assert own[0].pictures[key].file == own[1].pictures[key].file
    assert own[0].load(own[0].pictures[key].file) == in_own_colours(catalogue.collection["stove"])
    assert made.pictures[key].alt == catalogue.collection["stove"].alt


def test_what_is_replaced_has_colours_of_its_own(catalogue: Catalogue, document: Document) -> None:
    made, key = with_drawing(document, catalogue)
    about = {"file": "a" * 64, "format": "png", "width": 40, "height": 40, "file_name": "a.png"}
    replaced = edited(made, "replace-picture", picture=key, **about)
    assert Look(replaced, catalogue).pictures[key].file == "a" * 64
    with pytest.raises(Fault, match="no colours that could be others"):
        edited(replaced, "colour-picture", picture=key, colours="own")


def test_what_is_no_drawing_is_refused_by_name(catalogue: Catalogue, document: Document) -> None:
    with pytest.raises(Fault, match="“sphinx”"):
        edited(document, "take-drawing", drawing="sphinx")


@pytest.mark.parametrize(
    ("words", "first"),
    [
        ("bread", "loaves"),
        ("loaf", ""),
        ("houses", "stove"),
        ("round stones", "stones"),
        ("unicorn", ""),
        ("BEES", "bees"),
    ],
)
def test_drawings_are_found_by_words(catalogue: Catalogue, words: str, first: str) -> None:
    found = [one.slug for one in search(catalogue.collection.values(), words)]
    assert (first in found) if first else not found


def test_those_of_the_trade_come_first(catalogue: Catalogue) -> None:
    found = search(catalogue.collection.values(), "", catalogue.trade("cheesemaker").tags)
    assert found[0].slug in {"cheese", "milk-churn"}
    assert len(found) == len(catalogue.collection)
