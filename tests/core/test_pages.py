"""Pages copied whole, kept from visitors, made for a purpose and by a link."""

from __future__ import annotations

import pytest

from tests.editing import edited
from yemba.core import room
from yemba.core.change.command import read_command
from yemba.core.change.difference import difference
from yemba.core.change.operation import apply, inverse
from yemba.core.check.starter_words import starter_sections
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look
from yemba.core.trade.begin import purposes


def done(document: Document, catalogue: Catalogue, name: str, **arguments: str) -> Document:
    steps = read_command(name, arguments).plan(Look(document, catalogue), new_id)
    after = apply(document, steps)
    assert apply(after, inverse(steps)).text() == document.text()
    return after


def test_a_copy_has_the_same_words_an_address_of_its_own_and_stands_behind(
    document: Document, catalogue: Catalogue
) -> None:
    first = document.order[0]
    after = done(document, catalogue, "copy-page", page=first)
    copy = after.order[1]
    assert after.order == [first, copy, *document.order[1:]]
    was, now = document.pages[first], after.pages[copy]
    assert now.name == f"{was.name} (copy)"
    assert now.slug
    assert now.slug not in {page.slug for page in document.pages.values()}
    told = [[(section.kind, section.fields) for _, section in page.ordered()] for page in (was, now)]
    assert told[0] == told[1]
    assert not set(was.sections) & set(now.sections)
    items = [{key for section in page.sections.values() for key in section.items} for page in (was, now)]
    assert not items[0] & items[1]
    assert done(document, catalogue, "copy-page", page=first, page_name="News").pages != after.pages


def test_a_page_that_is_not_published_is_kept_from_visitors_alone(document: Document, catalogue: Catalogue) -> None:
    home, other = document.order[:2]
    after = done(document, catalogue, "publish-page", page=other)
    assert [key for key, _ in after.published_pages()] == [key for key in document.order if key != other]
    assert after.order == document.order
    (change,) = difference(document, after, catalogue)
    assert (change.before, change.after) == ("published", "not published")
    assert done(after, catalogue, "publish-page", page=other, published="1").text() == document.text()
    with pytest.raises(Fault) as refused:
        done(document, catalogue, "publish-page", page=home)
    assert refused.value.code == "first-page"


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
