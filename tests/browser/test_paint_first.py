"""The windows show what hands do before the server has kept it, and never go back to something older."""

from __future__ import annotations

import json

import pytest
from playwright.sync_api import Page

from tests.browser.hands import BUTTON, before_long, eventually, expect, frames, held_back, ready, settled
from yemba.core.site.document import Document
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
PLACES = "() => [...document.querySelectorAll('#content > [data-place]')].map((place) => place.dataset.place)"
# Every order that a window shows from now on.
NOTE_ORDERS = f"""() => {{ window.orders = [];
  const note = () => {{
    const order = ({PLACES})();
    if (String(order) !== String(window.orders.at(-1))) window.orders.push(order);
  }};
  new MutationObserver(note).observe(document.getElementById("content"), {{ childList: true }}); }}"""

PLUM = f"""document.fonts.status === "loaded" && getComputedStyle(document.querySelector("{BUTTON}")).backgroundColor
  === "rgb(122, 47, 107)" """
# What styles say of every third element, but for its size, which pictures that come round.
SIZES = ["width", "height", "block-size", "inline-size", "perspective-origin", "transform-origin"]
STYLES = f"""() => [...document.querySelectorAll("body *")].filter((_, at) => at % 3 === 0).map((element) => {{
  const style = getComputedStyle(element);
  const names = [...style].filter((name) => !{SIZES}.includes(name));
  return names.map((name) => `${{element.tagName}} ${{name}}: ${{style[name]}}`).join("\\n");
}})"""


def draft() -> Document:
    return sites.document(Site.objects.get(slug="saltmarsh"))


def sections(bench: Page, query: str = "") -> None:
    bench.goto(f"{bench.url.split('/sites/')[0]}/sites/saltmarsh/pages/{query}")
    ready(bench)


def orders(bench: Page) -> list[list[str]]:
    return [frame.evaluate(PLACES) for frame in frames(bench)]


@pytest.mark.opens("pages/?section=opening")
def test_words_stand_in_both_windows_while_they_are_typed(bench: Page) -> None:
    heading, before = bench.locator("#words-heading"), draft()
    was = heading.input_value()
    heading.focus()
    bench.keyboard.press("End")
    bench.keyboard.type(" and rope")
    eventually(bench, f"document.querySelector('h1').textContent.includes({json.dumps(f'{was} and rope')})")
    assert draft() == before, "nothing is kept yet"
    bench.keyboard.press("Escape")
    eventually(bench, "!document.querySelector('h1').textContent.includes('rope')")
    assert heading.input_value() == was

    sections(bench, "?show=words")
    rich = bench.locator("[data-rich]").last
    rich.focus()
    bench.keyboard.press("Control+End")
    bench.keyboard.type(" Tied by hand.")
    eventually(bench, "document.getElementById('content').textContent.includes('Tied by hand.')")
    eventually(bench, "document.querySelector('[data-chosen]').getBoundingClientRect().top < innerHeight")
    assert draft() == before
    bench.locator("#desk h1").click()
    before_long(bench, lambda: "Tied by hand." in draft().text(), True)


@pytest.mark.opens("pages/")
def test_a_section_stands_where_it_is_moved_before_the_answer_comes_and_goes_back_where_it_is_refused(
    bench: Page,
) -> None:
    first, second, third, *rest = draft().pages["home"].order
    moved = [second, third, first, *rest]
    before_long(bench, lambda: orders(bench), [[first, second, third, *rest]] * 2)
    for frame in frames(bench):
        frame.evaluate(NOTE_ORDERS)
    with held_back(bench, "**/edit/") as going:
        bench.locator(f"#section-grip-{first}").focus()
        bench.keyboard.press("ArrowDown")
        bench.keyboard.press("ArrowDown")
        before_long(bench, lambda: orders(bench), [moved] * 2)
        assert draft().pages["home"].order[0] == first, "the server was not asked yet"
        going[0].continue_()
        before_long(bench, lambda: len(going), 2)
        assert draft().pages["home"].order == [second, first, third, *rest]
        going[1].continue_()
        before_long(bench, lambda: draft().pages["home"].order, moved)
    settled(bench)
    one = [second, first, third, *rest]
    assert [frame.evaluate("() => window.orders") for frame in frames(bench)] == [[one, moved]] * 2, "never back to one"

    order = moved
    with held_back(bench, "**/edit/") as going:
        bench.locator(f"#section-down-{order[0]} button").click()
        before_long(bench, lambda: orders(bench), [[order[1], order[0], *order[2:]]] * 2)
        sentence = "It stays where it is."
        refusal = {"error": {"sentence": sentence, "field": "", "code": "gone"}, "revision": 1}
        going[0].fulfill(status=422, json=refusal)
        expect(bench.locator("#desk")).to_contain_text(sentence)
        before_long(bench, lambda: orders(bench), [order] * 2)


def test_what_is_streamed_looks_as_what_is_kept_and_what_is_refused_is_shown_no_longer(bench: Page) -> None:
    """Streamed values stand outside of the layers in which a page that is opened has them."""
    field = bench.locator("#hex-code")
    field.fill("#7a2f6b")
    eventually(bench, PLUM)
    streamed = [frame.evaluate(STYLES) for frame in frames(bench)]
    field.press("Enter")
    settled(bench)
    bench.reload()
    eventually(bench, PLUM)
    for before, after in zip(streamed, (frame.evaluate(STYLES) for frame in frames(bench)), strict=True):
        assert len(before) == len(after) > 30
        differ = [
            set(one.split("\n")) ^ set(other.split("\n"))
            for one, other in zip(before, after, strict=True)
            if one != other
        ]
        assert differ == []

    ready(bench)
    field.fill("#335577")
    eventually(bench, PLUM.replace("122, 47, 107", "51, 85, 119"))
    field.press("End")
    bench.keyboard.type("x")
    field.press("Enter")
    expect(field).to_have_attribute("aria-invalid", "true")
    eventually(bench, PLUM)
    assert field.input_value() == "#335577x", "what was typed stays"
