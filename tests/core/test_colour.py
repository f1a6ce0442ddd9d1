"""Colours an owner types are read; what stands on a ground can be read."""

from __future__ import annotations

import random
from collections.abc import Callable

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.editing import edited
from tests.sampling import fewer, some
from yemba.core.change.command import read_command
from yemba.core.colour.contrast import EDGE, TEXT, carries, nearest, ratio
from yemba.core.colour.grounds import Ground, failures, gave_way, work_out
from yemba.core.colour.oklch import Oklch, channels, difference, fits, to_colour, to_oklch
from yemba.core.colour.plane import HEIGHT, MOST_CHROMA, WIDTH, gamut, line, plane
from yemba.core.colour.srgb import BLACK, WHITE, Colour, from_hex, mix, parse
from yemba.core.errors import Fault
from yemba.core.site.buttons import FORMS, KINDS, POINTED, form_of, reads_at, states
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.one_offs import one_offs
from yemba.core.site.resolve import Look

channel = st.integers(0, 255)
colours = st.builds(Colour, channel, channel, channel)


@pytest.mark.parametrize(
    ("typed", "read"),
    [
        ("#8c3b2a", "#8c3b2a"),
        ("8C3B2A", "#8c3b2a"),
        ("abc", "#aabbcc"),
        ("#abcf", "#aabbcc"),
        (" rgb(140 59 42) ", "#8c3b2a"),
        ("rgb(140, 59, 42)", "#8c3b2a"),
        ("teal", "#008080"),
        ("hsl(0 100% 50%)", "#ff0000"),
    ],
)
def test_a_colour_is_read_however_it_is_written(typed: str, read: str) -> None:
    assert parse(typed).hex == read


def test_a_colour_outside_srgb_is_mapped_in_and_keeps_its_hue() -> None:
    wanted = Oklch(0.7, 0.37, 150)
    mapped = to_oklch(parse("oklch(0.7 0.37 150)"))
    assert abs(mapped.hue - wanted.hue) < 3
    assert mapped.chroma < wanted.chroma


@pytest.mark.parametrize("typed", ["", "no colour", "#12", "#ggg", "rgb(1,2)", "#8c3b2a80"])
def test_what_is_no_colour_is_named_with_the_cure(typed: str) -> None:
    with pytest.raises(Fault) as caught:
        parse(typed, "hex")
    assert f"“{typed}”" in caught.value.sentence
    assert caught.value.field == "hex"


@given(colours, colours)
def test_contrast_is_the_same_both_ways_and_within_its_range(one: Colour, other: Colour) -> None:
    assert ratio(one, other) == ratio(other, one)
    assert 1 <= ratio(one, other) <= 21


@given(colours, colours, st.sampled_from([EDGE, TEXT]))
def test_the_nearest_colour_passes_and_is_the_colour_itself_where_that_passes(
    wanted: Colour, ground: Colour, asked: float
) -> None:
    found = nearest(wanted, ground, asked)
    assert ratio(found, ground) >= asked
    if ratio(wanted, ground) >= asked:
        assert found == wanted


def test_no_colour_has_more_contrast_than_black_or_white_give() -> None:
    with pytest.raises(ValueError, match="no colour"):
        nearest(WHITE, from_hex("#777777"), 15)


def test_a_ground_that_fails_is_found() -> None:
    good = work_out((from_hex("#8c3b2a"), from_hex("#22302e"), from_hex("#f5f0e4")))["light"]
    bad: Ground = good._replace(text=good.fill)
    assert [asked.role for asked, _ in failures(bad)] == ["text"]


def test_the_brands_own_colours_are_used_where_they_read() -> None:
    oxide, bottle, paper = from_hex("#8c3b2a"), from_hex("#22302e"), from_hex("#f5f0e4")
    light = work_out((oxide, bottle, paper))["light"]
    assert (light.fill, light.text, light.link, light.button) == (paper, bottle, oxide, oxide)


def test_a_glaring_button_is_mended() -> None:
    yellow = from_hex("#ffee00")
    light = work_out((yellow, from_hex("#222222"), WHITE))["light"]
    assert light.button != yellow
    assert ratio(light.button_text, light.button) >= TEXT
    assert gave_way(yellow, light) == ["button", "link"], "and it is said"
    dark = work_out((yellow, from_hex("#222222"), WHITE))["dark"]
    assert gave_way(yellow, dark) == []


def test_what_a_colour_may_carry_follows_its_ratio() -> None:
    said = [carries(from_hex(grey), WHITE) for grey in ("#767676", "#777777", "#949494", "#999999")]
    assert said == ["text and headings", "large text and edges", "large text and edges", "shapes only"]


@given(colours, st.floats(0, 1))
def test_laying_a_colour_over_another_stays_between_them(colour: Colour, share: float) -> None:
    for low, high, got in zip(BLACK, colour, mix(BLACK, colour, share), strict=True):
        assert low <= got <= high


@given(colours)
def test_a_colour_survives_the_way_to_oklch_and_back(colour: Colour) -> None:
    back = to_colour(to_oklch(colour))
    assert max(abs(a - b) for a, b in zip(colour, back, strict=True)) <= 1


def test_the_plane_holds_the_hue_and_its_line_parts_what_reads_from_what_does_not() -> None:
    assert len(plane(30)) == WIDTH * HEIGHT * 3
    for lightness, most in gamut(30)[1:-1]:
        assert fits(channels(Oklch(lightness, most * 0.99, 30)))
        assert not fits(channels(Oklch(lightness, most + 0.01, 30)))
    paper = from_hex("#f5f0e4")
    found = line(30, paper, TEXT)
    assert len(found.points) == HEIGHT
    for lightness, chroma in found.points:
        assert ratio(to_colour(Oklch(lightness - 0.01, chroma, 30)), paper) >= TEXT
        assert ratio(to_colour(Oklch(lightness + 0.02, chroma, 30)), paper) < TEXT
        assert 0 <= chroma <= MOST_CHROMA
    assert line(30, from_hex("#777777"), 9).points == []


SEEDS, EACH = 10, 1000
AWKWARD: tuple[Callable[[random.Random], Colour], ...] = (
    lambda chance: Colour(*(chance.randrange(256) for _ in range(3))),
    lambda chance: Colour(*(chance.randrange(40) for _ in range(3))),  # all dark
    lambda chance: Colour(*(chance.randrange(215, 256) for _ in range(3))),  # all light
    lambda chance: Colour(*[chance.randrange(256)] * 3),  # greys
    lambda chance: to_colour(Oklch(chance.random(), chance.random() * 0.3, 30)),  # one hue
    lambda chance: chance.choice((BLACK, WHITE)),  # equal ones too
    lambda chance: to_colour(Oklch(0.9 + chance.random() * 0.07, 0.05, chance.randrange(360))),  # pastels
    lambda chance: to_colour(Oklch(0.5 + chance.random() * 0.3, 0.33, chance.randrange(360))),  # loud
)


@pytest.mark.parametrize("seed", some(range(SEEDS), 4))
def test_on_every_ground_all_reads_and_states_differ(seed: int) -> None:
    chance = random.Random(seed)
    for n in range(fewer(EACH)):
        kind = AWKWARD[n % len(AWKWARD)]
        palette = tuple(kind(chance) for _ in range(chance.randint(3, 8)))
        for slug, ground in work_out(palette).items():
            told = f"{slug} of {[colour.hex for colour in palette]}"
            assert failures(ground) == [], told
            states = (ground.button, ground.button_hover, ground.button_pressed, ground.button_disabled)
            near = min(difference(a, b) for i, a in enumerate(states) for b in states[:i])
            assert near >= 0.03, told
            readable = [end for end in (BLACK, WHITE) if ratio(end, ground.fill) >= TEXT]
            room = max(difference(end, ground.link) for end in readable)
            assert difference(ground.link, ground.link_hover) >= min(0.03, room), told  # else the underline tells
            assert ratio(ground.button_disabled_text, ground.button_disabled) >= EDGE, told
            assert ground.link_underlined == (ratio(ground.link, ground.text) < EDGE), told


@pytest.mark.parametrize("form", FORMS)
def test_buttons_read_in_every_template_on_every_ground(form: str, document: Document, catalogue: Catalogue) -> None:
    for template in catalogue.templates:
        look = Look(document.model_copy(update={"template": template}), catalogue)
        for kind in KINDS:
            for pointed in POINTED:
                for state, painted in states(form_of(form, kind), pointed).items():
                    least = 1 if state == "out" else TEXT
                    readings = {slug: reads_at(painted, ground) for slug, ground in look.grounds.items()}
                    assert min(readings.values()) >= least, (template, kind, pointed, state, readings)


def test_one_button_is_of_another_kind_and_no_other_text_is(document: Document, catalogue: Catalogue) -> None:
    opening = document.pages[document.order[0]].order[0]
    quiet = {"section": opening, "element": "button", "what": "button", "value": "quiet"}
    set_apart = edited(document, "set-one-off", **quiet)
    told = [(one.what, one.value, one.otherwise) for one in one_offs(Look(set_apart, catalogue)) if one.element]
    assert ("Kind of the button", "Quiet, words alone", "first") in told
    with pytest.raises(Fault, match="no text"):
        read_command("set-one-off", quiet | {"element": "heading"}).plan(Look(document, catalogue), new_id)
