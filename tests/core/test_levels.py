"""Sizes hold their order and their limits, whatever is set; every level says what it does to reading."""

from __future__ import annotations

import itertools
import re
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from yemba.catalogue import catalogue
from yemba.core.check.finding import Inspected
from yemba.core.check.legible import find, remarks
from yemba.core.layout.lines import broken
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import COMFORTABLE, Look
from yemba.core.site.settings import SETTINGS
from yemba.core.type.levels import STEPPED
from yemba.core.type.scale import ENLARGE_LIMIT, SMALL_FLOOR, SMALLEST, Fluid, calm, calm_size, phone_base
from yemba.core.value.number import Number
from yemba.sites import starter

CATALOGUE = catalogue()
START = starter.document("Saltmarsh Bindery", "slipway", CATALOGUE, new_id)
HEADINGS = [f"h{n}" for n in range(1, 7)]


def look(template: str = "slipway", **sheet: Any) -> Look:
    values = {key.replace("__", "."): value for key, value in sheet.items()}
    return Look(START.model_copy(update={"template": template, "sheet": values}), CATALOGUE)


def allowed(key: str) -> st.SearchStrategy[float]:
    rule = SETTINGS[key].kind
    assert isinstance(rule, Number)
    return st.integers(0, round((rule.high - rule.low) / rule.step)).map(lambda n: rule.low + n * rule.step)


scales = st.fixed_dictionaries(
    {"type.base": allowed("type.base"), "type.ratio": allowed("type.ratio")},
    optional={"type.base_phone": allowed("type.base_phone"), "type.ratio_phone": allowed("type.ratio_phone")},
)


@given(scales, st.sampled_from(sorted(CATALOGUE.templates)))
def test_sizes_never_fall_with_level_nor_under_their_floor(sheet: dict[str, float], template: str) -> None:
    sizes = look(template, **sheet).sizes
    least = min(SMALLEST, sheet.get("type.base_phone", SMALLEST))
    for end in ("low", "high"):
        levels = [getattr(sizes[level], end) for level in HEADINGS]
        assert levels == sorted(levels, reverse=True)
        assert getattr(sizes["body"], end) >= least
        assert getattr(sizes["small"], end) >= min(SMALL_FLOOR, least)


@given(scales)
def test_no_size_of_the_scale_grows_so_much_that_zooming_fails(sheet: dict[str, float]) -> None:
    found = look(**sheet)
    for level in STEPPED:
        size = found.sizes[level]
        assert size.low <= size.high <= size.low * ENLARGE_LIMIT + 1e-9
        assert not any(one.warns and "times" in one.sentence for one in remarks(found, level))


@given(st.sampled_from(sorted(STEPPED)), allowed("h1.wide"), allowed("h1.phone"))
def test_a_size_by_hand_stays_as_set_and_is_warned_of_past_the_limits(level: str, wide: float, phone: float) -> None:
    found = look(**{f"{level}.wide": wide, f"{level}.phone": phone})
    assert found.sizes[level] == Fluid(phone, wide)
    said = [one.sentence for one in remarks(found, level) if one.warns]
    assert any("times the other" in sentence for sentence in said) == (
        max(wide, phone) > ENLARGE_LIMIT * min(wide, phone)
    )
    if level == "body":
        assert any("on a phone is hard" in sentence for sentence in said) == (phone < SMALLEST)
    others = look()
    assert {key: size for key, size in found.sizes.items() if key not in (level, "title", "navigation")} == {
        key: size for key, size in others.sizes.items() if key not in (level, "title", "navigation")
    }


@given(scales)
def test_the_css_of_a_size_reaches_both_ends(sheet: dict[str, float]) -> None:
    for size in look(**sheet).sizes.values():
        assert at(size.css(), 360) == pytest.approx(size.low, abs=0.02)
        assert at(size.css(), 1240) == pytest.approx(size.high, abs=0.02)


def at(css: str, width: int) -> float:
    """What a browser makes of a clamp() of rem and vw at a window width."""
    if not css.startswith("clamp"):
        return float(css.removesuffix("rem")) * 16
    low, start, slope, high = (float(n) for n in re.findall(r"-?\d+(?:\.\d+)?", css))
    return min(max(low * 16, start * 16 + slope * width / 100), high * 16)


@given(scales, st.sampled_from(sorted(CATALOGUE.families)), st.sampled_from(sorted(CATALOGUE.templates)))
@settings(max_examples=60)
def test_lines_are_held_in_the_comfortable_range(sheet: dict[str, Any], family: str, template: str) -> None:
    assert COMFORTABLE[0] <= look(template, **sheet, **{"type.body": family}).measure <= COMFORTABLE[1]
    assert look(template, **sheet, **{"type.measure": 90}).measure == 90


def test_levels_follow_the_faces_until_they_have_their_own() -> None:
    found = look(**{"type.heading": "lora", "type.body": "karla", "navigation.face": "oswald"})
    assert {slug: found.texts[slug].face for slug in ("h3", "title", "body", "button", "navigation", "quote")} == {
        "h3": "lora", "title": "lora", "body": "karla", "button": "karla", "navigation": "oswald", "quote": "karla",
    }  # fmt: skip
    assert look(**{"navigation.face": "gone"}).face("navigation").slug == look().family("type.body").slug


def test_a_weight_and_a_width_stay_within_what_the_face_has() -> None:
    heavy = look(**{"type.heading": "lora", "h1.weight": 900, "h1.width": 75}).texts["h1"]
    assert (heavy.weight, heavy.stretch) == (700, 100)
    narrow = look(**{"type.heading": "archivo", "h1.weight": 900, "h1.width": 75}).texts["h1"]
    assert (narrow.weight, narrow.stretch) == (900, 75)


@pytest.mark.parametrize(
    ("sheet", "said"),
    [
        ({"body.phone": 14}, "14 px on a phone"),
        ({"h1.wide": 120, "h1.phone": 30}, "4.0 times"),
        ({"h3.wide": 90}, "Larger than Heading 2"),
        ({"body.leading": 1.1}, "too close"),
        ({"body.spacing": 0.2}, "fall apart"),
        ({"body.case": "uppercase"}, "Capitals"),
        ({"body.weight": 800, "type.body": "karla"}, "Weight 800"),
        ({"h1.line": "line-through"}, "no longer holds"),
        ({"h1.line": "underline"}, "looks like one"),
        ({"h1.outline": 0.12, "type.heading": "manrope"}, "thicker than the strokes"),
        ({"type.measure": 90}, "WCAG"),
        ({"h2.case": "small-caps"}, "no small capitals"),
    ],
)
def test_what_passes_a_limit_is_warned_of_and_can_be_returned(sheet: dict[str, Any], said: str) -> None:
    found = Inspected(look(**sheet), _no_file, {})
    [finding] = [one for one in find(found) if said in one.sentence]
    assert finding.cure
    assert finding.cure.command == "return-value"
    assert finding.cure.arguments["key"] in sheet


def _no_file(digest: str) -> bytes:
    raise AssertionError(digest)


@pytest.mark.parametrize("template", sorted(CATALOGUE.templates))
def test_no_template_needs_a_warning(template: str) -> None:
    assert list(find(Inspected(look(template), _no_file, {}))) == []


def test_an_effect_within_its_limit_is_told_all_the_same() -> None:
    found = look(**{"h1.shadow": "soft", "h1.outline": 0.03, "h1.style": "italic", "type.heading": "oswald"})
    said = {one.name: one for one in remarks(found, "h1")}
    assert {"shadow", "outline", "style"} <= said.keys()
    assert not any(one.warns for one in said.values())
    assert "slant" in said["style"].sentence, "Oswald has no italics"


@given(st.text("ab ", max_size=60), st.integers(2, 12), st.integers(1, 4))
def test_lines_break_where_the_next_word_no_longer_fits(words: str, room: int, most: int) -> None:
    lines = broken(words, len, room, most)
    assert len(lines) <= most
    assert " ".join(words.split()).startswith(" ".join(lines))
    assert all(len(line) <= room or " " not in line for line in lines)
    for line, below in itertools.pairwise(lines):
        assert len(f"{line} {below.split()[0]}") > room


@pytest.mark.parametrize("wide", [12, 16, 17, 36, 56])
def test_a_size_that_is_set_for_the_wide_end_alone_shrinks_towards_the_text(wide: float) -> None:
    from_text = (calm_size(wide) - SMALLEST) / (wide - SMALLEST) if wide > SMALLEST else None
    assert calm_size(wide) <= wide
    assert calm_size(wide) == wide if wide <= SMALLEST else SMALLEST < calm_size(wide) < wide
    assert from_text in (None, pytest.approx((calm_size(80) - SMALLEST) / (80 - SMALLEST), abs=0.01)), "by one share"


def test_the_ratio_of_a_phone_grows_less_and_its_text_is_never_under_16_px() -> None:
    assert calm(1) == 1
    assert all(1 < calm(ratio) < ratio for ratio in (1.1, 1.25, 1.5))
    assert phone_base(16) == 16
    assert 16 < phone_base(20) < 20
