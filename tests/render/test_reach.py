"""Reach holds every place that is written or looks otherwise, and no other."""

from __future__ import annotations

from typing import Any

import pytest

from tests.core.test_difference import do, one
from yemba.core.change.difference import difference
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.hosting.services import rendering
from yemba.render.reach import Place, State, of_change, reach


def state(document: Document) -> State:
    return State(rendering(document))


def test_a_colour_reaches_only_where_it_shows(document: Document, catalogue: Catalogue) -> None:
    after = do(document, catalogue, "set-colour", colour="c1", hex="#8c3b2a")
    change = one(document, after, catalogue)
    was = state(document)
    home = document.order[0]
    touched = of_change(change, was)
    assert Place(home, document.pages[home].order[0]) in touched, "its button is of that colour"
    quiet = next(k for p in document.pages.values() for k, s in p.sections.items() if s.kind == "price-list")
    assert quiet not in {place.section for place in touched}, "no button and no link stands there"


def test_content_reaches_its_own_section_alone(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    opening = document.pages[home].order[0]
    after = do(document, catalogue, "set-words", section=opening, field="heading", words="Mended")
    was, now = state(document), state(after)
    assert of_change(one(document, after, catalogue), was) == [Place(home, opening)] == reach(was, now)


@pytest.mark.parametrize(("key", "value"), [("header.height_wide", 120), ("footer.ground", "light")])
def test_a_part_reaches_every_page_and_no_section(
    document: Document, catalogue: Catalogue, key: str, value: Any
) -> None:
    after = do(document, catalogue, "set-value", key=key, value=value)
    touched = of_change(one(document, after, catalogue), state(document))
    assert {place.section for place in touched} == {key.partition(".")[0]}
    assert {place.page for place in touched} == set(document.order)


def test_changes_together_reach_what_they_reach_alone(document: Document, catalogue: Catalogue) -> None:
    both = do(document, catalogue, "set-colour", colour="c1", hex="#8c3b2a")
    both = do(both, catalogue, "set-value", key="header.height_wide", value=120)
    was, now = state(document), state(both)
    touched = [set(of_change(change, was)) for change in difference(document, both, catalogue)]
    assert touched[0] != touched[1]
    assert touched[0] | touched[1] == set(reach(was, now))
