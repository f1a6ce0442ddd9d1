"""Reach against a comparison of both sites whole, as Chromium lays them out: markup and computed style of every place."""

from __future__ import annotations

from typing import Any

import pytest
from playwright.sync_api import Page

from tests.sampling import some
from yemba.catalogue import catalogue
from yemba.core.change.command import read_command
from yemba.core.change.operation import apply
from yemba.core.errors import Fault
from yemba.core.site.document import Document
from yemba.core.site.header import header_fit
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look
from yemba.hosting.services import rendering
from yemba.render.page import render_page
from yemba.render.reach import Spot, State, reach
from yemba.render.recorder import Answers
from yemba.render.style import style
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db
_SIDES = ("top", "right", "bottom", "left")
_STYLES = (
    "color", "background-color", "background-image", "font-family", "font-size", "font-weight", "font-style",
    "line-height", "letter-spacing", "text-align", "text-transform", "text-decoration-line", "text-underline-offset",
    "text-wrap", "font-variant-numeric", "display", "flex-direction", "align-items", "row-gap", "column-gap",
    "column-count", "order", "grid-column-start", "grid-row-start", "object-fit", "object-position", "aspect-ratio",
    "position", "opacity", "overflow-x", "white-space", "list-style-type", "max-inline-size", "max-block-size",
    "min-block-size", "outline-color",
    *(f"border-{side}-{what}" for side in _SIDES for what in ("color", "width", "style")),
    *(f"border-{y}-{x}-radius" for y in ("top", "bottom") for x in ("left", "right")),
    *(f"padding-{side}" for side in _SIDES),
)  # fmt: skip
_READ = """([names, states]) => {
  const told = {};
  for (const place of document.querySelectorAll("[data-place]")) {
    const lines = [];
    for (const element of [place, ...place.querySelectorAll("*")]) {
      for (const pseudo of [null, "::before", "::after"]) {
        const style = getComputedStyle(element, pseudo);
        if (pseudo && style.content === "none") continue;
        for (const name of names) lines.push(style.getPropertyValue(name));
      }
      const style = getComputedStyle(element);
      for (const [selector, names] of states) if (element.matches(selector)) for (const name of names) lines.push(style.getPropertyValue(name));
    }
    told[place.dataset.place] = place.outerHTML + lines.join();
  }
  return told;
}"""
# What shows only under the pointer, pressed or focused; and the room that the page's frame gives.
_STATES = [
    [".inner, .bar", ["inline-size"]],
    ["a", ["--link-hover", "--focus"]],
    ["button, input, textarea, summary", ["--focus"]],
    [".menu a", ["--link-hover"]],
    [".button", ["--button-hover", "--button-pressed", "--button-text", "--focus"]],
]
CHANGES: list[tuple[str, dict[str, Any]]] = [
    ("set-colour", {"colour": "c1", "hex": "#5a2a8c"}),
    ("set-colour", {"colour": "c3", "hex": "#2b9348"}),
    ("set-colour", {"colour": "c5", "hex": "#ffffff"}),
    ("set-value", {"key": "shape.corner", "value": 12}),
    ("set-value", {"key": "type.heading_weight", "value": 400}),
    ("set-value", {"key": "type.heading", "value": "fraunces"}),
    ("set-value", {"key": "type.body", "value": "work-sans"}),
    ("set-value", {"key": "type.base", "value": 20}),
    ("set-value", {"key": "frame.width", "value": 900}),
    ("set-value", {"key": "header.height_wide", "value": 140}),
    ("set-value", {"key": "header.ground", "value": "dark"}),
    ("set-value", {"key": "header.arrangement", "value": "stack"}),
    ("set-value", {"key": "footer.ground", "value": "tinted"}),
    ("set-value", {"key": "footer.words", "value": "Ring twice."}),
    ("name-site", {"title": "Saltmarsh", "tagline": "Books"}),
    ("set-words", {"section": "opening", "field": "heading", "words": "Mended"}),
    ("set-words", {"section": "opening", "field": "button", "words": ""}),
    ("set-ground", {"section": "offers", "ground": "dark"}),
    ("set-layout", {"section": "opening", "layout": "poster"}),
    ("set-layout", {"section": "opening", "layout": "beside"}),
    ("set-one-off", {"section": "about", "element": "heading", "what": "align", "value": "center"}),
    ("set-one-off", {"section": "about", "element": "heading", "what": "size", "value": "51"}),
    ("set-one-off", {"section": "about", "element": "heading", "what": "colour", "value": "#7a1f1f"}),
    ("set-value", {"key": "h2.spacing", "value": 0.05}),
    ("set-value", {"key": "button.case", "value": "uppercase"}),
    ("set-focal", {"picture": "frame", "x": "20", "y": "80"}),
    ("describe-picture", {"picture": "estuary", "alt": "Six books"}),
    ("rename-page", {"page": "classes", "page_name": "Courses", "slug": "courses"}),
    ("move-section", {"section": "opening", "by": 1}),
    ("show-menu-entry", {"entry": "journal", "shown": False}),
    ("set-value", {"key": "site.currency", "value": "CHF"}),
    ("set-value", {"key": "site.language", "value": "de"}),
    ("set-value", {"key": "site.time_zone", "value": "Europe/Dublin"}),
    ("choose-template", {"template": "handbill"}),
]


def whole(page: Page, document: Document, widths: list[int]) -> dict[Spot, str]:
    """Every place of the site as it is written and laid out."""
    site = rendering(document, draft=True)
    made, answers = style(site.look), Answers(site)
    rules = made.rules.replace("@font-face", "@media not all")  # names of faces are compared, not their files
    told: dict[Spot, str] = {}
    for page_id in document.order:
        html = render_page(answers, page_id, [], []).html
        html = html.replace('<script src="/-/window.js" type="module"></script>', "")
        page.set_content(
            html.replace("</head>", f"<style>{rules}{made.values}</style></head>"), wait_until="domcontentloaded"
        )
        for width in widths:
            page.set_viewport_size({"width": width, "height": 800})
            for place, said in page.evaluate(_READ, [_STYLES, _STATES]).items():
                told[Spot(page_id, place)] = told.get(Spot(page_id, place), "") + said
    return told


def of_pages(document: Document, *pages: str) -> Document:
    """The site with these pages alone: a comparison of all of them would tell no more."""
    plain = document.plain()
    kept = {page: plain["pages"][page] for page in pages}
    return Document.model_validate(plain | {"pages": kept, "order": list(pages)})


def test_reach_equals_a_comparison_of_both_sites_whole(page: Page, demo: Site) -> None:
    page.route("**/*", lambda route: route.abort())
    draft = of_pages(sites.document(demo), "home", "classes", "journal")
    assert set(draft.sheet) or draft.ready_sheet
    kept: dict[tuple[int, ...], dict[Spot, str]] = {}
    for name, arguments in some(CHANGES, 4):
        try:
            after = apply(draft, read_command(name, arguments).plan(Look(draft, catalogue()), new_id))
        except Fault as fault:
            raise AssertionError(f"{name} {arguments}: {fault.sentence}") from fault
        before_state, after_state = State(rendering(draft)), State(rendering(after))
        folds = sorted(header_fit(state.look).fold for state in (before_state, after_state))
        widths = [390, *(fold for fold in folds if 390 < fold < 1280), 1280]
        was = kept[tuple(widths)] = kept.get(tuple(widths)) or whole(page, draft, widths)
        now = whole(page, after, widths)
        differing = {place for place in was.keys() | now.keys() if was.get(place) != now.get(place)}
        assert set(reach(before_state, after_state)) == differing, (name, arguments)
