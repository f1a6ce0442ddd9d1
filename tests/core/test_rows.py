"""Pictures in rows: all of a row are of one height, and rows differ in height as little as can be."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yemba.core.layout.rows import TRACKS, row_sizes, spans
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
