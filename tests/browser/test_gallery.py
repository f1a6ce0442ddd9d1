"""What pictures of a gallery do that are pointed at, and how a picture behind a section moves."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page

from tests.browser.hands import eventually, frames, point
from tests.browser.test_hands import section
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
STYLES = {"colour": ("img", "filter"), "larger": ("img", "scale"), "caption": ("figcaption", "opacity")}


def test_a_picture_that_is_pointed_at_changes_as_its_owner_chose(bench: Page, demo: Site) -> None:
    document = sites.document(demo)
    standing = next(one for one in document.standing() if one.section.kind == "gallery" and len(one.section.order) > 1)
    bench.goto(bench.url.replace("palette/", f"pages/?page={standing.page}"))
    section(bench, standing.key)
    wide = frames(bench)[0]
    wide.page.emulate_media(reduced_motion="reduce")
    first, other = (f"li[data-item='{key}']" for key in standing.section.order[:2])
    for chosen, (element, name) in STYLES.items():
        bench.locator("#words-pointed").select_option(chosen)
        eventually(bench, f"!!document.querySelector('.items.on-{chosen}')")
        told = f"e => getComputedStyle(e.querySelector('{element}') ?? e.querySelector('img')).{name}"
        bench.mouse.move(*point(bench, f"{other} .show"))
        at_rest = wide.locator(first).evaluate(told)
        bench.mouse.move(*point(bench, f"{first} .show"))
        assert wide.locator(first).evaluate(told) != at_rest, chosen


def test_a_picture_behind_a_section_stands_still_unless_less_motion_is_asked_for(bench: Page, demo: Site) -> None:
    picture = next(key for key, one in sites.document(demo).pictures.items() if one.width > 600)
    sites.edit(demo, "set-words", {"section": "about", "field": "backdrop", "words": picture})
    section(bench, "about")
    bench.locator("#words-moves").select_option("still")
    eventually(bench, "!!document.querySelector('.stands-still')")
    wide = frames(bench)[0]
    tops = """() => [0, 90].map((down) => {
      const section = document.querySelector('.stands-still');
      scrollTo({ top: section.offsetTop - 200 + down, behavior: 'instant' });
      return section.querySelector('.backdrop img').getBoundingClientRect().top;
    })"""
    assert wide.evaluate(tops) == [0, 0]
    bench.emulate_media(reduced_motion="reduce")
    moved = wide.evaluate(tops)
    assert moved[0] - moved[1] == 90
