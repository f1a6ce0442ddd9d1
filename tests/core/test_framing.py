"""What is shown of a picture once it is mirrored, turned and cropped."""

from __future__ import annotations

from io import BytesIO
from math import isclose

from hypothesis import given
from hypothesis import strategies as st
from PIL import Image

from yemba.core.picture.drawing import drawn
from yemba.core.picture.framing import ALL, AS_IT_IS, Framing
from yemba.core.picture.rendition import Rendition
from yemba.core.picture.sizes import resized

SIDES = st.tuples(st.integers(40, 400), st.integers(40, 400))
TURNED = st.one_of(
    st.sampled_from([0, 90, 180, 270]),
    st.tuples(st.integers(0, 3), st.integers(-440, 440)).map(lambda q: (90 * q[0] + q[1] / 10) % 360),
)
BOXES = st.tuples(st.integers(0, 45), st.integers(0, 45), st.integers(55, 100), st.integers(55, 100))
FRAMINGS = st.builds(Framing, st.booleans(), TURNED, BOXES, st.none(), st.just((50, 50)))
SPOTS = st.tuples(st.integers(0, 100), st.integers(0, 100))
QUARTERED = (
    '<svg xmlns="http://www.w3.org/2000/svg" width="120" height="80" viewBox="0 0 120 80">'
    '<rect width="60" height="40" fill="#c00"/><rect x="60" width="60" height="40" fill="#0a0"/>'
    '<rect y="40" width="60" height="40" fill="#00c"/><rect x="60" y="40" width="60" height="40" fill="#cc0"/></svg>'
)
"""Red and green above blue and yellow."""


def _pixels() -> Image.Image:
    return Image.open(BytesIO(drawn(QUARTERED, 120))).convert("RGB")


@given(FRAMINGS, SIDES)
def test_an_image_has_the_size_that_is_told(framing: Framing, sides: tuple[int, int]) -> None:
    assert framing.image(Image.new("RGB", sides)).size == framing.size(*sides)


@given(st.booleans(), TURNED, SIDES)
def test_no_corner_is_empty(mirror: bool, rotation: float, sides: tuple[int, int]) -> None:
    shown = Framing(mirror, rotation).image(Image.new("L", sides, 255))
    within = shown.crop((1, 1, max(2, shown.width - 1), max(2, shown.height - 1)))  # the outermost are blended
    assert within.getextrema()[0] > 200


@given(FRAMINGS, SIDES, SPOTS)
def test_a_spot_is_found_again(framing: Framing, sides: tuple[int, int], spot: tuple[int, int]) -> None:
    there = framing.in_original(spot, *sides)
    back = framing.in_shown(there, *sides)
    assert all(isclose(one, two, abs_tol=1e-6) for one, two in zip(back, spot, strict=True))


@given(FRAMINGS, SIDES)
def test_two_mirrors_and_four_quarters_are_none(framing: Framing, sides: tuple[int, int]) -> None:
    assert framing.flip().flip()._replace(rotation=framing.rotation) == framing
    turned = framing
    for _ in range(4):
        turned = turned.rotate(90)
    assert isclose(turned.rotation, framing.rotation, abs_tol=1e-6)
    assert turned.box == framing.box
    assert framing.rotate(90).size(*sides) == framing.size(*sides)[::-1]


@given(st.booleans(), st.sampled_from([0, 90, 180, 270]), BOXES)
def test_a_mirror_shows_what_was_shown_left_for_right(mirror: bool, rotation: int, box: tuple[int, ...]) -> None:
    framing = Framing(mirror, rotation, box)  # type: ignore[arg-type]
    whole = _pixels()
    before = framing.image(whole).transpose(Image.Transpose.FLIP_LEFT_RIGHT)
    assert _differ(before, framing.flip().image(whole)) < 0.1


@given(FRAMINGS)
def test_a_drawing_is_framed_as_its_pixels_are(framing: Framing) -> None:
    width, height = framing.size(120, 80)
    of_drawing = Image.open(BytesIO(drawn(framing.drawing(QUARTERED.encode(), 120, 80), width, height))).convert("RGB")
    assert _differ(framing.image(_pixels()), of_drawing) < 0.2


def _differ(one: Image.Image, two: Image.Image) -> float:
    """The share of the pixels that differ clearly, edges of areas and of the picture left out by nearness."""
    assert one.size == two.size
    small = [picture.resize((12, 12), Image.Resampling.BOX) for picture in (one, two)]
    pairs = zip(*(picture.get_flattened_data() for picture in small), strict=True)
    return sum(max(abs(a - b) for a, b in zip(*pair, strict=True)) > 90 for pair in pairs) / 144


def test_what_is_shown_as_it_is_has_no_mark() -> None:
    assert AS_IT_IS.mark == ""
    assert Framing(focal=(10, 20)).mark == ""
    assert len({Framing(True).mark, Framing(rotation=90).mark, Framing(box=(0, 0, 50, 100)).mark, ""}) == 4


def test_published_sizes_are_of_what_is_shown() -> None:
    out = BytesIO()
    _pixels().save(out, "PNG")
    quarter = Framing(box=(0, 0, 50, 50))
    made = Image.open(BytesIO(resized(out.getvalue(), 60, "png", Rendition(quarter)))).convert("RGB")
    assert made.size == (60, 40)
    assert made.getpixel((30, 20)) == (204, 0, 0)
    assert quarter._replace(box=ALL).mark == ""
