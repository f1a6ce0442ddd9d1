"""What a phone loads of a page with every kind of section, before pictures below its window are asked for."""

from __future__ import annotations

import pytest
from playwright.sync_api import Browser

from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
MOST = 300_000
WEIGHT = """() => {
  const seen = new Set([...document.images].filter((img) => img.getBoundingClientRect().top < innerHeight).map((img) => img.currentSrc));
  const loaded = [...performance.getEntriesByType('navigation'), ...performance.getEntriesByType('resource')];
  const counted = loaded.filter(({ name, initiatorType }) => initiatorType !== 'img' || seen.has(name));
  return {
    bytes: counted.reduce((sum, one) => sum + one.transferSize, 0),
    scripts: document.scripts.length,
    kinds: new Set([...document.querySelectorAll('main > .section')].map((one) => one.classList[1])).size,
  };
}"""


def test_a_page_with_every_kind_is_light_on_a_phone(browser: Browser, live_server, demo: Site) -> None:
    sites.edit(demo, "add-page", {"page_name": "All", "page": "xall"})
    kinds = sites.look(demo).catalogue.kinds
    for kind in ("opening", *sorted(kinds.keys() - {"opening"})):
        sites.edit(demo, "add-section", {"page": "xall", "kind": kind})
    document = sites.document(_anew(demo))
    pictures = sorted(document.pictures)
    for number, (key, section) in enumerate(document.pages["xall"].ordered()):
        for field in kinds[section.kind].fields:
            if field.type == "picture":
                _put(demo, key, "", field.slug, pictures[number % len(pictures)])
        for place, item in enumerate(section.order):
            for field in kinds[section.kind].fields_of(item):
                if field.type == "picture":
                    _put(demo, key, item, field.slug, pictures[place % len(pictures)])
    hosting.publish(_anew(demo))
    page = browser.new_page(viewport={"width": 390, "height": 844}, device_scale_factor=2)
    page.goto(f"http://saltmarsh.localhost:{live_server.url.rpartition(':')[2]}/all/")
    page.wait_for_load_state("networkidle")
    told = page.evaluate(WEIGHT)
    page.close()
    assert told["kinds"] == len(kinds)
    assert 20_000 < told["bytes"] < MOST


def _put(site: Site, section: str, item: str, field: str, picture: str) -> None:
    sites.edit(site, "set-words", {"section": section, "item": item, "field": field, "words": picture})


def _anew(site: Site) -> Site:
    return Site.objects.get(pk=site.pk)
