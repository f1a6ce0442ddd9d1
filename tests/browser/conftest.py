"""A real browser on a real server. Chromium finds every *.localhost on this machine by itself."""

from __future__ import annotations

import re
from collections.abc import Iterator
from pathlib import Path
from socketserver import ThreadingMixIn
from threading import enumerate as enumerate_threads

import pytest
from django.conf import settings
from django.test import Client
from playwright.sync_api import Browser, BrowserContext, Page
from playwright.sync_api import expect as expected

from tests.browser.hands import eventually, ready
from tests.demo import put
from yemba.sites.models import Site

_BY_THE_BROWSER = "Applying inline style"  # that Chromium puts on words that are pasted; the policy takes it off
_MUST_BE = re.compile(r"/where/\?|/assets/.*\?as=")  # else a picture may be asked for that an edit has just replaced
PATIENCE = 20_000  # ms; a busy machine is slow, not wrong
expected.set_options(timeout=PATIENCE)


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """A browser's errand that fails is tried once more; the run names it in its summary (docs/decisions/0048)."""
    for one in items:
        if one.get_closest_marker("browser"):
            one.add_marker(pytest.mark.flaky(reruns=1))


@pytest.fixture(autouse=True)
def windows_wait_for_no_picture(pictures_are_made_once: None) -> None:
    """Those of the demo are asked for by each of them."""


@pytest.fixture
def page(browser: Browser, request: pytest.FixtureRequest) -> Iterator[Page]:
    """A window in which an error of a script, a refusal by the content policy, a place or picture not found fails."""
    context: BrowserContext = browser.new_context(viewport={"width": 1280, "height": 800})
    opened = context.new_page()
    opened.set_default_timeout(PATIENCE)
    opened.set_default_navigation_timeout(3 * PATIENCE)  # the workbench with both its windows, made from nothing
    wrong: list[str] = []
    opened.on("pageerror", lambda error: wrong.append(str(error)))
    opened.on("console", lambda m: wrong.append(m.text) if "Content Security Policy" in m.text else None)
    opened.on("response", lambda r: wrong.append(r.url) if r.status == 404 and _MUST_BE.search(r.url) else None)
    yield opened
    for every in browser.contexts:  # what a test that failed left open would keep the next one waiting
        every.close()
    _wait_for_answers()
    if request.node.get_closest_marker("pastes"):
        wrong = [one for one in wrong if not one.startswith(_BY_THE_BROWSER)]
    assert wrong == []


def _wait_for_answers() -> None:
    """What a window asked for before it was closed is still answered, and noted in the database of this test."""
    for thread in enumerate_threads():
        if ThreadingMixIn.process_request_thread.__name__ in thread.name:
            thread.join(PATIENCE / 1000)


@pytest.fixture
def demo(transactional_db: None, demo_kept: Path) -> Site:
    """The bindery; the demo's three sites stand as they were first loaded."""
    return put(demo_kept)


@pytest.fixture
def bench(page: Page, live_server, demo: Site, request: pytest.FixtureRequest) -> Page:
    """The bindery at the workbench, both windows showing it; Ines is signed in already. It opens at the palette, or
    where the mark ``opens`` says."""
    client = Client()
    client.force_login(demo.owner, backend="django.contrib.auth.backends.ModelBackend")
    studio = f"http://localhost:{live_server.url.rpartition(':')[2]}/"
    session = {"name": settings.SESSION_COOKIE_NAME, "value": client.cookies[settings.SESSION_COOKIE_NAME].value}
    page.context.add_cookies([session | {"url": studio}])
    opens = request.node.get_closest_marker("opens")
    page.goto(f"{studio}sites/saltmarsh/{opens.args[0] if opens else 'palette/'}")
    ready(page)
    eventually(page, "document.readyState === 'complete' && !!document.querySelector('[data-place]')")
    return page
