"""A header that stays on top covers nothing that one comes to by Tab or by a link, in every arrangement and template."""

from __future__ import annotations

import functools
import http.server
import threading
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Page

from tests.sampling import some
from yemba.catalogue import catalogue
from yemba.core.site.document import Document
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
LONG = "The Saltmarsh Bindery and Paper Workshop of Tide Row and Lower Quay"
# The header’s height, whether it stays, what covers of a window the styles tell, and whatever was hidden at its focus.
LOOK = """() => {
  scrollTo({ top: 0, behavior: "instant" });
  const header = document.querySelector(".site-header");
  const told = parseFloat(getComputedStyle(document.documentElement).scrollPaddingTop);
  scrollTo({ top: 900, behavior: "instant" });
  const bar = header.querySelector(".bar").getBoundingClientRect();
  const stays = header.matches(".shrinks") ? bar.top >= 0 && bar.bottom <= header.getBoundingClientRect().bottom + 0.5 : header.getBoundingClientRect().top === 0;
  const hidden = [];
  const reach = () => Math.max(...[header, header.querySelector(".site-title")].map((one) => one.getBoundingClientRect().bottom));
  const height = reach();
  const focusable = [...document.querySelectorAll("main :is(a[href], button, input, textarea, select, summary)")];
  for (const element of focusable.filter((one) => one.checkVisibility()).reverse()) {
    element.scrollIntoView({ block: "start", behavior: "instant" });
    element.focus({ preventScroll: true });
    const { top, bottom } = element.getBoundingClientRect();
    const above = header.getBoundingClientRect().top; // it may stand below, at the foot of the opening
    if (top < reach() - 1 && bottom > above + 1 && scrollY > 0) hidden.push(element.outerHTML.slice(0, 80));
  }
  return { height, told, stays, hidden, arrangement: document.body.dataset.header };
}"""


@pytest.fixture
def written(demo: Site, tmp_path: Path) -> Iterator[str]:
    """The bindery with a header that stays, in each template and each arrangement, with its own name and a long one, and
    with one that shrinks to a bar."""
    looks = {slug: {"template": slug, "sheet": {}} for slug in catalogue().templates}
    looks |= {
        f"as-{slug}": {"parts": {"header.arrangement": slug}}
        for slug, one in catalogue().arrangements.items()
        if one.menu != "none"
    }
    plain = sites.document(demo).plain()
    stays = {"header.position": "sticky", "header.tagline": True}
    shrinks = stays | {"header.position": "shrinks", "header.height_wide": 320, "header.height_phone": 260}
    ways = {"": (plain["name"], stays), "-long": (LONG, stays), "-shrinks": (LONG, shrinks)}
    for name, over in some(list(looks.items()), 16):
        for way, (title, parts) in ways.items():
            document = plain | over | {"name": title, "parts": {**over.get("parts", {}), **parts}}
            demo.document = Document.model_validate(document).text()
            hosting.write_out(demo, tmp_path / f"{name}{way}", draft=True)
    handler = functools.partial(http.server.SimpleHTTPRequestHandler, directory=tmp_path)
    with http.server.ThreadingHTTPServer(("127.0.0.1", 0), handler) as server:
        threading.Thread(target=server.serve_forever, daemon=True).start()
        yield f"http://127.0.0.1:{server.server_port}"
        server.shutdown()


def test_it_stays_covers_nothing_and_gives_way_in_a_low_window(page: Page, written: str, tmp_path: Path) -> None:
    for folder in sorted(tmp_path.iterdir()):
        page.goto(f"{written}/{folder.name}/")
        for width in (1280, 390, 240):
            page.set_viewport_size({"width": width, "height": 800})
            got = page.evaluate(LOOK)
            where = f"{folder.name} at {width}: {got}"
            if got["arrangement"] in ("inside", "none") or (got["arrangement"] == "side" and width == 1280):
                continue  # these cover nothing
            assert got["stays"], where
            assert got["height"] <= got["told"] <= got["height"] + 230, where
            assert got["hidden"] == [], where
    page.set_viewport_size({"width": 320, "height": 256})
    page.goto(f"{written}/{next(iter(catalogue().templates))}/")
    assert not page.evaluate(LOOK)["stays"], "at 400 % zoom there would be little left to read"
