"""Buttons as Chromium draws them, at rest, pointed at and pressed, are those that core tells of."""

from __future__ import annotations

from itertools import product

import pytest
from playwright.sync_api import Browser

from tests.browser.hands import BUTTON
from tests.editing import edited
from tests.sampling import some
from yemba.core.site.buttons import FORMS, POINTED, states
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.studio.management.commands import _looks as looks

pytestmark = pytest.mark.browser
DRAWN = """button => {
  const style = getComputedStyle(button);
  const seen = (colour) => colour === 'rgba(0, 0, 0, 0)' ? '' : colour;
  return [seen(style.backgroundColor), style.color, seen(style.borderTopColor), style.textDecorationLine === 'underline'];
}"""


@pytest.mark.parametrize(("form", "pointed"), some([*product(FORMS, POINTED)], 5))
def test_each_form_is_drawn_as_it_is_told(
    browser: Browser, catalogue: Catalogue, document: Document, form: str, pointed: str
) -> None:
    for key, value in (("form", form), ("pointed", pointed)):
        document = edited(document, "set-value", key=f"buttons.{key}", value=value)
    look, site = Look(document, catalogue), looks.Looks(browser, document, catalogue)
    home = document.pages[document.order[0]]
    ground = look.grounds[look.ground(home.sections[home.order[0]]).value]
    page = site.page(1280)
    page.emulate_media(reduced_motion="reduce")
    site.open(page, "index.html")
    button = page.locator(BUTTON)
    for state, act in {
        "rest": button.scroll_into_view_if_needed,
        "pointed": button.hover,
        "pressed": page.mouse.down,
    }.items():
        act()
        painted = states(form, pointed)[state]
        roles = (painted.fill, painted.words, painted.edge)
        colours = ["rgb({}, {}, {})".format(*getattr(ground, role)) if role else "" for role in roles]
        assert button.evaluate(DRAWN) == [*colours, painted.line], state
    page.context.close()
