"""What is kept of documents, and when it is worked out anew."""

from __future__ import annotations

from tests.editing import edited
from yemba.core.cache import by_document
from yemba.core.site.document import Document, Holder


def test_what_follows_from_pages_is_worked_out_anew_only_where_one_of_them_changed(document: Document) -> None:
    counted: list[int] = []

    @by_document("sections counted in a test")
    def sections(*holders: Holder) -> int:
        counted.append(len(holders))
        return sum(len(holder.sections) for holder in holders)

    first = sections(*document.holding())
    sized = edited(document, "set-value", key="h1.wide", value=51)
    assert sections(*sized.holding()) == first
    assert counted == [len(document.pages) + len(document.shared)]
    page = document.order[0]
    fewer = edited(sized, "bin-section", section=document.pages[page].order[0])
    assert sections(*fewer.holding()) == first - 1
    assert len(counted) == 2


def test_a_ground_is_met_as_soon_as_it_is_set(document: Document) -> None:
    section = document.pages[document.order[0]].order[0]
    kind = document.pages[document.order[0]].sections[section].kind
    assert (kind, "dark") not in document.kinds_on_grounds()
    assert (kind, "dark") in edited(document, "set-ground", section=section, ground="dark").kinds_on_grounds()
    assert (kind, "dark") not in document.kinds_on_grounds()
