"""Ines picks a template, makes it hers, publishes, changes a colour, and goes back: the whole errand."""

from __future__ import annotations

from io import BytesIO

import pytest
from PIL import Image
from playwright.sync_api import Browser, Page

from tests.browser.hands import BUTTON, chapter, eventually, expect, frames, kept, style, view, write

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]


def publish(page: Page) -> None:
    chapter(page, "Proof")
    page.locator("#publish-button").click()
    expect(page.locator(".published")).to_contain_text("is live")


def read_live(browser: Browser, address: str) -> dict[str, str]:
    """What a stranger with a clean profile sees at the live address."""
    context = browser.new_context()
    stranger = context.new_page()
    stranger.goto(address)
    seen = {
        "heading": stranger.locator("h1").inner_text(),
        "button": style(stranger, BUTTON, "backgroundColor"),
        "footer": stranger.locator(".copyright").inner_text(),
        "typeface": style(stranger, "h1", "fontFamily"),
        "menu": " ".join(stranger.locator(".menu li").all_inner_texts()),
        "scripts": str(stranger.locator("script:not([type='application/ld+json'])").count()),
    }
    context.close()
    return seen


def test_ines_makes_a_site_hers_and_publishes_it(page: Page, browser: Browser, live_server) -> None:
    port = live_server.url.rpartition(":")[2]
    page.goto(f"http://localhost:{port}/")
    page.get_by_role("link", name="Start a site").click()
    page.get_by_label("Name").fill("Ines Varela")
    page.get_by_label("Mail address").fill("ines@saltmarsh.example")
    page.get_by_label("Password").fill("tide-row-four")
    page.get_by_role("button", name="Sign up and start a site").click()

    page.get_by_label("What is it called?").fill("Saltmarsh Bindery")
    page.get_by_text("Address, language, money and time").click()
    page.get_by_label("Address", exact=True).fill("saltmarsh")
    page.get_by_role("button", name="On to the pages").click()
    page.get_by_role("button", name="See three looks").click()
    page.get_by_role("button", name="Gazette").click()
    expect(page.locator("#desk h1")).to_have_text("Pages")

    chapter(page, "Template")
    page.get_by_role("link", name="See the plan for Slipway").click()
    expect(page.locator(".plan")).to_contain_text("4 pages")
    eventually(page, "document.body.dataset.header === 'row'")  # shown before it is chosen
    page.get_by_role("button", name="Change to Slipway").click()
    kept(page, "Template Slipway")

    chapter(page, "Palette")
    page.locator("#hex-code").fill("no colour at all")
    page.locator("#hex-code").press("Enter")
    expect(page.locator("#hex .fault")).to_contain_text("“no colour at all” is not a colour")
    expect(page.locator("#hex-code")).to_have_value("no colour at all")
    page.locator("#hex-code").fill("2f5f8a")
    page.locator("#hex-code").press("Enter")
    kept(page, "#2f5f8a")

    chapter(page, "Type")
    page.get_by_role("button", name="Fraunces and Work Sans").click()
    kept(page, "Pairing Fraunces and Work Sans")
    eventually(page, "getComputedStyle(document.querySelector('h1')).fontFamily.includes('Fraunces')")

    chapter(page, "Logo")
    page.locator("#logo-file-file").set_input_files({"name": "mark.png", "mimeType": "image/png", "buffer": logo()})
    kept(page, "Logo mark.png")
    eventually(page, "document.querySelector('.site-title img')?.naturalWidth > 0")

    chapter(page, "Header")
    page.get_by_label("Two rows, centred").check(force=True)
    kept(page, "Two rows, centred")
    eventually(page, "document.body.dataset.header === 'stack'")
    view(page, "Navigation")
    page.get_by_label("Menu name of Prices").fill("What it costs")
    page.get_by_label("Menu name of Prices").press("Enter")
    kept(page, "What it costs")

    write(page, "h1", "Books mended by hand")
    kept(page, "Books mended by hand")
    eventually(page, "document.querySelector('h1').textContent === 'Books mended by hand'")
    expect(page.locator("#desk h1")).to_have_text("Pages")

    chapter(page, "Footer")
    page.get_by_label("Copyright line").fill("© {year} Ines Varela")
    page.get_by_label("Copyright line").press("Enter")
    kept(page, "Ines Varela")

    publish(page)
    address = f"http://saltmarsh.localhost:{port}/"
    first = read_live(browser, address)
    assert first["heading"] == "Books mended by hand"
    assert first["button"] == "rgb(47, 95, 138)"
    assert "Ines Varela" in first["footer"]
    assert "Fraunces" in first["typeface"]
    assert "What it costs" in first["menu"]
    assert first["scripts"] == "0"

    chapter(page, "Palette")
    eventually(page, f"!location.pathname.includes('@live') && !!document.querySelector('{BUTTON}')")
    page.wait_for_timeout(1000)  # both windows were opened anew, the proof's live one being done
    eventually(page, "document.readyState === 'complete'")
    for frame in frames(page):
        frame.evaluate("window.neverReloaded = true")
    page.locator("#hex-code").fill("#8c3b2a")
    page.locator("#hex-code").press("Enter")
    red = f"getComputedStyle(document.querySelector('{BUTTON}')).backgroundColor === 'rgb(140, 59, 42)'"
    eventually(page, f"window.neverReloaded && {red}")
    assert read_live(browser, address) == first, "an edit reached visitors before it was published"

    publish(page)
    assert read_live(browser, address)["button"] == "rgb(140, 59, 42)"

    page.get_by_role("link", name="Editions (2)").click()
    page.get_by_role("button", name="Make it live again").click()
    expect(page.locator(".said")).to_contain_text("Edition 1 is live again")
    assert read_live(browser, address) == first


def logo() -> bytes:
    out = BytesIO()
    Image.new("RGBA", (320, 120), (140, 59, 42, 255)).save(out, "PNG")
    return out.getvalue()
