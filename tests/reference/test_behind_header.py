"""Gradients and filters as they are worked out, against the pixels of a browser.

Source: Chromium’s own drawing (CSS Color 4 interpolation in OKLCH, CSS Filter Effects 1, Compositing 1).
"""

from __future__ import annotations

import base64
from io import BytesIO

import numpy as np
import pytest
from PIL import Image
from playwright.sync_api import Browser

from tests.browser.hands import shot
from yemba.core.colour.gradient import laid_over, points, steps
from yemba.core.colour.srgb import Colour, from_hex
from yemba.core.picture.drawing import drawn
from yemba.core.picture.filters import FILTERS, NONE, SOFT, filtered
from yemba.core.picture.rendition import Rendition
from yemba.core.picture.toning import Toning
from yemba.render.style import skeleton
from yemba.render.tags import backdrop

pytestmark = pytest.mark.browser
WIDE = 1000
STOPS = [
    ("#8c3b2a", "#d9a441"),
    ("#2f5f8a", "#e7dfcf", "#8c3b2a"),
    ("#ff0000", "#00ff00"),
    ("#777777", "#0044ff"),
    ("#ffffff", "#000000"),
    ("#ff00aa", "#ffaa00"),
]


def pixels(browser: Browser, markup: str, width: int = WIDE, height: int = 4) -> np.ndarray:
    page = browser.new_page(viewport={"width": width, "height": height})
    page.set_content(f'<!doctype html><body style="margin:0">{markup}')
    picture = Image.open(BytesIO(shot(page))).convert("RGB")
    page.close()
    return np.asarray(picture, dtype=np.int64)


@pytest.mark.parametrize("stops", STOPS)
@pytest.mark.parametrize("tint", [0, 40])
def test_a_gradient_has_the_colours_that_a_browser_draws(browser: Browser, stops: tuple[str, ...], tint: int) -> None:
    over = f"linear-gradient(rgb(250 246 236 / {tint}%), rgb(250 246 236 / {tint}%))"
    colours = list(map(from_hex, stops))
    drawn = f"background: {over}, linear-gradient(to right, {', '.join(one.hex for one in steps(colours))})"
    seen = pixels(browser, f'<div style="height:4px;{drawn}"></div>')[1]
    worked_out = [laid_over(one, Colour(250, 246, 236), tint / 100) for one in points(colours, WIDE)]
    off = np.abs(seen - np.array(worked_out)).max(axis=1)
    assert off.max() <= 2, "eight-bit steps"


@pytest.mark.parametrize("stops", [pair for pair in STOPS if "#777777" not in pair and len(pair) == 2])
def test_its_steps_follow_what_a_browser_interpolates_in_oklch(browser: Browser, stops: tuple[str, ...]) -> None:
    """Greys between colours left out, to which Chromium gives a hue by the last bits of its sums."""
    seen = pixels(
        browser, f'<div style="height:4px;background:linear-gradient(in oklch to right, {", ".join(stops)})"></div>'
    )
    off = np.abs(seen[1] - np.array(points(list(map(from_hex, stops)), WIDE))).max(axis=1)
    assert np.percentile(off, 95) <= 4


def picture() -> bytes:
    across, down = np.meshgrid(np.linspace(0, 255, 240), np.linspace(0, 255, 160))
    made = np.stack([across, down, 255 - across], axis=-1).astype(np.uint8)
    out = BytesIO()
    Image.fromarray(made).save(out, "PNG")
    return out.getvalue()


@pytest.mark.parametrize("tile", [None, (240, 160)])
@pytest.mark.parametrize("name", [slug for slug in FILTERS if slug != NONE])
def test_a_filter_gives_the_pixels_that_a_browser_draws(
    browser: Browser, name: str, tile: tuple[float, float] | None
) -> None:
    data = picture()
    url = f"data:image/png;base64,{base64.b64encode(data).decode()}"
    image = {"src": url, "sources": [], "width": 240, "height": 160, "at": "", "largest": url}
    markup = (
        f"<style>:root {{ --duotone-dark: #14303a; --duotone-light: #f2e6c8; }} {skeleton('owner.css')}"
        ".backdrop, .backdrop img { display: block; width: 240px; height: 160px; }</style>"
        f'<header class="filter-{name}">{backdrop(image, tile=tile, name="x")}</header>'
    )
    seen = pixels(browser, markup, 240, 160)
    with Image.open(BytesIO(filtered(data, name, from_hex("#14303a"), from_hex("#f2e6c8")))) as opened:
        worked_out = np.asarray(opened.convert("RGB"), dtype=np.int64)
    edge = 14 if name == SOFT else 0  # beyond its edge a browser blurs with what is see-through
    inner = (slice(edge, 160 - edge), slice(edge, 240 - edge))
    assert np.abs(seen[inner] - worked_out[inner]).max() <= (6 if name == SOFT else 3)


BANDS = (
    '<svg xmlns="http://www.w3.org/2000/svg" width="240" height="160"><rect width="120" height="160" fill="#c04020"/>'
    '<rect x="120" width="120" height="80" fill="#e8e0c0"/></svg>'
)
"""Red, pale, and nothing."""


@pytest.mark.parametrize("name", FILTERS)
@pytest.mark.parametrize("tint", [0, 0.4])
def test_a_toned_drawing_has_the_colours_that_a_browser_draws(browser: Browser, name: str, tint: float) -> None:
    toning = Toning(name, from_hex("#14303a"), from_hex("#f2e6c8"), from_hex("#2f5f8a"), tint)
    toned = Rendition(toning=toning).apply(BANDS.encode(), "svg", 240, 160)
    url = f"data:image/svg+xml;base64,{base64.b64encode(toned).decode()}"
    seen = pixels(browser, f'<img style="display:block" src="{url}">', 240, 160)
    plain = Image.open(BytesIO(drawn(BANDS, 240)))
    worked_out = np.asarray(toning.image(plain).convert("RGBA"), dtype=np.int64)
    for x, y in ((60, 80), (180, 40)):
        assert np.abs(seen[y, x] - worked_out[y, x][:3]).max() <= 2, "eight-bit steps"
    assert list(seen[120, 180]) == [255, 255, 255], "what is see-through stays so"
