"""With colours forced by the system, what is chosen, set or needs a look is still seen: by pixels."""

from __future__ import annotations

from io import BytesIO

import pytest
from PIL import Image
from playwright.sync_api import Page

from tests.browser.hands import follow, ready, shot

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True), pytest.mark.opens("header/")]


def grey(page: Page, selector: str, across: float = 0.5, down: float = 0.66) -> int:
    """How light the first of these that is seen is, at shares of its width and height."""
    picture = Image.open(BytesIO(shot(page.locator(selector).locator("visible=true").first))).convert("L")
    return int(picture.getpixel((round(across * (picture.width - 1)), round(down * (picture.height - 1)))))


def test_marks_and_choices_are_seen(bench: Page) -> None:
    bench.emulate_media(forced_colors="active")
    canvas = grey(bench, "#desk", 0.01, 0.01)
    assert abs(grey(bench, ".chapters .dot") - canvas) > 90, "set by you"
    chosen, other = (grey(bench, f".segment input{which} + span", 0.1, 0.2) for which in (":checked", ":not(:checked)"))
    assert abs(chosen - other) > 90, "which one is chosen"
    follow(bench, "/sites/saltmarsh/proof/")
    ready(bench)
    assert abs(grey(bench, ".triangle") - canvas) > 90, "needs a look"
    assert abs(grey(bench, ".chapters a[aria-current]", 0.5, 0.97) - canvas) > 90, "the chapter one is in"
