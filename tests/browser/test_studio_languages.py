"""The studio in another language, picked by the reader; from the right, what is drawn keeps its sides."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page

from tests.browser.hands import expect, ready
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]


def test_arabic_is_picked_then_the_desk_is_widened_and_a_colour_set_from_the_right(bench: Page, demo: Site) -> None:
    bench.goto(bench.url.replace("saltmarsh/palette/", ""))
    bench.get_by_label("Language of the studio").select_option("ar")
    bench.get_by_role("button", name="Change").click()
    expect(bench.locator("html")).to_have_attribute("dir", "rtl")
    bench.goto(f"{bench.url}saltmarsh/palette/")
    ready(bench)
    desk, windows = bench.locator(".desk-frame").bounding_box(), bench.locator("#twin-windows").bounding_box()
    assert desk and windows
    assert desk["x"] >= windows["x"] + windows["width"] - 1, "the desk begins the line: it stands at the right"
    edge = bench.locator("[data-edge='desk']")
    edge.focus()
    bench.keyboard.press("Shift+ArrowLeft")
    widened = bench.locator(".desk-frame").bounding_box()
    assert widened
    assert widened["width"] == desk["width"] + 100
    wide, phone = bench.locator(".pane-wide").bounding_box(), bench.locator(".pane-phone").bounding_box()
    label = bench.locator("#wide-label").bounding_box()
    assert wide and phone and label
    assert wide["x"] - 1 <= label["x"] <= wide["x"] + wide["width"], "each label stands above its window"
    assert bench.evaluate("document.documentElement.scrollWidth <= innerWidth")
    field = bench.locator("#hex-code")
    field.fill("#335577")
    field.press("Enter")
    expect(bench.locator("#kept")).to_contain_text("#335577")
    assert "#335577" in sites.document(Site.objects.get(pk=demo.pk)).model_dump_json()
    said = bench.locator("#kept").inner_text()
    assert any("\u0600" <= letter <= "\u06ff" for letter in said), said
