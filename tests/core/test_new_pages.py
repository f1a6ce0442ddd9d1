"""Pages for a purpose, and those that a link makes."""

from __future__ import annotations

import pytest

from tests.editing import edited
from yemba.core import room
from yemba.core.check.starter_words import starter_sections
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.core.trade.begin import purposes


def words_at(document: Document, catalogue: Catalogue) -> tuple[str, str]:
    """A section with words, and the field they stand in."""
    for _, holder in document.holders():
        for key, section in holder.ordered():
            for field in catalogue.kind(section.kind).fields:
                if field.type == "words":
                    return key, field.slug
    raise AssertionError


def test_a_page_for_a_purpose_has_its_sections_with_starter_words(document: Document, catalogue: Catalogue) -> None:
    for trade in ("", "potter"):
        begun = edited(document, "set-value", key="site.trade", value=trade)
        for slug, purpose in purposes(Look(begun, catalogue)).items():
            grown = edited(begun, "add-page", purpose=slug)
            page = grown.pages[grown.order[-1]]
            assert page.name == purpose.name
            kinds = [section.kind for _, section in page.ordered()]
            assert kinds == [name.split("/")[0] for name in purpose.sections]
            assert set(page.sections) & starter_sections(Look(grown, catalogue)), slug
    with pytest.raises(Fault, match="no purpose of a page"):
        edited(document, "add-page", purpose="lost", page_name="x")


def test_links_make_the_pages_they_lead_to(document: Document, catalogue: Catalogue) -> None:
    section, field = words_at(document, catalogue)
    first = document.pages[document.order[0]].name
    typed = f'<p><a href="new:Tea &amp; cake">a</a> <a href="new:Tea &amp; cake">b</a> <a href="new:{first.upper()}">c</a></p>'
    grown = edited(document, "set-words", section=section, field=field, words=typed)
    *old, new = grown.order
    assert old == document.order, "one page for both, none for the one that is there"
    assert (grown.pages[new].name, grown.pages[new].slug) == ("Tea & cake", "tea-cake")
    assert grown.pages[new].order, "it begins with something to write over"
    links = f'<p><a href="page:{new}">a</a> <a href="page:{new}">b</a> <a href="page:{old[0]}">c</a></p>'
    assert grown.section(section).section.fields[field] == links


def test_a_setting_and_the_menu_make_pages_too(document: Document, catalogue: Catalogue) -> None:
    grown = edited(document, "set-value", key="header.action_link", value="new: Book a place ")
    assert grown.parts["header.action_link"] == f"page:{grown.order[-1]}"
    assert grown.pages[grown.order[-1]].name == "Book a place"
    grown = edited(document, "add-menu-link", entry_name="Tea", link="new:Tea")
    assert [link.link for link in grown.navigation.links.values()] == [f"page:{grown.order[-1]}"]


def test_names_that_are_none_make_nothing(
    document: Document, catalogue: Catalogue, monkeypatch: pytest.MonkeyPatch
) -> None:
    with pytest.raises(Fault, match="letters"):
        edited(document, "set-value", key="header.action_link", value="new:" + "x" * 300)
    with pytest.raises(Fault, match="Give the new page a name"):
        edited(document, "set-value", key="header.action_link", value="new:  ")
    monkeypatch.setattr(room.PAGES, "most", len(document.pages))
    with pytest.raises(Fault):
        edited(document, "set-value", key="header.action_link", value="new:Tea")
