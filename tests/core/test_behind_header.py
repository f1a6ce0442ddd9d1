"""Text reads on whatever stands behind a header, by no more than is needed."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.editing import edited
from yemba.core.colour.contrast import TEXT, ratio
from yemba.core.colour.gradient import POINTS, laid_over, least_over, points, steps
from yemba.core.colour.srgb import BLACK, WHITE, Colour
from yemba.core.picture.patterns import PATTERNS, as_css, mark
from yemba.core.site.backdrop import of_header
from yemba.core.site.behind import GRADIENT, GROUND, PATTERN, PICTURE
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.header_ground import behind, gradient, pattern
from yemba.core.site.resolve import Look

colours = st.builds(Colour, *[st.integers(0, 255)] * 3)
INKS = ((BLACK, TEXT),)


@given(st.lists(colours, min_size=2, max_size=3))
def test_the_least_over_a_gradient_is_enough_everywhere_and_no_less_is(stops: list[Colour]) -> None:
    least = least_over(stops, WHITE, INKS)
    assert least is not None
    for over, reads in ((least, True), (least - 1, False)):
        if over < 0:
            continue
        under = [laid_over(colour, WHITE, over / 100) for colour in points(stops)]
        assert all(ratio(BLACK, colour) >= TEXT for colour in under) is reads, "by brute force"


def test_a_gradient_begins_and_ends_with_its_stops_and_keeps_their_middle() -> None:
    red, white, blue = Colour(140, 59, 42), Colour(255, 255, 255), Colour(47, 95, 138)
    told = points([red, white, blue])
    assert (told[0], told[-1], len(told)) == (red, blue, POINTS)
    assert min(sum(255 - channel for channel in one) for one in told) == 0
    assert steps([red, blue])[0] == red


def test_a_ground_on_which_text_does_not_read_is_no_help() -> None:
    assert least_over([WHITE, BLACK], Colour(90, 90, 90), INKS) is None


@given(colours, colours)
def test_a_mark_is_as_strong_as_text_allows(fill: Colour, wanted: Colour) -> None:
    ink = BLACK if ratio(BLACK, fill) >= ratio(WHITE, fill) else WHITE
    made = mark(fill, wanted, ((ink, TEXT),))
    assert ratio(ink, made) >= TEXT - 0.05
    if made != wanted and ratio(ink, wanted) < TEXT:
        assert ratio(ink, made) <= TEXT + 1.2, "no weaker than it must be"


@pytest.mark.parametrize("slug", list(PATTERNS))
def test_every_pattern_is_an_image_of_one_colour(slug: str) -> None:
    css = as_css(slug, Colour(140, 59, 42))
    assert css.startswith('url("data:image/svg+xml,') and "8c3b2a" in css
    assert "<" not in css and "currentColor" not in css


def set_to(document: Document, catalogue: Catalogue, **values: Any) -> Look:
    for key, value in values.items():
        document = edited(document, "set-value", key=f"header.{key}", value=value)
    return Look(document, catalogue)


def test_what_is_chosen_is_shown_once_it_is_there(document: Document, catalogue: Catalogue) -> None:
    assert behind(set_to(document, catalogue, behind="gradient")) == GROUND, "a gradient needs two colours"
    first, second = (f"@{colour['id']}" for colour in Look(document, catalogue).value("palette")[:2])
    ends = {"behind": "gradient", "gradient_from": first, "gradient_to": second}
    look = set_to(document, catalogue, **ends)
    assert behind(look) == GRADIENT and gradient(look) and not pattern(look)
    assert behind(set_to(document, catalogue, behind="picture")) == GROUND
    assert behind(set_to(document, catalogue, behind="pattern")) == PATTERN
    assert behind(set_to(document, catalogue, **ends, arrangement="inside")) == GROUND, "there the section’s own shows"


def test_a_picture_that_was_set_before_is_shown(document: Document, catalogue: Catalogue) -> None:
    about = {"file": "f", "format": "jpeg", "width": 900, "height": 600}
    plain = document.plain() | {"pictures": {"p": about}, "parts": {"header.backdrop": "p"}}
    look = Look(Document.model_validate(plain), catalogue)
    assert behind(look) == PICTURE
    assert of_header(look) is not None
    ground = Look(
        Document.model_validate(plain | {"parts": {"header.backdrop": "p", "header.behind": "ground"}}), catalogue
    )
    assert of_header(ground) is None, "the picture is kept and not shown"


def test_a_colour_that_goes_takes_its_place_in_a_gradient_along(document: Document, catalogue: Catalogue) -> None:
    first, second, third = (colour["id"] for colour in Look(document, catalogue).value("palette")[:3])
    look = set_to(document, catalogue, behind="gradient", gradient_from=f"@{first}", gradient_to=f"@{second}")
    swapped = edited(look.document, "remove-colour", colour=second, instead=third)
    assert Look(swapped, catalogue).value("header.gradient_to") == f"@{third}"
    gone = edited(look.document, "remove-colour", colour=second)
    assert "header.gradient_to" not in gone.parts
