"""With colours forced by the system, what is chosen, set or needs a look is still seen: by pixels."""

from __future__ import annotations

from io import BytesIO

import pytest
from PIL import Image
from playwright.sync_api import Browser, Page

from tests.browser.hands import ready, shot
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
Colour = tuple[int, int, int]


def middle(page: Page, selector: str) -> Colour:
    """The pixel in the middle of the first of these that is seen."""
    taken = shot(page.locator(selector).locator("visible=true").first)
    picture = Image.open(BytesIO(taken)).convert("RGB")
    pixel = picture.getpixel((picture.width // 2, 2 * picture.height // 3))
    assert isinstance(pixel, tuple)
    return pixel[:3]  # type: ignore[return-value]


def apart(one: Colour, other: Colour) -> bool:
    return max(abs(a - b) for a, b in zip(one, other, strict=True)) > 90


def test_marks_and_choices_are_seen(browser: Browser, live_server, demo: Site) -> None:
    context = browser.new_context(viewport={"width": 1280, "height": 800}, forced_colors="active")
    page = context.new_page()
    studio = f"http://localhost:{live_server.url.rpartition(':')[2]}"
    page.goto(studio)
    page.get_by_role("button", name="Enter the demo as Ines").click()
    page.goto(f"{studio}/sites/saltmarsh/header/")
    ready(page)
    canvas = middle(page, ".lede")
    canvas = Image.open(BytesIO(shot(page.locator("#desk")))).convert("RGB").getpixel((3, 3))  # type: ignore[assignment]
    assert apart(middle(page, ".chapters .dot"), canvas), "set by you"
    chosen, other = (
        Image.open(BytesIO(shot(page.locator(f".segment {which} + span").first))).convert("RGB").getpixel((4, 6))
        for which in (":checked", "input:not(:checked)")
    )
    assert apart(chosen, other), "which one is chosen"  # type: ignore[arg-type]
    page.goto(f"{studio}/sites/saltmarsh/proof/")
    ready(page)
    assert apart(middle(page, ".triangle"), canvas), "needs a look"
    current = shot(page.locator(".chapters a[aria-current]"))
    line = Image.open(BytesIO(current)).convert("RGB")
    assert apart(line.getpixel((20, line.height - 2)), canvas), "the chapter one is in"  # type: ignore[arg-type]
    context.close()
