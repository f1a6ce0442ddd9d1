"""A logo in a white box, from a friend: mended by what the desk offers, then live in the header and the footer."""

from __future__ import annotations

from io import BytesIO

import pytest
from PIL import Image
from playwright.sync_api import Page

from tests.browser.hands import chapter, eventually, expect, frames, kept, shot, view
from tests.browser.test_errand import publish
from tests.core.test_logo import WHITE, flat, on, png

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
DRAWN = "document.querySelector('.site-title img').naturalWidth"


def colours_in(page: Page, selector: str) -> set[tuple[int, int, int]]:
    """What stands on the screen there, each channel in steps of 32."""
    picture = Image.open(BytesIO(shot(page.locator(selector)))).convert("RGB")
    return {tuple(channel // 32 for channel in colour) for _, colour in picture.getcolors(1 << 20)}


@pytest.mark.at_length
def test_a_logo_in_a_white_box_is_mended_and_goes_live(bench: Page) -> None:
    chapter(bench, "Logo")
    file = {"name": "from-a-friend.png", "mimeType": "image/png", "buffer": png(on(flat(WHITE)))}
    bench.locator("#logo-file-file").set_input_files(file)
    findings = bench.get_by_role("list", name="What would be better about the logo")
    expect(findings).to_contain_text("shows as a box in the header")
    findings.get_by_role("button", name="Take it out there too").click()
    kept(bench, "without its background, within its marks too")
    expect(findings).to_have_count(0)
    expect(bench.locator(".logo-grounds")).to_contain_text("Light · header")
    eventually(bench, f"{DRAWN} > 0 && !!document.querySelector('.site-title img[src*=assets]')")

    chapter(bench, "Header")
    view(bench, "Surface")
    bench.locator("[id='header.ground'] input[value=dark]").check(force=True)
    kept(bench, "Header ground")
    chapter(bench, "Logo")
    findings.get_by_role("button", name="Make a light version for it").click()
    kept(bench, "Light version of the logo")
    expect(findings).to_have_count(0)
    sources = [frame.locator(".site-title img").get_attribute("src") for frame in frames(bench)]

    chapter(bench, "Footer")
    bench.get_by_label("The logo, or the name, above it").check()
    kept(bench, "Logo in the footer")
    eventually(bench, "!!document.querySelector('.footer-logo img')")
    publish(bench)

    bench.goto(bench.url.replace("localhost", "saltmarsh.localhost").split("/sites/")[0] + "/")
    live = bench.locator(".site-title img")
    assert str(live.get_attribute("src")).split("/")[-1].split(".")[0] in str(sources)
    assert (7, 7, 7) in colours_in(bench, ".site-title") or (7, 7, 6) in colours_in(bench, ".site-title"), "light marks"
    assert bench.locator(".footer-logo img").get_attribute("alt") == "Saltmarsh Bindery"
