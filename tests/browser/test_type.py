"""The Type chapter as owners use it: the waterfall of sizes by keys and by hand."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page

from tests.browser.hands import before_long, chapter, eventually, expect, frames, kept, steady, view
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
SIZE = "parseFloat(getComputedStyle(document.querySelector('.kind-opening .title')).fontSize)"


def sheet() -> dict[str, object]:
    return dict(sites.document(Site.objects.get(slug="saltmarsh")).sheet)


def test_the_waterfall_by_keys_and_by_hand(bench: Page) -> None:
    chapter(bench, "Type")
    view(bench, "Sizes")
    handle = bench.get_by_role("slider", name="Heading 1 on a wide window")
    before = frames(bench)[0].evaluate(SIZE)
    handle.focus()
    for _ in range(3):
        handle.press("Shift+ArrowRight")
    handle.press("ArrowLeft")
    kept(bench, "Heading 1: size on a wide window")
    before_long(bench, lambda: sheet()["h1.wide"], round(before * 2) / 2 + 11.5)
    eventually(bench, f"{SIZE} > 20")
    assert frames(bench)[0].evaluate(SIZE) == pytest.approx(before + 11.5, abs=0.6)
    expect(bench.get_by_role("slider", name="Heading 1 on a wide window")).to_be_focused()
    edits = Site.objects.get(slug="saltmarsh").edits.count()

    box = steady(bench.get_by_role("slider", name="Heading 3 on a wide window"))
    assert box
    bench.mouse.move(box["x"] + 12, box["y"] + 10)
    bench.mouse.down()
    bench.mouse.move(box["x"] - 90, box["y"] + 10, steps=6)
    bench.mouse.up()
    kept(bench, "Heading 3: size on a wide window")
    assert Site.objects.get(slug="saltmarsh").edits.count() == edits + 1, "one edit a gesture"
    bench.get_by_role("link", name="Heading 3").click()
    expect(bench.locator("#level")).to_have_text("Heading 3")
    bench.get_by_role("button", name="Return all of Heading 3").click()
    kept(bench, "Heading 3 as the template has it")
    assert "h3.wide" not in sheet()
