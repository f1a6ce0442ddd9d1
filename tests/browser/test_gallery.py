"""What pictures of a gallery do that are pointed at, and how a picture behind a section moves."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page

from tests.browser.hands import expect
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]


def test_a_picture_opens_large_on_the_live_page_and_others_are_gone_through(
    page: Page, live_server, demo: Site
) -> None:
    standing = next(
        one for one in sites.document(demo).standing() if one.section.kind == "gallery" and len(one.section.order) > 2
    )
    sites.edit(demo, "set-words", {"section": standing.key, "field": "enlarged", "words": "yes"})
    hosting.publish(Site.objects.get(pk=demo.pk))
    slug = sites.document(demo).pages[standing.page].slug
    address = f"http://saltmarsh.localhost:{live_server.url.rpartition(':')[2]}/"
    page.goto(address)
    assert page.locator("script[src]").count() == 0, "only a page that needs a script has one"
    page.goto(f"{address}{slug}/")
    second = page.locator(".enlarges").nth(1)
    second.scroll_into_view_if_needed()
    before = page.evaluate("scrollY")
    second.click()
    dialog = page.get_by_role("dialog")
    expect(dialog.locator(".count")).to_have_text(f"2 / {len(standing.section.order)}")
    page.keyboard.press("ArrowRight")
    expect(dialog.locator(".count")).to_have_text(f"3 / {len(standing.section.order)}")
    page.keyboard.press("Home")
    expect(dialog.locator(".count")).to_have_text(f"1 / {len(standing.section.order)}")
    expect(dialog.get_by_role("button", name="Previous picture")).to_be_hidden()
    shown = dialog.locator("img").first.evaluate(
        "async (img) => { img.loading = 'eager'; await img.decode(); return img.currentSrc; }"
    )
    assert shown.startswith(address)
    page.keyboard.press("Escape")
    expect(dialog).to_have_count(0)
    assert page.evaluate("scrollY") == before
    assert second.evaluate("link => link === document.activeElement")


def _anew(site: Site) -> Site:
    return Site.objects.get(pk=site.pk)
