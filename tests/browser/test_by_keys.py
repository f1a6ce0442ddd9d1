"""The whole errand by keys alone, with focus looked at after each: never on the page, never hidden, never elsewhere."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page

from tests.browser.hands import expect, kept, settled
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
# What has the focus, and what is wrong with that. A window is its own page, and shows its own focus.
FOCUS = """() => {
  const e = document.activeElement;
  const name = `${e.tagName.toLowerCase()}#${e.id} ${(e.getAttribute("aria-label") ?? e.textContent).trim().slice(0, 40)}`;
  if (e === document.body) return [name, "on the page"];
  if (e.tagName === "IFRAME") return [name, ""];
  const { x, y, width, height } = e.getBoundingClientRect();
  if (!e.checkVisibility({ visibilityProperty: true }) || !width) return [name, "hidden"];
  const [across, down] = [x + Math.min(width / 2, 20), y + Math.min(height / 2, 12)];
  if (across < 0 || down < 0 || across > innerWidth || down > innerHeight) return [name, "off the screen"];
  const top = document.elementFromPoint(across, down);
  const label = e.closest("label");
  return [name, e.contains(top) || top.contains(e) || label?.contains(top) ? "" : `under ${top.outerHTML.slice(0, 60)}`];
}"""


class Keys:
    """A keyboard, and the log of where the focus was."""

    def __init__(self, page: Page) -> None:
        self.page = page
        self.log: list[str] = []

    def press(self, key: str) -> None:
        self.page.keyboard.press(key)
        self.page.wait_for_timeout(20)
        name, wrong = self.page.evaluate(FOCUS)
        self.log.append(f"{key}: {name}")
        assert not wrong, f"focus is {wrong}:\n" + "\n".join(self.log[-12:])

    def type(self, words: str) -> None:
        self.press("Control+A")
        self.page.keyboard.type(words[:-1])
        self.press(words[-1])

    def to(self, selector: str, key: str = "Tab") -> None:
        """On by Tab to something."""
        for _ in range(120):
            if self.on(selector):
                return
            self.press(key)
        raise AssertionError(f"{selector} is not come to:\n" + "\n".join(self.log[-12:]))

    def on(self, selector: str) -> bool:
        return bool(self.page.evaluate("s => document.activeElement.matches(s)", selector))

    def rest(self) -> None:
        """Until the desk has come anew; the focus stays where it was."""
        settled(self.page)
        self.page.wait_for_timeout(200)
        name, wrong = self.page.evaluate(FOCUS)
        assert not wrong, f"after a while {name} is {wrong}"


def test_the_whole_errand_by_keys(bench: Page) -> None:
    keys = Keys(bench)
    keys.press("Tab")
    assert keys.on("a[href='#main']")
    keys.press("Enter")
    keys.to("#hex-code")
    keys.type("#1f5d50")
    keys.press("Enter")
    kept(bench, "Oxide to #1f5d50")
    keys.rest()
    assert keys.on("#hex-code")

    keys.to("#chapters a[data-chapter=header]", "Shift+Tab")
    keys.press("Enter")
    expect(bench.locator("#desk h1")).to_have_text("Header")
    keys.rest()
    keys.to("[id='header.height_wide']")
    keys.type("96")
    keys.press("Enter")
    kept(bench, "96 px")

    keys.to("#chapters a[data-chapter=pages]", "Shift+Tab")
    keys.press("Enter")
    expect(bench.locator("#desk h1")).to_have_text("Pages")
    keys.rest()
    keys.to("#page-name-new")
    keys.type("Gilding")
    keys.press("Enter")
    kept(bench, "Gilding")
    keys.rest()
    assert keys.on("#desk :is(input, h1, h2, summary)"), "on what was added"

    keys.to("#chapters a[data-chapter=proof]", "Shift+Tab")
    keys.press("Enter")
    expect(bench.locator("#desk h1")).to_have_text("Proof")
    keys.rest()
    keys.to("[name=goes]")
    keys.press("Space")
    expect(bench.locator("#publish-button")).to_contain_text("Publish 8 of 9 changes")
    keys.to("#publish button.act")
    bench.keyboard.press("Enter")
    expect(bench.locator("#desk")).to_contain_text("Edition 4 is live")
    expect(bench.locator("#published-title"), "a page of its own has the focus where it says so").to_be_focused()
    assert not bench.evaluate(FOCUS)[1]
    site = Site.objects.get(slug="saltmarsh")
    live = hosting.live_document(site)
    assert live is not None
    assert "Gilding" in [page.name for page in live.pages.values()]
    assert sites.look(site).value("header.height_wide") == 96
