"""The colour that is told of an element is the one that Chromium paints it in, for every field of every kind."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page

from tests.sampling import some
from tests.studio.test_controls import every_kind
from yemba.catalogue import catalogue
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.hosting.services import rendering
from yemba.render.page import render_page
from yemba.render.recorder import Answers
from yemba.render.style import style
from yemba.sites import services as sites
from yemba.sites.models import Site
from yemba.studio.where import colour_roles

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
_PAINTED = """() => {
  const canvas = new OffscreenCanvas(1, 1).getContext("2d");
  const hex = (colour) => { canvas.fillStyle = "#000"; canvas.fillStyle = colour; return canvas.fillStyle; };
  return [...document.querySelectorAll("[data-field]")].filter((e) => e.innerText?.trim() && e.checkVisibility()).map((e) => {
    const place = e.closest("[data-place]").dataset.place, item = e.closest("[data-item]")?.dataset.item || "";
    const style = getComputedStyle(e), fill = hex(style.backgroundColor);
    return [place, e.dataset.field, item, fill === hex(style.getPropertyValue("--button")) ? fill : hex(style.color)];
  });
}"""


@pytest.mark.parametrize("template", some(list(catalogue().templates), 8))
def test_told_colours_are_the_painted_ones(page: Page, site: Site, template: str) -> None:
    page.route("**/*", lambda route: route.abort())
    document = every_kind(sites.document(site))
    document = Document.model_validate(document.plain() | {"template": template, "tagline": "Books mended"})
    draft = rendering(document, draft=True)
    look, made = Look(document, catalogue()), style(draft.look)
    wrong = []
    met = 0
    for key in some(document.order[::-1], len(document.order)):  # the last has every kind
        html = render_page(Answers(draft), key, [], []).html
        html = html.replace('<script src="/-/window.js" type="module"></script>', "")
        page.set_content(
            html.replace("</head>", f"<style>{made.rules}{made.values}</style></head>"), wait_until="domcontentloaded"
        )
        for place, field, item, painted in some(page.evaluate(_PAINTED), 3):
            met += 1
            ground, roles = colour_roles(look, place, field, item)
            told = getattr(look.grounds[ground], roles[0]).hex
            if told != painted:
                wrong.append(f"{place} {field}: told {roles[0]} {told}, painted {painted}")
    assert met > 20
    assert not wrong, "\n".join(sorted(set(wrong)))
