"""Sizes hold their order and their limits; font files tell the truth."""

from __future__ import annotations

import re

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.type.facts import Face
from yemba.core.type.fallback import fallback
from yemba.core.type.scale import ENLARGE_LIMIT, SMALL_FLOOR, SMALLEST, STEPS, Fluid, line_height, scale

bases = st.floats(16, 24)
ratios = st.floats(1.05, 1.6)
HEADINGS = [f"h{n}" for n in range(1, 7)]


@given(bases, ratios)
def test_sizes_never_rise_with_level_nor_fall_under_their_floor(base: float, ratio: float) -> None:
    sizes = scale(base, ratio)
    for end in ("low", "high"):
        levels = [getattr(sizes[level], end) for level in HEADINGS]
        assert levels == sorted(levels, reverse=True)
        assert getattr(sizes["body"], end) >= SMALLEST
        assert getattr(sizes["small"], end) >= SMALL_FLOOR


@given(bases, ratios)
def test_no_size_grows_so_much_that_zooming_fails(base: float, ratio: float) -> None:
    for size in scale(base, ratio).values():
        assert size.high <= size.low * ENLARGE_LIMIT + 1e-9


@given(bases, ratios)
def test_the_css_of_a_size_reaches_both_ends(base: float, ratio: float) -> None:
    for size in scale(base, ratio).values():
        assert at(size.css(), 360) == pytest.approx(size.low, abs=0.02)
        assert at(size.css(), 1240) == pytest.approx(size.high, abs=0.02)


def at(css: str, width: int) -> float:
    """What a browser makes of a clamp() of rem and vw at a window width."""
    if not css.startswith("clamp"):
        return float(css.removesuffix("rem")) * 16
    low, start, slope, high = (float(n) for n in re.findall(r"-?\d+(?:\.\d+)?", css))
    return min(max(low * 16, start * 16 + slope * width / 100), high * 16)


def test_a_size_that_does_not_grow_is_written_plainly() -> None:
    assert Fluid(16, 16).css() == "1rem"


def test_line_height_falls_with_size_and_rises_with_measure() -> None:
    assert line_height(18, 66) > line_height(48, 66)
    assert line_height(18, 75) > line_height(18, 45)


def test_every_level_has_a_step() -> None:
    assert set(scale(18, 1.25)) == set(STEPS)


def test_every_shipped_family_tells_its_facts(catalogue: Catalogue) -> None:
    assert len(catalogue.families) == 8
    for family in catalogue.families.values():
        facts = family.facts
        assert facts.x_height < facts.cap_height < facts.units_per_em
        assert facts.descent < 0 < facts.ascent
        assert facts.weights[0] <= 400 <= facts.weights[1]
        assert family.face.covers("Saltmarsh Bindery, £65 – “pressed flowers” äöüß")
        assert not family.face.covers("書")


def test_width_grows_with_words_weight_and_spacing(catalogue: Catalogue) -> None:
    face = catalogue.families["work-sans"].face
    plain = face.width("Repairs", 18)
    assert face.width("Repairs and more", 18) > plain
    assert face.width("Repairs", 18, weight=800) > plain
    assert face.width("Repairs", 18, spacing=0.1) == pytest.approx(plain + 0.1 * 18 * 7)


@pytest.mark.parametrize("data", [b"", b"no font", b"wOF2" + bytes(60), b"\x00\x01\x00\x00" + bytes(20)])
def test_what_is_no_font_is_refused(data: bytes) -> None:
    with pytest.raises(Fault) as caught:
        Face(data)
    assert caught.value.code == "font-unreadable"


def test_a_fallback_takes_the_room_of_the_font(catalogue: Catalogue) -> None:
    for family in catalogue.families.values():
        room = fallback(family.facts, family.local)
        assert 80 < room.size_adjust < 125
        height = (room.ascent_override + room.descent_override) * room.size_adjust / 100
        own = (family.facts.ascent - family.facts.descent) / family.facts.units_per_em * 100
        assert height == pytest.approx(own, abs=0.1)


def test_pairings_name_families_that_are_shipped(catalogue: Catalogue) -> None:
    assert len(catalogue.pairings) == 8
    for pairing in catalogue.pairings.values():
        assert {pairing.heading, pairing.body} <= set(catalogue.families)
        assert pairing.reason.endswith(".")
