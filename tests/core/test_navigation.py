"""The menu: entries in their order, one level deep, pages and links."""

from __future__ import annotations

from typing import Any

import pytest

from tests.editing import edited
from yemba.core import room
from yemba.core.change.difference import difference
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.navigation import entries, menu, parent, trail


@pytest.fixture
def three(document: Document, catalogue: Catalogue) -> Document:
    """Home, Repairs, Notebooks and Classes."""
    for page in document.order[1:]:
        document = edited(document, "bin-page", page=page)
    for page in ("repairs", "notebooks", "classes"):
        document = edited(document, "add-page", page=page, page_name=page.title())
    return document


def names(document: Document) -> list[Any]:
    return [(one.name, [below.name for below in one.below]) if one.below else one.name for one in entries(document)]


def home(document: Document) -> str:
    return document.pages[document.order[0]].name


def test_an_entry_stands_under_another_and_before_one_beside_it(three: Document, catalogue: Catalogue) -> None:
    under = edited(three, "place-menu-entry", entry="classes", under="repairs")
    both = edited(under, "place-menu-entry", entry="notebooks", under="repairs", before="classes")
    assert names(both) == [home(three), ("Repairs", ["Notebooks", "Classes"])]
    swapped = edited(both, "move-menu-entry", entry="classes", by=-1)
    assert names(swapped)[1] == ("Repairs", ["Classes", "Notebooks"]), "it moves among those beside it"
    assert edited(swapped, "move-menu-entry", entry="classes", by=-1).text() == swapped.text(), "it is the first"
    back = edited(swapped, "place-menu-entry", entry="classes", before="repairs")
    assert names(back) == [home(three), "Classes", ("Repairs", ["Notebooks"])]


def test_a_menu_is_two_deep_and_says_so(three: Document, catalogue: Catalogue) -> None:
    under = edited(three, "place-menu-entry", entry="classes", under="repairs")
    for entry, over in (("notebooks", "classes"), ("repairs", "notebooks"), ("repairs", "repairs")):
        with pytest.raises(Fault, match="cannot stand under") as caught:
            edited(under, "place-menu-entry", entry=entry, under=over)
        assert caught.value.field == "under"


def test_an_entry_goes_in_under_the_one_above_and_out_behind_it(three: Document, catalogue: Catalogue) -> None:
    inwards = edited(three, "nest-menu-entry", entry="notebooks", by=1)
    assert names(inwards) == [home(three), ("Repairs", ["Notebooks"]), "Classes"]
    assert edited(inwards, "nest-menu-entry", entry="notebooks", by=1) == inwards, "two deep is deepest"
    out = edited(inwards, "nest-menu-entry", entry="notebooks", by=-1)
    assert names(out) == [home(three), "Repairs", "Notebooks", "Classes"]
    assert edited(out, "nest-menu-entry", entry="notebooks", by=-1) == out
    with pytest.raises(Fault, match="none above it"):
        edited(three, "nest-menu-entry", entry=three.order[0], by=1)


def test_what_two_hands_do_at_once_still_gives_a_menu(three: Document) -> None:
    """Each put one under the other; or under one that is gone meanwhile."""
    plain = three.plain()
    circle = Document.model_validate(plain | {"navigation": {"under": {"repairs": "classes", "classes": "repairs"}}})
    assert sorted(names(circle)) == sorted([home(three), "Classes", "Notebooks", "Repairs"])
    gone = Document.model_validate(plain | {"navigation": {"under": {"repairs": "gone", "classes": "repairs"}}})
    assert parent(gone, "repairs") == ""
    assert parent(gone, "classes") == "repairs"


def test_what_stands_under_a_hidden_entry_is_hidden_with_it(three: Document, catalogue: Catalogue) -> None:
    under = edited(three, "place-menu-entry", entry="classes", under="repairs")
    hidden = edited(under, "show-menu-entry", entry="repairs", shown=False)
    assert names(hidden) == [home(three), "Notebooks"]
    assert [step.name for step in trail(hidden, "classes")] == [home(three), "Repairs", "Classes"], "it is there still"


def test_breadcrumbs_lead_from_the_first_page(three: Document, catalogue: Catalogue) -> None:
    assert trail(three, "classes") == []
    under = edited(three, "place-menu-entry", entry="classes", under="repairs")
    assert [step.name for step in trail(under, "classes")] == [home(three), "Repairs", "Classes"]
    below_home = edited(three, "place-menu-entry", entry="classes", under=three.order[0])
    assert [step.name for step in trail(below_home, "classes")] == [home(three), "Classes"], "none stands there twice"


def test_links_stand_in_the_menu_and_lead_where_they_can(three: Document, catalogue: Catalogue) -> None:
    section = three.pages[three.order[0]].order[0]
    there = edited(three, "add-menu-link", entry_name="Dates", link=f"page:{three.order[0]}#{section}")
    there = edited(there, "add-menu-link", entry_name="Write", link="ines@saltmarsh.example")
    assert sorted(one.link for one in entries(there)[-2:]) == [
        "mailto:ines@saltmarsh.example",
        f"page:{three.order[0]}#{section}",
    ]
    link = entries(there)[-1].key
    assert edited(there, "lead-menu-link", entry=link, link="tel:+44 1632 960417").navigation.links[link].link
    assert link not in menu(edited(there, "remove-menu-link", entry=link))


@pytest.mark.parametrize("link", ["", "nowhere at all", "page:gone", "javascript:alert(1)", "#top"])
def test_a_link_that_leads_nowhere_is_refused(three: Document, catalogue: Catalogue, link: str) -> None:
    with pytest.raises(Fault) as caught:
        edited(three, "add-menu-link", entry_name="Out", link=link)
    assert caught.value.field == "link"


def test_a_section_that_is_not_there_is_refused(three: Document, catalogue: Catalogue) -> None:
    with pytest.raises(Fault, match="section"):
        edited(three, "add-menu-link", entry_name="Out", link=f"page:{three.order[0]}#xgone")


def test_so_many_links_fit(three: Document, catalogue: Catalogue) -> None:
    links = {f"x{n}": {"name": f"{n}", "link": "tel:+44 1632 960417"} for n in range(room.LINKS.most)}
    full = Document.model_validate(three.plain() | {"navigation": {"links": links}})
    with pytest.raises(Fault, match=f"at most {room.LINKS.most} links"):
        edited(full, "add-menu-link", entry_name="One more", link="tel:+44 1632 960417")


def test_changes_of_the_menu_are_told_in_its_words(three: Document, catalogue: Catalogue) -> None:
    under = edited(three, "place-menu-entry", entry="classes", under="repairs")
    moved = {
        change.key: (change.subject, change.before, change.after) for change in difference(three, under, catalogue)
    }
    assert moved["under.classes"] == ("Classes in the menu", "at the top", "under Repairs")
    linked = edited(three, "add-menu-link", entry_name="Write", link="ines@saltmarsh.example")
    (new,) = difference(three, linked, catalogue)
    assert (new.subject, new.after) == ("Link Write in the menu", "new")
    (gone,) = difference(linked, three, catalogue)
    assert gone.after == "gone"
