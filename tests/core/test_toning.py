"""The colours that a picture is shown in."""

from __future__ import annotations

from io import BytesIO

import numpy as np
import pytest
from PIL import Image

from yemba.core.colour.srgb import from_hex
from yemba.core.picture.drawing import drawn
from yemba.core.picture.filters import DUOTONE, FILTERS, GREY, NONE, SOFT
from yemba.core.picture.framing import Framing
from yemba.core.picture.rendition import Rendition
from yemba.core.picture.sizes import resized
from yemba.core.picture.toning import AS_IT_IS, Toning

INK, PAPER, RED = from_hex("#14303a"), from_hex("#f2e6c8"), from_hex("#a03020")
BANDS = (
    '<svg xmlns="http://www.w3.org/2000/svg" width="120" height="80">'
    '<rect width="40" height="80" fill="#c04020"/><rect x="40" width="40" height="80" fill="#e8e0c0"/></svg>'
)
"""Red, pale, and nothing."""
TONINGS = [
    *(Toning(slug, INK, PAPER) for slug in FILTERS if slug != NONE),
    Toning(NONE, tint=RED, strength=0.4),
    Toning(GREY, tint=RED, strength=0.5),
    Toning(DUOTONE, INK, PAPER, RED, 0.25),
]


def _pixels(data: bytes) -> np.ndarray:
    with Image.open(BytesIO(data)) as opened:
        return np.asarray(opened.convert("RGBA"), dtype=np.int64)


@pytest.mark.parametrize("toning", TONINGS)
def test_a_drawing_gets_the_colours_that_pixels_get(toning: Toning) -> None:
    of_pixels = np.asarray(toning.image(Image.open(BytesIO(drawn(BANDS, 120)))).convert("RGBA"), dtype=np.int64)
    toned = Rendition(toning=toning).apply(BANDS.encode(), "svg", 120, 80)
    of_drawing = _pixels(drawn(toned.decode(), 120))
    middles = of_pixels[40, [20, 60, 100]], of_drawing[40, [20, 60, 100]]
    assert np.abs(middles[0] - middles[1])[:2].max() <= 2, "eight-bit steps"
    assert middles[0][2][3] == middles[1][2][3] == 0, "what is see-through stays so"


def test_every_size_of_a_picture_is_as_soft() -> None:
    out = BytesIO()
    Image.fromarray(np.repeat([[0] * 400 + [255] * 400], 100, axis=0).astype(np.uint8)).convert("RGB").save(out, "PNG")
    soft = Rendition(toning=Toning(SOFT))
    large, small = (_pixels(resized(out.getvalue(), width, "png", soft))[0, :, 0] for width in (800, 200))
    half_way = [np.count_nonzero((row > 20) & (row < 235)) / len(row) for row in (large, small)]
    assert half_way[0] == pytest.approx(half_way[1], abs=0.01)


def test_files_are_known_by_what_is_seen_of_them() -> None:
    mirrored = Framing(mirror=True)
    assert Rendition(mirrored).mark == mirrored.mark, "one that is not toned keeps its name"
    assert Rendition().mark == AS_IT_IS.mark == Toning(tint=RED).mark == ""
    assert Toning(GREY, INK, PAPER).mark == Toning(GREY, PAPER, INK).mark, "no other picture"
    marks = [Rendition(framing, toning).mark for framing in (Framing(), mirrored) for toning in TONINGS]
    assert len(set(marks)) == len(marks)
