"""Headers are laid out as was worked out: a sample of what ``manage.py sweep_headers`` goes through, each check proved."""

from __future__ import annotations

from typing import Any

import pytest
from playwright.sync_api import Browser

from tests.sampling import some
from yemba.core.layout.arrangement import UNFOLDS
from yemba.core.layout.header_drawing import ACTION, ENTRY, SMALL, TITLE, drawing
from yemba.core.layout.header_fit import Fit
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.header import header, header_fit
from yemba.core.site.resolve import Look
from yemba.studio.management.commands import _headers as headers
from yemba.studio.management.commands._headers import Case, every_case, faults
from yemba.studio.management.commands._looks import Looks

pytestmark = [pytest.mark.browser]
SAMPLE = 263  # every so manieth case: as many arrangements, templates, names, counts and logos as there are


def test_a_sample_fits_as_was_worked_out(browser: Browser, catalogue: Catalogue) -> None:
    cases = list(every_case(catalogue))[::SAMPLE]
    assert {case.arrangement for case in cases} == set(catalogue.arrangements)
    assert {case.template for case in cases} == set(catalogue.templates)
    assert [fault for case in some(cases, 3) for fault in faults(case, catalogue, browser)] == []


CASE = Case("row", "slipway", "short", 7, "none")


def test_a_wrong_fold_is_found(browser: Browser, catalogue: Catalogue, monkeypatch: pytest.MonkeyPatch) -> None:
    def later(look: Look) -> Fit:
        fit = header_fit(look)
        return fit._replace(fold=fit.fold + 400)

    monkeypatch.setattr(headers, "header_fit", later)
    assert any("worked out to unfold" in fault for fault in faults(CASE, catalogue, browser))


def piece(what: str, left: float, right: float, top: float = 0, bottom: float = 40) -> dict[str, Any]:
    return {"what": what, "left": left, "right": right, "top": top, "bottom": bottom}


def test_what_overlaps_runs_out_or_stands_beside_its_section_is_found(catalogue: Catalogue) -> None:
    look = Look(headers.site_of(CASE), catalogue)
    pieces = [piece("site-title", 20, 200), piece("entry", 190, 1300)]
    measured = {
        "width": 1280,
        "folded": False,
        "pieces": pieces,
        "name": 0,
        "entries": [["Repairs", 10.0]],
        "sideways": 1400,
    }
    told = " ".join(headers._wrong(look, measured))
    for part in ("scrolls sideways to 1400", "entry runs from 190 to 1300", "site-title and entry overlap by 10 x 40",
                 "the name is 0.0 px wide", "“Repairs” is 10.0 px wide"):  # fmt: skip
        assert part in told
    section = {"painted": False, **piece("", 0, 1280, 0, 30)}
    off = " ".join(headers._off_the_section([piece("entry", 20, 100)], section))
    assert "not painted" in off and "entry stands off the section" in off


@pytest.mark.parametrize(("template", "entries"), some([("patchwork", 7), ("slipway", 3)], 2))
def test_a_header_stands_as_it_is_drawn(browser: Browser, catalogue: Catalogue, template: str, entries: int) -> None:
    """Pieces stand along the bar where the desk draws them; a drawing has the least gutter, and a tagline at its least."""
    compared = 0
    for arrangement in catalogue.arrangements.values():
        if arrangement.menu != UNFOLDS or arrangement.column or not shown(catalogue, template, arrangement.slug):
            continue
        site = headers.site_of(Case(arrangement.slug, template, "short", entries, "none"))
        look, looks = Look(site, catalogue), Looks(browser, site, catalogue)
        page = looks.page(1280)
        looks.open(page, "")
        pieces = page.evaluate(headers._MEASURE)["pieces"]
        page.context.close()
        drawn = drawing(header(look), 1280, True, header_fit(look)).boxes
        for what, kind, off in (("site-title", TITLE, 30), ("entry", ENTRY, 30), ("action", ACTION, 30)):
            stands = sorted((one["left"] + one["right"]) / 2 for one in pieces if one["what"].startswith(what))
            boxes = sorted(box.x + box.width / 2 for box in drawn if box.what == kind)
            assert boxes == pytest.approx(stands, abs=off), (arrangement.slug, what)
            compared += len(boxes)
        (tagline,) = [one for one in pieces if one["what"].startswith("tagline")] or [None]
        if tagline and tagline["right"] - tagline["left"] < 600:  # else a line of its own, its words at the start
            (box,) = [box for box in drawn if box.what == SMALL]
            assert box.x + box.width / 2 == pytest.approx((tagline["left"] + tagline["right"]) / 2, abs=90)
    assert compared > 30


def shown(catalogue: Catalogue, template: str, arrangement: str) -> bool:
    return catalogue.template(template).shows("header.arrangement", arrangement)
