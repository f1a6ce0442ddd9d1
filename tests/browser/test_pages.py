"""Ines adds a page and fills it at the desk: sections, words, a picture, entries, the bin."""

from __future__ import annotations

from io import BytesIO

import pytest
from PIL import Image
from playwright.sync_api import Page

from tests.browser.hands import chapter, eventually, expect, frames, kept, ready, steady
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]


def photo() -> bytes:
    out = BytesIO()
    Image.new("RGB", (900, 600), (77, 106, 106)).save(out, "JPEG")
    return out.getvalue()


@pytest.mark.at_length
def test_a_page_is_made_filled_and_published(page: Page, live_server, demo: Site) -> None:
    port = live_server.url.rpartition(":")[2]
    page.goto(f"http://localhost:{port}/")
    page.get_by_role("button", name="Enter the demo as Ines").click()
    page.get_by_role("link", name="Saltmarsh Bindery").click()
    ready(page)

    chapter(page, "Pages")
    page.get_by_label("Name of a new page").fill("Tools")
    page.get_by_role("button", name="Add page").click()
    kept(page, "Page Tools added")
    page.get_by_role("link", name="Tools").click()
    expect(page.locator("#desk h2").first).to_have_text("Tools")
    expect(page.locator(".sections")).to_contain_text("Sections stand here")

    for kind in ("Words with picture", "Offers"):
        fold = page.get_by_text("Add a section", exact=True)
        if not page.locator("#section-kind").is_visible():
            fold.click()
        page.get_by_label("Find a kind of section by a word").fill(kind.lower())
        choice = page.locator("#section-kind .drawn-choices").get_by_text(kind, exact=True)
        steady(choice)  # once those that are not called so have left
        choice.click()
        page.get_by_role("button", name="Add section").click()
        kept(page, f"{kind} added to Tools")
        expect(page.locator(".section-entry.is-open")).to_contain_text(kind)
    eventually(page, "document.querySelectorAll('main > .section').length === 2")
    first = "document.querySelector('main > .section').className"
    page.get_by_role("button", name="Drag Offers").press("ArrowUp")
    eventually(page, f"{first}.includes('kind-offers')")
    page.get_by_role("button", name="Drag Offers").press("ArrowDown")
    eventually(page, f"{first}.includes('kind-words-with-picture')")

    page.locator(".section-name", has_text="Words with picture").click()
    expect(page.locator(".section-entry.is-open")).to_contain_text("Words with picture")
    heading = page.get_by_label("Heading", exact=True)
    heading.fill("The board shears")
    heading.press("Enter")
    kept(page, "The board shears")
    words = page.locator("#words-body")
    words.click()
    page.keyboard.press("Control+A")
    page.keyboard.type("Cast in one piece, and ")
    page.get_by_role("button", name="Bold").click()
    page.keyboard.type("sharp")
    heading.focus()
    kept(page, "Cast in one piece, and sharp")
    eventually(page, "document.querySelector('.body strong')?.textContent === 'sharp'")

    words.click()
    page.keyboard.press("Control+A")
    page.get_by_role("button", name="Italic").click()
    heading.focus()
    eventually(page, "!!document.querySelector('.body em')")

    page.locator("#file-words-picture-file").set_input_files(
        {"name": "shears.jpg", "mimeType": "image/jpeg", "buffer": photo()}
    )
    kept(page, "Picture shears.jpg")
    page.get_by_label("Alt text").fill("Iron shears on a bench")
    page.get_by_label("Alt text").press("Enter")
    kept(page, "Alt text of shears.jpg")
    eventually(page, "document.querySelector('.show img')?.naturalWidth > 0")

    page.get_by_label("Layout", exact=True).select_option(label="Picture above, words set in")
    kept(page, "Picture above")
    page.get_by_label("Ground", exact=True).select_option(label="Dark")
    kept(page, "ground Dark")
    eventually(page, "document.querySelector('main > .section').dataset.ground === 'dark'")

    page.get_by_role("button", name="Move Offers up").click()
    kept(page, "moved")
    eventually(page, "document.querySelector('main > .section').classList.contains('kind-offers')")
    page.get_by_role("button", name="Offers to the bin").click()
    kept(page, "to the bin")
    eventually(page, "document.querySelectorAll('main > .section').length === 1")
    page.get_by_role("button", name="Put back").click()
    kept(page, "out of the bin")
    eventually(page, "document.querySelectorAll('main > .section').length === 2")

    expect(page.locator(".section-entry.is-open")).to_contain_text("Offers")
    page.get_by_role("button", name="Offer", exact=True).click()
    kept(page, "one more")
    eventually(page, "document.querySelectorAll('.kind-offers .item').length === 4")
    for pick in page.locator("[data-pick-item]").all()[:2]:
        pick.check()
    page.get_by_role("group", name="The picked entries").get_by_role("button", name="Copy").click()
    kept(page, "2 entries copied")
    eventually(page, "document.querySelectorAll('.kind-offers .item').length === 6")
    expect(page.locator("[data-pick-item]:checked")).to_have_count(2)  # and what next is done is done to them
    page.get_by_role("group", name="The picked entries").get_by_role("button", name="Take away").click()
    kept(page, "2 entries taken away")
    eventually(page, "document.querySelectorAll('.kind-offers .item').length === 4")

    page.get_by_label("Page shown").select_option(label="Home")
    frames(page)[1].wait_for_selector(".kind-opening")
    chapter(page, "Proof")
    expect(page.locator("#desk")).to_contain_text("Page Tools")
    page.locator("#publish-button").click()
    expect(page.locator(".published")).to_contain_text("is live")
    page.goto(f"http://saltmarsh.localhost:{port}/tools/")
    assert page.locator(".kind-words-with-picture img").get_attribute("alt") == "Iron shears on a bench"
    assert page.locator(".kind-words-with-picture strong").inner_text() == "sharp"
    assert page.locator(".kind-words-with-picture img").evaluate("e => e.decode().then(() => e.naturalWidth)") > 0
    assert "Tools" in page.locator(".menu").inner_text()
