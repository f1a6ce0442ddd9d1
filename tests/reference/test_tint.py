"""The least tint over a picture against trying every opacity, and against Chromium's own pixels."""

from __future__ import annotations

import base64
from io import BytesIO
from math import ceil

import pytest
from PIL import Image
from playwright.sync_api import Browser

from tests.browser.hands import shot
from tests.reference.tinting import HEIGHT, PICTURES, WIDTHS, by_trying, cells, picture, shown, unread
from tests.sampling import some
from yemba.core.colour.srgb import from_hex
from yemba.core.picture.tint import Ink, least_in_box

PAPER, BOTTLE = from_hex("#f5f0e4"), from_hex("#22302e")
FOCAL = (30, 60)
SIDES = {"dark on light": (PAPER, BOTTLE), "light on dark": (BOTTLE, PAPER)}


@pytest.mark.parametrize("name", some(list(PICTURES), 2))
@pytest.mark.parametrize("side", SIDES)
def test_the_least_tint_is_that_of_trying_them_all(name: str, side: str) -> None:
    """Brute force: every hundredth from 100 % down, on the crop as CSS Images 3 makes it."""
    data = picture(name)
    tint, ink = SIDES[side]
    for width in some(WIDTHS, 2):
        ours = least_in_box(data, tint, (Ink(ink, 4.5),), FOCAL, (width, HEIGHT))
        assert ours == pytest.approx(by_trying(shown(data, width, FOCAL), tint, ink, 4.5), abs=0.0101), width


@pytest.mark.tools
@pytest.mark.parametrize("name", some(list(PICTURES), 3))
def test_chromiums_pixels_read_at_that_tint_and_not_below(browser: Browser, name: str) -> None:
    """Source: a count of the pixels of Chromium's screenshot, averaged over squares of an x-height; at the whole per
    cent that is offered, and 5 % below it."""
    data, ink = picture(name), BOTTLE
    source = base64.b64encode(data).decode()
    for width in WIDTHS:
        least = ceil(100 * least_in_box(data, PAPER, (Ink(ink, 4.5),), FOCAL, (width, HEIGHT))) / 100
        assert least > 0.05, "the picture needs a tint"
        page = browser.new_page(viewport={"width": width, "height": HEIGHT})
        for opacity, passes in ((least, True), (least - 0.05, False)):
            page.set_content(
                f"<style>body {{ margin: 0 }} div {{ position: absolute; inset: 0 }} img {{ width: 100%; height: 100%;"
                f" object-fit: cover; object-position: {FOCAL[0]}% {FOCAL[1]}% }} .tint {{ background: {PAPER.hex};"
                f" opacity: {opacity} }}</style><div><img src='data:image/jpeg;base64,{source}'></div>"
                "<div class='tint'></div>"
            )
            page.evaluate("document.images[0].decode()")
            seen = cells(Image.open(BytesIO(shot(page))))
            wrong = unread(seen, ink, 4.5, dark_ink=True)
            assert (wrong <= 4) if passes else (wrong > 4), f"{width} px, {opacity:.3f}: {wrong} squares"
        page.close()
