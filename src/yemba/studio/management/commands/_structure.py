"""How far templates are apart in structure: the same site laid out in each, and the boxes of what stands in it."""

from __future__ import annotations

from collections.abc import Mapping
from itertools import combinations
from pathlib import Path
from statistics import fmean
from typing import Any

from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.hosting import services as hosting
from yemba.sites.samples import sample
from yemba.studio.management.commands._looks import Looks

WIDTH = 1280  # px of the window
Box = tuple[float, float, float, float]
_ASKED = Path(__file__).with_suffix(".js")


def boxes(browser: Any, catalogue: Catalogue, site: Document, template: str) -> dict[str, Box]:
    """The boxes of every page of a site in a template, by page and name: left and width as shares of the window, top
    and height as shares of the section that holds them."""
    in_template = site.model_copy(update={"template": template, "ready_sheet": ""})
    looks = Looks(browser, in_template, catalogue, load=hosting.rendering(in_template).load)
    page = looks.page(WIDTH)
    measured: dict[str, Box] = {}
    for path in looks.paths():
        looks.open(page, path)
        measured |= {f"{path} {name}": tuple(box) for name, box in page.evaluate(_ASKED.read_text()).items()}
    page.context.close()
    return measured


def distance(one: Mapping[str, Box], other: Mapping[str, Box]) -> float:
    """The mean difference of the boxes that both have, 0 for the same page; every section weighs alike. Where a box
    is in one alone it counts for nothing, since a template may leave out what another shows."""
    sections: dict[str, list[float]] = {}
    for name in one.keys() & other.keys():
        apart = fmean(abs(a - b) for a, b in zip(one[name], other[name], strict=True))
        sections.setdefault(name.rsplit(" ", 2)[0], []).append(apart)
    return fmean(map(fmean, sections.values())) if sections else 0.0


def distances(browser: Any, catalogue: Catalogue, trade: str) -> dict[tuple[str, str], float]:
    """Between every two templates, on the sample of a trade."""
    first = next(iter(catalogue.templates.values()))
    site = sample(first.slug, first.sheets[0].slug, trade)
    measured = {slug: boxes(browser, catalogue, site, slug) for slug in catalogue.templates}
    pairs = combinations(measured, 2)
    return {(a, b): distance(measured[a], measured[b]) for a, b in pairs}
