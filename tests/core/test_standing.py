"""Standing sections: one edit reaches all pages that show it and no other; each is taken off alone; nothing is lost."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.editing import edited
from yemba.catalogue import catalogue as shipped
from yemba.core.change.command import read_command
from yemba.core.change.difference import difference
from yemba.core.change.operation import apply, inverse
from yemba.core.change.subset import document_with
from yemba.core.errors import Fault
from yemba.core.site.document import FIRST, LAST, STANDING, Document, read
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look

PAGES = ["p0", "p1", "p2", "p3"]


def _document(standing: dict[str, dict[str, str]]) -> Document:
    own = {page: {f"s{page}a": {"kind": "words"}, f"s{page}b": {"kind": "words"}} for page in PAGES}
    pages = {
        page: {"name": page, "slug": "" if page == "p0" else page, "sections": own[page], "order": list(own[page])}
        | {"standing": standing.get(page, {})}
        for page in PAGES
    }
    held = {key: {"kind": "words", "fields": {"heading": key}} for key in ("n1", "n2")}
    shared = {STANDING: {"sections": held, "order": list(held)}}
    return Document.model_validate(
        {"name": "A", "template": "slipway", "pages": pages, "order": PAGES, "shared": shared}
    )


PLACES = st.fixed_dictionaries(
    {}, optional={page: st.dictionaries(st.sampled_from(["n1", "n2"]), st.sampled_from([FIRST, LAST, f"s{page}a", "gone"])) for page in PAGES}
)  # fmt: skip


@given(PLACES)
def test_a_page_shows_its_own_in_order_and_the_standing_ones_it_names(standing: dict[str, dict[str, str]]) -> None:
    document = _document(standing)
    for page in PAGES:
        shown = document.shown(page)
        own = document.pages[page]
        assert [key for key in shown.order if key in own.sections] == own.order
        assert {key for key in shown.order if key not in own.sections} == set(own.standing)
        for key, place in own.standing.items():
            at = shown.order.index(key)
            before = [one for one in shown.order[:at] if one in own.sections]
            expected = {FIRST: 0, f"s{page}a": 1}.get(place, 2)
            assert len(before) == expected
    assert read(document.text()) == document


@settings(max_examples=20)
@given(PLACES, st.sampled_from(["n1", "n2"]))
def test_one_edit_waits_once_and_is_seen_on_all_that_show_it(standing: dict[str, dict[str, str]], section: str) -> None:
    before = _document(standing)
    after = edited(before, "set-words", section=section, field="heading", words="Closed on Friday")
    (change,) = difference(before, after, shipped())
    assert apply(before, change.steps).text() == after.text()
    assert {page for page in PAGES if after.shown(page) != before.shown(page)} == set(before.shows(section))


@settings(max_examples=20)
@given(PLACES, PLACES, st.data())
def test_placements_go_out_one_by_one(
    old: dict[str, dict[str, str]], new: dict[str, dict[str, str]], data: st.DataObject
) -> None:
    before, after = _document(old), _document(new)
    changes = difference(before, after, shipped())
    moved = {(page, key) for page in PAGES for key in ("n1", "n2")
             if before.pages[page].standing.get(key) != after.pages[page].standing.get(key)}  # fmt: skip
    assert len(changes) == len(moved)
    chosen = {change.key for change in changes if data.draw(st.booleans())}
    went = document_with(before, after, chosen, shipped())
    for change in changes:
        _, page, _, key = change.key.split(".")
        source = after if change.key in chosen else before
        assert went.pages[page].standing.get(key) == source.pages[page].standing.get(key)


def test_made_put_on_every_page_and_taken_off_one() -> None:
    document = _document({})
    made = edited(document, "make-standing", section="sp1b")
    (key,) = made.pages["p1"].standing
    assert made.shown("p1").order == ["sp1a", key]
    assert made.pages["p1"].standing == {key: "sp1a"}
    everywhere = edited(made, "put-standing", section=key, page="every")
    assert everywhere.shows(key) == PAGES
    assert everywhere.pages["p1"].standing == {key: "sp1a"}  # where it stood already it stays
    off = edited(everywhere, "take-off-standing", section=key, page="p2")
    assert off.shows(key) == ["p0", "p1", "p3"]
    assert (
        len(difference(document, off, shipped())) == 2
    )  # the section of p1 went, the standing one came with its pages


def test_what_all_pages_show_a_new_one_shows_too() -> None:
    document = _document({page: {"n1": FIRST, "n2": "gone"} for page in PAGES[:3]} | {"p3": {"n1": FIRST}})
    assert edited(document, "add-page", page_name="News", page="new").pages["new"].standing == {"n1": FIRST}
    alone = Document.model_validate(
        _document({}).plain() | {"pages": {"p0": document.pages["p0"].model_dump()}, "order": ["p0"]}
    )
    assert edited(alone, "add-page", page_name="News", page="new").pages["new"].standing == {}


def test_bin_and_restore_tell_and_keep_its_pages() -> None:
    document = _document({"p0": {"n1": FIRST}, "p2": {"n1": "sp2a"}})
    command = read_command("bin-section", {"section": "n1"})
    assert command.say(Look(document, shipped())) == "Words, standing to the bin, from 2 pages"
    steps = command.plan(Look(document, shipped()), new_id)
    gone = apply(document, steps)
    assert gone.shows("n1") == []
    assert apply(gone, inverse(steps)).text() == document.text()
    back = edited(gone, "restore-section", section="n1")
    assert {page: back.pages[page].standing for page in PAGES} == {
        page: document.pages[page].standing for page in PAGES
    }


def test_a_page_has_its_own_copy_in_the_same_place() -> None:
    document = _document({"p0": {"n1": "sp0a"}, "p1": {"n1": LAST}})
    own = edited(document, "make-own", section="n1", page="p0")
    assert own.shows("n1") == ["p1"]
    assert [own.pages["p0"].sections[key].fields.get("heading") for key in own.pages["p0"].order] == [None, "n1", None]


@pytest.mark.parametrize(
    ("name", "arguments", "code"),
    [
        ("make-standing", {"section": "n1"}, "already-shared"),
        ("put-standing", {"section": "sp0a", "page": "p1"}, "not-standing"),
        ("put-standing", {"section": "n1", "page": "p9"}, "gone"),
        ("put-standing", {"section": "n1", "page": "p0", "at": "sp1a"}, "gone"),
        ("place-section", {"section": "n1", "page": "p1"}, "on-several-pages"),
        ("take-off-standing", {"section": "nowhere", "page": "p0"}, "gone"),
    ],
)
def test_what_cannot_be_done_is_refused(name: str, arguments: dict[str, str], code: str) -> None:
    document = _document({"p0": {"n1": FIRST}})
    with pytest.raises(Fault) as refused:
        edited(document, name, **arguments)
    assert refused.value.code == code
