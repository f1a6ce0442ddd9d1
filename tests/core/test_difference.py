"""What waits to go out, in the owner's words, and the places it touches."""

from __future__ import annotations

from typing import Any

from tests.editing import edited
from yemba.core.change.difference import Change, difference
from yemba.core.change.operation import apply
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document


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
        ("set-value", ("key", "type.heading"), ("value", "fraunces")): ("Heading typeface", "Bricolage Grotesque", "Fraunces"),
        ("set-value", ("key", "header.arrangement"), ("value", "stack")): ("Header arrangement", "One row", "Two rows, centred"),
        ("set-ground", ("section", offers), ("ground", "dark")): ("Ground: Offers on Home", "as the template has it", "Dark"),
        ("set-words", ("section", opening), ("field", "heading"), ("words", "Mended")): ("Heading: Opening on Home", "Saltmarsh Bindery", "Mended"),
        ("add-page", ("page_name", "News")): ("Page News", "", "new"),
        ("choose-template", ("template", "handbill")): ("Template", "Slipway", "Handbill"),
        ("bin-section", ("section", offers)): ("Offers on Home", "there", "gone"),
    }  # fmt: skip
    for (name, *arguments), (subject, before, after) in told.items():
        changed = edited(document, name, **dict(arguments))
        found = difference(document, changed, catalogue)[0]
        assert (found.subject, found.before, found.after) == (subject, before, after)


def test_what_goes_along_with_a_value_is_told_with_it(document: Document, catalogue: Catalogue) -> None:
    there = edited(document, "set-value", key="header.behind", value="gradient")
    for end, colour in (("from", "c1"), ("to", "c2")):
        there = edited(there, "set-value", key=f"header.gradient_{end}", value=f"@{colour}")
    assert one(document, there, catalogue).after == "A gradient, Kelp, Night tide"


def test_taking_a_change_back_leaves_nothing_waiting(document: Document, catalogue: Catalogue) -> None:
    there = edited(document, "set-value", key="type.base", value=20)
    back = edited(there, "return-value", key="type.base")
    assert difference(document, back, catalogue) == []


def test_every_waiting_change_of_a_picture_is_undone_when_it_is_taken_back(
    document: Document, catalogue: Catalogue
) -> None:
    live = edited(document, "take-drawing", drawing="waves", section=document.pages[document.order[0]].order[0])
    (picture,) = live.pictures
    acts: dict[str, dict[str, Any]] = {
        "describe-picture": {"alt": "The sea, quiet"},
        "set-focal": {"x": "20", "y": "70"},
        "colour-picture": {"colours": "own"},
        "replace-picture": {"file": "a" * 64, "format": "png", "width": 40, "height": 40, "file_name": "a.png"},
    }
    for name, arguments in acts.items():
        draft = edited(live, name, picture=picture, **arguments)
        waits = difference(live, draft, catalogue)
        assert waits, name
        for change in waits:
            draft = apply(draft, change.back)
        assert draft == live, name
