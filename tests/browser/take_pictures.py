"""Not a test: takes the pictures of docs/screenshots. Run by bin/pictures."""

from __future__ import annotations

from io import BytesIO
from pathlib import Path

import pytest
from PIL import Image
from playwright.sync_api import Page

from yemba.demo import scenario
from yemba.demo.drawings import saltmarsh
from yemba.sites import brand_sheets, starts
from yemba.sites import services as sites
from yemba.studio.chapters import names

pytestmark = pytest.mark.django_db(transaction=True)
ROOT = Path(__file__).parents[2]
SHOTS = ROOT / "docs/screenshots"


@pytest.fixture
def pictures_are_made_once() -> None:
    """As they are published: not the quick ones of tests."""


def test_take_pictures(page: Page, live_server) -> None:
    port = live_server.url.rpartition(":")[2]
    studio = f"http://localhost:{port}"
    site = scenario.load()

    def take(address: str, name: str, width: int = 1280, height: int = 800) -> None:
        page.set_viewport_size({"width": width, "height": height})
        page.goto(address)
        page.wait_for_load_state("networkidle")
        page.wait_for_timeout(900)
        if name:
            keep(page.screenshot(), name)

    take(f"http://saltmarsh.localhost:{port}/", "live-slipway")
    take(f"{studio}/templates/?trade=potter", "gallery")
    take(f"{studio}/", "front")
    page.get_by_role("button", name="Enter the demo as Ines").click()
    brand_sheets.save(site, "Tide Row")
    take(f"{studio}/sites/", "sites")
    start = starts.begin(site.owner)
    answers = {"title": "Brush & Flue", "trade": "Chimney sweep", "town": "", "aims": "found", "colours": "#b0472e"}
    starts.answer(start, answers, {})
    take(f"{studio}/sites/new/{start.pk}/looks/", "first-looks", height=1000)
    for chapter in names().keys() - {"frame"}:
        query = {"type": "?show=sizes"}.get(chapter, "")
        take(f"{studio}/sites/saltmarsh/{chapter}/{query}", chapter)
    take(f"{studio}/sites/saltmarsh/pages/?page=classes&section=c-dates", "")
    page.locator("#item-d5 > details > summary").click()
    page.locator("#when-d5").press_sequentially("every second Saturday 10-13 until the end of June")
    page.locator("#item-d5 .reading").first.wait_for()
    page.locator("#item-d5").evaluate("entry => entry.scrollIntoView()")
    page.wait_for_timeout(900)
    keep(page.screenshot(), "pages")
    take(f"{studio}/sites/saltmarsh/palette/?ground=dark&role=link", "grounds")
    take(f"{studio}/sites/saltmarsh/pictures/?picture=marbled", "")
    page.locator("#picture-marbled").evaluate("row => row.scrollIntoView()")
    page.wait_for_timeout(900)
    keep(page.screenshot(), "pictures")
    take(f"{studio}/sites/saltmarsh/editions/?first=1&second=3", "editions")
    take(f"{studio}/brand-sheets/?first=site:saltmarsh&second=ready:handbill/seed-packet", "sheets")
    take(f"{studio}/sites/saltmarsh/proof/", "proof-phone", 390)
    page.goto("about:blank")
    take(f"{studio}/sites/saltmarsh/logo/", "")
    drawn = saltmarsh.logo().replace(">", '><path fill="#fff" d="M0 0h96v96H0z"/>', 1)
    file = {"name": "from-a-friend.svg", "mimeType": "image/svg+xml", "buffer": drawn.encode()}
    page.locator("#logo-file-file").set_input_files(file)
    page.locator(".logo-findings").wait_for()
    page.locator(".logo-findings .small").first.evaluate("button => button.scrollIntoView({block: 'end'})")
    page.wait_for_timeout(2500)
    keep(page.screenshot(), "logo")
    sites.edit(site, "set-value", {"key": "sidebar.side", "value": "end"})
    sites.edit(site, "add-section", {"part": "sidebar", "kind": "hours-and-place"})
    take(f"{studio}/sites/saltmarsh/frame/", "frame")


def keep(data: bytes, name: str) -> None:
    """As it is, colours untouched, packed a little tighter."""
    Image.open(BytesIO(data)).convert("RGB").save(SHOTS / f"{name}.png", optimize=True)
