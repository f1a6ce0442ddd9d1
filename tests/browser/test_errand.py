"""Ines picks a template, makes it hers, publishes, changes a colour, and goes back: the whole errand."""

from __future__ import annotations

from io import BytesIO

import pytest
from PIL import Image
from playwright.sync_api import Browser, Frame, Page, expect

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]

BUTTON = ".kind-opening .button"


def frames(page: Page) -> list[Frame]:
    found = [page.locator(f"#{name}").element_handle().content_frame() for name in ("wide", "phone")]
    return [frame for frame in found if frame is not None]


def style(frame: Frame | Page, selector: str, name: str) -> str:
    return str(frame.locator(selector).first.evaluate(f"e => getComputedStyle(e).{name}"))


def eventually(page: Page, check: str, *, tries: int = 40) -> None:
    """Both windows answer `check` with true before long."""
    for _ in range(tries):
        if all(frame.evaluate(check) for frame in frames(page)):
            return
        page.wait_for_timeout(100)
    raise AssertionError(f"never came true in both windows: {check}")


def chapter(page: Page, name: str) -> None:
    page.locator(f"#chapters a[data-chapter={name.lower()}]").click()
    expect(page.locator("#desk h1")).to_have_text(name)


def kept(page: Page, words: str) -> None:
    expect(page.locator("#kept")).to_contain_text(words)


def point(page: Page, selector: str) -> tuple[float, float]:
    """Where an element of the wide window stands on the screen, the window being drawn smaller."""
    pane = page.locator("#wide").evaluate(
        "e => [e.getBoundingClientRect().x, e.getBoundingClientRect().y, e.getBoundingClientRect().width / e.offsetWidth]"
    )
    box = (
        frames(page)[0]
        .locator(selector)
        .first.evaluate(
            "e => { e.scrollIntoView({block: 'center'}); const b = e.getBoundingClientRect(); return [b.x + 20, b.y + b.height / 2]; }"
        )
    )
    return pane[0] + box[0] * pane[2], pane[1] + box[1] * pane[2]


def write(page: Page, selector: str, words: str) -> None:
    """Write words where they stand: double-click, type, Enter."""
    page.mouse.dblclick(*point(page, selector))
    expect(frames(page)[0].locator(selector).first).to_have_attribute("contenteditable", "plaintext-only")
    page.keyboard.press("Control+A")
    page.keyboard.type(words)
    page.keyboard.press("Enter")


def publish(page: Page) -> None:
    chapter(page, "Proof")
    page.locator(".publish button").click()
    expect(page.locator(".said")).to_contain_text("is live")


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
        "scripts": str(stranger.locator("script").count()),
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
    page.get_by_label("Address").fill("saltmarsh")
    page.get_by_label("Handbill").check()
    page.get_by_role("button", name="Make the site").click()
    expect(page.locator("#desk h1")).to_have_text("Palette")

    chapter(page, "Template")
    page.get_by_role("button", name="Change to Slipway").click()
    kept(page, "Template Slipway")
    eventually(page, "document.body.dataset.header === 'row'")

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
    page.locator("#logo-file-input").set_input_files({"name": "mark.png", "mimeType": "image/png", "buffer": logo()})
    kept(page, "Logo mark.png")
    eventually(page, "document.querySelector('.site-title img')?.naturalWidth > 0")

    chapter(page, "Header")
    page.get_by_label("Two rows, centred").check(force=True)
    kept(page, "Two rows, centred")
    eventually(page, "document.body.dataset.header === 'stack'")
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
    eventually(page, f"!!document.querySelector('{BUTTON}')")
    for frame in frames(page):
        frame.evaluate("window.neverReloaded = true")
    page.locator("#hex-code").fill("#8c3b2a")
    page.locator("#hex-code").press("Enter")
    red = f"getComputedStyle(document.querySelector('{BUTTON}')).backgroundColor === 'rgb(140, 59, 42)'"
    eventually(page, f"window.neverReloaded && {red}")
    assert read_live(browser, address) == first, "an edit reached visitors before it was published"

    publish(page)
    assert read_live(browser, address)["button"] == "rgb(140, 59, 42)"

    page.get_by_role("button", name="Make edition 1 live").click()
    expect(page.locator(".said")).to_contain_text("Edition 1 is live again")
    assert read_live(browser, address) == first


def logo() -> bytes:
    out = BytesIO()
    Image.new("RGBA", (320, 120), (140, 59, 42, 255)).save(out, "PNG")
    return out.getvalue()
