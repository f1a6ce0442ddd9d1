"""Rows of tiles leave none alone."""

import pytest

from yemba.core.layout.tiles import TileSizes, shares, tile_sizes

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
