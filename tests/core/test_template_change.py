"""The plan of a change of template says what will be, and what it says comes true."""

from __future__ import annotations

from itertools import permutations

import pytest

from tests.editing import edited
from yemba.catalogue import catalogue as shipped
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.one_offs import one_offs
from yemba.core.site.resolve import Look
from yemba.core.template.change import plan, set_aside

PAIRS = list(permutations(sorted(shipped().templates), 2))


@pytest.fixture
def lived_in(document: Document, catalogue: Catalogue) -> Document:
    """Choices that some templates cannot show, a value of the brand, and a one-off."""
    home = document.pages[document.order[0]]
    offers = next(key for key in home.order if home.sections[key].kind == "offers")
    document = edited(document, "choose-template", template="handbill")
    document = edited(document, "set-layout", section=offers, layout="cells")
    document = edited(document, "set-one-off", section=home.order[0], element="heading", what="align", value="center")
    document = edited(document, "set-colour", colour="c1", hex="#123456")
    document = edited(document, "choose-template", template="lantern")
    return edited(document, "set-value", key="header.arrangement", value="side")


@pytest.mark.parametrize(("first", "second"), PAIRS)
def test_what_the_plan_says_is_what_comes(lived_in: Document, catalogue: Catalogue, first: str, second: str) -> None:
    start = edited(lived_in, "choose-template", template=first)
    told = plan(Look(start, catalogue), second)
    there = edited(start, "choose-template", template=second)
    aside = set_aside(Look(there, catalogue))
    assert set(told.aside) <= set(aside)
    assert set(told.back).isdisjoint(aside)
    assert [one.applies for one in told.one_offs] == [one.applies for one in one_offs(Look(there, catalogue))]
    assert {kept.what: kept.number for kept in told.stays} == {
        kept.what: kept.number for kept in plan(Look(there, catalogue), first).stays
    }
    back = plan(Look(there, catalogue), first)
    assert set(back.back) == set(told.aside), "what is set aside comes back"
    assert {(d.what, d.then, d.now, d.places) for d in back.differs} == {
        (d.what, d.now, d.then, d.places) for d in told.differs
    }
    assert edited(there, "choose-template", template=first).text() == start.text()


def test_what_a_template_cannot_show_is_kept_and_comes_back(lived_in: Document, catalogue: Catalogue) -> None:
    assert Look(lived_in, catalogue).value("header.arrangement") == "side"
    told = plan(Look(lived_in, catalogue), "handbill")
    assert told.aside == ["Header arrangement: At the side"]
    handbill = edited(lived_in, "choose-template", template="handbill")
    assert Look(handbill, catalogue).value("header.arrangement") != "side"
    assert handbill.parts["header.arrangement"] == "side"
    slipway = edited(lived_in, "choose-template", template="slipway")
    assert any(line.startswith("Layout Cells: Offers") for line in set_aside(Look(slipway, catalogue)))
    assert set_aside(Look(edited(slipway, "choose-template", template="lantern"), catalogue)) == []


def test_the_plan_counts_what_looks_different(lived_in: Document, catalogue: Catalogue) -> None:
    told = plan(Look(lived_in, catalogue), "slipway")
    rows = {row.what: row for row in told.differs}
    assert rows["Page width"].now == "780 px"
    assert "Palette" not in rows, "the owner's own stays"
    words = sum(s.kind == "words-with-picture" for p in lived_in.pages.values() for s in p.sections.values())
    assert rows["Words with picture"].places == words
    with pytest.raises(Fault):
        plan(Look(lived_in, catalogue), "gone")


def test_a_chapter_returns_alone_and_the_whole_design_with_one_offs_by_choice(
    lived_in: Document, catalogue: Catalogue
) -> None:
    chapter = edited(lived_in, "return-chapter", of="header")
    assert "header.arrangement" not in chapter.parts
    assert chapter.sheet == lived_in.sheet
    kept = edited(lived_in, "return-chapter", one_offs="keep")
    assert (kept.sheet, kept.parts) == ({}, {})
    assert len(one_offs(Look(kept, catalogue))) == 2
    cleared = edited(lived_in, "return-chapter", one_offs="clear")
    assert one_offs(Look(cleared, catalogue)) == []
    for returned in (chapter, kept, cleared):
        words = [s.fields for p in returned.pages.values() for s in p.sections.values()]
        assert words == [s.fields for p in lived_in.pages.values() for s in p.sections.values()]


def test_one_one_off_is_returned_and_the_others_stay(lived_in: Document, catalogue: Catalogue) -> None:
    first, second = one_offs(Look(lived_in, catalogue))
    after = edited(lived_in, "return-one-offs", ones=first.key)
    assert [one.what for one in one_offs(Look(after, catalogue))] == [second.what]
    with pytest.raises(Fault):
        edited(after, "return-one-offs", ones=first.key)
