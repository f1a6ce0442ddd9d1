"""The Palette chapter as owners use it: codes on paper, a role that fails, a section's ground, the keyboard alone."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page

from tests.browser.hands import (
    BUTTON,
    before_long,
    chapter,
    eventually,
    expect,
    frames,
    held_back,
    kept,
    steady,
    view,
)
from yemba.core.site.document import read
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]


def test_a_role_that_fails_is_mended_by_its_offer_and_a_section_leads_to_its_ground_and_back(bench: Page) -> None:
    view(bench, "Grounds")
    bench.get_by_role("link", name="button text", exact=True).click()
    field = bench.locator("#role-value")
    field.fill("#a05040")
    field.press("Enter")
    kept(bench, "Button text on Light")
    expect(bench.locator(".miss")).to_contain_text("4.5 : 1 is asked for")
    expect(bench.locator(".plane-said")).to_contain_text("on button on Light: shapes only")
    expect(bench.locator("#ground-light")).to_contain_text("Hard to read: ")
    eventually(bench, f"getComputedStyle(document.querySelector('{BUTTON}')).color === 'rgb(160, 80, 64)'")
    bench.get_by_role("button", name="the nearest that passes").click()
    expect(bench.locator(".miss")).to_have_count(0)
    expect(bench.locator("#ground-light")).not_to_contain_text("Hard to read")
    shown = frames(bench)[0].evaluate(f"getComputedStyle(document.querySelector('{BUTTON}')).color")
    assert shown != "rgb(160, 80, 64)"
    bench.get_by_role("button", name="let Yemba work it out again").click()
    kept(bench, "worked out again")
    assert "roles.by_hand" not in read(Site.objects.get(slug="saltmarsh").document).sheet

    chapter(bench, "Pages")
    bench.locator(".section-name", has_text="Hours and place").click()
    bench.get_by_role("link", name="go to this ground").click()
    expect(bench.locator("#ground-tinted")).to_have_class("is-chosen")
    expect(bench.locator(".came")).to_contain_text("Hours and place on Home")
    bench.get_by_label("Name", exact=True).fill("Kelp bed")
    bench.get_by_label("Background", exact=True).fill("#3c4a2c")
    bench.get_by_role("button", name="only for Hours and place on Home").click()
    kept(bench, "Ground Kelp bed made")
    place = ".kind-hours-and-place"
    eventually(bench, f"getComputedStyle(document.querySelector('{place}')).backgroundColor === 'rgb(60, 74, 44)'")
    bench.get_by_label("Only here").select_option("")
    eventually(bench, f"getComputedStyle(document.querySelector('{place}')).backgroundColor !== 'rgb(60, 74, 44)'")
    bench.locator(".came").get_by_role("link").click()
    expect(bench.locator("#desk h1")).to_have_text("Pages")
    expect(bench.locator(".section-entry.is-open")).to_contain_text("Hours and place")


def test_what_is_said_of_a_colour_follows_the_pointer_and_no_late_answer_touches_words_that_are_typed(
    bench: Page,
) -> None:
    before = Site.objects.get(slug="saltmarsh").revision
    box = steady(bench.locator(".plane svg"))
    bench.mouse.move(box["x"] + 80, box["y"] + 100)
    bench.mouse.down()
    bench.mouse.move(box["x"] + 130, box["y"] + 110, steps=6)
    swatch, said = bench.locator("#palette-colours [aria-current] path"), bench.locator(".plane-said")
    expect(swatch).not_to_have_attribute("fill", "#8c3b2a")
    bench.wait_for_timeout(500)  # all that was asked on the way is answered
    shown = str(swatch.get_attribute("fill"))
    expect(bench.locator("#hex-code")).to_have_value(shown)
    expect(said).to_contain_text(f"{shown}, ")
    assert Site.objects.get(slug="saltmarsh").revision == before, "nothing is kept yet"
    bench.mouse.up()
    kept(bench, f"Oxide to {shown}")

    with held_back(bench, "**/edit/") as edits, held_back(bench, "**/stream/") as streams:
        drag(bench)
        before_long(bench, lambda: (len(edits), len(streams)), (1, 1))
        bench.locator("#hex-code").press("Control+A")
        bench.keyboard.type("#123")
        streams[0].continue_()
        before_long(bench, lambda: len(streams), 2)  # what was typed streams too, once that is answered
        expect(bench.locator("#hex-code")).to_have_value("#123")
        streams[1].continue_()
        edits[0].continue_()


def test_a_colour_that_is_returned_to_is_kept_and_the_plane_stays_where_a_hand_put_it(bench: Page) -> None:
    def stored() -> str:
        return str(sites.look(Site.objects.get(slug="saltmarsh")).value("palette")[0]["hex"])

    bench.locator(".plane svg").focus()
    with held_back(bench, "**/palette/"), held_back(bench, "**/stream/") as streams:
        bench.keyboard.press("ArrowRight")
        before_long(bench, lambda: len(streams), 1)
        streams[0].continue_()
        expect(bench.locator("#hex-code")).not_to_have_value("#8c3b2a")
        lighter = bench.locator("#hex-code").input_value()
        before_long(bench, stored, lighter)
        bench.keyboard.press("ArrowLeft")
        before_long(bench, lambda: stored() == lighter, False)
        bench.keyboard.press("ArrowRight")
        before_long(bench, stored, lighter)
        streams[1].continue_()

    def lightness() -> str:
        return str(bench.locator(".plane").get_attribute("data-lightness"))

    bench.locator(".plane svg").focus()
    with bench.expect_response("**/edit/"):
        bench.keyboard.press("ArrowRight")
    with held_back(bench, "**/edit/") as edits:
        bench.keyboard.press("ArrowRight")  # before the desk is drawn anew
        moved = lightness()
        before_long(bench, lambda: len(edits), 1)
        bench.wait_for_timeout(1500)
        assert lightness() == moved
        edits[0].continue_()
        expect(bench.locator("#kept")).to_contain_text("Kept")


def drag(bench: Page) -> None:
    """Drag the colour to another and let it go."""
    box = steady(bench.locator(".plane svg"))
    bench.mouse.move(box["x"] + 80, box["y"] + 100)
    bench.mouse.down()
    bench.mouse.move(box["x"] + 130, box["y"] + 110)
    bench.mouse.up()
