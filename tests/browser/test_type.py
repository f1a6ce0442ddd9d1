"""The Type chapter as owners use it: a pairing that leaves a one-off alone, a font of one's own, the waterfall by keys."""

from __future__ import annotations

from pathlib import Path

import pytest
from playwright.sync_api import Page

from tests.browser.hands import before_long, chapter, eventually, expect, frames, kept, steady, style, view
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
HEADING = ".kind-opening .title"
FONT = f"getComputedStyle(document.querySelector('{HEADING}')).fontFamily"
SIZE = f"parseFloat(getComputedStyle(document.querySelector('{HEADING}')).fontSize)"


def sheet() -> dict[str, object]:
    return dict(sites.document(Site.objects.get(slug="saltmarsh")).sheet)


@pytest.mark.at_length
def test_a_font_of_ones_own_goes_live(bench: Page, kelp: Path, tmp_path: Path) -> None:
    chapter(bench, "Type")
    view(bench, "Fonts")
    broken = tmp_path / "broken.woff2"
    broken.write_bytes(b"wOF2" + bytes(200))
    bench.locator("#take-font-file").set_input_files([broken, kelp])
    expect(bench.locator("#take-font .fault")).to_contain_text("“broken.woff2” is broken")
    expect(bench.locator(".own-fonts li")).to_contain_text("Kelp")
    expect(bench.locator(".own-fonts li")).to_contain_text("sets no limit to embedding")
    bench.get_by_role("button", name="For headings").click()
    kept(bench, "Heading typeface: Kelp")
    eventually(bench, f"{FONT}.includes('Kelp')")
    eventually(bench, "[...document.fonts].some(f => f.family.includes('Kelp') && f.status === 'loaded')")

    chapter(bench, "Proof")
    bench.locator("#publish-button").click()
    expect(bench.locator("#publish-button")).to_be_disabled()
    live = bench.context.new_page()
    live.goto(bench.url.split("/sites/")[0].replace("localhost", "saltmarsh.localhost"))
    assert "Kelp" in style(live, HEADING, "fontFamily")
    assert (
        live.evaluate(
            "document.fonts.ready.then(() => [...document.fonts].filter(f => f.family.includes('Kelp'))[0].status)"
        )
        == "loaded"
    )


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
