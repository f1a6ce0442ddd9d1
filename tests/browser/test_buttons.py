"""The shape of all buttons set in one place, one of them made quiet: as the page draws them, and as they go live."""

from __future__ import annotations

from itertools import product

import pytest
from playwright.sync_api import Page

from tests.browser.hands import BUTTON, eventually, frames, point, view
from tests.sampling import some
from yemba.core.site.buttons import FORMS, POINTED, states
from yemba.core.site.resolve import Look
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
CASES = some([*product(FORMS, POINTED)], 5)
DRAWN = """selector => {
  const style = getComputedStyle(document.querySelector(selector));
  const seen = (colour) => colour === 'rgba(0, 0, 0, 0)' ? '' : colour;
  return [seen(style.backgroundColor), style.color, seen(style.borderTopColor), style.textDecorationLine === 'underline'];
}"""


def look() -> Look:
    return sites.look(Site.objects.get(slug="saltmarsh"))


def expected(form: str, pointed: str, state: str, slug: str) -> list[object]:
    """What core says, as a browser tells it."""
    ground, painted = look().grounds[slug], states(form, pointed)[state]
    roles = (painted.fill, painted.words, painted.edge)
    colours = ["rgb({}, {}, {})".format(*getattr(ground, role)) if role else "" for role in roles]
    return [*colours, painted.line]


@pytest.mark.at_length
def test_each_form_is_drawn_as_it_is_told(bench: Page) -> None:
    view(bench, "Buttons")
    wide = frames(bench)[0]
    slug = str(wide.locator(".kind-opening").get_attribute("data-ground"))
    for form, pointed in CASES:
        bench.locator(f"[id='buttons.form'] .segment:has([value={form}])").click()
        bench.locator(f"[id='buttons.pointed'] .segment:has([value={pointed}])").click()
        wanted = "" if pointed == "shade" else f".pointed-{pointed}"
        is_form = "" if form == "filled" else f".is-{form}"
        eventually(bench, f"!!document.querySelector('{BUTTON}{is_form}{wanted}')")
        bench.mouse.move(*point(bench, ".kind-opening h1"))
        assert wide.evaluate(DRAWN, BUTTON) == expected(form, pointed, "rest", slug), (form, pointed)
        bench.mouse.move(*point(bench, BUTTON))
        assert wide.evaluate(DRAWN, BUTTON) == expected(form, pointed, "pointed", slug), (form, pointed)
        bench.mouse.down()
        assert wide.evaluate(DRAWN, BUTTON) == expected(form, pointed, "pressed", slug), (form, pointed)
        bench.mouse.move(*point(bench, ".kind-opening h1"))
        bench.mouse.up()
