"""Logos with known answers: what is behind their marks, and how it is taken out, trimmed and recoloured."""

from __future__ import annotations

from io import BytesIO

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image, ImageDraw

from yemba.core.colour.contrast import EDGE, ratio
from yemba.core.colour.srgb import BLACK, WHITE, Colour
from yemba.core.errors import Fault
from yemba.core.picture import cutout
from yemba.core.picture.intake import CleanPicture, clean_picture
from yemba.core.picture.logo import BACKGROUND, ENCLOSED, TRIM, mended, mended_by_itself, read_logo, version
from yemba.core.picture.marks import contrast_of_marks

WIDTH, HEIGHT = 320, 200
INDIGO, CREAM = Colour(38, 52, 110), Colour(250, 244, 232)


def ring_and_bar() -> Image.Image:
    """The marks as a mask with soft edges: a ring, which encloses a piece of what is behind, and a bar."""
    large = Image.new("L", (WIDTH * 4, HEIGHT * 4))
    draw = ImageDraw.Draw(large)
    draw.ellipse((160, 160, 639, 639), outline=255, width=100)
    draw.rounded_rectangle((720, 320, 1159, 479), 40, fill=255)
    return large.resize((WIDTH, HEIGHT), Image.Resampling.BOX)


def hole() -> np.ndarray:
    rows, columns = np.mgrid[0:HEIGHT, 0:WIDTH]
    return np.hypot(rows - 100, columns - 100) < 40


def on(behind: Image.Image, mark: Colour = INDIGO) -> Image.Image:
    out = behind.convert("RGB")
    out.paste(tuple(mark), mask=ring_and_bar())
    return out


def png(picture: Image.Image, kind: str = "PNG", **how: object) -> bytes:
    out = BytesIO()
    picture.save(out, kind, **how)
    return out.getvalue()


def pixels_of(data: bytes) -> np.ndarray:
    return np.asarray(Image.open(BytesIO(data)).convert("RGBA"))


def flat(colour: Colour) -> Image.Image:
    return Image.new("RGB", (WIDTH, HEIGHT), tuple(colour))


def noisy() -> Image.Image:
    return Image.open(BytesIO(png(on(flat(WHITE)), "JPEG", quality=80)))


def gradient() -> Image.Image:
    return Image.linear_gradient("L").resize((WIDTH, HEIGHT)).convert("RGB")


def photograph() -> Image.Image:
    patches = Image.fromarray(np.random.default_rng(1).integers(0, 255, (10, 16, 3), dtype=np.uint8))
    return patches.resize((WIDTH, HEIGHT), Image.Resampling.BICUBIC)


@pytest.mark.parametrize("behind", [WHITE, CREAM, BLACK, Colour(176, 58, 46)])
def test_a_plain_background_is_known_by_its_colour(behind: Colour) -> None:
    mark = CREAM if behind == BLACK else INDIGO
    reading = read_logo(png(on(flat(behind), mark)), "png")
    assert reading.background == behind.hex
    assert reading.enclosed


@pytest.mark.parametrize("picture", [on(gradient()), on(photograph())], ids=["gradient", "photograph"])
def test_a_background_that_is_not_plain_stays(picture: Image.Image) -> None:
    data = png(picture)
    assert not read_logo(data, "png").background
    with pytest.raises(Fault, match="nothing of this left"):
        mended(data, "png", BACKGROUND)


def test_one_that_is_see_through_has_no_background() -> None:
    see_through = Image.new("RGBA", (WIDTH, HEIGHT), (255, 255, 255, 0))
    see_through.paste((*INDIGO, 255), mask=ring_and_bar())
    reading = read_logo(png(see_through), "png")
    assert (reading.background, reading.enclosed) == ("", False)
    assert reading.room == pytest.approx(1 - 120 / 200, abs=0.02), "the marks are 120 of 200 px high"


@pytest.mark.parametrize("kind", ["clean", "after lossy saving"])
@pytest.mark.parametrize("act", [BACKGROUND, ENCLOSED])
def test_the_mask_is_right_but_for_less_than_a_pixel_in_a_hundred(kind: str, act: str) -> None:
    picture = on(flat(WHITE)) if kind == "clean" else noisy()
    plain = cutout.plain_background(pixels_of(png(picture)))
    assert plain is not None
    cut = cutout.without_background(pixels_of(png(picture)), plain, enclosed=act == ENCLOSED)
    true = np.asarray(ring_and_bar()) / 255
    if act == BACKGROUND:
        true = np.where(hole(), 1.0, true)
    away = np.abs(cut[:, :, 3] / 255 - true)
    assert (away > 0.5).mean() < 0.01
    assert away.mean() < (0.002 if kind == "clean" else 0.01), "edges are as soft as they were drawn"


@pytest.mark.parametrize("ground", [BLACK, CREAM, Colour(46, 94, 78)])
def test_on_another_ground_it_looks_as_if_it_had_been_drawn_there(ground: Colour) -> None:
    done = mended(png(on(flat(WHITE))), "png", ENCLOSED)
    placed = Image.new("RGBA", (done.width, done.height), (*ground, 255))
    placed.alpha_composite(Image.open(BytesIO(done.data)))
    box = Image.eval(ring_and_bar(), lambda level: 255 * (level > 16)).getbbox()
    wanted = np.asarray(on(flat(ground)).crop(box), dtype=float)
    got = np.asarray(placed.convert("RGB"), dtype=float)
    assert got.shape == wanted.shape, "trimmed to its marks"
    assert np.abs(got - wanted).max() < 24, "no fringe of the old background"


def test_room_round_the_marks_is_trimmed_and_then_none_is_left() -> None:
    see_through = Image.new("RGBA", (WIDTH, HEIGHT))
    see_through.paste((*INDIGO, 255), mask=ring_and_bar())
    done = mended(png(see_through), "png", TRIM)
    assert (done.width, done.height) == (250, 120)
    assert read_logo(done.data, "png").room == 0


def test_room_within_a_plain_background_is_told_and_trimmed_with_the_background_left() -> None:
    boxed = png(on(flat(CREAM)))
    reading = read_logo(boxed, "png")
    assert (reading.background, reading.room) == (CREAM.hex, pytest.approx(1 - 120 / 200, abs=0.02))
    done = mended(boxed, "png", TRIM)
    assert (done.width, done.height) == (250, 120)
    assert tuple(pixels_of(done.data)[0, -1]) == (*CREAM, 255)
    assert read_logo(done.data, "png").room == 0


def bar(behind: Image.Image) -> bytes:
    """A mark that closes nothing in."""
    ImageDraw.Draw(behind).rectangle((80, 60, 239, 99), fill=tuple(INDIGO))
    return png(behind)


@pytest.mark.parametrize(
    ("data", "acts", "size"),
    [
        (bar(flat(WHITE)), {BACKGROUND, TRIM}, (160, 40)),
        (bar(Image.new("RGBA", (WIDTH, HEIGHT))), {TRIM}, (160, 40)),
        (png(on(flat(WHITE))), {TRIM}, (250, 120)),  # whether the hole of its ring is taken out is the owner's choice
        (png(on(flat(WHITE)).crop((40, 40, 290, 160))), set(), (250, 120)),
        (bar(flat(Colour(140, 59, 42))), set(), (WIDTH, HEIGHT)),
        (bar(flat(Colour(253, 252, 250))), {BACKGROUND, TRIM}, (160, 40)),
    ],
    ids=[
        "in a box",
        "with room round it",
        "a mark that closes some in",
        "with nothing to mend",
        "on a plate",
        "on paper",
    ],
)
def test_what_asks_for_nobodys_choice_is_done_by_itself(data: bytes, acts: set[str], size: tuple[int, int]) -> None:
    logo, done = mended_by_itself(clean_picture(data, "logo.png"))
    assert (done, (logo.width, logo.height)) == (acts, size)
    again, more = mended_by_itself(logo)
    assert (again, more) == (logo, set())


def test_a_drawing_is_mended_by_itself_and_one_that_cannot_be_stays() -> None:
    logo, done = mended_by_itself(clean_picture(SVG.encode(), "logo.svg"))
    assert (done, logo.format, logo.width, logo.height) == ({BACKGROUND, TRIM}, "svg", 240, 80)
    broken = CleanPicture(b"no picture", "png", 3, 4)
    assert mended_by_itself(broken) == (broken, set())


SVG = """<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 200"><rect width="400" height="200" fill="white"/>
<g style="stroke:none"><circle cx="120" cy="100" r="40" fill="#26346e"/><path d="M200 80h120v40H200z"/></g></svg>"""


def test_a_drawing_loses_its_lowest_shape_and_stays_a_drawing() -> None:
    clean = clean_picture(SVG.encode(), "logo.svg").data
    assert read_logo(clean, "svg").background == "#ffffff"
    done = mended(clean, "svg", BACKGROUND)
    assert b"<rect" not in done.data and b"<circle" in done.data
    reading = read_logo(done.data, "svg")
    assert not reading.background and reading.room > 0.5
    trimmed = mended(done.data, "svg", TRIM)
    assert (trimmed.format, trimmed.width, trimmed.height) == ("svg", 240, 80)
    assert read_logo(trimmed.data, "svg") == ("", False, 0)


DARK = (Colour(24, 28, 40), Colour(46, 58, 70))
LIGHT = (WHITE, CREAM)
several = st.lists(st.tuples(*[st.integers(0, 255)] * 3), min_size=2, max_size=5, unique=True)


@settings(max_examples=12, deadline=None)
@given(several, st.sampled_from([DARK, LIGHT]))
def test_every_mark_of_a_version_stands_out_from_its_grounds(
    colours: list[tuple[int, int, int]], grounds: tuple[Colour, ...]
) -> None:
    picture = Image.new("RGBA", (20 * len(colours), 20))
    for number, colour in enumerate(colours):
        picture.paste((*colour, 255), (20 * number, 2, 20 * number + 18, 18))
    done = pixels_of(version(png(picture), "png", grounds, WHITE if grounds == DARK else BLACK).data)
    marks = {Colour(*map(int, pixel[:3])) for pixel in done.reshape(-1, 4) if pixel[3]}
    assert all(ratio(mark, ground) >= EDGE for mark in marks for ground in grounds)


def test_what_stands_out_already_keeps_its_colour() -> None:
    picture = Image.new("RGBA", (40, 20), (255, 214, 90, 255))
    picture.paste((10, 20, 60, 255), (0, 0, 20, 20))
    done = pixels_of(version(png(picture), "png", DARK, WHITE).data)
    assert tuple(done[10, 30, :3]) == (255, 214, 90)
    assert tuple(done[10, 10, :3]) != (10, 20, 60)


def test_a_drawing_of_one_colour_takes_the_ink_and_keeps_what_is_no_colour() -> None:
    drawing = (
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 90 60"><style>.a{fill:none;stroke:#111}</style>'
        '<defs><linearGradient id="g"><stop stop-color="#101010"/></linearGradient></defs>'
        '<path class="a" d="M5 5h30"/><path d="M0 20h90v10H0z"/><path fill="url(#g)" d="M0 40h90v10H0z"/></svg>'
    )
    clean = clean_picture(drawing.encode(), "logo.svg").data
    done = version(clean, "svg", DARK, CREAM)
    text = done.data.decode()
    assert "fill:none" in text and "url(#g)" in text and "#111" not in text
    assert text.count(CREAM.hex) == 3, "the stroke, the gradient’s stop, the black of the shape that names none"
    assert all(contrast_of_marks(done.data, "svg", ground) >= EDGE for ground in DARK)
