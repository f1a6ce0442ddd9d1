"""A stranger's first evening: from the front page to a live site of her trade, with a logo, and once without script."""

from __future__ import annotations

from io import BytesIO

import pytest
from django.contrib.sessions.models import Session
from PIL import Image, ImageDraw
from playwright.sync_api import Browser, Locator, Page

from tests.browser.hands import eventually, expect, frames, kept, style, until, write
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
MOST = 20  # clicks and fields from the front page to the live one
TEXTS = {
    ".kind-opening h1": "Warm stoves, clean hands",
    ".kind-words-with-picture h2": "Sheets down, soot out",
    ".kind-offers h2": "Three reasons to call",
}


class Hands:
    """Clicks and fields, counted."""

    def __init__(self, page: Page) -> None:
        self.page = page
        self.done = 0

    def click(self, what: Locator) -> None:
        self.done += 1
        what.click()

    def fill(self, label: str, words: str) -> None:
        self.done += 1
        self.page.get_by_label(label).fill(words)

    def choose(self, selector: str, name: str, data: bytes) -> None:
        self.done += 1
        self.page.locator(selector).set_input_files({"name": name, "mimeType": "image/png", "buffer": data})

    def write(self, selector: str, words: str) -> None:
        self.done += 2
        write(self.page, selector, words)
        kept(self.page, words)


def logo() -> bytes:
    picture, out = Image.new("RGBA", (240, 240), (0, 0, 0, 0)), BytesIO()
    ImageDraw.Draw(picture).ellipse((20, 20, 220, 220), outline=(31, 94, 90, 255), width=18)
    picture.save(out, "PNG")
    return out.getvalue()


def sign_up(hands: Hands, port: str) -> None:
    page = hands.page
    page.goto(f"http://localhost:{port}/")
    hands.click(page.get_by_role("link", name="Start a site"))
    for label, typed in (("Name", "Tomasz"), ("Mail address", "t@flue.example"), ("Password", "tide-row-four")):
        hands.fill(label, typed)
    hands.click(page.get_by_role("button", name="Sign up and start a site"))


@pytest.mark.at_length
def test_a_stranger_has_a_live_site_of_her_trade_within_twenty_acts(page: Page, browser: Browser, live_server) -> None:
    port = live_server.url.rpartition(":")[2]
    hands = Hands(page)
    sign_up(hands, port)
    hands.fill("What is it called?", "Brush & Flue")
    hands.fill("What do you do?", "I sweep chimneys")
    hands.choose("#field-logo", "ring.png", logo())
    hands.click(page.get_by_role("button", name="On to the pages"))
    expect(page.locator("#trade")).to_have_value("Chimney sweep")
    hands.click(page.get_by_role("button", name="See three looks"))
    expect(page.locator(".look-why").first).to_contain_text("#1f5e5a, leads as it is")
    page.wait_for_load_state("networkidle")
    looks = [frame for frame in page.frames if "/look/" in frame.url]
    assert len(looks) == 6
    until(page, "document.querySelector('h1')?.textContent.includes('clean flue')", *looks)
    hands.click(page.get_by_role("button", name="Begin with").first)
    expect(page.locator("#desk h1")).to_have_text("Pages")
    eventually(page, "!!document.querySelector('.kind-opening h1')")
    for selector, words in TEXTS.items():
        hands.write(selector, words)
    hands.click(page.locator("#chapters a[data-chapter=proof]"))
    hands.click(page.locator("#publish-button"))
    live = page.locator(".published").get_by_role("link").first
    expect(page.locator(".published")).to_contain_text("is live")
    address = str(live.get_attribute("href"))
    hands.done += 1  # the link to it
    assert hands.done <= MOST, hands.done

    stranger = browser.new_context().new_page()
    stranger.goto(address)
    for selector, words in TEXTS.items():
        expect(stranger.locator(selector)).to_contain_text(words)
    assert stranger.locator(".site-title img").evaluate("e => e.naturalWidth") > 0
    assert style(stranger, ".button", "backgroundColor") == "rgb(31, 94, 90)"
    drawing = stranger.locator(".kind-opening .show img")
    assert drawing.get_attribute("alt") == "A stove with a fire behind its glass"
    assert drawing.evaluate("e => e.complete && e.naturalWidth") > 0
    stranger.context.close()


def test_with_nothing_given_and_without_script_a_site_is_begun(browser: Browser, live_server) -> None:
    port = live_server.url.rpartition(":")[2]
    context = browser.new_context(java_script_enabled=False)
    page = context.new_page()
    hands = Hands(page)
    sign_up(hands, port)
    hands.fill("What is it called?", "Nine Goats")
    hands.click(page.get_by_role("button", name="On to the pages"))
    page.locator("#trade").select_option("Cheesemaker")
    hands.click(page.get_by_role("button", name="Take this trade"))
    page.locator("#name-cheeses").fill("Our cheeses")
    hands.click(page.get_by_role("button", name="Put in: Markets"))
    expect(page.locator("#name-cheeses")).to_have_value("Our cheeses")
    hands.click(page.get_by_role("button", name="See three looks"))
    expect(page.get_by_role("button", name="Begin with")).to_have_count(3)
    hands.click(page.get_by_role("link", name="Three others"))
    hands.click(page.get_by_role("button", name="Begin with this one: bolder"))
    expect(page.locator("#desk h1")).to_have_text("Pages")
    names = [made.name for _, made in sites.document(Site.objects.get(slug="nine-goats")).ordered_pages()]
    assert names == ["Home", "Our cheeses", "Markets", "Herd and hands"]
    context.close()


def test_what_is_typed_for_a_new_site_outlives_a_session_that_ends_and_a_line_that_is_gone(
    page: Page, live_server, demo: Site
) -> None:
    studio = f"http://localhost:{live_server.url.rpartition(':')[2]}"
    note, on = page.locator("#typed-note"), page.get_by_role("button", name="On to the pages")

    def typed() -> list[str]:
        return [page.locator(f"[name={name}]").input_value() for name in ("title", "trade", "colours")]

    def enter() -> None:
        page.get_by_role("button", name="Enter the demo").click()

    page.goto(f"{studio}/sign-in/?next=/sites/new/")
    enter()
    for name, words in (("title", "Harbour Lamps"), ("trade", "lamp maker"), ("colours", "#1e4d6b")):
        page.locator(f"[name={name}]").fill(words)
    page.get_by_label("Take bookings").check()
    page.locator("[name=logo]").set_input_files({"name": "lamp.png", "mimeType": "image/png", "buffer": logo()})
    Session.objects.all().delete()
    on.click()
    enter()
    expect(note).to_contain_text("What you had typed here is back")
    expect(note).to_contain_text("lamp.png")
    assert typed() == ["Harbour Lamps", "lamp maker", "#1e4d6b"]
    expect(page.get_by_label("Take bookings")).to_be_checked()

    page.context.set_offline(True)
    on.click()
    page.wait_for_url("chrome-error://**")
    page.context.set_offline(False)
    page.go_back()
    assert typed() == ["Harbour Lamps", "lamp maker", "#1e4d6b"]
    page.locator("[name=title]").fill("")
    on.click()
    expect(page.locator("#fault-title")).to_be_visible()
    expect(note).to_be_hidden()
    page.locator("[name=title]").fill("Quay Lamps")
    on.click()

    page.get_by_label("One more page").fill("Repairs")
    Session.objects.all().delete()
    page.get_by_role("button", name="Add it").click()
    enter()
    expect(page.get_by_label("One more page")).to_have_value("Repairs")
    page.get_by_role("button", name="Add it").click()
    expect(page.get_by_label("Name of page", exact=False).last).to_have_value("Repairs")
    expect(page.get_by_label("One more page")).to_have_value("")
    expect(note).to_be_hidden()
    page.goto(f"{studio}/sites/new/")
    assert typed() == ["", "", ""]
    page.locator("[name=title]").fill("Half a na")
    page.reload()
    assert typed() == ["Half a na", "", ""]
    note.get_by_role("button", name="begin anew").click()
    assert typed() == ["", "", ""]
    expect(page.locator("[name=title]")).to_be_focused()


@pytest.mark.at_length
def test_templates_that_are_tried_on_are_scrolled_together(bench: Page, demo: Site) -> None:
    before = Site.objects.values().get(pk=demo.pk)
    bench.goto(bench.url.replace("/palette/", "/try-on/"))
    bench.wait_for_load_state("networkidle")
    tried = [frame for frame in bench.frames if "@template" in frame.url]
    assert len(tried) == 3
    until(bench, "!!document.querySelector('.kind-offers')", *tried)
    tried[0].evaluate("scrollTo(0, 240)")
    until(bench, "scrollY > 60", *tried)
    tried[2].evaluate("scrollTo(0, 0)")
    until(bench, "scrollY === 0", *tried)
    tried[1].locator("h1").evaluate("heading => heading.click()")  # a pointer misses in what is drawn small
    expect(bench).to_have_url(bench.url)
    assert Site.objects.values().get(pk=demo.pk) == before


@pytest.mark.at_length
def test_a_picture_of_the_collection_follows_the_palette_as_it_changes(bench: Page) -> None:
    bench.goto(bench.url.replace("/palette/", "/pictures/?show=collection&section=opening&item=&field=picture"))
    bench.get_by_label("What should be on it").fill("bread")
    bench.locator("#desk").get_by_role("button", name="Find").click()
    bench.get_by_role("button", name="Take Loaves of bread").click()
    kept(bench, "Loaves of bread, of the collection")
    shown = "document.querySelector('.kind-opening .show img')"
    eventually(bench, f"{shown}?.alt === 'Three loaves of bread on a board' && {shown}.naturalWidth > 0")
    source = frames(bench)[0].evaluate(f"{shown}.getAttribute('src')")
    bench.locator("#chapters a[data-chapter=palette]").click()
    bench.locator("#hex-code").fill("#7a1f4b")
    bench.locator("#hex-code").press("Enter")
    kept(bench, "#7a1f4b")
    eventually(bench, f"{shown}.getAttribute('src') !== '{source}' && {shown}.complete && {shown}.naturalWidth > 0")
