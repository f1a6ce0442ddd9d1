"""Rows of pictures and of tiles: all of a row are of one height, rows differ as little as can be, and none leaves a tile alone."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yemba.core.layout.rows import TRACKS, row_sizes, spans
from yemba.core.layout.tiles import TileSizes, shares, tile_sizes
from yemba.core.picture.sizes import drawn_width

USUAL = 4 / 3
shapes = st.lists(st.floats(0.3, 4), min_size=1, max_size=30)


def rows(found: list[int]) -> list[list[int]]:
    """The rows into which these spans flow."""
    flown: list[list[int]] = [[]]
    for span in found:
        if sum(flown[-1]) + span > TRACKS:
            flown.append([])
        flown[-1].append(span)
    return flown


@pytest.mark.parametrize(
    ("count", "abreast", "stand"),
    [(3, 3, [3]), (4, 3, [2, 2]), (5, 3, [2, 3]), (7, 3, [2, 2, 3]), (3, 2, [1, 2]), (5, 2, [1, 2, 2])],
)
def test_usual_pictures_leave_no_row_with_one(count: int, abreast: int, stand: list[int]) -> None:
    assert sorted(map(len, rows(spans([USUAL] * count, abreast)))) == sorted(stand)


@given(shapes, st.integers(1, 4))
def test_every_row_but_the_last_is_full_and_none_runs_over(given: list[float], abreast: int) -> None:
    found = rows(spans(given, abreast))
    assert [sum(row) for row in found[:-1]] == [TRACKS] * (len(found) - 1)
    assert sum(found[-1]) <= TRACKS
    assert all(span >= 1 for row in found for span in row)


@given(shapes)
def test_pictures_lose_little_of_their_shape(given: list[float]) -> None:
    """In one row their heights differ by what whole tracks make them differ."""
    count = 0
    for row in rows(spans(given, 3)):
        heights = [span / shape for span, shape in zip(row, given[count : count + len(row)], strict=True)]
        count += len(row)
        widest = max(0.5 / shape for shape in given[count - len(row) : count])
        assert max(heights) - min(heights) <= 4 * widest


def test_one_tall_picture_is_not_stretched_and_a_wide_one_is() -> None:
    assert spans([2 / 3], 3) == [7]
    assert spans([3.0], 3) == [TRACKS]
    assert spans([], 3) == []


def test_each_is_drawn_at_its_share_of_the_row() -> None:
    (first, second) = row_sizes("(min-width: 1250px) 1200px, 96vw", [8, 16], [12, 24], 860)
    assert [drawn_width(first, window) for window in (1280, 1000, 400)] == [400, 320, 192]
    assert [drawn_width(second, window) for window in (1280, 1000, 400)] == [800, 640, 384]


_PARTS = {"third": 2, "half": 3, "whole": 6}
SIZES = TileSizes("(min-width: 860px) 33vw, 45vw", "(min-width: 860px) 50vw, 45vw", "93vw")


@pytest.mark.parametrize("leads", [False, True])
@pytest.mark.parametrize("count", range(1, 40))
def test_every_row_is_full(count: int, leads: bool) -> None:
    found = shares(count, leads)
    assert len(found) == count
    if found[0] == "first":
        assert found[1:3] == ["third", "third"], "they stand beside it, one under the other"
        found = found[3:]
    row = 0
    for share in found:
        row += _PARTS[share]
        assert row <= 6
        row %= 6
    assert row == 0


def test_none_where_there_are_none() -> None:
    assert tile_sizes(SIZES, 0) == tile_sizes(SIZES._replace(first="80vw"), 0) == []


def test_of_an_odd_number_the_first_fills_the_phone() -> None:
    assert tile_sizes(SIZES, 3) == ["(min-width: 860px) 33vw, 93vw", SIZES.third, SIZES.third]
    assert tile_sizes(SIZES, 4) == [SIZES.half] * 4
    assert tile_sizes(SIZES, 1) == ["93vw"]


def test_where_nothing_is_said_of_halves_all_are_alike() -> None:
    assert tile_sizes(TileSizes("40vw"), 3) == ["40vw"] * 3
    assert tile_sizes(TileSizes("40vw", first="80vw"), 3) == ["80vw", "40vw", "40vw"]


def test_where_two_are_abreast_the_first_of_an_odd_number_stands_alone() -> None:
    two = TileSizes("33vw", whole="100vw", two="50vw")
    assert tile_sizes(two, 5) == ["100vw", *["50vw"] * 4]
    assert tile_sizes(two, 4) == ["50vw"] * 4
    assert tile_sizes(two, 0) == []
