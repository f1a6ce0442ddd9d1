"""A second language added to a site, a page said in it, and the switch used by a visitor."""

from __future__ import annotations

import pytest
from playwright.sync_api import Browser, Page

from tests.browser.hands import eventually, expect, kept, write
from yemba.hosting import services as hosting
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
