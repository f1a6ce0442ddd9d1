"""Reach holds every place that is written or looks otherwise, and no other."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import pytest
from django.core.files.base import ContentFile
from django.core.files.storage import default_storage
from hypothesis import HealthCheck, given, settings

from tests.core.test_difference import one
from tests.core.test_edits import histories
from tests.editing import edited
from tests.sampling import fewer
from yemba import catalogue as shipped
from yemba.core.change.difference import difference
from yemba.core.change.operation import Operation
from yemba.core.layout.arrangement import OVER
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.hosting.services import rendering
from yemba.render.page import fragments
from yemba.render.reach import Spot, State, of_change, part_of, reach
from yemba.render.recorder import Answers
from yemba.render.style import values


@pytest.fixture(autouse=True, scope="module")
def own_fonts_in_the_store() -> None:
    """The files that hands give fonts of the owner's own, by their short names: a shipped face stands in for both."""
    face = (Path(shipped.__file__).parent / "fonts/lora/latin-normal.woff2").read_bytes()
    for digest in ("f400", "f700"):
        if not default_storage.exists(f"{digest[:2]}/{digest}"):
            default_storage.save(f"{digest[:2]}/{digest}", ContentFile(face))


def state(document: Document) -> State:
    return State(rendering(document))


def test_a_colour_reaches_only_where_it_shows(document: Document, catalogue: Catalogue) -> None:
    after = edited(document, "set-colour", colour="c1", hex="#8c3b2a")
    change = one(document, after, catalogue)
    was = state(document)
    home = document.order[0]
    touched = of_change(change, was)
    assert Spot(home, document.pages[home].order[0]) in touched, "its button is of that colour"
    quiet = next(k for p in document.pages.values() for k, s in p.sections.items() if s.kind == "price-list")
    assert quiet not in {spot.place for spot in touched}, "no button and no link stands there"


def test_content_reaches_its_own_section_alone(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    opening = document.pages[home].order[0]
    after = edited(document, "set-words", section=opening, field="heading", words="Mended")
    was, now = state(document), state(after)
    assert of_change(one(document, after, catalogue), was) == [Spot(home, opening)] == reach(was, now)


def test_an_address_with_more_steps_rewrites_what_leads_on_from_there(document: Document) -> None:
    page = document.order[0]
    deeper = document.pages[page].model_copy(update={"slug": "far/away"})
    was, now = state(document), state(document.model_copy(update={"pages": document.pages | {page: deeper}}))
    rewritten = {place for place in deeper.order if was.markup(page, place) != now.markup(page, place)}
    assert rewritten
    assert rewritten <= {spot.place for spot in reach(was, now) if spot.page == page}


def test_a_change_is_of_the_part_that_it_sets_or_fills(document: Document, catalogue: Catalogue) -> None:
    sidebar = edited(document, "set-value", key="sidebar.side", value="start")
    filled = edited(document, "add-section", part="sidebar", kind="hours-and-place")
    colour = edited(document, "set-colour", colour="c1", hex="#8c3b2a")
    parts = [part_of(one(document, after, catalogue)) for after in (sidebar, filled, colour)]
    assert parts == ["sidebar", "sidebar", None]
    assert of_change(one(document, filled, catalogue), state(document)) == [], "alone it is not shown"


@pytest.mark.parametrize(("key", "value"), [("header.height_wide", 120), ("footer.ground", "light")])
def test_a_part_reaches_every_page_and_no_section(
    document: Document, catalogue: Catalogue, key: str, value: Any
) -> None:
    after = edited(document, "set-value", key=key, value=value)
    touched = of_change(one(document, after, catalogue), state(document))
    assert {spot.place for spot in touched} == {key.partition(".")[0]}
    assert {spot.page for spot in touched} == set(document.order)


def test_a_header_over_the_first_section_reaches_that_one_where_it_takes_more_room(
    document: Document, catalogue: Catalogue
) -> None:
    over = next(slug for slug, arrangement in catalogue.arrangements.items() if arrangement.stands == OVER)
    was = edited(document, "set-value", key="header.arrangement", value=over)
    after = edited(was, "set-value", key="header.height_wide", value=140)
    touched = of_change(one(was, after, catalogue), state(was))
    firsts = {Spot(page, stored.order[0]) for page, stored in was.ordered_pages()}
    assert set(touched) == firsts | {Spot(page, "header") for page in was.order}
    beside = edited(document, "set-value", key="header.height_wide", value=140)
    assert not firsts & set(of_change(one(document, beside, catalogue), state(document)))


def test_of_two_sections_that_come_to_look_alike_the_changed_one_is_reached(
    document: Document, catalogue: Catalogue
) -> None:
    home = document.order[0]
    twice = edited(document, "add-section", page=home, kind="words")
    twice = edited(twice, "add-section", page=home, kind="words")
    first, second = twice.pages[home].order[-2:]
    twice = edited(twice, "set-ground", section=second, ground="dark")
    after = edited(twice, "set-ground", section=first, ground="dark")
    assert reach(state(twice), state(after)) == [Spot(home, first)]


def test_a_change_that_cannot_stand_alone_reaches_the_page_it_is_on(document: Document, catalogue: Catalogue) -> None:
    one_page, other = document.order[1:3]
    slugs = document.pages[one_page].slug, document.pages[other].slug
    plain = document.plain()
    plain["pages"][one_page]["slug"], plain["pages"][other]["slug"] = slugs[1], slugs[0]
    swapped = Document.model_validate(plain)
    changes = difference(document, swapped, catalogue)
    assert {change.page for change in changes} == {one_page, other}
    for change in changes:
        assert of_change(change, state(document)) == [Spot(change.page, "")]


def test_changes_together_reach_what_they_reach_alone(document: Document, catalogue: Catalogue) -> None:
    both = edited(document, "set-colour", colour="c1", hex="#8c3b2a")
    both = edited(both, "set-value", key="header.height_wide", value=120)
    was, now = state(document), state(both)
    touched = [set(of_change(change, was)) for change in difference(document, both, catalogue)]
    assert touched[0] != touched[1]
    assert touched[0] | touched[1] == set(reach(was, now))


def written(document: Document) -> dict[Spot, str]:
    """Every place of a site as it is written for visitors."""
    answers = Answers(rendering(document))
    pages = [page for page, _ in document.published_pages()]
    return {Spot(page, key): made.html for page in pages for key, made in fragments(answers, page).items()}


@settings(max_examples=fewer(60), suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large])
@given(histories())
def test_reach_equals_a_comparison_of_both_sites_as_written(
    history: tuple[list[Document], list[list[Operation]]],
) -> None:
    """What is written otherwise is reached; and where no style differs, nothing else is."""
    before, after = history[0][0], history[0][-1]
    was, now = written(before), written(after)
    differing = {place for place in was.keys() | now.keys() if was.get(place) != now.get(place)}
    reached = set(reach(state(before), state(after)))
    assert differing <= reached
    looks = [state(document).look for document in (before, after)]
    if values(looks[0]) == values(looks[1]) and before.template == after.template:
        stood = {page_id: page.order[:1] for page_id, page in before.pages.items()}
        if all(page.order[:1] == stood.get(page_id, page.order[:1]) for page_id, page in after.pages.items()):
            assert reached == differing


def test_the_shape_of_buttons_reaches_every_button(document: Document, catalogue: Catalogue) -> None:
    def reached(command: str, **arguments: str) -> list[Spot]:
        return of_change(one(document, edited(document, command, **arguments), catalogue), state(document))

    buttons = reached("set-value", key="buttons.edge", value="4")
    assert buttons
    for key, value in (("form", "outlined"), ("sign", "arrow"), ("pointed", "lift"), ("pressed", "sink")):
        assert reached("set-value", key=f"buttons.{key}", value=value) == buttons, key
    home = document.order[0]
    opening = {"section": document.pages[home].order[0], "field": "behind"}
    assert reached("set-words", **opening, words="pattern") == [Spot(home, opening["section"])]
    assert reached("set-words", **opening, words="gradient") == [], "it has no colours yet"


def test_what_a_button_takes_is_asked_anew_for_another_form(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    opening = document.pages[home].order[0]
    filled = state(document)
    assert "link" not in filled.section_use(home, opening).values
    bare = edited(document, "set-value", key="buttons.form", value="words")
    assert "link" in state(bare).section_use(home, opening).values


@pytest.mark.parametrize(
    ("values", "of_sections", "of_sidebar", "of_page"),
    [
        ({"sidebar.width": 400}, True, True, False),
        ({"sidebar.gap": 80}, True, False, False),  # which the content alone gives
        ({"sidebar.side": "start"}, True, True, False),
        ({"frame.form": "fixed"}, False, False, True),  # content and sidebar stood as wide before
        ({"sidebar.folds": "before"}, False, True, False),
    ],
)
def test_a_frame_reaches_all_that_it_gives_another_place(
    document: Document,
    catalogue: Catalogue,
    values: dict[str, object],
    of_sections: bool,
    of_sidebar: bool,
    of_page: bool,
) -> None:
    home, other = document.order[:2]
    bare = document.pages[other].model_copy(update={"no_sidebar": True})
    pages = document.pages | {other: bare}
    before = document.model_copy(update={"pages": pages, "parts": {"sidebar.side": "end"}})
    after = before.model_copy(update={"parts": before.parts | values})
    spots = set(reach(state(before), state(after)))
    sections = {Spot(home, key) for key in document.pages[home].order}
    assert sections & spots == (sections if of_sections else set())
    assert (Spot(home, "sidebar") in spots) == of_sidebar
    assert (Spot(home, "header") in spots) == of_page
    without = {Spot(other, key) for key in bare.order}
    assert without & spots == (without if of_page else set()), "a page without it changes with the sheet alone"


def test_a_place_without_a_sign_keeps_its_name_where_signs_stand_alone(document: Document) -> None:
    items = {
        "m": {"fields": {"title": "By mail", "sign": "mail", "link": "mailto:ines@saltmarsh.example"}},
        "n": {"fields": {"title": "Elsewhere", "link": "https://elsewhere.example/"}},
    }
    section = {"kind": "listen", "layout": "signs", "items": items, "order": [*items]}
    plain = document.plain()
    home = plain["pages"][document.order[0]] | {"sections": {"l": section}, "order": ["l"]}
    listed = Document.model_validate(plain | {"pages": plain["pages"] | {document.order[0]: home}})
    markup = fragments(Answers(rendering(listed)), document.order[0])["l"].html
    assert '<span class="unseen">By mail</span>' in markup
    assert "<span>Elsewhere</span>" in markup
