"""Palettes: read from what people paste, suggested from a colour or a picture, seen by other eyes, kept in files."""

from __future__ import annotations

from io import BytesIO

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from PIL import Image

from tests.editing import edited
from yemba.catalogue import palettes as ready_palettes
from yemba.core.change.command import read_command
from yemba.core.change.operation import apply
from yemba.core.colour.contrast import ratio
from yemba.core.colour.files import read_palette
from yemba.core.colour.formats.format import formats
from yemba.core.colour.from_picture import from_picture
from yemba.core.colour.grounds import ROLE_NAMES, failures, work_out
from yemba.core.colour.harmony import HARMONIES, harmonies, neutrals, shades, tints, turned
from yemba.core.colour.naming import name_for
from yemba.core.colour.oklch import difference, to_oklch
from yemba.core.colour.ready import HUES, MOODS, ready
from yemba.core.colour.srgb import BLACK, WHITE, Colour, from_hex, misread, mix, read, read_many
from yemba.core.colour.vision import APART, TOGETHER, VISIONS, apart, collapses, seen
from yemba.core.errors import Fault
from yemba.core.limits import PALETTE_BYTES
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look

channel = st.integers(0, 255)
colours = st.builds(Colour, channel, channel, channel)
OXIDE, BOTTLE, PAPER = from_hex("#8c3b2a"), from_hex("#1f3330"), from_hex("#f3efe2")


def done(document: Document, catalogue: Catalogue, name: str, **arguments: str) -> Look:
    return Look(edited(document, name, **arguments), catalogue)


@pytest.mark.parametrize(
    ("text", "hexes"),
    [
        ("#8c3b2a #1F3330,#f3efe2", ["#8c3b2a", "#1f3330", "#f3efe2"]),
        ("Red: 8c3b2a\nInk: 1f3330", ["#8c3b2a", "#1f3330"]),
        ("ours is rgb(140, 59, 42), theirs hsl(0 100% 50%)", ["#8c3b2a", "#ff0000"]),
        ("a facade of decades, defaced", []),
        ("#abc and &#123456; and #abcdefabcdef", ["#aabbcc"]),
        ("#8c3b2a #8c3b2a", ["#8c3b2a"]),
        ("oklch(0.6 0.1 200) FFFFFF", ["#0d9298", "#ffffff"]),
        ("dark red, Light sea green and navy\n", ["#8b0000", "#20b2aa", "#000080"]),
        ("the red of our van", []),
        ("transparent", []),
        ("gold #123456", ["#123456"]),
        ("#8c3b2a, teal and dark green", ["#8c3b2a", "#008080", "#006400"]),
        ("#8c3b2a, sand", ["#8c3b2a"]),
        ("#abc def", ["#aabbcc"]),
    ],
)
def test_codes_are_found_in_what_was_pasted(text: str, hexes: list[str]) -> None:
    assert [one.colour.hex for one in read_many(text)] == hexes


def test_what_screens_cannot_show_is_said_to_be_mapped() -> None:
    assert read("color(display-p3 1 0 0)").mapped
    assert not read("color(display-p3 0.5 0.5 0.5)").mapped
    assert read("#8c3b2a80").alpha == pytest.approx(0.5, abs=0.01)


@given(colours, st.lists(colours, max_size=8))
def test_a_proposed_name_is_none_of_those_taken(colour: Colour, others: list[Colour]) -> None:
    taken: list[str] = []
    for other in others:
        taken.append(name_for(other, taken))
    name = name_for(colour, taken)
    assert name.casefold() not in {known.casefold() for known in taken}
    assert len(name) <= 30


@given(colours)
def test_harmonies_turn_the_hue_and_stand_on_readable_grounds(lead: Colour) -> None:
    base = to_oklch(lead)
    if base.chroma >= 0.04 and 0.2 < base.lightness < 0.9:
        for _, turns in HARMONIES.values():
            for turn, partner in zip(turns, turned(lead, turns), strict=True):
                found = to_oklch(partner)
                if found.chroma > 0.03:
                    assert abs((found.hue - base.hue - turn + 180) % 360 - 180) < 6
    for suggestion in harmonies(lead):
        assert suggestion.colours[0][1] == lead
        for ground in work_out(tuple(colour for _, colour in suggestion.colours)).values():
            assert failures(ground) == []


@given(colours)
def test_tints_get_lighter_shades_darker_and_neutrals_stay_grey(colour: Colour) -> None:
    lightness = to_oklch(colour).lightness
    lighter, darker = ([to_oklch(step).lightness for step in steps(colour)] for steps in (tints, shades))
    if lightness < 0.9:
        assert lighter == sorted(lighter)
        assert lighter[0] > lightness - 0.01
    if lightness > 0.25:
        assert darker == sorted(darker, reverse=True)
        assert darker[0] < lightness + 0.01
    assert all(to_oklch(grey).chroma < 0.03 for grey in neutrals(colour))


def test_ready_palettes_are_many_named_apart_and_readable() -> None:
    every = ready_palettes()
    assert len(every) >= 24
    assert len({palette.name for palette in every}) == len(every)
    assert {palette.mood for palette in every} == MOODS.keys()
    assert {palette.hue for palette in every} <= HUES.keys()
    assert len({palette.hue for palette in every}) >= 5
    for palette in every:
        assert 3 <= len(palette.colours) <= 8
        assert all(failures(g) == [] for g in work_out(tuple(c for _, c in palette.colours)).values()), palette.name
    with pytest.raises(ValueError, match="no mood"):
        ready("Nothing", "gloomy", "#000000 #ffffff #777777")


def picture(form: str = "PNG", alpha: int = 255) -> bytes:
    """Half paper, a third bottle green, a small oxide seal at the lower right."""
    made = np.zeros((300, 400, 4), dtype=np.uint8)
    made[:, :] = (*PAPER, alpha)
    made[:, :140] = (*BOTTLE, alpha)
    made[240:280, 340:380] = (*OXIDE, alpha)
    out = BytesIO()
    opened = Image.fromarray(made, "RGBA")
    (opened if form == "PNG" else opened.convert("RGB")).save(out, form, quality=92)
    return out.getvalue()


@pytest.mark.parametrize(("form", "off"), [("PNG", 0.002), ("JPEG", 0.02)])
def test_a_picture_gives_its_colours_where_they_are_and_by_how_much(form: str, off: float) -> None:
    found = from_picture(picture(form))
    assert len(found) >= 3
    for colour, share, box in (
        (PAPER, 0.64, (35, 0, 100, 100)),
        (BOTTLE, 0.35, (0, 0, 35, 100)),
        (OXIDE, 0.013, (85, 80, 95, 94)),
    ):
        one = min(found, key=lambda f: difference(f.colour, colour))
        assert difference(one.colour, colour) < off
        assert one.share == pytest.approx(share, abs=0.02)
        assert box[0] <= one.x <= box[2]
        assert box[1] <= one.y <= box[3]
    assert from_picture(picture(form)) == found, "the same every time"


def test_what_is_see_through_does_not_count() -> None:
    assert from_picture(picture(alpha=20)) == []


def test_the_four_visions_keep_greys_and_mix_up_what_they_must() -> None:
    for vision in VISIONS:
        assert apart(seen(Colour(128, 128, 128), vision), Colour(128, 128, 128)) < 1
        assert seen(WHITE, vision) == WHITE
        assert seen(BLACK, vision) == BLACK
        assert len(VISIONS[vision].as_filter().split()) == 20
    red, green = from_hex("#8c3b2a"), from_hex("#4d6a2a")
    assert {pair.vision for pair in collapses((red, green, WHITE))} >= {"deutan"}
    assert collapses((BLACK, WHITE, from_hex("#2456d6"))) == ()
    assert collapses((red, red, WHITE)) == (), "alike for everybody is no trap"


@given(st.lists(colours, min_size=3, max_size=8).map(tuple))
def test_a_named_pair_does_fall_together_and_its_change_parts_it(palette: tuple[Colour, ...]) -> None:
    for pair in collapses(palette):
        first, second = palette[pair.first], palette[pair.second]
        assert apart(first, second) >= APART
        assert apart(seen(first, pair.vision), seen(second, pair.vision)) < TOGETHER
        if pair.parted:
            assert apart(seen(first, pair.vision), seen(pair.parted, pair.vision)) >= APART


names = st.text(st.characters(codec="utf-8", categories=("L", "N", "P", "Zs")), min_size=1, max_size=30)
tidy = names.map(lambda name: " ".join(name.split())).filter(lambda name: name and name != "Untitled")


@given(st.lists(st.tuples(tidy.filter(lambda n: "*/" not in n), colours), min_size=1, max_size=12))
def test_files_written_are_read_back_without_loss(palette: list[tuple[str, Colour]]) -> None:
    for slug in ("tokens", "gimp", "css"):
        back = read_palette(formats()[slug].write("Saltmarsh", palette).encode())
        assert back.colours == palette, slug
        assert back.lost == []


def test_a_hex_list_says_that_its_names_are_proposed() -> None:
    assert formats()["hex"].loses
    back = read_palette(formats()["hex"].write("", [("Ours", OXIDE), ("Also ours", PAPER)]))
    assert [colour for _, colour in back.colours] == [OXIDE, PAPER]
    assert back.lost == ["There were no names in it; these are proposed."]


@pytest.mark.parametrize(
    ("typed", "wrong"),
    [
        ("#a13d2d and #12345", ["#12345"]),
        ("8c3b2a; 2f5d5", ["2f5d5"]),
        ("#8c3b2a #8c3b2O #8c3b2O", ["#8c3b2O"]),  # an O in place of a 0
        ("#8c3b2a1 rgb(1, 2, 3)", ["#8c3b2a1"]),
        ("#a13d2d1d3a4a", ["#a13d2d1d3a4a"]),
        ("#a13d2d 1d3a4a #fff #ffff", []),
        ("#a13d2d as in #winter and #facades, our van is a faded red, call 12345", []),
        ("&#12345; is no colour", []),
    ],
)
def test_what_was_meant_as_a_code_and_is_none_is_named(typed: str, wrong: list[str]) -> None:
    assert misread(typed) == wrong


def test_a_wrong_code_is_told_beside_those_that_are_right_and_alone() -> None:
    back = read_palette("#8c3b2a\n#f4efe\n#12345")
    assert [colour for _, colour in back.colours] == [OXIDE]
    assert back.lost[0].startswith("No colour: #f4efe, #12345. A code has three or six digits")
    with pytest.raises(Fault, match=r"No colour: #f4efe\."):
        read_palette("#f4efe")


def test_tokens_of_others_are_read_with_groups_aliases_and_older_forms() -> None:
    text = """{"brand": {"$type": "color", "red": {"$value": "#8c3b2a"}, "link": {"$value": "{brand.red}"},
      "deep": {"ink": {"$value": {"colorSpace": "oklch", "components": [0.3, 0.02, "none"]}}},
      "clear": {"$value": {"colorSpace": "srgb", "components": [1, 1, 1], "alpha": 0.5}},
      "loud": {"$value": {"colorSpace": "display-p3", "components": [1, 0, 0]}},
      "odd": {"$value": "#8c3b2a", "$extensions": 4}, "size": {"$type": "dimension", "$value": {"value": 4, "unit": "px"}}}}"""
    found = read_palette(text)
    assert [name for name, _ in found.colours] == ["red", "link", "ink", "clear", "loud", "odd"]
    assert found.colours[1][1] == OXIDE
    assert any("see-through" in sentence for sentence in found.lost)
    assert any("outside" in sentence for sentence in found.lost)


@pytest.mark.parametrize(
    ("data", "code"),
    [
        (b"\x89PNG\r\n\x1a\n" + b"\0" * 40, "palette-unreadable"),
        (b"\xff\xfe#8c3b2a", "palette-unreadable"),
        (b"GIMP Palette\nName: x\n#\n140 59\tOxide", "palette-unreadable"),
        (b"GIMP Palette\n300 0 0\tx", "palette-unreadable"),
        (b'{"a": {"$type": "color", "$value": "redd"}}', "palette-unreadable"),
        (b'{"a": {"$type": "color", "$value": {"colorSpace": "srgb"}}}', "palette-unreadable"),
        (b'{"a": {"$type": "color", "$value": "{a}"}}', "palette-unreadable"),
        (b'{"a": ', "palette-unreadable"),
        (b"[" * 200_000, "palette-unreadable"),
        (b'{"a": ' * 60 + b'{"$value": "#fff", "$type": "color"}' + b"}" * 60, "palette-unreadable"),
        (b"nothing in here", "no-colours"),
        (b"", "no-colours"),
        (b"#" * (PALETTE_BYTES + 1), "file-too-large"),
    ],
)
def test_what_is_no_palette_is_refused_with_the_reason(data: bytes, code: str) -> None:
    with pytest.raises(Fault) as caught:
        read_palette(data)
    assert caught.value.code == code


def test_pasted_codes_become_a_whole_palette(document: Document, catalogue: Catalogue) -> None:
    two = done(document, catalogue, "choose-palette", codes="our red 8c3b2a and #1f3330")
    assert [c["hex"] for c in two.value("palette")][:2] == ["#8c3b2a", "#1f3330"]
    assert len(two.colours) == 3, "a paper was added"
    nine = " ".join(f"#{n}0{n}0{n}0" for n in range(1, 10))
    command = read_command("choose-palette", {"codes": nine})
    assert len(Look(apply(document, command.plan(Look(document, catalogue), new_id)), catalogue).colours) == 8
    assert "the first 8 of 9 taken" in command.say(Look(document, catalogue))
    before = [c["id"] for c in Look(document, catalogue).value("palette")]
    assert [c["id"] for c in two.value("palette")] == before[:3], "places keep their ids"


def test_a_colour_removed_hands_its_place_and_its_uses_to_another(document: Document, catalogue: Catalogue) -> None:
    palette = Look(document, catalogue).value("palette")
    gone, heir = palette[0]["id"], palette[1]["id"]
    look = done(document, catalogue, "set-role", ground="dark", role="link", value=f"@{gone}")
    look = done(look.document, catalogue, "add-ground", ground_name="Kelp", fill=f"@{gone}")
    handed = done(look.document, catalogue, "remove-colour", colour=gone, instead=heir)
    assert handed.value("palette")[0]["id"] == heir
    assert handed.by_hand["dark.link"] == f"@{heir}"
    assert handed.value("grounds.own")[0]["fill"] == f"@{heir}"
    left = done(look.document, catalogue, "remove-colour", colour=gone)
    assert "dark.link" not in left.by_hand, "worked out again"
    assert left.value("grounds.own")[0]["fill"] == palette[0]["hex"], "the ground keeps its look"


def test_a_ground_of_ones_own_is_as_readable_as_the_others(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    section = document.pages[home].order[0]
    look = done(document, catalogue, "add-ground", ground_name="Kelp", fill="#3c4a2c", section=section)
    slug = look.ground(look.document.pages[home].sections[section]).value
    assert look.ground_names[slug] == "Kelp"
    assert look.grounds[slug].fill == from_hex("#3c4a2c")
    assert failures(look.grounds[slug]) == []
    gone = done(look.document, catalogue, "remove-ground", ground=slug)
    assert gone.document == document


def test_roles_around_one_set_by_hand_follow_it(document: Document, catalogue: Catalogue) -> None:
    look = done(document, catalogue, "set-role", ground="light", role="button", value="#ffdd00")
    light = look.grounds["light"]
    assert light.button == from_hex("#ffdd00")
    assert [asked.role for asked, _ in failures(light)] == []
    assert ratio(light.button_text, light.button_hover) >= 4.5
    clear = done(document, catalogue, "set-role", ground="dark", role="button", value="#ffffff40").grounds["dark"]
    assert clear.button == mix(clear.fill, WHITE, 64 / 255), "laid over what lies behind"
    back = done(look.document, catalogue, "set-role", ground="light", role="button", value="")
    assert back.document == document


def test_a_brand_colour_set_by_hand_follows_the_palette(document: Document, catalogue: Catalogue) -> None:
    first = Look(document, catalogue).value("palette")[0]["id"]
    look = done(document, catalogue, "set-role", ground="light", role="heading", value=f"@{first}")
    moved = done(look.document, catalogue, "set-colour", colour=first, hex="#102a60")
    assert moved.grounds["light"].heading == from_hex("#102a60")
    assert set(ROLE_NAMES) == set(moved.grounds["light"]._fields) - {"link_underlined"}


def test_numbers_of_oklch_set_a_colour(document: Document, catalogue: Catalogue) -> None:
    arguments = {"lightness": "45,7", "chroma": "0.118", "hue": "40"}
    look = done(document, catalogue, "set-colour-numbers", colour="c1", **arguments)
    assert difference(look.colours[0], from_hex("#8b3c1e")) < 0.01
    with pytest.raises(Fault, match="“140”"):
        done(document, catalogue, "set-colour-numbers", colour="c1", lightness="140", chroma="0.1", hue="3")


def test_one_colour_goes_back_and_the_others_stay(document: Document, catalogue: Catalogue) -> None:
    before = [dict(colour) for colour in Look(document, catalogue).value("palette")]
    for colour in before[:2]:
        arguments = {"colour": colour["id"], "hex": "#123456"}
        document = edited(document, "set-colour", **arguments)
    back = edited(document, "return-colour", colour=before[0]["id"])
    now = [dict(colour) for colour in Look(back, catalogue).value("palette")]
    assert now == [before[0], before[1] | {"hex": "#123456"}, *before[2:]]
