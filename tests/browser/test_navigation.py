"""A menu that is two deep: put in order by hand and by keys, used by pointer, touch and keys on the live site."""

from __future__ import annotations

import functools
import http.server
import json
import threading
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page

from tests.browser.hands import chapter, eventually, expect, kept, steady, view
from yemba.core.site.document import Document
from yemba.core.site.navigation import entries
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
ADDRESS = "http://tide.example/"


def menu() -> list[tuple[str, list[str]]]:
    document = sites.document(Site.objects.get(slug="saltmarsh"))
    return [(entry.name, [below.name for below in entry.below]) for entry in entries(document)]


def drag(bench: Page, entry: str, to: str, *, inwards: int = 0) -> None:
    """The grip of an entry to just below the middle of another's row."""
    grip = bench.locator(f"#entry-grip-{entry}")
    grip.scroll_into_view_if_needed()
    start, row = steady(grip), steady(bench.locator(f"#entry-{to}-row"))
    assert start and row
    bench.mouse.move(start["x"] + 10, start["y"] + 10)
    bench.mouse.down()
    bench.mouse.move(start["x"] + 10 + inwards, row["y"] + row["height"] * 0.75, steps=6)
    bench.mouse.up()


def test_entries_are_put_in_order_and_under_one_another_by_hand_and_by_keys(bench: Page) -> None:
    chapter(bench, "Header")
    view(bench, "Navigation")
    before = menu()
    drag(bench, "repairs", "notebooks")
    kept(bench, "Repairs stands at the top")
    assert [name for name, _ in menu()][:3] == ["Notebooks", "Repairs", "Classes"]
    expect(bench.locator(".entry").nth(2)).to_have_id("entry-repairs-row")
    drag(bench, "classes", "repairs", inwards=60)
    kept(bench, "Classes stands under Repairs")
    assert menu()[1] == ("Repairs", ["Classes"])
    eventually(bench, "[...document.querySelectorAll('.sub a')].some((one) => one.textContent === 'Classes')")

    bench.locator("#entry-grip-classes").focus()
    bench.keyboard.press("ArrowLeft")
    kept(bench, "Classes stands at the top")
    assert menu()[1:3] == [("Repairs", []), ("Classes", [])]
    expect(bench.locator("#entry-grip-classes")).to_be_focused()
    bench.keyboard.press("ArrowUp")
    kept(bench, "Classes moved in the menu")
    bench.keyboard.press("ArrowRight")
    kept(bench, "Classes stands further in")
    assert menu()[0] == ("Notebooks", ["Classes"])
    for _ in range(5):
        bench.get_by_role("button", name="Undo").click()
    kept(bench, "Undone")
    until_menu(bench, before)


def until_menu(bench: Page, wanted: list[tuple[str, list[str]]]) -> None:
    for _ in range(100):
        if menu() == wanted:
            return
        bench.wait_for_timeout(100)
    assert menu() == wanted


@pytest.fixture
def written(demo: Site, tmp_path: Path) -> Iterator[str]:
    """The bindery with Classes and Notebooks under Repairs."""
    plain = sites.document(demo).plain()
    plain["navigation"] = plain.get("navigation", {}) | {"under": {"classes": "repairs", "notebooks": "repairs"}}
    plain["parts"] = plain.get("parts", {}) | {"header.position": "sticky"}
    demo.document = Document.model_validate(plain).text()
    hosting.write_out(demo, tmp_path / "site", draft=True, address=ADDRESS)
    handler = functools.partial(http.server.SimpleHTTPRequestHandler, directory=tmp_path / "site")
    with http.server.ThreadingHTTPServer(("127.0.0.1", 0), handler) as server:
        threading.Thread(target=server.serve_forever, daemon=True).start()
        yield f"http://127.0.0.1:{server.server_port}"
        server.shutdown()


def test_a_nested_menu_opens_by_pointer_and_by_keys(page: Page, written: str) -> None:
    page.goto(written)
    below = page.get_by_role("navigation", name="Main").get_by_role("link", name="Classes")
    expect(below).to_be_hidden()
    page.locator(".has-sub").hover()
    expect(below).to_be_visible()
    page.mouse.move(10, 700)
    expect(below).to_be_hidden()

    opener = page.get_by_role("button", name="More: Repairs")
    opener.focus()
    page.keyboard.press("Enter")
    expect(below).to_be_visible()
    box, under = below.bounding_box(), opener.bounding_box()
    assert box and under
    assert 0 < box["y"] - under["y"] < 120 and abs(box["x"] - under["x"]) < 260, "it stands at its button"
    page.keyboard.press("Escape")
    expect(below).to_be_hidden()
    expect(opener).to_be_focused()
    page.keyboard.press("Enter")
    page.keyboard.press("Tab")
    page.keyboard.press("Enter")
    expect(page).to_have_url(f"{written}/notebooks/")


def test_on_a_phone_all_of_it_is_in_the_panel(browser: Browser, written: str) -> None:
    phone = browser.new_context(viewport={"width": 390, "height": 780}, has_touch=True).new_page()
    phone.goto(f"{written}/classes/")
    trail = phone.get_by_role("navigation", name="You are here")
    expect(trail.get_by_role("listitem")).to_have_text(["Home", "Repairs", "Classes"])
    told = [json.loads(one) for one in phone.locator('script[type="application/ld+json"]').all_text_contents()]
    lists = [one for whole in told for one in (whole if isinstance(whole, list) else [whole])]
    (crumbs,) = [one for one in lists if one["@type"] == "BreadcrumbList"]
    assert [step["item"] for step in crumbs["itemListElement"]] == [
        ADDRESS,
        f"{ADDRESS}repairs-and-prices/",
        f"{ADDRESS}classes/",
    ]
    phone.get_by_role("button", name="Menu").tap()
    below = phone.locator(".menu .sub a")
    expect(below).to_have_text(["Notebooks", "Classes"])
    assert all(box["height"] >= 44 for one in below.all() if (box := one.bounding_box()))
    below.first.tap()
    expect(phone).to_have_url(f"{written}/notebooks/")
    phone.context.close()
