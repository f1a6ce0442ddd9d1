"""A site of every trade, in every template by turns, before outside judges."""

from __future__ import annotations

from itertools import cycle
from pathlib import Path

import pytest
from playwright.sync_api import Browser

from tests.sampling import some
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.hosting import services as hosting
from yemba.sites.samples import sample
from yemba.studio.management.commands import _looks as looks

pytestmark = [pytest.mark.browser, pytest.mark.tools, pytest.mark.django_db]
WIDTHS = (1280, 390)


def samples(catalogue: Catalogue) -> list[tuple[str, str, str]]:
    """Template, sheet and trade: every trade once, every template and sheet in turn."""
    sheets = [(one.slug, sheet.slug) for one in catalogue.templates.values() for sheet in one.sheets]
    spread = [
        sheets[place] for start in range(5) for place in range(start, len(sheets), 5)
    ]  # not one template after itself
    return [(*sheet, trade) for trade, sheet in zip(catalogue.trades, cycle(spread), strict=False)]


def test_every_trade_and_every_template_takes_part(catalogue: Catalogue) -> None:
    covered = samples(catalogue)
    assert {trade for *_, trade in covered} == set(catalogue.trades)
    sheets = {(one.slug, sheet.slug) for one in catalogue.templates.values() for sheet in one.sheets}
    assert {(template, sheet) for template, sheet, _ in covered} == sheets


def on_one_page(document: Document) -> Document:
    """With the sections of all pages on the first: that page has every word of the trade."""
    plain = document.plain()
    first, *others = plain["order"]
    home = plain["pages"][first]
    for page in (plain["pages"][key] for key in others):
        home["sections"] |= page.pop("sections", {})
        home["order"] += page.pop("order", [])
    return Document.model_validate(plain)


def test_no_judge_finds_anything(browser: Browser, catalogue: Catalogue, judges: None, tmp_path: Path) -> None:
    wrong: list[str] = []
    for (template, sheet, trade), width in zip(some(samples(catalogue), 36), cycle(WIDTHS), strict=False):
        document = on_one_page(sample(template, sheet, trade))
        site = looks.Looks(browser, document, catalogue, load=hosting.rendering(document).load)
        (tmp_path / f"{trade}.html").write_bytes(site.made("index.html"))
        page = site.page(width)
        site.open(page, "index.html")
        assert page.locator("main > .section").count() == len(list(document.standing()))
        found = (*looks.of_axe(page), *looks.of_boxes(page), *looks.of_outline(page))
        wrong += [f"{trade} in {template}, {sheet}, at {width}: {what}" for what in found]
        page.context.close()
    assert not wrong, "\n".join(wrong)
    assert looks.of_nu(tmp_path.iterdir()) == []
