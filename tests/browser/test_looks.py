"""Pages hold on words of every sort: a sample of what ``manage.py sweep_looks`` goes through, and each check proved."""

from __future__ import annotations

import re
from functools import partial
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Route

from tests.sampling import some
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.studio.management.commands import _looks as looks

pytestmark = [pytest.mark.browser, pytest.mark.tools]
SAMPLE = [
    ("slipway", "long", 320),
    ("salon", "long", 390),
    ("lantern", "arabic", 1280),
    ("quire", "polish", 1024),
    ("gazette", "greek", 768),
]
BREAKING = {
    "is 400 px out": ".inner { min-inline-size: calc(100% + 400px); } .section { overflow-x: clip; }",
    "breaks": "h1 { font-size: 90px !important; }",
    "of the machine": "h1 { font-family: sans-serif !important; }",
    "reads on": ".has-backdrop .backdrop::after { opacity: 0 !important; }",
}


@pytest.fixture(scope="module")
def kept() -> dict[str, object]:
    return looks.pictures()[0]


def opened(browser: Browser, catalogue: Catalogue, document: Document, width: int, path: str) -> object:
    site = looks.Looks(browser, document, catalogue)
    page = site.page(width)
    site.open(page, f"{path}/index.html")
    return page


@pytest.mark.parametrize(("template", "sort", "width"), some(SAMPLE, 5))
def test_nothing_is_found_in_a_sample(
    browser: Browser, catalogue: Catalogue, kept: dict[str, object], judges: None, template: str, sort: str, width: int
) -> None:
    document = looks.document(catalogue, template, looks.WORDS[sort], kept)
    kinds = some(sorted(catalogue.kinds), 12)
    assert list(looks.findings(looks.Looks(browser, document, catalogue, kinds), [width])) == []


def test_every_check_finds_a_page_that_is_broken(
    browser: Browser, catalogue: Catalogue, kept: dict[str, object], judges: None, tmp_path: Path
) -> None:
    document = looks.document(catalogue, "slipway", looks.WORDS["long"], kept)
    site = looks.Looks(browser, document, catalogue)
    page = site.page(390)
    for sentence, style in BREAKING.items():
        site.open(page, "words/index.html")
        page.add_style_tag(content=style)
        found = [*looks.of_boxes(page), *looks.of_letters(page), *looks.of_contrast(page)]
        assert any(sentence in one for one in found), sentence
    page.evaluate("document.querySelector('h2').outerHTML = '<h4>Jumps</h4>'")
    assert looks.of_outline(page)
    page.evaluate("document.querySelector('img').removeAttribute('alt')")
    assert any("image-alt" in found for found in looks.of_axe(page))
    (tmp_path / "broken.html").write_text("<!doctype html><title>Broken</title><p><h1>In a paragraph</p>")
    assert any("broken.html" in found for found in looks.of_nu([tmp_path / "broken.html"]))
    page.context.close()


def _answer(body: str, route: Route) -> None:
    route.fulfill(body=body, content_type="text/html")


def test_bitmaps_that_are_too_small_or_too_large_are_found(
    browser: Browser, catalogue: Catalogue, kept: dict[str, object]
) -> None:
    document = looks.document(catalogue, "slipway", looks.WORDS["short"], kept)
    site = looks.Looks(browser, document, catalogue)
    path = "words-with-picture/index.html"
    page = site.page(1280)
    site.open(page, path)
    whole = page.content()
    page.context.close()
    for sizes in ("40px", "4000px"):
        page = site.page(1280)  # anew: a browser takes a larger one that it has already
        body = re.sub(r'sizes="[^"]*"', f'sizes="{sizes}"', whole)
        page.route(f"**/{path}", partial(_answer, body))
        site.open(page, path)
        assert looks.of_bitmaps(page), sizes
        page.context.close()


def test_the_open_menu_keeps_the_keys_and_gives_the_focus_back(
    browser: Browser, catalogue: Catalogue, kept: dict[str, object]
) -> None:
    site = looks.Looks(browser, looks.document(catalogue, "slipway", looks.WORDS["short"], kept), catalogue)
    page = site.page(390)
    site.open(page, "words/index.html")
    page.locator(".menu-button").click()
    for _ in range(16):
        page.keyboard.press("Tab")
        assert page.evaluate(
            "['menu', ''].includes(document.activeElement.closest('#menu')?.id ?? document.activeElement.id)"
        )
        assert not page.evaluate("document.activeElement.closest('main, footer, .site-title')")
    assert page.evaluate("getComputedStyle(document.documentElement).overflowY") == "hidden"
    page.set_viewport_size({"width": 1900, "height": 900})
    assert page.locator(".menu").evaluate("e => getComputedStyle(e).position") == "fixed", "still the layer that it was"
    page.set_viewport_size({"width": 390, "height": 900})
    page.keyboard.press("Escape")
    assert page.evaluate("document.activeElement.className") == "menu-button"
    page.context.close()


def test_arabic_headings_keep_their_letters_joined_and_their_lines_apart(
    browser: Browser, catalogue: Catalogue, kept: dict[str, object]
) -> None:
    document = looks.document(catalogue, "handbill", looks.WORDS["arabic"], kept)
    page = opened(browser, catalogue, document, 1000, "opening")
    told = page.evaluate(
        """[...document.querySelectorAll("[dir=rtl]:is(h1, h2), [dir=rtl] :is(h1, h2)")].map((heading) => {
        const { lineHeight, fontSize, letterSpacing } = getComputedStyle(heading);
        return [parseFloat(lineHeight) / parseFloat(fontSize), letterSpacing]; })"""
    )
    assert told
    for leading, spacing in told:
        assert leading >= 1.29
        assert spacing in ("normal", "0px")
