"""What waits to go out, in the owner's words, and the places it touches."""

from __future__ import annotations

from typing import Any

import pytest

from yemba.core.change.command import read_command
from yemba.core.change.difference import Change, difference
from yemba.core.change.operation import apply
from yemba.core.change.reach import Place, of_change, reach
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look


def do(document: Document, catalogue: Catalogue, name: str, **arguments: Any) -> Document:
    return apply(document, read_command(name, arguments).plan(document, catalogue))


def one(before: Document, after: Document, catalogue: Catalogue) -> Change:
    (change,) = difference(before, after, catalogue)
    return change


def test_nothing_waits_between_equal_documents(document: Document, catalogue: Catalogue) -> None:
    assert difference(document, document, catalogue) == []


def test_changes_are_told_as_the_owner_thinks_of_them(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    opening, offers = document.pages[home].order[:2]
    told = {
        ("set-colour", ("colour", "c1"), ("hex", "#8c3b2a")): ("Kelp", "#2f5d50", "#8c3b2a"),
        ("set-value", ("key", "type.base"), ("value", 20)): ("Base size", "18 px", "20 px"),
        ("set-value", ("key", "type.heading"), ("value", "fraunces")): (
            "Heading typeface",
            "Bricolage Grotesque",
            "Fraunces",
        ),
        ("set-value", ("key", "header.arrangement"), ("value", "stack")): (
            "Header arrangement",
            "One row",
            "Two rows, centred",
        ),
        ("set-ground", ("section", offers), ("ground", "dark")): (
            "Ground: Offers on Home",
            "as the template has it",
            "Dark",
        ),
        ("set-words", ("section", opening), ("field", "heading"), ("words", "Mended")): (
            "Heading: Opening on Home",
            "Saltmarsh Bindery",
            "Mended",
        ),
        ("add-page", ("page_name", "News")): ("Page News", "", "new"),
        ("choose-template", ("template", "handbill")): ("Template", "Slipway", "Handbill"),
        ("bin-section", ("section", offers)): ("Offers on Home", "there", "gone"),
    }
    for (name, *arguments), (subject, before, after) in told.items():
        changed = do(document, catalogue, name, **dict(arguments))
        found = difference(document, changed, catalogue)[0]
        assert (found.subject, found.before, found.after) == (subject, before, after)


def test_taking_a_change_back_leaves_nothing_waiting(document: Document, catalogue: Catalogue) -> None:
    there = do(document, catalogue, "set-value", key="type.base", value=20)
    back = do(there, catalogue, "return-value", key="type.base")
    assert difference(document, back, catalogue) == []


def test_a_colour_reaches_only_where_it_shows(document: Document, catalogue: Catalogue) -> None:
    after = do(document, catalogue, "set-colour", colour="c1", hex="#8c3b2a")
    change = one(document, after, catalogue)
    was = Look(document, catalogue)
    home = document.order[0]
    touched = of_change(change, was)
    assert Place(home, document.pages[home].order[0]) in touched, "its button is of that colour"
    quiet = next(k for p in document.pages.values() for k, s in p.sections.items() if s.kind == "price-list")
    assert quiet not in {place.section for place in touched}, "no button and no link stands there"


def test_content_reaches_its_own_section_alone(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    opening = document.pages[home].order[0]
    after = do(document, catalogue, "set-words", section=opening, field="heading", words="Mended")
    was, now = Look(document, catalogue), Look(after, catalogue)
    assert of_change(one(document, after, catalogue), was) == [Place(home, opening)] == reach(was, now)


@pytest.mark.parametrize(("key", "value"), [("header.height_wide", 120), ("footer.ground", "light")])
def test_a_part_reaches_every_page_and_no_section(
    document: Document, catalogue: Catalogue, key: str, value: Any
) -> None:
    after = do(document, catalogue, "set-value", key=key, value=value)
    touched = of_change(one(document, after, catalogue), Look(document, catalogue))
    assert {place.section for place in touched} == {key.partition(".")[0]}
    assert {place.page for place in touched} == set(document.order)


def test_each_design_change_reaches_as_if_it_went_alone(document: Document, catalogue: Catalogue) -> None:
    both = do(document, catalogue, "set-colour", colour="c1", hex="#8c3b2a")
    both = do(both, catalogue, "set-value", key="header.height_wide", value=120)
    was, now = Look(document, catalogue), Look(both, catalogue)
    touched = [set(of_change(change, was)) for change in difference(document, both, catalogue)]
    assert touched[0].isdisjoint(touched[1])
    assert touched[0] | touched[1] == set(reach(was, now))
