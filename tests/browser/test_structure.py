"""Templates differ in structure: the same site laid out in each, and how far its boxes are apart."""

from __future__ import annotations

import pytest
from playwright.sync_api import Browser

from yemba.core.site.catalogue import Catalogue
from yemba.sites.samples import sample
from yemba.studio.management.commands import _structure as structure

pytestmark = [pytest.mark.browser, pytest.mark.django_db]
APART = 0.11
"""The least distance. Slipway, Handbill and Lantern, which were drawn first, are 0.18 to 0.22 from one another; a
template and itself in another brand sheet 0.03 at most."""
TRADE = "bookbinder"


def test_no_two_templates_are_one_in_two_coats(browser: Browser, catalogue: Catalogue) -> None:
    found = structure.distances(browser, catalogue, TRADE)
    assert len(found) == len(catalogue.templates) * (len(catalogue.templates) - 1) / 2
    near = {pair: round(distance, 3) for pair, distance in found.items() if distance < APART}
    assert not near
    first = [("handbill", "lantern"), ("handbill", "slipway"), ("lantern", "slipway")]
    assert all(0.17 < found[pair] < 0.23 for pair in first)


def test_another_coat_is_no_distance(browser: Browser, catalogue: Catalogue) -> None:
    template = catalogue.template("gazette")
    site = sample(template.slug, template.sheets[0].slug, TRADE)
    recoloured = site.model_copy(update={"sheet": dict(template.sheets[1].values)})
    boxes = [structure.boxes(browser, catalogue, one, template.slug) for one in (site, recoloured)]
    assert structure.distance(boxes[0], boxes[0]) == 0
    assert 0 < structure.distance(*boxes) < 0.03
