"""Colour against WCAG 2.2, Ottosson's published values, and a second library."""

from __future__ import annotations

import random

import pytest
from coloraide import Color

from yemba.core.colour.contrast import nearest, ratio
from yemba.core.colour.oklch import Oklch, difference, to_colour, to_oklab, to_oklch
from yemba.core.colour.srgb import WHITE, Colour, from_hex, mix


@pytest.mark.parametrize(
    ("grey", "expected"), [("#767676", 4.54), ("#777777", 4.48), ("#595959", 7.00), ("#949494", 3.03)]
)
def test_ratios_on_white_that_wcag_authors_quote(grey: str, expected: float) -> None:
    """Source: WCAG 2.2, definition of contrast ratio; the figures are common knowledge of the trade."""
    assert ratio(from_hex(grey), WHITE) == pytest.approx(expected, abs=0.005)


def colours(count: int) -> list[Colour]:
    chance = random.Random(7)
    return [Colour(*(chance.randrange(256) for _ in range(3))) for _ in range(count)]


def test_ratio_agrees_with_coloraide() -> None:
    """Source: coloraide's Color.contrast(method="wcag21"), over random pairs."""
    given = colours(600)
    for one, other in zip(given[::2], given[1::2], strict=True):
        assert ratio(one, other) == pytest.approx(Color(one.hex).contrast(other.hex, method="wcag21"), abs=0.01)


@pytest.mark.parametrize(
    ("colour", "expected"),
    [("#ffffff", (1.0, 0.0, 0.0)), ("#ff0000", (0.628, 0.225, 0.126)), ("#0000ff", (0.452, -0.032, -0.312))],
)
def test_oklab_of_known_colours(colour: str, expected: tuple[float, float, float]) -> None:
    """Source: Ottosson, A perceptual color space for image processing; values to three places, from memory."""
    assert to_oklab(from_hex(colour)) == pytest.approx(expected, abs=0.002)


def test_oklch_agrees_with_coloraide() -> None:
    """Source: coloraide's oklch space. It derives its matrices anew, hence the last places."""
    for colour in colours(400):
        lightness, chroma, hue = Color(colour.hex).convert("oklch").coords(nans=False)
        ours = to_oklch(colour)
        assert (ours.lightness, ours.chroma) == pytest.approx((lightness, chroma), abs=1e-4)
        if chroma > 0.01:
            assert abs((ours.hue - hue + 180) % 360 - 180) < 0.1


def test_mapping_into_srgb_agrees_with_css() -> None:
    """Source: coloraide's fit(method="oklch-chroma"), the chroma reduction of CSS Color 4, with its
    leave to clip within a just visible difference turned off (jnd=0): ours holds lightness and hue.
    """
    chance = random.Random(3)
    for _ in range(200):
        wanted = Oklch(chance.uniform(0.2, 0.9), chance.uniform(0.1, 0.4), chance.uniform(0, 360))
        mapped = Color("oklch", list(wanted)).convert("srgb").fit(method="oklch-chroma", jnd=0)
        theirs = Colour(*(round(255 * min(1, max(0, c))) for c in mapped.coords(nans=False)))
        assert difference(to_colour(wanted), theirs) < 0.01  # two steps of eight bits in the darks


def test_laying_over_agrees_with_compositing() -> None:
    """Source: coloraide's Color.layer (W3C Compositing and Blending Level 1)."""
    for over, under in zip(colours(40), reversed(colours(40)), strict=True):
        seen = Color.layer([Color("srgb", [c / 255 for c in over], 0.3), Color(under.hex)], space="srgb")
        theirs = [round(255 * c) for c in seen.coords(nans=False)]
        assert mix(under, over, 0.3) == pytest.approx(theirs, abs=1)


def test_nearest_colour_against_brute_force() -> None:
    """Brute force: every lightness of the hue in steps of 1/512 and every share of its chroma in 1/16."""
    for wanted, ground in zip(colours(12), reversed(colours(12)), strict=True):
        if ratio(wanted, ground) >= 4.5:
            continue
        start = to_oklch(wanted)
        tried = (
            to_colour(Oklch(step / 512, start.chroma * share / 16, start.hue))
            for step in range(513)
            for share in (16, 12, 8)
        )
        best = min(difference(c, wanted) for c in tried if ratio(c, ground) >= 4.5)
        assert difference(nearest(wanted, ground, 4.5), wanted) <= best + 0.012
