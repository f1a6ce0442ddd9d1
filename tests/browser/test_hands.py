"""The workbench under real hands: a bad line, a server that fails, a session that ends, folds, focus, two windows."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

import pytest
from django.contrib.sessions.models import Session
from playwright.sync_api import Page, Route

from tests.browser.hands import before_long, chapter, eventually, expect, kept, point, ready
from yemba.core.site.document import Document
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [
    pytest.mark.browser,
    pytest.mark.django_db(transaction=True),
    pytest.mark.opens("pages/?section=opening"),
]
SQUARE = (
    b'<svg xmlns="http://www.w3.org/2000/svg" width="60" height="60"><rect width="60" height="60" fill="#2a6"/></svg>'
)


def saltmarsh() -> Site:
    return Site.objects.get(slug="saltmarsh")


def draft() -> Document:
    return sites.document(saltmarsh())


def words(section: str, field: str) -> str:
    return draft().section(section).section.fields.get(field, "")


def kept_words(bench: Page, section: str, field: str, typed: str) -> None:
    before_long(bench, lambda: words(section, field), typed)


def status(bench: Page, said: str) -> None:
    expect(bench.locator("#kept")).to_contain_text(said)


def focused(bench: Page) -> str:
    return str(
        bench.evaluate(
            "() => document.activeElement.id || document.activeElement.form?.id || document.activeElement.closest('[id]')?.id || document.activeElement.tagName"
        )
    )


@contextmanager
def tried_by_hand_alone(bench: Page) -> Iterator[None]:
    """What a script puts off by a second or more does not come about: no queue tries again by itself."""
    bench.evaluate(
        """() => { const soon = window.setTimeout; window.restored = () => { window.setTimeout = soon; };
        window.setTimeout = (act, pause, ...more) => (pause < 1000 || !pause ? soon(act, pause, ...more) : 0); }"""
    )
    yield
    bench.get_by_role("button", name="Try now").click()
    bench.evaluate("() => window.restored()")


def leaving_asks(bench: Page) -> bool:
    return not bench.evaluate("() => dispatchEvent(new Event('beforeunload', { cancelable: true }))")


@contextmanager
def failing(bench: Page, addresses: str) -> Iterator[None]:
    """The server answers what asks for these with 500."""
    bench.route(addresses, lambda route: route.fulfill(status=500, content_type="text/html", body="no"))
    yield
    bench.unroute(addresses)


@contextmanager
def slow_line(bench: Page, latency: int = 400) -> Iterator[None]:
    """400 ms there and back, 50 kB a second."""
    session = bench.context.new_cdp_session(bench)
    session.send("Network.enable")
    rates = {"offline": False, "latency": latency, "downloadThroughput": 50_000, "uploadThroughput": 50_000}
    session.send("Network.emulateNetworkConditions", rates)
    yield
    session.send(
        "Network.emulateNetworkConditions", rates | {"latency": 0, "downloadThroughput": -1, "uploadThroughput": -1}
    )


def test_words_typed_on_a_slow_line_are_kept_and_the_caret_stays(bench: Page) -> None:
    with slow_line(bench):
        heading, button = bench.locator("#words-heading"), bench.locator("#words-button")
        heading.fill("Books mended while the tide is out")
        heading.press("Tab")
        button.focus()
        bench.keyboard.press("Control+A")
        for number, letter in enumerate("Bring a book to Tide Row"):
            bench.keyboard.type(letter)
            bench.wait_for_timeout(60)
            if number == 3:
                bench.keyboard.press("Home")
                bench.keyboard.press("End")
        bench.wait_for_timeout(2500)  # answers and desks arrive while the field still has focus
        bench.keyboard.press("Home")
        bench.keyboard.type("Do ")
        assert button.input_value() == "Do Bring a book to Tide Row"
        assert focused(bench) == "words-button"
        bench.keyboard.press("Enter")
        status(bench, "Do Bring a book to Tide Row")
    assert words("opening", "heading") == "Books mended while the tide is out"
    assert words("opening", "button") == "Do Bring a book to Tide Row"


def test_offline_all_waits_in_order_goes_out_by_itself_and_outlives_a_reload(bench: Page) -> None:
    address = bench.url
    bench.context.set_offline(True)
    bench.locator("#words-heading").fill("First")
    bench.locator("#words-heading").press("Enter")
    status(bench, "No connection. One edit waits here")
    bench.locator("#words-button").fill("Second")
    bench.locator("#words-button").press("Tab")
    status(bench, "2 edits wait here")
    bench.locator("#chapters a[data-chapter=type]").click()
    status(bench, "No connection")
    assert bench.url == address, "a chapter that did not open changes no address"
    expect(bench.locator("#desk h1")).to_have_text("Pages")
    assert words("opening", "heading") != "First"
    bench.context.set_offline(False)
    status(bench, "Kept")
    kept_words(bench, "opening", "heading", "First")
    kept_words(bench, "opening", "button", "Second")

    bench.route("**/edit/", lambda route: route.abort())
    bench.locator("#words-heading").fill("Kept over a reload")
    bench.locator("#words-heading").press("Enter")
    status(bench, "One edit waits here")
    bench.on("dialog", lambda dialog: dialog.accept())
    bench.unroute("**/edit/")
    bench.reload()
    eventually(bench, "document.querySelector('h1')?.textContent.includes('Kept over a reload')")
    assert words("opening", "heading") == "Kept over a reload"
    assert bench.evaluate("() => Object.keys(localStorage).filter((key) => key.startsWith('yemba-unsent'))") == []
    bench.locator("#words-heading").press("End")
    bench.keyboard.type(" and wa")
    bench.evaluate("() => location.reload()")
    eventually(bench, "document.querySelector('h1')?.textContent.endsWith(' and wa')")
    assert words("opening", "heading").endswith(" and wa"), "half a word too"


@pytest.mark.opens("pages/?section=about")
def test_at_a_section_tab_keeps_and_escape_brings_back(bench: Page) -> None:
    expect(bench.locator("#section-about .section-name")).to_be_in_viewport()
    shown = "(r => r.top < innerHeight && r.bottom > 0)(document.querySelector('[data-place=about]').getBoundingClientRect())"
    eventually(bench, f"scrollY > 0 && {shown}")

    standing, revision = words("about", "heading"), saltmarsh().revision
    field = bench.locator("#words-heading")
    field.fill("Typed by mistake")
    field.press("Escape")
    expect(field).to_have_value(standing)
    expect(field).to_be_focused()
    status(bench, "As it is kept")
    field.press("Control+z")
    expect(field).to_have_value("Typed by mistake")
    field.press("Escape")
    rich = bench.locator("#words-body")
    rich.click()
    before = rich.inner_html()
    bench.keyboard.type("Also by mistake.")
    bench.keyboard.press("Escape")
    assert rich.inner_html() == before
    fold = bench.locator("details", has_text="Picture behind").last
    fold.locator("summary").click()
    fold.locator("select, input:not([type=hidden])").first.focus()
    bench.keyboard.press("Escape")
    expect(fold).not_to_have_attribute("open", "")
    expect(fold.locator("summary")).to_be_focused()
    assert saltmarsh().revision == revision, "nothing of it was kept"

    field = bench.locator("#words-body")
    field.click()
    bench.keyboard.press("Control+End")
    bench.keyboard.type(" Ring twice.")
    for _ in range(5):
        bench.keyboard.press("Tab")
    kept(bench, "Words with picture")
    assert "Ring twice." in words("about", "body")


@pytest.mark.opens("palette/")
def test_places_lead_to_the_windows_and_a_key_is_kept_when_the_page_is_left(bench: Page) -> None:
    def first() -> str:
        return str(sites.look(Site.objects.get(slug="saltmarsh")).value("palette")[0]["hex"])

    bench.locator("#desk details.places summary").first.click()
    stop = bench.locator("#desk [data-go][data-place]").last
    page, place = stop.get_attribute("data-go"), stop.get_attribute("data-place")
    stop.click()
    eventually(bench, f"document.body.dataset.page === '{page}'")
    eventually(bench, f"document.querySelector(`[data-place='{place}']`).dataset.chosen === ''")

    before = first()
    bench.locator(".plane svg").press("ArrowLeft")
    bench.goto("about:blank")  # for good: nothing comes back to send it once more
    before_long(bench, lambda: first() != before, True)


def test_a_server_that_fails_is_told_of_and_nothing_is_called_kept_or_undone(bench: Page) -> None:
    def fail(route: Route) -> None:
        route.fulfill(status=500, content_type="text/html", body="no")

    def fail_in_words(route: Route) -> None:
        route.fulfill(status=500, json={"error": {"sentence": "Something broke. (Number 1f2e3d)", "field": ""}})

    for answer, told in ((fail, "500"), (fail_in_words, "Number 1f2e3d")):
        bench.route("**/sites/saltmarsh/footer/**", answer)
        bench.locator("#chapters a[data-chapter=footer]").click()
        expect(bench.locator("#kept")).to_contain_text(told)
        expect(bench.locator("#desk h1")).to_have_text("Pages")
        bench.unroute("**/sites/saltmarsh/footer/**")
    before = words("opening", "heading")
    bench.route("**/undo/", fail)
    bench.locator("#desk h1").click()
    bench.keyboard.press("Control+z")
    status(bench, "The server fails at this. One edit waits")
    expect(bench.locator("#kept")).not_to_contain_text("Undone")
    leave_out = bench.get_by_role("button", name="Leave the first out")
    stood = leave_out.element_handle()
    with bench.expect_response("**/undo/"):  # tried again by itself
        pass
    bench.wait_for_timeout(200)
    assert stood.evaluate("e => e.isConnected"), "a try takes no button from under the pointer"
    leave_out.click()
    status(bench, "Left out")
    bench.unroute("**/undo/")

    bench.route("**/edit/", fail)
    with tried_by_hand_alone(bench):
        bench.locator("#words-heading").fill("While it failed")
        bench.locator("#words-heading").press("Enter")
        status(bench, "The server fails at this")
        assert words("opening", "heading") == before
        bench.unroute("**/edit/")
    status(bench, "Kept: ")
    assert words("opening", "heading") == "While it failed"
    assert focused(bench) == "words-heading"
    bench.keyboard.press("Escape")
    bench.locator("#desk h1").click()
    bench.keyboard.press("Control+z")
    status(bench, "Undone: ")


def test_a_session_that_ended_is_taken_up_again_and_signing_out_leaves_nothing(bench: Page) -> None:
    Session.objects.all().delete()
    bench.locator("#words-heading").fill("Typed after the session")
    bench.locator("#words-heading").press("Enter")
    status(bench, "Your session is over. One edit waits here")
    bench.locator("#kept").get_by_role("button", name="Sign in").click()
    bench.locator("#sign-in").get_by_role("button", name="Enter the demo as Ines").click()
    status(bench, "Kept: ")
    assert words("opening", "heading") == "Typed after the session"
    assert focused(bench) == "words-heading"
    bench.locator("#words-button").fill("And on")
    bench.locator("#words-button").press("Enter")
    status(bench, "And on")

    studio = bench.url.split("/sites/")[0]
    Session.objects.all().delete()
    bench.locator("#words-heading").fill("Typed before")
    bench.locator("#words-heading").press("Enter")
    status(bench, "Your session is over")
    bench.on("dialog", lambda dialog: dialog.accept())
    bench.goto(f"{studio}/sign-in/")
    bench.get_by_role("button", name="Enter the demo").click()
    bench.get_by_role("link", name="Saltmarsh Bindery").click()
    status(bench, "Typed before")
    assert words("opening", "heading") == "Typed before"

    bench.route("**/edit/", lambda route: route.abort())
    chapter(bench, "Footer")
    bench.locator("[id='footer.copyright']").fill("Never sent")
    bench.locator("[id='footer.copyright']").press("Enter")
    status(bench, "One edit waits here")
    bench.goto(f"{studio}/sites/")
    bench.get_by_role("button", name="Sign out").click()
    bench.wait_for_url(f"{studio}/")
    assert bench.evaluate("() => localStorage.length") == 0


def test_files_wait_beside_words_and_go_out_by_themselves(bench: Page) -> None:
    def drawn(*names: str) -> list[dict[str, Any]]:
        return [{"name": name, "mimeType": "image/svg+xml", "buffer": SQUARE} for name in names]

    def library() -> None:
        chapter(bench, "Pages")
        bench.locator("#desk a[href$='/pictures/']").click()

    library()
    files = bench.locator("#take-pictures-file")
    bench.context.set_offline(True)
    files.set_input_files(drawn("one.svg", "two.svg"))
    status(bench, "No connection. 2 files wait here, as long as this page is open.")
    expect(bench.locator(".uploads li")).to_have_count(2)
    assert leaving_asks(bench)
    bench.context.set_offline(False)
    status(bench, "two.svg")
    expect(bench.locator(".uploads li")).to_have_count(0)

    Session.objects.all().delete()
    files.set_input_files(drawn("three.svg"))
    status(bench, "Your session is over. One file waits here")
    bench.locator("#kept").get_by_role("button", name="Sign in").click()
    bench.locator("#sign-in").get_by_role("button", name="Enter the demo as Ines").click()
    status(bench, "three.svg")

    with tried_by_hand_alone(bench), failing(bench, "**/upload/"):
        files.set_input_files(drawn("four.svg", "five.svg"))
        status(bench, "The server fails at this. 2 files wait here")
        chapter(bench, "Footer")
        bench.locator("[id='footer.copyright']").fill("Words go on")
        bench.locator("[id='footer.copyright']").press("Enter")
        before_long(bench, lambda: sites.look(saltmarsh()).value("footer.copyright"), "Words go on")
        library()
        expect(bench.locator(".uploads li")).to_have_count(2)
        status(bench, "2 files wait here")
        bench.locator("#kept").get_by_role("button", name="Leave the first out").click()
        expect(bench.locator(".uploads li")).to_have_count(1)
    status(bench, "five.svg")
    assert not leaving_asks(bench)
    names = [picture.name for picture in draft().pictures.values() if picture.name.endswith(".svg")]
    assert names[-4:] == ["one.svg", "two.svg", "three.svg", "five.svg"]


def test_what_is_typed_to_be_added_stays_and_is_found_once_added(bench: Page) -> None:
    bench.get_by_text("Add a section", exact=True).click()
    bench.get_by_label("Find a kind of section by a word").fill("directions")
    chosen = bench.locator("#section-kind input:checked")
    expect(chosen).to_have_value("map")
    bench.get_by_label("Find a kind of section by a word").fill("people")
    expect(chosen).to_have_value("people")  # others speak of people too
    bench.get_by_label("Find a kind of section by a word").fill("directions")
    expect(chosen).to_have_value("map")
    bench.locator("#words-heading").fill("Meanwhile")
    bench.locator("#words-heading").press("Enter")
    kept_words(bench, "opening", "heading", "Meanwhile")
    kept(bench, "Meanwhile")
    bench.wait_for_timeout(700)
    expect(chosen).to_have_value("map")
    bench.get_by_label("Find a kind of section by a word").fill("xyzzy")
    expect(bench.get_by_text("No kind of section is called so")).to_be_visible()

    bench.locator("#page-name-new").fill("Board shears")
    bench.locator("#words-heading").fill("An edit beside it")
    bench.locator("#words-heading").press("Enter")
    kept(bench, "An edit beside it")
    sites.edit(saltmarsh(), "set-value", {"key": "header.height_wide", "value": 92})
    bench.wait_for_timeout(700)
    expect(bench.locator("#page-name-new")).to_have_value("Board shears")
    chapter(bench, "Footer")
    chapter(bench, "Pages")
    expect(bench.locator("#page-name-new")).to_have_value("Board shears")
    bench.locator("#page-name-new").press("Enter")
    kept(bench, "Page Board shears added")
    expect(bench.locator("#page-name-new")).to_have_value("")
    expect(bench.locator("#desk h2").first).to_have_text("Board shears")
    expect(bench.locator("#page-shown option:checked")).to_have_text("Board shears")
    eventually(bench, "document.title.includes('Board shears')")

    bench.get_by_role("button", name="Find").click()
    bench.locator("#find-words").fill("board sh")
    result = bench.locator("#found").get_by_role("link", name="Page Board shears")
    expect(result).to_be_visible()
    expect(bench.locator("#found").get_by_role("link", name="Palette")).to_be_hidden()
    bench.locator("#find-words").fill("zzz")
    expect(bench.locator("#found-none")).to_be_visible()
    bench.locator("#find-words").fill("corner")
    bench.keyboard.press("ArrowDown")
    expect(bench.locator("#found").get_by_role("link", name="Corner radius")).to_be_focused()
    bench.keyboard.press("ArrowUp")
    expect(bench.locator("#find-words")).to_be_focused()
    bench.keyboard.press("Enter")
    expect(bench.locator("#find")).to_be_hidden()
    expect(bench.locator("[id='shape.corner']")).to_be_focused()


def test_one_page_in_view(bench: Page) -> None:
    """Windows, desk, chooser and address speak of one page, whatever changes it; reload and back return to it."""
    chapter(bench, "Pages")
    bench.get_by_label("Page shown").select_option(label="Classes")
    expect(bench.locator("#desk h2").first).to_have_text("Classes")
    eventually(bench, "document.body.dataset.page === 'classes'")
    assert "page=classes" in bench.url
    chapter(bench, "Header")
    assert "page=classes" in bench.url
    bench.reload()
    ready(bench)
    expect(bench.locator("#page-shown option:checked")).to_have_text("Classes")
    eventually(bench, "document.body.dataset.page === 'classes'")
    bench.mouse.dblclick(*point(bench, "header .menu a[href*=workshop]"))
    expect(bench.locator("#page-shown option:checked")).to_have_text("Workshop")
    expect(bench.locator("#desk h1")).to_have_text("Header")  # a link that is followed opens no other chapter
    bench.go_back()
    expect(bench.locator("#desk h1")).to_have_text("Pages")
    expect(bench.locator("#desk h2").first).to_have_text("Classes")
    expect(bench.locator("#page-shown option:checked")).to_have_text("Classes")

    bench.set_viewport_size({"width": 390, "height": 780})
    ready(bench)
    bench.locator("#desk .section-name").last.click()
    last = bench.locator("#desk .section-name").last.get_attribute("href")
    assert last is not None
    eventually(bench, f"document.querySelector('[data-chosen]')?.dataset.place === '{last.split('section=')[-1]}'")
    bench.wait_for_timeout(300)
    assert bench.locator("#desk .section-name").last.evaluate("e => e.getBoundingClientRect().top") > 0
    chapter(bench, "Proof")
    expect(bench.locator("#publish-button")).to_be_in_viewport(ratio=1)
