"""A stranger's first evening: a site begun without script, and what is typed for it outliving whatever comes between."""

from __future__ import annotations

from io import BytesIO

import pytest
from django.contrib.sessions.models import Session
from PIL import Image, ImageDraw
from playwright.sync_api import Browser, Page

from tests.browser.hands import expect
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]


def logo() -> bytes:
    picture, out = Image.new("RGBA", (240, 240), (0, 0, 0, 0)), BytesIO()
    ImageDraw.Draw(picture).ellipse((20, 20, 220, 220), outline=(31, 94, 90, 255), width=18)
    picture.save(out, "PNG")
    return out.getvalue()


def sign_up(page: Page, port: str) -> None:
    page.goto(f"http://localhost:{port}/")
    page.get_by_role("link", name="Start a site").click()
    for label, typed in (("Name", "Tomasz"), ("Mail address", "t@flue.example"), ("Password", "tide-row-four")):
        page.get_by_label(label).fill(typed)
    page.get_by_role("button", name="Sign up and start a site").click()


def test_with_nothing_given_and_without_script_a_site_is_begun(browser: Browser, live_server) -> None:
    port = live_server.url.rpartition(":")[2]
    context = browser.new_context(java_script_enabled=False)
    page = context.new_page()
    sign_up(page, port)
    page.get_by_label("What is it called?").fill("Nine Goats")
    page.get_by_role("button", name="On to the pages").click()
    page.locator("#trade").select_option("Cheesemaker")
    page.get_by_role("button", name="Take this trade").click()
    page.locator("#name-cheeses").fill("Our cheeses")
    page.get_by_role("button", name="Put in: Markets").click()
    expect(page.locator("#name-cheeses")).to_have_value("Our cheeses")
    page.get_by_role("button", name="See three looks").click()
    expect(page.get_by_role("button", name="Begin with")).to_have_count(3)
    page.get_by_role("link", name="Three others").click()
    page.get_by_role("button", name="Begin with this one: bolder").click()
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
