"""A picture in a box stands by its anchor, moves with its offset, and never leaves the box."""

from __future__ import annotations

from hypothesis import given
from hypothesis import strategies as st

from yemba.core.layout.anchored import ANCHORS, Extent, Spot, extent, placed, shares

NO = Spot(0, 0)
sizes, ratios = st.floats(16, 240), st.floats(0.2, 6)
turns, offsets = st.floats(-180, 180), st.floats(-400, 400)


def test_nine_anchors_stand_in_three_rows() -> None:
    assert [shares(anchor) for anchor in ANCHORS] == [(x, y) for y in (0, 0.5, 1) for x in (0, 0.5, 1)]
    square = Extent(20, 20, 20, 20)
    assert placed("top-start", NO, square, 400, 100) == (0, 0)
    assert placed("middle", NO, square, 400, 100) == (190, 40)
    assert placed("foot-end", NO, square, 400, 100) == (380, 80)
    assert placed("foot-end", Spot(-30, -10), square, 400, 100) == (350, 70)


@given(st.sampled_from(list(ANCHORS)), sizes, ratios, turns, offsets, offsets, st.floats(240, 2560), st.floats(48, 480))
def test_it_never_leaves_the_box(
    anchor: str, size: float, ratio: float, turn: float, x: float, y: float, width: float, height: float
) -> None:
    taken = extent(size, ratio, turn, height)
    spot = placed(anchor, Spot(x, y), taken, width, height)
    assert -1e-6 <= spot.x <= width - taken.wide + 1e-6
    assert -1e-6 <= spot.y <= height - taken.high + 1e-6


@given(sizes, ratios, turns)
def test_turning_keeps_its_proportion(size: float, ratio: float, turn: float) -> None:
    taken = extent(size, ratio, turn, 10_000)
    assert abs(taken.width / taken.height - ratio) < 1e-6
    assert taken.wide <= 200 + 1e-6
    quarter = extent(20, ratio, 90, 10_000)
    assert abs(quarter.wide - quarter.height) < 1e-6 and abs(quarter.high - quarter.width) < 1e-6
