"""The twin windows: they follow the pointer, lead to what decides, and show what was before."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page

from tests.browser.hands import BUTTON, chapter, eventually, expect, frames, kept, point, steady, until, view
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
COLOUR = f"getComputedStyle(document.querySelector('{BUTTON}')).backgroundColor"
OXIDE = f"{COLOUR} === 'rgb(140, 59, 42)'"


def revision() -> int:
    return Site.objects.get(slug="saltmarsh").revision


def test_both_windows_follow_the_pointer_and_a_drag_is_one_edit(bench: Page) -> None:
    before, edits = revision(), Site.objects.get(slug="saltmarsh").edits.count()
    box = steady(bench.locator(".plane svg"))
    assert box is not None
    bench.mouse.move(box["x"] + 100, box["y"] + 100)
    bench.mouse.down()
    for step in range(1, 12):
        bench.mouse.move(box["x"] + 60 + step * 3, box["y"] + 120)
    eventually(bench, f"!({OXIDE})")
    assert revision() == before, "nothing is kept while the pointer moves"
    bench.mouse.up()
    kept(bench, "Oxide to #")
    assert Site.objects.get(slug="saltmarsh").edits.count() == edits + 1
    bench.locator("#desk h1").click()
    bench.keyboard.press("Control+z")
    eventually(bench, OXIDE)
    expect(bench.locator("#hex-code")).to_have_value("#8c3b2a")

    field = bench.locator("#hex-code")
    field.fill("teal")
    field.press("Enter")
    expect(field).to_have_value("#008080")
    bench.get_by_role("button", name="Undo").click()
    expect(field).to_have_value("#8c3b2a")
    assert Site.objects.get(slug="saltmarsh").edits.filter(undone=True).count() == 1, "Enter is one edit"

    chapter(bench, "Footer")
    chapter(bench, "Palette")
    bench.locator(".plane svg").focus()
    bench.keyboard.press("Shift+ArrowLeft")
    kept(bench, "Oxide to #")
    eventually(bench, f"!({OXIDE})")

    bench.locator("#desk h1").click()
    bench.keyboard.press("3")
    expect(bench.locator("#desk h1")).to_have_text("Type")
    view(bench, "Sizes")
    size = "parseFloat(getComputedStyle(document.querySelector('h1')).fontSize)"
    was = [frame.evaluate(size) for frame in frames(bench)]
    bench.locator("[data-twin='type.ratio']").focus()
    for _ in range(8):
        bench.keyboard.press("ArrowRight")
    kept(bench, "Ratio")
    for frame, old in zip(frames(bench), was, strict=True):
        until(bench, f"{size} > {old}", frame)


def test_a_click_leads_to_the_control_that_decides_and_a_fold_there_stays_open_over_every_edit(bench: Page) -> None:
    for selector, heading, control in (
        (".copyright", "Footer", "footer.copyright"),
        (".menu", "Header", "menu-entries"),
        (".kind-offers .name", "Pages", "words-o1-title"),
        (".site-title", "Logo", "title"),
    ):
        bench.mouse.click(*point(bench, selector))
        expect(bench.locator("#desk h1")).to_have_text(heading)
        expect(bench.locator(f"[id='{control}']")).to_be_focused()
    told = bench.locator("#told")
    expect(told).to_contain_text("comes from")
    eventually(bench, "!!document.querySelector('[data-chosen]')")

    fold = bench.locator("details.more")
    fold.locator("summary").click()
    for key, value, words, set_by_owner in (
        ("site.currency", "EUR", "Currency: Euro", 3),  # trade and time zone too
        ("site.language", "de", "Language: German", 4),
    ):
        bench.locator(f"[id='{key}']").select_option(value)
        kept(bench, words)
        expect(fold.get_by_text("comes from you")).to_have_count(set_by_owner)  # the desk was drawn anew
        expect(fold).to_have_attribute("open", "")


def test_one_scroll_before_and_after_and_the_proof(bench: Page) -> None:
    wide, phone = frames(bench)
    wide.evaluate("document.querySelector('.kind-hours-and-place').scrollIntoView({block: 'start'})")
    until(bench, "scrollY > 800", phone)

    bench.locator("#desk h1").click()
    bench.keyboard.down("b")
    eventually(bench, f"{COLOUR} === 'rgb(47, 95, 138)'")
    bench.keyboard.up("b")
    eventually(bench, OXIDE)

    bench.locator("[data-change='colour.c1']").hover()
    eventually(bench, f"{COLOUR} === 'rgb(47, 95, 138)'")
    eventually(bench, "document.querySelector('h1').textContent.startsWith('Books mended')")
    eventually(bench, "document.querySelectorAll('[data-touched]').length === 5")
    bench.locator("#desk h1").hover()
    eventually(bench, f"{OXIDE} && !document.querySelector('[data-touched]')")

    chapter(bench, "Proof")
    expect(bench.locator(".change")).to_have_count(7)
    for _ in range(200):
        live, draft = (frame.locator("h1").inner_text() for frame in frames(bench))
        if live != draft:
            break
        bench.wait_for_timeout(100)
    assert (live, draft) == ("Old books mended, new ones made", "Books mended by hand on the estuary")

    held_back = bench.get_by_label("Heading: Opening on Home goes out")
    held_back.uncheck()
    chapter(bench, "Type")
    chapter(bench, "Proof")
    expect(held_back).not_to_be_checked()
    shown_live, after = frames(bench)
    until(bench, "document.querySelector('h1').textContent.startsWith('Old books')", after)
    until(bench, OXIDE, after)
    bench.get_by_role("button", name="Take back: Ground: Offers on Home").click()
    expect(bench.locator(".change")).to_have_count(6)
    until(bench, "document.querySelector('.kind-offers').dataset.ground === 'light'", after)
    assert shown_live.evaluate(f"{COLOUR} === 'rgb(47, 95, 138)'"), "what is live is shown as it is live"
    expect(held_back).not_to_be_checked()
    bench.get_by_role("button", name="Publish 5 of 6 changes").click()
    expect(bench.locator(".published")).to_contain_text("Edition 4 is live")
    expect(bench.locator(".change")).to_have_count(1)
    bench.goto(bench.url.replace("localhost", "saltmarsh.localhost").split("/sites/")[0] + "/")
    assert bench.locator("h1").inner_text() == "Old books mended, new ones made"
    assert bench.evaluate(OXIDE)
