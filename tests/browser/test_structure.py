"""Templates differ in structure: the same site laid out in each, and how far its boxes are apart."""

from __future__ import annotations

from typing import Any

import pytest
from playwright.sync_api import Browser

from tests.sampling import some
from yemba.catalogue import catalogue as shipped
from yemba.core.site.catalogue import Catalogue
from yemba.sites.samples import sample
from yemba.studio.management.commands import _looks as looks
from yemba.studio.management.commands import _structure as structure

pytestmark = [pytest.mark.browser, pytest.mark.django_db]
APART = 0.11
"""The least distance. Slipway, Handbill and Lantern, which were drawn first, are 0.18 to 0.22 from one another; a
template and itself in another brand sheet 0.03 at most."""
TRADE = "bookbinder"


@pytest.mark.at_length
def test_no_two_templates_are_one_in_two_coats(browser: Browser, catalogue: Catalogue) -> None:
    found = structure.distances(browser, catalogue, TRADE)
    assert len(found) == len(catalogue.templates) * (len(catalogue.templates) - 1) / 2
    near = {pair: round(distance, 3) for pair, distance in found.items() if distance < APART}
    assert not near
    first = [("handbill", "lantern"), ("handbill", "slipway"), ("lantern", "slipway")]
    assert all(0.17 < found[pair] < 0.23 for pair in first)


@pytest.mark.at_length
def test_another_coat_is_no_distance(browser: Browser, catalogue: Catalogue) -> None:
    template = catalogue.template("gazette")
    site = sample(template.slug, template.sheets[0].slug, TRADE)
    recoloured = site.model_copy(update={"sheet": dict(template.sheets[1].values)})
    boxes = [structure.boxes(browser, catalogue, one, template.slug) for one in (site, recoloured)]
    assert structure.distance(boxes[0], boxes[0]) == 0
    assert 0 < structure.distance(*boxes) < 0.03


NAMES = r"""() => [...document.querySelectorAll("main > .section")].map((section) =>
  ["kind", "layout"].map((name) => new RegExp(`${name}-([\\w-]+)`).exec(section.className)?.[1]).join("."))"""
STANDS = """() => [...document.querySelectorAll("main > .section")].map((section) => {
  const from = section.getBoundingClientRect();
  const cells = (...px) => px.map((one) => Math.round(one / 12)).join(" ");
  return [...section.querySelectorAll("*")].filter((e) => e.checkVisibility() && !e.closest("svg, .backdrop")).map((e) => {
    const { x, y, width } = e.getBoundingClientRect();
    const { borderTopWidth, borderLeftWidth, backgroundColor } = getComputedStyle(e);
    return [e.tagName, cells(x - from.x, y - from.y, width), borderTopWidth, borderLeftWidth, backgroundColor].join();
  }).join(";");
})"""
NOT_TOLD = {"divider", "onward"}
"""The words of the one take the place of what tells its layouts apart; the other shows nothing outside a journal."""
COLLAPSED = """() => document.querySelectorAll(".kind-links").forEach((section) =>
  section.classList.replace("layout-list", "layout-row"))"""


def alike(names: list[str], stands: list[str]) -> set[tuple[str, str]]:
    """Pairs of layouts of one kind each of whose sections stand as those of the other do."""
    drawn: dict[str, set[str]] = {}
    for name, stand in zip(names, stands, strict=True):
        if stand and name.split(".")[0] not in NOT_TOLD:
            drawn.setdefault(name, set()).add(stand)
    pairs = [(one, other) for one in drawn for other in drawn if one < other]
    return {
        pair for pair in pairs if pair[0].split(".")[0] == pair[1].split(".")[0] and drawn[pair[0]] & drawn[pair[1]]
    }


@pytest.mark.at_length
@pytest.mark.parametrize("template", some([*shipped().templates], 8))
def test_no_two_layouts_of_a_kind_stand_alike(browser: Browser, catalogue: Catalogue, template: str) -> None:
    site = looks.Looks(
        browser, looks.document(catalogue, template, looks.WORDS["long"], looks.pictures()[0]), catalogue
    )
    page: Any = site.page(1280)
    found: set[tuple[str, str]] = set()
    for path in site.paths():
        site.open(page, path)
        found |= alike(page.evaluate(NAMES), page.evaluate(STANDS))
    site.open(page, "links/index.html")
    names = page.evaluate(NAMES)
    page.evaluate(COLLAPSED)
    proved = alike(names, page.evaluate(STANDS))
    page.context.close()
    assert found == set()
    assert proved, "layouts that stand alike are found"
