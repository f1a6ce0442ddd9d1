"""A second language: of a site, said and switched to by a visitor; of the studio, from the right, where drawings keep their sides."""

from __future__ import annotations

import pytest
from playwright.sync_api import Browser, Page

from tests.browser.hands import eventually, expect, kept, ready, write
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]


@pytest.mark.opens("pages/")
def test_a_second_language_is_added_said_and_switched_to(
    bench: Page, browser: Browser, demo: Site, live_server
) -> None:
    bench.locator("#to-languages").click()
    bench.locator("#language-new").select_option("de")
    bench.get_by_role("button", name="Add language").click()
    kept(bench, "The site in German too")
    bench.locator("#say-de-tagline").fill("Bücher, in der Tide Row geheftet")
    bench.locator("#say-de-tagline").press("Tab")
    kept(bench, "Tagline in German")
    bench.get_by_role("button", name="Make Classes in German").click()
    kept(bench, "Page Classes in German")
    expect(bench.locator("#desk h2").first).to_have_text("Classes")
    eventually(bench, "document.documentElement.lang === 'de'")
    write(bench, ".kind-dates .title", "Kurse in diesem Winter")
    kept(bench, "Kurse in diesem Winter")
    bench.get_by_role("link", name="English, British").click()
    eventually(bench, "document.documentElement.lang === 'en-GB'")
    expect(bench.locator("#page-shown")).to_have_value("classes")
    hosting.publish(Site.objects.get(pk=demo.pk))
    visitor, port = browser.new_page(), live_server.url.rpartition(":")[2]
    visitor.goto(f"http://{demo.slug}.localhost:{port}/classes/")
    visitor.get_by_role("link", name="Deutsch").first.click()
    expect(visitor.locator("h1")).to_have_text("Kurse in diesem Winter")
    expect(visitor.locator("html")).to_have_attribute("lang", "de")
    expect(visitor.locator(".kind-dates")).to_contain_text("Alle Termine für Ihren Kalender")
    visitor.get_by_role("link", name="English").first.click()
    expect(visitor).to_have_url(f"http://{demo.slug}.localhost:{port}/classes/")
    visitor.goto(f"http://{demo.slug}.localhost:{port}/repairs-and-prices/")
    visitor.get_by_role("link", name="Deutsch").first.click()
    expect(visitor).to_have_url(f"http://{demo.slug}.localhost:{port}/de/")  # it has no German version
    visitor.close()


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
