"""A class typed as its owner says it, one of its dates cancelled, seen by visitors; past ones leave by themselves."""

from __future__ import annotations

from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

import pytest
from freezegun import freeze_time
from playwright.sync_api import Browser, Page

from tests.browser.hands import expect, kept
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]


@pytest.mark.at_length
@pytest.mark.opens("pages/?page=classes&section=c-dates")
def test_a_class_every_second_saturday_one_cancelled_seen_live(
    bench: Page, browser: Browser, demo: Site, live_server
) -> None:
    bench.locator("#item-d0 > details > summary").click()
    phrase = bench.locator("#when-d0")
    phrase.press_sequentially("every second Saturday 10-13 until the end of June")
    expect(bench.locator("#item-d0 .readings")).to_contain_text("This can mean 2 things")
    expect(bench.locator("#item-d0 .reading").nth(1)).to_contain_text("The second Saturday of every month")
    bench.locator("#item-d0 .reading").first.get_by_role("button", name="This is meant").click()
    kept(bench, "Every two weeks on Saturday, 10:00–13:00")
    expect(phrase).to_have_value("")
    expect(bench.locator("#when-says-d0")).to_contain_text("Every two weeks on Saturday")
    expect(bench.locator("#when-says-d0")).to_be_focused()
    bench.locator("#words-d0-title").fill("Paste papers, all winter")
    bench.locator("#words-d0-title").press("Tab")
    kept(bench, "Paste papers, all winter")
    expect(bench.locator("#item-d0 summary").first).to_have_text("Paste papers, all winter")
    expect(phrase).to_be_visible()  # its fold has other words now, and stays open
    bench.route("**/when/?*", lambda route: (bench.wait_for_timeout(600), route.continue_()))  # a slow line
    phrase.fill("every Saturday")
    phrase.fill("every Sunday")
    expect(bench.locator("#item-d0 .readings")).to_have_js_property("inert", True)  # of what stood there before
    expect(bench.locator("#item-d0 .readings")).to_contain_text("Every Sunday")
    expect(bench.locator("#item-d0 .readings")).to_have_js_property("inert", False)
    bench.unroute("**/when/?*")
    phrase.fill("every Saturday at christmas")
    expect(bench.locator("#item-d0 .readings")).to_contain_text("“christmas” is not understood")
    bench.locator("#coming-d0 summary").click()
    second = bench.locator("#coming-d0 select").nth(1)
    second.select_option("cancelled")
    kept(bench, "cancelled")
    expect(bench.locator("#coming-d0")).to_have_attribute("open", "")  # the fold one works in stays open
    expect(phrase).to_have_value("every Saturday at christmas")
    hosting.publish(Site.objects.get(pk=demo.pk))
    port = live_server.url.rpartition(":")[2]
    page = browser.new_page()
    page.goto(f"http://{demo.slug}.localhost:{port}/classes/")
    off = page.locator(".kind-dates .is-off").first
    expect(off).to_contain_text("Paste papers")
    expect(off.locator(".state")).to_have_text("Cancelled")
    with page.expect_download() as download:
        page.locator(".item", has_text="Paste papers").locator("a.keep").first.click()
    assert "STATUS:CANCELLED" in download.value.path().read_text()
    page.close()


def test_a_date_leaves_the_live_page_when_it_is_over(demo: Site, client) -> None:
    """At the end of the day in the time zone of the site, without another edition."""
    zone = ZoneInfo("Europe/London")
    day = datetime.now(zone).replace(hour=12, minute=0, second=0, microsecond=0) + timedelta(days=1)

    fields = {"title": "Low tide walk", "day": f"{day:%Y-%m-%d}", "begins": "10:00", "ends": "12:30"}
    for field, words in fields.items():
        about = {"section": "c-dates", "item": "d4", "field": field, "words": words}
        sites.edit(Site.objects.get(pk=demo.pk), "set-words", about)
    edition = hosting.publish(Site.objects.get(pk=demo.pk))
    host = f"{demo.slug}.localhost"
    before = client.get("/classes/", SERVER_NAME=host)
    assert b"Low tide walk" in before.content
    with freeze_time(day + timedelta(minutes=29)):
        assert b"Low tide walk" in client.get("/classes/", SERVER_NAME=host).content
    with freeze_time(day + timedelta(minutes=31)):
        after = client.get("/classes/", SERVER_NAME=host)
        assert b"Low tide walk" not in after.content
        assert after["ETag"] != before["ETag"]
        assert client.get("/classes/", SERVER_NAME=host, headers={"If-None-Match": after["ETag"]}).status_code == 304
        assert client.get("/vouchers/", SERVER_NAME=host).status_code == 200
    assert hosting.live_edition(Site.objects.get(pk=demo.pk)) == edition


def test_reading_needs_no_script(demo: Site, client) -> None:
    client.force_login(demo.owner, backend="django.contrib.auth.backends.ModelBackend")
    query = "?page=classes&section=c-dates&item=d0&phrase=every+Saturday+10-13"
    page = client.get(f"/sites/{demo.slug}/pages/{query}").content.decode()
    assert "Every Saturday, 10:00–13:00" in page
