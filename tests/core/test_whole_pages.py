"""Pages copied whole, and kept from visitors."""

from __future__ import annotations

import pytest

from yemba.core.change.command import read_command
from yemba.core.change.difference import difference
from yemba.core.change.operation import apply, inverse
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look


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
