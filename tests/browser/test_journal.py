"""A post written, tagged and published; a calendar elsewhere followed: each as its owner's hands do it."""

from __future__ import annotations

from datetime import timedelta

import pytest
from django.utils import timezone
from playwright.sync_api import Browser, Page

from tests.browser.hands import expect, kept, write
from yemba.hosting import feeds
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]


@pytest.mark.at_length
@pytest.mark.opens("pages/")
def test_a_post_is_written_tagged_published_and_read(bench: Page, browser: Browser, demo: Site, live_server) -> None:
    bench.locator("#to-journal").click()
    expect(bench.locator(".posts li")).to_have_count(6)
    bench.get_by_placeholder("A new post").fill("Salt on the boards")
    bench.keyboard.press("Enter")
    kept(bench, "Post Salt on the boards added")
    expect(bench.locator("#desk h2").first).to_have_text("Salt on the boards")
    write(bench, ".kind-post .title", "Salt on the boards, and what it does")
    kept(bench, "title “Salt on the boards")
    bench.get_by_text("Day and tags", exact=True).click()
    bench.locator("#page-tags").fill("repairs, Weather")
    bench.locator("#page-tags").press("Tab")
    kept(bench, "tagged repairs, Weather")
    expect(bench.locator("#page-tags")).to_have_value("Repairs, Weather")  # as the others spell it, its fold still open
    hosting.publish(Site.objects.get(pk=demo.pk))
    visitor, port = browser.new_page(), live_server.url.rpartition(":")[2]
    visitor.goto(f"http://{demo.slug}.localhost:{port}/journal/")
    expect(visitor.locator(".kind-excerpts .name").first).to_have_text("Salt on the boards, and what it does")
    visitor.locator(".ways").get_by_role("link", name="Weather").click()
    expect(visitor.locator("h1")).to_have_text("Posts on Weather")
    visitor.locator(".name a").click()
    expect(visitor.locator("h1")).to_have_text("Salt on the boards, and what it does")
    visitor.get_by_role("link", name="A logbook from the lightship").click()
    expect(visitor.get_by_role("link", name="Salt on the boards, and what it does")).to_have_attribute("rel", "next")
    address = visitor.locator("link[type='application/atom+xml']").get_attribute("href")
    assert address
    feed = str(visitor.evaluate("address => fetch(address).then((answer) => answer.text())", address))
    assert "Salt on the boards, and what it does" in feed
    visitor.close()


@pytest.mark.at_length
@pytest.mark.opens("pages/?page=classes&section=c-dates")
def test_a_calendar_elsewhere_is_followed(bench: Page, browser: Browser, demo: Site, live_server) -> None:
    port = live_server.url.rpartition(":")[2]
    address = bench.locator("#words-feed")
    address.fill("http://10.0.0.1/concerts.ics")
    address.press("Enter")
    expect(bench.locator("#calendar-feed .fault")).to_contain_text("inner network")
    expect(address).to_have_value("http://10.0.0.1/concerts.ics")
    address.fill(f"http://feeds.localhost:{port}/concerts.ics")
    bench.get_by_role("button", name="Show its dates").click()
    expect(bench.locator("#desk")).to_contain_text("4 dates in it, fetched just now")
    hosting.publish(Site.objects.get(pk=demo.pk))
    elsewhere, visitor = browser.new_page(), browser.new_page()
    elsewhere.goto(f"http://feeds.localhost:{port}/")
    text = elsewhere.locator("textarea").input_value()
    elsewhere.locator("textarea").fill(text.replace("Low Songs", "Lightship Songs"))
    elsewhere.get_by_role("button", name="Keep").click()
    feeds.refresh(timezone.now() + timedelta(hours=1))
    visitor.goto(f"http://{demo.slug}.localhost:{port}/classes/")
    expect(visitor.locator(".kind-dates")).to_contain_text("Low Songs")  # its moment is in an hour
    feeds.feed_changed(f"http://feeds.localhost:{port}/concerts.ics", timezone.now())
    visitor.reload()
    expect(visitor.locator(".kind-dates")).to_contain_text("Lightship Songs")
    assert sites.document(Site.objects.get(pk=demo.pk)).section("c-dates").section.fields["feed"]
    for page in (elsewhere, visitor):
        page.close()
