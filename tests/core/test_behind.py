"""What stands behind words, of the header and of sections: what is shown, and that text reads on it, by no more than is needed."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.editing import edited
from yemba.core.change.difference import difference
from yemba.core.colour.contrast import TEXT, ratio
from yemba.core.colour.gradient import laid_over, least_over, points
from yemba.core.colour.srgb import BLACK, WHITE, Colour
from yemba.core.errors import Fault
from yemba.core.picture.patterns import PATTERNS, as_css, mark
from yemba.core.picture.tint import BOXES
from yemba.core.site.backdrop import VIEWPORTS, of_section
from yemba.core.site.behind import GRADIENT, GROUND, PATTERN
from yemba.core.site.behind import of_section as chosen_of
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.header_ground import behind, gradient, pattern
from yemba.core.site.kinds import SHARED
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


def test_a_colour_that_goes_takes_its_place_in_a_gradient_along(document: Document, catalogue: Catalogue) -> None:
    first, second, third = (colour["id"] for colour in Look(document, catalogue).value("palette")[:3])
    look = set_to(document, catalogue, behind="gradient", gradient_from=f"@{first}", gradient_to=f"@{second}")
    swapped = edited(look.document, "remove-colour", colour=second, instead=third)
    assert Look(swapped, catalogue).value("header.gradient_to") == f"@{third}"
    gone = edited(look.document, "remove-colour", colour=second)
    assert "header.gradient_to" not in gone.parts


def opening(document: Document) -> str:
    return document.pages[document.order[0]].order[0]


def with_fields(document: Document, catalogue: Catalogue, **fields: str) -> Document:
    for field, words in fields.items():
        document = edited(document, "set-words", section=opening(document), field=field, words=words)
    return document


def shown(document: Document, catalogue: Catalogue) -> tuple[str, Any, Any]:
    look = Look(document, catalogue)
    chosen = chosen_of(look, document.section(opening(document)).section)
    return chosen.shown(look), chosen.gradient(look), chosen.patterned(look)


def in_palette(document: Document, catalogue: Catalogue) -> list[str]:
    return [f"@{colour['id']}" for colour in Look(document, catalogue).value("palette")]


def test_what_is_chosen_shows_as_far_as_it_is_there(document: Document, catalogue: Catalogue) -> None:
    first, second, *_ = in_palette(document, catalogue)
    for fields, kind in (
        ({}, "ground"),
        ({"behind": "gradient"}, "ground"),
        ({"behind": "gradient", "gradient_from": first}, "ground"),
        ({"behind": "gradient", "gradient_from": first, "gradient_to": second}, "gradient"),
        ({"behind": "pattern"}, "pattern"),
        ({"behind": "picture"}, "ground"),
    ):
        assert shown(with_fields(document, catalogue, **fields), catalogue)[0] == kind, fields


def test_text_reads_along_every_gradient_of_the_palette(document: Document, catalogue: Catalogue) -> None:
    every = in_palette(document, catalogue)
    for first in every:
        for second in every:
            drawn_on = with_fields(document, catalogue, behind="gradient", gradient_from=first, gradient_to=second)
            _, gradient, _ = shown(drawn_on, catalogue)
            look = Look(drawn_on, catalogue)
            ground = look.grounds[look.ground(drawn_on.section(opening(drawn_on)).section).value]
            along = [laid_over(colour, ground.fill, gradient.over / 100) for colour in points(gradient.stops, 200)]
            assert min(ratio(ground.text, colour) for colour in along) >= TEXT - 0.01, (first, second)


def test_what_shows_nothing_alone_waits_as_one_change(document: Document, catalogue: Catalogue) -> None:
    first, second, *_ = in_palette(document, catalogue)
    after = with_fields(document, catalogue, behind="gradient", gradient_from=first, gradient_to=second)
    changes = difference(document, after, catalogue)
    assert [change.subject.partition(":")[0] for change in changes] == ["Behind its words"]
    assert "a gradient" in changes[0].after.lower()


def test_a_picture_that_stands_still_is_judged_as_windows_show_it(document: Document, catalogue: Catalogue) -> None:
    plain = document.model_dump(mode="json")
    plain["pictures"]["q"] = {"file": "q.png", "format": "png", "width": 1600, "height": 900}
    moving = with_fields(Document.model_validate(plain), catalogue, backdrop="q")
    still = with_fields(moving, catalogue, moves="still", filter="grey")
    for one, boxes, seen_under in ((moving, BOXES, "none"), (still, (*BOXES, *VIEWPORTS), "grey")):
        over = of_section(Look(one, catalogue), one.section(opening(one)).section)
        assert over is not None
        assert (over.boxes, over.filter) == (boxes, seen_under)
    hidden = with_fields(still, catalogue, behind="ground")
    assert of_section(Look(hidden, catalogue), hidden.section(opening(hidden)).section) is None


@pytest.mark.parametrize("field", sorted({field.slug for field in SHARED} - {"tint", "pattern_strength", "backdrop"}))
def test_bad_choices_are_refused_by_name(field: str, document: Document, catalogue: Catalogue) -> None:
    with pytest.raises(Fault, match="“never”"):
        with_fields(document, catalogue, **{field: "never"})
