"""What gives way in a header, where its menu folds, and how wide a column at the side is."""

from __future__ import annotations

from typing import Any

import pytest

from yemba.core.layout.arrangement import Arrangement
from yemba.core.layout.header_fit import (
    FULL,
    GAP,
    SIDE_COLUMN,
    SIZE,
    TAGLINE,
    Contents,
    Faces,
    Fit,
    Header,
    Least,
    Setting,
    Spaces,
    bar_heights,
    fit,
    folded_height,
    heights,
)
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look

SPACES, LEAST = Spaces(28, 24), Least(88, 64, 88, 64)
NAMES = ("Sole", "Saltmarsh Bindery", "The Saltmarsh Bindery and Paper Workshop of Tide Row")


@pytest.fixture
def faces(document: Document, catalogue: Catalogue) -> Faces:
    look = Look(document, catalogue)
    return Faces(
        *(Setting(look.face(level), look.texts[level]) for level in ("title", "navigation", "small", "button"))
    )


def fitted(faces: Faces, arrangement: Arrangement, title: str = "Sole", count: int = 4, **more: Any) -> Fit:
    contents = Contents(title, ("Repairs",) * count, **more)
    return fit(Header(arrangement, contents, faces, SPACES, LEAST))


def test_it_folds_later_the_more_it_holds(faces: Faces, catalogue: Catalogue) -> None:
    row, stack = catalogue.arrangements["row"], catalogue.arrangements["stack"]
    for arrangement in (row, stack):
        by_count = [fitted(faces, arrangement, "Saltmarsh Bindery", count).fold for count in (0, 3, 6, 14)]
        assert by_count == sorted(by_count)
    by_name = [fitted(faces, row, name).fold for name in NAMES]
    assert by_name == sorted(set(by_name))
    assert fitted(faces, row, count=8).fold > fitted(faces, stack, count=8).fold
    plain, asking = fitted(faces, row, count=8), fitted(faces, row, count=8, action="Bring a book")
    assert plain.fold < asking.fold, "a call to action counts"
    with_sub = fitted(faces, row, count=8, opening=frozenset({"Repairs"}))
    assert with_sub.fold == plain.fold + 8 * 28, "each entry with others below it has a button"


def test_a_name_in_two_lines_is_narrower_and_higher(faces: Faces, catalogue: Catalogue) -> None:
    def header(*lines: str, **more: Any) -> Header:
        contents = Contents("Saltmarsh Bindery", ("Repairs",), lines=lines, **more)
        return Header(catalogue.arrangements["row"], contents, faces, SPACES, LEAST)

    one, two = header(), header("Saltmarsh", "Bindery")
    size = faces.title.text.size.high
    assert two.title == pytest.approx(faces.title.width("Saltmarsh"))
    assert header("Saltmarsh", "Bindery", beside=2.0).title == pytest.approx(two.title + 2 * size)
    assert heights(one).unfolded < heights(two).unfolded
    wide = 900  # px; where both stand in as many lines as they are given
    assert folded_height(two, wide) - folded_height(one, wide) >= size
    beside = [folded_height(header(beside=em), 320) for em in (0, 8)]
    assert beside[0] < beside[1], "what stands beside it leaves less room, so that it breaks"


def test_what_a_name_stands_on_takes_room_and_a_logo_has_none(faces: Faces, catalogue: Catalogue) -> None:
    contents = Contents(NAMES[1], ("Repairs",) * 8)
    bare = Header(catalogue.arrangements["row"], contents, faces, SPACES, LEAST)
    on_plate = bare._replace(spaces=SPACES._replace(plate=40))
    assert on_plate.title == bare.title + 40
    assert fit(on_plate).fold == fit(bare).fold + 40
    with_logo = on_plate._replace(contents=contents._replace(logo=2.0))
    assert with_logo.title == bare._replace(contents=contents._replace(logo=2.0)).title


def test_a_name_that_does_not_show_takes_no_room(faces: Faces, catalogue: Catalogue) -> None:
    row = catalogue.arrangements["row"]
    shown, hidden = fitted(faces, row, NAMES[1]), fitted(faces, row, NAMES[1], title_wide=False)
    assert hidden.title == 0
    assert hidden.fold < shown.fold
    short, none = (fitted(faces, row, NAMES[2], action="Book", title_on_phone=on) for on in (True, False))
    assert none.action_from < short.action_from
    head = Header(row, Contents(NAMES[2], title_on_phone=False), faces, SPACES, LEAST)
    assert folded_height(head, 320) == LEAST.phone


def test_a_bar_is_as_high_as_its_words_and_no_higher_than_the_header(faces: Faces, catalogue: Catalogue) -> None:
    tall = Header(catalogue.arrangements["row"], Contents("Sole", ("Repairs",)), faces, SPACES, Least(320, 200, 88, 64))
    bar, whole = bar_heights(tall), heights(tall)
    assert whole.unfolded == 320
    assert faces.title.lines(1) < bar.unfolded < 120
    assert all(low < high for low, high in zip(bar.folded, whole.folded, strict=True))
    assert bar == bar_heights(tall._replace(least=LEAST)), "whatever height is set"


def test_what_gives_way_comes_in_its_order_and_each_makes_it_narrower(faces: Faces, catalogue: Catalogue) -> None:
    full = fitted(
        faces, catalogue.arrangements["row"], "Saltmarsh Bindery", 7, tagline="Books mended by hand, and made"
    )
    assert [stage.gives for stage in full.stages] == [FULL, GAP, TAGLINE, SIZE]
    widths = [stage.width for stage in full.stages]
    assert widths == sorted(set(widths), reverse=True)
    assert full.fold == widths[-1]
    gap = 6 * (SPACES.gap - 8)
    assert widths[0] - widths[1] == pytest.approx(gap, abs=1), "the gap between seven entries"
    bare = fitted(faces, catalogue.arrangements["row"], "Saltmarsh Bindery", 7)
    assert TAGLINE not in [stage.gives for stage in bare.stages], "there is none to give way"
    assert bare.stages[-1].width == full.stages[-1].width, "in the end both are as wide"


def test_a_title_between_its_entries_stands_in_the_middle(faces: Faces, catalogue: Catalogue) -> None:
    split = catalogue.arrangements["split"]
    of = {count: Header(split, Contents("S", ("Repairs",) * count), faces, SPACES, LEAST) for count in range(6)}
    assert [header.half for header in of.values()] == [0, 0, 1, 1, 2, 2]
    asking = of[5]._replace(contents=of[5].contents._replace(action="Bring a book to Tide Row"))
    assert asking.half > of[5].half, "a call to action takes room behind the title"
    even, odd = fitted(faces, split, count=6), fitted(faces, split, count=5)
    assert even.stages[0] == odd.stages[0], "the wider side decides"


def test_a_menu_that_stays_behind_its_button_takes_no_room(faces: Faces, catalogue: Catalogue) -> None:
    button = catalogue.arrangements["button"]
    assert fitted(faces, button, count=14).fold == fitted(faces, button, count=1).fold == 480


def test_a_column_is_wide_enough_for_its_longest_word(faces: Faces, catalogue: Catalogue) -> None:
    side = catalogue.arrangements["side"]
    columns = {
        name: fit(Header(side, Contents("S", (name,)), faces, SPACES, LEAST))
        for name in ("Short", "A name that wraps", "W" * 40)
    }
    assert {one.fold for one in columns.values()} == {960}, "no word takes the column away"
    assert columns["Short"].column == columns["A name that wraps"].column == SIDE_COLUMN < columns["W" * 40].column


def test_a_call_to_action_stands_beside_the_button_where_the_name_keeps_its_room(
    faces: Faces, catalogue: Catalogue
) -> None:
    row = catalogue.arrangements["row"]
    short, long = (
        fitted(faces, row, name, action="Book").action_from for name in ("Sole", "Nebelschwadenbuchbinderei")
    )
    assert 240 < short < 390 < long
    assert fitted(faces, row).action_from == 0
    assert fitted(faces, row, action="Book", action_on_phone=False).action_from == 0
    assert fitted(faces, row, action="Bring a book to Tide Row").action_from > short
