"""The footer as Chromium draws it: its box, where it stands, every arrangement; and an errand on its desk."""

from __future__ import annotations

from itertools import product

import pytest
from playwright.sync_api import Browser, Page

from tests.browser.hands import chapter, eventually, expect, frames, kept, point, settled, steady
from tests.sampling import some
from yemba.core.part.footer import ARRANGEMENTS
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.sites import services as sites
from yemba.sites.models import Site
from yemba.studio.management.commands import _looks as looks

HOME = ("index.html",)
BOX = """() => {
  const footer = document.querySelector('.site-footer'), inner = footer.querySelector(':scope > .inner');
  const style = getComputedStyle(inner), box = footer.getBoundingClientRect();
  return { top: box.top + scrollY, height: box.height, above: style.paddingBlockStart, below: style.paddingBlockEnd,
    line: style.borderBlockStartWidth, foot: box.bottom + scrollY, page: document.documentElement.scrollHeight,
    content: document.querySelector('main').getBoundingClientRect().bottom + scrollY };
}"""
LISTEN = {"kind": "listen", "layout": "signs", "fields": {"heading": "Elsewhere"}}
LISTEN |= {"items": {"i": {"fields": {"title": "Harbour pictures", "link": "https://a.example/", "sign": "pictures"}}}}
LISTEN |= {"order": ["i"]}
SECTIONS = {
    "f1": {"kind": "hours-and-place", "fields": {"heading": "Come and see", "telephone": "01632 960 001"}},
    "f2": LISTEN,
    "f3": {
        "kind": "links",
        "items": {"k": {"fields": {"title": "Prices and vouchers", "link": "page:p"}}},
        "order": ["k"],
    },
}
SHORT = {"kind": "words", "fields": {"heading": "A short page", "body": "<p>Few words.</p>"}}


def _document(template: str, language: str = "en-GB", *, sections: bool = True, **values: object) -> Document:
    held = SECTIONS if sections else {}
    plain = {
        "name": "Saltmarsh Bindery",
        "template": template,
        "site": {"site.language": language},
        "parts": {f"footer.{name}": value for name, value in values.items()},
        "pages": {
            "p": {"name": "Home", "slug": "", "sections": {"s": SHORT}, "order": ["s"]},
            "q": {"name": "Prices", "slug": "prices"},
        },
        "order": ["p", "q"],
        "shared": {"footer": {"sections": held, "order": list(held)}},
    }
    return Document.model_validate(plain)


def _home(browser: Browser, catalogue: Catalogue, document: Document, width: int, height: int) -> Page:
    site = looks.Looks(browser, document, catalogue)
    page = site.page(width)
    page.set_viewport_size({"width": width, "height": height})
    site.open(page, "")
    return page


@pytest.mark.browser
@pytest.mark.parametrize("template", ["slipway", "patchwork"])
def test_its_box_has_the_measures_that_are_set(browser: Browser, catalogue: Catalogue, template: str) -> None:
    values = {"height": 300, "padding": 36, "line": 3}
    page = _home(browser, catalogue, _document(template, sections=False, **values), 1280, 900)
    box = page.evaluate(BOX)
    assert abs(box["height"] - 300) <= 1
    assert (box["above"], box["below"], box["line"]) == ("36px", "36px", "3px")
    page.context.close()


@pytest.mark.browser
@pytest.mark.parametrize(("stands", "height"), some([*product(("foot", "follows"), (2000, 500))], 3))
def test_on_a_short_page_it_stands_where_it_is_set(
    browser: Browser, catalogue: Catalogue, stands: str, height: int
) -> None:
    page = _home(browser, catalogue, _document("quire", sections=False, stands=stands), 1280, height)
    box = page.evaluate(BOX)
    is_short = box["page"] <= height + 1
    if stands == "foot":
        assert abs(box["foot"] - max(height, box["page"])) <= 1
    else:
        assert abs(box["top"] - box["content"]) <= 1
        assert is_short == (box["foot"] < height + 1)
    assert height == 500 or is_short
    page.context.close()


@pytest.mark.at_length
@pytest.mark.browser
@pytest.mark.tools
@pytest.mark.parametrize("arrangement", some(list(ARRANGEMENTS), 12))
def test_every_arrangement_holds(browser: Browser, catalogue: Catalogue, judges: None, arrangement: str) -> None:
    """Each in a template of its own, every other from right to left."""
    place = list(ARRANGEMENTS).index(arrangement)
    template = sorted(catalogue.templates)[place % len(catalogue.templates)]
    words = {"words": "If the door is shut, ring the ship’s bell.", "logo": True, "credit": True}
    document = _document(template, "ar" if place % 2 else "en-GB", arrangement=arrangement, **words)
    assert list(looks.findings(looks.Looks(browser, document, catalogue, HOME), (280, 1280))) == []


@pytest.mark.browser
@pytest.mark.django_db(transaction=True)
def test_it_is_arranged_drawn_and_written(bench: Page, demo: Site) -> None:
    chapter(bench, "Footer")
    wide = frames(bench)[0]
    eventually(bench, "scrollY > 100")  # the windows show what the desk is about
    bench.locator("#footer\\.arrangement input[value=columns]").check(force=True)
    eventually(bench, "!!document.querySelector('.site-footer.arranged-columns')")
    handle = bench.get_by_role("slider", name="Height of the footer")
    handle.focus()
    bench.keyboard.press("Shift+ArrowDown")
    kept(bench, "Footer height")
    assert _look(demo).value("footer.height") == 110
    bench.get_by_role("slider", name="Padding of the footer").press("Shift+ArrowDown")  # down, as its handle goes
    kept(bench, "Footer padding")
    assert _look(demo).value("footer.padding") == 30
    handle.focus()
    settled(bench)
    box = steady(handle)
    expect(handle).to_be_focused()  # though the desk was drawn anew
    surface = steady(bench.locator(".footer-surface"))
    for beside in (surface["x"] + surface["width"] / 2, box["x"] + 20):  # pressed beside the handles, then on one
        bench.mouse.click(beside, box["y"] + box["height"] / 2)
        settled(bench)
    assert _look(demo).value("footer.height") == 110
    bench.mouse.move(box["x"] + 20, box["y"] + 12)
    bench.mouse.down()
    bench.mouse.move(box["x"] + 20, surface["y"] + surface["height"] - 2, steps=5)
    bench.mouse.up()
    eventually(bench, "parseFloat(getComputedStyle(document.querySelector('.site-footer')).minBlockSize) > 150")
    settled(bench)
    expect(bench.locator("#footer\\.height")).not_to_have_value("110")
    bench.wait_for_timeout(500)
    assert _look(demo).value("footer.height") == pytest.approx(197, abs=6)
    bench.get_by_role("checkbox", name="“Made with Yemba” at its end").check()
    eventually(bench, "!!document.querySelector('.site-footer .credit')")
    wide.locator(".site-footer .copyright").scroll_into_view_if_needed()
    bench.mouse.dblclick(*point(bench, ".site-footer .copyright"))
    field = wide.locator(".copyright[contenteditable]")
    expect(field).to_have_text("© {year} {name}")  # as it is kept, so that the year stays current
    field.fill("© {year} Ines Varela")
    bench.keyboard.press("Enter")
    eventually(bench, "document.querySelector('.copyright').textContent.includes('Ines Varela')")
    expect(bench.locator("#footer\\.copyright")).to_have_value("© {year} Ines Varela")
    bench.locator("#add-section input[value=links]").check(force=True)
    bench.locator("#add-section button[type=submit]").click()
    eventually(bench, "!!document.querySelector('.site-footer .kind-links')")
    bench.locator("#footer\\.shown").uncheck()
    eventually(bench, "document.querySelector('[data-place=footer]').hidden")
    expect(bench.locator("#desk")).to_contain_text("Pages end without one now")
    bench.get_by_role("button", name="Undo").click()
    eventually(bench, "!!document.querySelector('.site-footer .kind-links')")


def _look(site: Site):
    return sites.look(Site.objects.get(pk=site.pk))
