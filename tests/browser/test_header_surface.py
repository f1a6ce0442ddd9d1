"""What stands behind the header's words, and its small picture, by hand and by keys."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page

from tests.browser.hands import before_long, chapter, eventually, expect, frames, kept, steady, until, view
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]


def part(key: str) -> object:
    return sites.document(Site.objects.get(slug="saltmarsh")).parts.get(f"header.{key}")


@pytest.mark.at_length
def test_a_gradient_reads_and_says_by_how_much_it_is_toned_down(bench: Page) -> None:
    chapter(bench, "Header")
    view(bench, "Surface")
    bench.get_by_role("radio", name="A gradient").check()
    kept(bench, "Behind its words: A gradient")
    expect(bench.locator("#desk")).to_contain_text("A gradient needs a colour to begin with")
    bench.get_by_label("Gradient from").select_option(label="Oxide")
    kept(bench, "Gradient from: Oxide")
    bench.get_by_label("Gradient to").select_option(label="Brass")
    kept(bench, "Gradient to: Brass")
    expect(bench.locator("#desk")).to_contain_text("the least at which text reads along its whole length")
    eventually(
        bench, "getComputedStyle(document.querySelector('.site-header')).backgroundImage.includes('linear-gradient')"
    )
    bench.get_by_role("radio", name="A pattern").check()
    kept(bench, "Behind its words: A pattern")
    eventually(bench, "getComputedStyle(document.querySelector('.site-header')).backgroundImage.startsWith('url')")


def test_the_small_picture_is_dragged_moved_by_keys_and_stays_within(bench: Page) -> None:
    chapter(bench, "Header")
    view(bench, "Surface")
    bench.get_by_label("Small picture", exact=True).first.select_option(label="notebooks.jpg")
    kept(bench, "Small picture: notebooks.jpg")
    mark = bench.get_by_label("Small picture: arrow keys move it")
    mark.scroll_into_view_if_needed()
    surface = steady(bench.locator(".offset-drawing"))
    assert surface
    bench.mouse.move(surface["x"] + surface["width"] * 0.9, surface["y"] + surface["height"] / 2)
    bench.mouse.down()
    bench.mouse.move(surface["x"] + surface["width"] * 0.5, surface["y"] + surface["height"] / 2, steps=8)
    bench.mouse.up()
    kept(bench, "Small picture of the header moved")
    assert isinstance(part("extra_x"), int) and -700 < int(str(part("extra_x"))) < -100
    before = int(str(part("extra_x")))
    mark.focus()
    for _ in range(3):
        bench.keyboard.press("ArrowLeft")
    before_long(bench, lambda: part("extra_x"), max(-400, before - 3))
    for width in (320, 390, 768, 1280, 2000):
        bench.locator("#phone-width").fill(str(width))
        bench.locator("#phone-width").press("Enter")
        _, phone = frames(bench)
        until(bench, f"innerWidth === {width}", phone)
        inside = phone.evaluate(
            "(() => { const e = document.querySelector('.extra').getBoundingClientRect();"
            " const h = document.querySelector('.site-header').getBoundingClientRect();"
            " return [e.left >= h.left - 1, e.right <= h.right + 1, e.top >= h.top - 1, e.bottom <= h.bottom + 1]; })()"
        )
        assert inside == [True] * 4, width
