"""Where the look of an element comes from: all that decides it, and where that is decided."""

from __future__ import annotations

from typing import Any

import pytest

from tests.editing import edited
from yemba.catalogue import catalogue
from yemba.core.place import OfField, OfOneOff, OfPage, OfRole, OfSection, OfSetting
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.sites import services as sites
from yemba.studio import where
from yemba.studio.where import colour_roles, provenance

SLIPWAY = "the template Slipway"


def facts(document: Document, *of: str) -> dict[str, tuple[str, str, object]]:
    """Value, origin and place of all that decides an element, by what it is; colours by their role."""
    decided = provenance(Look(document, catalogue()), *of).facts
    named = [(one.place.role if isinstance(one.place, OfRole) else str(one.what), one) for one in decided]
    return {what: (str(one.value), str(one.origin), one.place) for what, one in named}


def named(document: Document, *of: str) -> tuple[str, object]:
    decided = provenance(Look(document, catalogue()), *of)
    return str(decided.name), decided.place


def sections(document: Document) -> dict[str, str]:
    """The first section of each kind."""
    every = [(one.kind, key) for page in document.pages.values() for key, one in page.sections.items()]
    return dict(reversed(every))


@pytest.fixture
def opening(document: Document) -> str:
    return sections(document)["opening"]


def test_a_part_is_told_of_by_its_ground_its_level_and_what_decides_it(document: Document) -> None:
    assert named(document, "header") == ("Header", OfSetting("header.ground"))
    assert named(document, "footer", "credit") == ("Made with Yemba", OfSetting("footer.credit"))
    told = facts(document, "footer", "credit")
    assert [*told] == ["text", "link", "fill", "Typeface", "Size"]
    assert told["fill"] == ("Night tide, background on Dark in the footer", SLIPWAY, OfRole("dark", "fill"))
    assert told["Typeface"] == ("Newsreader", SLIPWAY, OfSetting("type.body"))
    assert told["Size"] == ("Footer, 14.8 to 14.8 px", SLIPWAY, OfSetting("footer.wide"))


def test_a_section_is_told_of_by_its_ground_and_its_layout(document: Document, opening: str) -> None:
    assert named(document, opening) == ("Opening, Home", OfSection(opening))
    told = facts(document, opening)
    assert [*told] == ["fill", "text", "Layout"], "the ground first"
    assert [str(one.what) for one in provenance(Look(document, catalogue()), opening).facts] == ["Colour", "", "Layout"]
    assert told["Layout"] == ("Picture beside", SLIPWAY, OfSection(opening, "layout"))


def test_a_field_is_told_of_by_the_colours_it_is_painted_in_and_its_type(document: Document, opening: str) -> None:
    assert named(document, opening, "heading") == ("Heading in Opening, Home", OfField(opening, "heading", ""))
    assert [*facts(document, opening, "heading")] == ["heading", "fill", "Typeface", "Size", "Layout"]
    button = facts(document, opening, "button")
    assert [*button][:5] == ["button", "button_text", "button_edge", "button_hover", "button_pressed"]
    assert button["button_hover"][0] == "#255347, worked out, button under the pointer on Light"
    place = sections(document)["hours-and-place"]
    reached = edited(document, "set-words", section=place, field="mail", words="bench@saltmarsh.example")
    assert [*facts(reached, place, "mail")][:3] == ["link", "link_hover", "visited"]
    body = sections(document)["words"]
    assert [*facts(document, body, "body")][:3] == ["text", "link", "fill"]
    offers = sections(document)["offers"]
    item = document.pages[document.order[0]].sections[offers].order[0]
    assert named(document, offers, "title", item)[1] == OfField(offers, "title", item)


def test_what_its_owner_set_is_told_as_theirs(document: Document, opening: str) -> None:
    by_hand = edited(document, "set-role", ground="light", role="heading", value="#7a1f1f")
    assert facts(by_hand, opening, "heading")["heading"] == (
        "#7a1f1f, headings on Light",
        "you, by hand",
        OfRole("light", "heading"),
    )
    scaled = edited(document, "set-value", key="type.ratio", value="1.25")
    assert facts(scaled, opening, "heading")["Size"][1] == "your brand sheet"
    sized = edited(document, "set-value", key="h1.phone", value="30")
    assert facts(sized, opening, "heading")["Size"][:2] == ("Heading 1, 30 to 54.9 px", "your brand sheet")
    faced = edited(document, "set-value", key="navigation.face", value="lora")
    assert facts(faced, "header")["Typeface"] == ("Lora", "your brand sheet", OfSetting("navigation.face"))
    apart = edited(document, "set-one-off", section=opening, element="heading", what="align", value="center")
    *_, last = provenance(Look(apart, catalogue()), opening, "heading").facts
    assert last.place == OfOneOff(opening, "heading", "align")


def test_a_section_that_several_pages_show_is_told_as_standing(document: Document, opening: str) -> None:
    standing = edited(document, "make-standing", section=opening)
    (key,) = standing.pages[standing.order[0]].standing
    assert named(standing, key)[0] == "Opening, standing"


def test_the_day_and_tags_of_a_post_are_decided_on_its_page(document: Document) -> None:
    page = document.order[1]
    post = edited(document, "add-section", page=page, kind="post")
    key = sections(post)["post"]
    name, place = named(post, key, "about")
    assert name.startswith("Day and tags in ")
    assert place == OfPage(page, "tags")


def test_a_section_of_a_part_is_told_of_on_the_ground_of_the_part(document: Document) -> None:
    below = edited(document, "add-section", part="footer", kind="links")
    (links,) = below.shared["footer"].order
    heading = facts(below, links, "heading")
    assert heading["heading"][0] == "Foam, headings on Dark"
    size = Look(below, catalogue()).texts["h5"].size
    assert heading["Size"][0] == f"Heading 2, {size.low:.3g} to {size.high:.3g} px", "as the footer's styles set it"
    assert [*facts(below, links)] == ["fill", "text", "Layout"]
    apart = edited(below, "set-ground", section=links, ground="tinted")
    assert facts(apart, links, "heading")["heading"][0].endswith("headings on Tinted")


def test_an_element_is_looked_for_where_its_page_has_it(
    document: Document, opening: str, monkeypatch: pytest.MonkeyPatch
) -> None:
    stands: list[str] = []

    def colour(_markup: str, _look: Look, of: str, *_element: str) -> str:
        stands.append(of)
        return ""

    monkeypatch.setattr(where, "text_value", colour)
    below = edited(document, "add-section", part="footer", kind="links")
    (links,) = below.shared["footer"].order
    for place in ("header", opening, links):
        provenance(Look(below, catalogue()), place, "heading")
    assert stands == ["body", "main", "body"]


@pytest.mark.django_db
def test_a_section_made_standing_shows_the_colours_it_had(site: Any) -> None:
    document = sites.document(site)
    page, section = next(
        (page, key)
        for page in document.order[1:]
        for key, one in document.pages[page].sections.items()
        if "heading" in one.fields
    )
    had = colour_roles(Look(document, catalogue()), section, "heading")
    standing = edited(document, "make-standing", section=section)
    (key,) = standing.pages[page].standing
    assert had[1][0] == "heading"
    assert colour_roles(Look(standing, catalogue()), key, "heading") == had
