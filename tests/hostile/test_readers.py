"""What anybody may send is read or refused in a sentence, and never takes long for its length."""

from __future__ import annotations

import time

import pytest

from yemba.core.calendar.weekdays import days_in
from yemba.core.colour.files import read_palette
from yemba.core.colour.srgb import read
from yemba.core.errors import Fault
from yemba.core.limits import PALETTE_COLOURS
from yemba.core.untrusted import read_json, whole
from yemba.core.value.link import Link
from yemba.core.value.number import Number
from yemba.core.value.price import Price

LONG = 200_000
AMPLE = 10.0  # s of this process alone; what grows with the square of these lengths takes minutes
PALETTES = {
    "a remark that never ends": "--a: red;/*" + " " * LONG,
    "many remarks that never end": "--a:red;/* " * (LONG // 11),
    "hyphens": "-" * LONG,
    "a name without a value": "--a" + " " * LONG + "x",
    "names in names": "--a:" * (LONG // 4),
    "one colour again and again": "#fff " * (LONG // 5),
    "words of digits": "f" * LONG,
    "rows without end": "GIMP Palette\n" + "1 2 3\n" * (LONG // 6),
    "groups in groups": '{"a":' * 5000 + "1" + "}" * 5000,
    "functions that never end": "rgb(" * (LONG // 4),
}


@pytest.mark.parametrize("what", PALETTES)
def test_no_palette_takes_long(what: str) -> None:
    begun = time.process_time()
    try:
        assert len(read_palette(PALETTES[what]).colours) <= PALETTE_COLOURS
    except Fault as fault:
        assert fault.sentence
    assert time.process_time() - begun < AMPLE


def test_a_palette_of_too_many_colours_says_that_some_were_left() -> None:
    codes = "\n".join(f"#{n:06x}" for n in range(900))
    palette = read_palette(codes)
    assert len(palette.colours) == PALETTE_COLOURS
    assert f"the first {PALETTE_COLOURS} were read" in palette.lost[0]


@pytest.mark.parametrize(
    "typed",
    ["https://" + "a." * 900 + "\n.", "https://" + "a" * LONG, "tel:" + "-" * LONG + "x", "mailto:" + "a" * LONG],
)
def test_a_long_address_is_refused_by_its_beginning(typed: str) -> None:
    begun = time.process_time()
    with pytest.raises(Fault) as caught:
        Link().read(typed, "Link", "link")
    assert typed[:12] in caught.value.sentence
    assert len(caught.value.sentence) < 2500
    assert time.process_time() - begun < AMPLE


@pytest.mark.parametrize("typed", ["²", "٣", "1" * 5000, "inf", "-inf", "nan", "1e400", "", "\ud800", "0x10", "1 2"])
def test_what_is_no_number_is_refused_with_the_range(typed: str) -> None:
    with pytest.raises(Fault) as caught:
        Number(8, 160, "px").read(typed, "Size", "size")
    assert "8 to 160 px" in caught.value.sentence
    assert len(caught.value.sentence) < 200


@pytest.mark.parametrize("typed", ["²", "٣", "1" * 5000, "-1", "1.0", "", " 1", "1_0", "10000000000", "\ud800"])
def test_what_is_no_whole_number_is_none(typed: str) -> None:
    assert whole(typed) is None


def test_whole_numbers_are_read() -> None:
    assert [whole(typed) for typed in ("0", "7", "007", "999999999")] == [0, 7, 7, 999_999_999]


@pytest.mark.parametrize(
    ("text", "reason"),
    [
        ("[" * 100_000, "inside one another"),
        ("[" * 60 + "]" * 60, "inside one another"),
        ('{"name": "\\ud800"}', "half a letter"),
        ('{"a": Infinity}', "Infinity"),
        ('{"a": NaN}', "NaN"),
        ('{"a": 1e999}', "no number reaches"),
        ('{"a": ' + "1" * 5000 + "}", "5000 digits"),
        ("{", "Expecting"),
    ],
)
def test_json_that_cannot_be_kept_is_refused_with_its_reason(text: str, reason: str) -> None:
    with pytest.raises(ValueError, match=reason):
        read_json(text)


def test_json_is_read() -> None:
    assert read_json('{"a": [1, 2.5, "ß", null, true]}') == {"a": [1, 2.5, "ß", None, True]}


@pytest.mark.parametrize("typed", ["teal" * 50_000, "#" * LONG, "rgb(" + "1," * LONG, "color(" + " " * LONG, "\ud800"])
def test_no_colour_takes_long(typed: str) -> None:
    begun = time.process_time()
    with pytest.raises(Fault):
        read(typed)
    assert time.process_time() - begun < AMPLE


@pytest.mark.parametrize("typed", ["1" * LONG, "," * LONG, "from " * (LONG // 5), "€" * LONG, "1,-" * (LONG // 3)])
def test_no_price_takes_long(typed: str) -> None:
    begun = time.process_time()
    with pytest.raises(Fault):
        Price().read(typed, "Price", "price")
    assert time.process_time() - begun < AMPLE


@pytest.mark.parametrize("typed", ["monday to " * (LONG // 10), "mon-" * (LONG // 4), "-" * LONG, "a" * LONG])
def test_no_phrase_of_days_takes_long(typed: str) -> None:
    begun = time.process_time()
    days_in(typed)
    assert time.process_time() - begun < AMPLE
