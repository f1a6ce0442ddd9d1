"""Gradients, patterns and pictures behind sections: what is shown, that text reads on it, and how it differs."""

from __future__ import annotations

from typing import Any

import pytest

from tests.editing import edited
from yemba.core.change.difference import difference
from yemba.core.colour.contrast import TEXT, ratio
from yemba.core.colour.gradient import laid_over, points
from yemba.core.errors import Fault
from yemba.core.picture.tint import BOXES
from yemba.core.site.backdrop import VIEWPORTS, of_section
from yemba.core.site.behind import DEFAULTS
from yemba.core.site.behind import of_section as chosen_of
from yemba.core.site.behind_style import declarations, style_mark
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.kinds import SHARED
from yemba.core.site.resolve import Look


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


def colours(document: Document, catalogue: Catalogue) -> list[str]:
    return [f"@{colour['id']}" for colour in Look(document, catalogue).value("palette")]


def test_what_is_chosen_shows_as_far_as_it_is_there(document: Document, catalogue: Catalogue) -> None:
    first, second, *_ = colours(document, catalogue)
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
    every = colours(document, catalogue)
    for first in every:
        for second in every:
            drawn_on = with_fields(document, catalogue, behind="gradient", gradient_from=first, gradient_to=second)
            _, gradient, _ = shown(drawn_on, catalogue)
            look = Look(drawn_on, catalogue)
            ground = look.grounds[look.ground(drawn_on.section(opening(drawn_on)).section).value]
            along = [laid_over(colour, ground.fill, gradient.over / 100) for colour in points(gradient.stops, 200)]
            assert min(ratio(ground.text, colour) for colour in along) >= TEXT - 0.01, (first, second)


def test_each_is_known_in_the_stylesheet_by_what_it_draws(document: Document, catalogue: Catalogue) -> None:
    patterned = with_fields(document, catalogue, behind="pattern")
    other = with_fields(patterned, catalogue, pattern_strength="80")
    marks = []
    for one in (patterned, other):
        look = Look(one, catalogue)
        chosen = chosen_of(look, one.section(opening(one)).section)
        assert "url(" in declarations(look, chosen)
        marks.append(style_mark(look, chosen))
    assert marks[0] != marks[1]
    plain = Look(document, catalogue)
    assert style_mark(plain, chosen_of(plain, document.section(opening(document)).section)) == ""


def test_what_shows_nothing_alone_waits_as_one_change(document: Document, catalogue: Catalogue) -> None:
    first, second, *_ = colours(document, catalogue)
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


def test_the_usual_choices_are_choices() -> None:
    fields = {field.slug: field for field in SHARED}
    for slug, value in DEFAULTS.items():
        assert fields[slug].read(value) == value
