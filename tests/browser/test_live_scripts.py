"""Live pages that need a script: a recording plays on from page to page, a picture opens large and others are gone through."""

from __future__ import annotations

import wave
from io import BytesIO

import pytest
from playwright.sync_api import Page

from tests.browser.hands import expect, until
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
SECONDS, RATE = 120, 8000


def _recording() -> bytes:
    """Two minutes of silence."""
    out = BytesIO()
    with wave.open(out, "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(1)
        file.setframerate(RATE)
        file.writeframes(b"\x80" * SECONDS * RATE)
    return out.getvalue()


def _with_a_recording(site: Site) -> None:
    data = _recording()
    stored = {
        "own_file": "xsound",
        "file": store.keep(data),
        "format": "wav",
        "size": len(data),
        "file_name": "tide.wav",
    }
    sites.edit(site, "add-file", stored)
    sites.edit(site, "add-section", {"page": sites.document(site).order[0], "kind": "sound"})
    standing = next(one for one in sites.document(_anew(site)).standing() if one.section.kind == "sound")
    for item in standing.section.order:
        value = {"section": standing.key, "item": item}
        sites.edit(site, "set-words", {**value, "field": "title", "words": f"Tide {item}"})
        sites.edit(site, "set-words", {**value, "field": "link", "words": "file:xsound"})
    hosting.publish(_anew(site))


def _anew(site: Site) -> Site:
    return Site.objects.get(pk=site.pk)


def test_a_recording_plays_on_while_the_visitor_goes_to_another_page(page: Page, live_server, site: Site) -> None:
    hosting.publish(site)
    address = f"http://saltmarsh.localhost:{live_server.url.rpartition(':')[2]}/"
    page.goto(address)
    assert page.locator("script[src]").count() == 0
    _with_a_recording(site)
    refused: list[str] = []
    page.on("console", lambda said: refused.append(said.text) if "Content Security Policy" in said.text else None)
    page.goto(address)
    player = page.locator("[data-player]").first
    player.get_by_role("button", name="Play").focus()
    page.keyboard.press("Enter")
    expect(player.get_by_role("button", name="Pause")).to_be_visible()
    until(page, "document.querySelector('audio').currentTime > 0.2", page)
    player.get_by_role("button", name="Forward 30 seconds").click()
    until(page, "document.querySelector('audio').currentTime > 30", page)
    player.get_by_role("button", name="Back 15 seconds").click()
    until(page, "document.querySelector('audio').currentTime < 20", page)
    player.get_by_label("Speed").select_option("1.5")
    assert page.evaluate("document.querySelector('audio').playbackRate") == 1.5
    page.locator("[data-player]").nth(1).get_by_role("button", name="Play").click()
    until(page, "document.querySelectorAll('audio')[0].paused", page)
    player.get_by_role("button", name="Play").click()
    page.locator(".menu a:not([aria-current])").first.click()
    bar = page.get_by_role("region", name="Tide")
    expect(bar.get_by_role("button", name="Pause")).to_be_visible()
    until(page, "document.querySelector('.player-bar audio').currentTime > 14", page)
    assert page.evaluate("document.querySelector('.player-bar audio').playbackRate") == 1.5
    bar.get_by_role("button", name="Close").click()
    expect(bar).to_have_count(0)
    page.reload()
    expect(page.locator(".player-bar")).to_have_count(0)
    assert not refused


def test_a_picture_opens_large_on_the_live_page_and_others_are_gone_through(
    page: Page, live_server, demo: Site
) -> None:
    standing = next(
        one for one in sites.document(demo).standing() if one.section.kind == "gallery" and len(one.section.order) > 2
    )
    sites.edit(demo, "set-words", {"section": standing.key, "field": "enlarged", "words": "yes"})
    hosting.publish(Site.objects.get(pk=demo.pk))
    slug = sites.document(demo).pages[standing.page].slug
    address = f"http://saltmarsh.localhost:{live_server.url.rpartition(':')[2]}/"
    page.goto(address)
    assert page.locator("script[src]").count() == 0, "only a page that needs a script has one"
    page.goto(f"{address}{slug}/")
    second = page.locator(".enlarges").nth(1)
    second.scroll_into_view_if_needed()
    before = page.evaluate("scrollY")
    second.click()
    dialog = page.get_by_role("dialog")
    expect(dialog.locator(".count")).to_have_text(f"2 / {len(standing.section.order)}")
    page.keyboard.press("ArrowRight")
    expect(dialog.locator(".count")).to_have_text(f"3 / {len(standing.section.order)}")
    page.keyboard.press("Home")
    expect(dialog.locator(".count")).to_have_text(f"1 / {len(standing.section.order)}")
    expect(dialog.get_by_role("button", name="Previous picture")).to_be_hidden()
    shown = dialog.locator("img").first.evaluate(
        "async (img) => { img.loading = 'eager'; await img.decode(); return img.currentSrc; }"
    )
    assert shown.startswith(address)
    page.keyboard.press("Escape")
    expect(dialog).to_have_count(0)
    assert page.evaluate("scrollY") == before
    assert second.evaluate("link => link === document.activeElement")
