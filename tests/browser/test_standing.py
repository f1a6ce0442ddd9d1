"""A notice made standing, put on every page, taken off one, edited once, and seen by visitors."""

from __future__ import annotations

import pytest
from playwright.sync_api import Browser, Page

from tests.browser.hands import eventually, expect, kept
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]


@pytest.mark.at_length
@pytest.mark.opens("pages/?page=classes&section=c-words")
def test_a_notice_on_every_page_but_one(bench: Page, browser: Browser, demo: Site, live_server) -> None:
    bench.get_by_role("button", name="Make it a standing section").click()
    kept(bench, "made a standing section")
    (key,) = set(sites.document(_anew(demo)).pages["classes"].standing) - {"notice"}
    expect(bench.locator(f"#section-{key} .on-pages")).to_have_text("on 1 page")
    expect(bench.locator(f"#at-of-{key}")).to_be_focused()
    bench.locator(f"#on-of-{key}").select_option("every")
    bench.get_by_role("button", name="Show it there too").click()
    kept(bench, "shown on every page")
    pages = sites.document(_anew(demo)).order
    expect(bench.locator(f"#standing-{key} h3")).to_have_text(f"On {len(pages)} pages, edited once")
    bench.get_by_role("button", name="Take it off Vouchers").click()
    kept(bench, "taken off Vouchers")
    expect(bench.locator(f"#at-of-{key}")).to_be_focused()  # what comes after the last of them
    bench.locator(f"#standing-{key}").get_by_role("link", name="Home").click()
    expect(bench.locator("#page-shown")).to_have_value("home")
    eventually(bench, f"!!document.querySelector('[data-place={key}]')")
    heading = bench.locator(f"#section-{key} #words-heading")
    heading.fill("Closed on Good Friday")
    heading.press("Enter")
    eventually(bench, f"document.querySelector('[data-place={key}]').textContent.includes('Good Friday')")
    bench.locator(f"#at-of-{key}").select_option("first")
    eventually(bench, f"document.querySelector('main > [data-place]').dataset.place === '{key}'")
    hosting.publish(_anew(demo))
    port = live_server.url.rpartition(":")[2]
    page = browser.new_page()
    for path, shows in {"": True, "classes/": True, "vouchers/": False}.items():
        page.goto(f"http://{demo.slug}.localhost:{port}/{path}")
        assert (page.get_by_text("Closed on Good Friday").count() == 1) == shows
    page.close()
    bench.locator(f"#section-bin-{key} button").click()
    kept(bench, f"from {len(pages) - 1} pages")
    eventually(bench, f"!document.querySelector('[data-place={key}]')")
    bench.get_by_role("button", name="Undo").click()
    eventually(bench, f"!!document.querySelector('[data-place={key}]')")
    assert len(sites.document(_anew(demo)).shows(key)) == len(pages) - 1
    bench.locator(f"#at-of-{key}").scroll_into_view_if_needed()
    bench.locator("#chapters a[data-chapter=footer]").click()
    expect(bench.locator("#desk h1")).to_have_text("Footer")
    expect(bench.locator("#desk h1")).to_be_in_viewport()


def _anew(site: Site) -> Site:
    return Site.objects.get(pk=site.pk)
