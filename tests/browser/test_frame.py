"""The frame of a page: boxes in Chromium are those worked out, and the ruler moves them."""

from __future__ import annotations

from itertools import product

import pytest
from playwright.sync_api import Browser, Page

from tests.browser.hands import eventually, expect, frames, kept, steady
from tests.sampling import some
from yemba.core.layout.frame import Boxes
from yemba.core.site import frame
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
WINDOWS = (320, 500, 799, 800, 801, 1024, 1039, 1040, 1280, 1900)
BOXES = """() => {
  const span = (selector) => {
    const box = document.querySelector(selector)?.getBoundingClientRect();
    return box && box.width ? [box.left, box.width, box.top] : null;
  };
  const header = document.body.dataset.header === 'side' && span('.site-header');
  return { header: header && header[1] < innerWidth / 2 ? header : null, page: span('body'), main: span('main'), sidebar: span('.site-sidebar'), wide: document.documentElement.scrollWidth };
}"""
SETTINGS = [
    {"frame.form": form, "frame.place": place, "sidebar.side": side, "sidebar.width": width, "sidebar.gap": gap}
    for form, place, side, (width, gap) in product(
        ("full", "fixed"), ("start", "end"), ("start", "end"), ((280, 40), (420, 0))
    )
]


def _near(drawn: list[float] | None, span: object) -> bool:
    if drawn is None or span is None:
        return drawn is span
    left, width = span  # type: ignore[misc]
    return abs(drawn[0] - left) <= 1 and abs(drawn[1] - width) <= 1


def _wrong(drawn: dict[str, list[float] | None], boxes: Boxes) -> list[str]:
    """What stands elsewhere than worked out; a folded sidebar has the whole width of the content."""
    side = boxes.sidebar or boxes.main
    pairs = (("header", boxes.header), ("page", boxes.page), ("main", boxes.main), ("sidebar", side))
    return [f"{name}: {drawn[name]} is not {span}" for name, span in pairs if not _near(drawn[name], span)]


@pytest.mark.parametrize("template", some(["slipway", "lantern", "patchwork"], 3))
def test_boxes_are_those_worked_out(browser: Browser, live_server, site: Site, template: str) -> None:
    sites.edit(site, "choose-template", {"template": template})
    sites.edit(site, "add-section", {"part": "sidebar", "kind": "words"})
    port = live_server.url.rpartition(":")[2]
    page = browser.new_page()
    found = []
    for values in some(SETTINGS, 3):
        for key, value in {"frame.width": 1000, **values}.items():
            sites.edit(site, "set-value", {"key": key, "value": str(value)})
        hosting.publish(_anew(site))
        framed = frame.frame(sites.look(_anew(site)))
        page.goto(f"http://{site.slug}.localhost:{port}/")
        for window in WINDOWS:
            page.set_viewport_size({"width": window, "height": 900})
            drawn, boxes = page.evaluate(BOXES), framed.boxes(window)
            found += [f"{values} at {window}: {wrong}" for wrong in _wrong(drawn, boxes)]
            if drawn["wide"] > window:
                found.append(f"{values} at {window}: {drawn['wide']} px wide")
            level = abs(drawn["main"][2] - drawn["sidebar"][2]) < 1
            if level != (boxes.sidebar is not None):
                found.append(f"{values} at {window}: beside is {level}")
    page.close()
    assert not found, "\n".join(found[:12])


@pytest.mark.opens("frame/")
def test_a_sidebar_is_added_and_its_width_set_by_the_ruler(bench: Page, demo: Site) -> None:
    bench.locator("#sidebar\\.side input[value=end]").check()
    kept(bench, "Sidebar")
    bench.locator("#add-section input[value=words]").check(force=True)
    bench.locator("#add-section button[type=submit]").click()
    eventually(bench, "!!document.querySelector('.site-sidebar .section')")
    handle = bench.get_by_role("slider", name="Edge of the sidebar;")
    box = steady(handle)
    assert box
    scale = bench.locator("#wide").evaluate("e => e.getBoundingClientRect().width / e.offsetWidth")
    bench.mouse.move(box["x"] + 12, box["y"] + 12)
    bench.mouse.down()
    bench.mouse.move(box["x"] + 12 - 60 * scale, box["y"] + 12, steps=6)
    bench.mouse.up()
    kept(bench, "Sidebar width")
    assert sites.look(_anew(demo)).value("sidebar.width") == pytest.approx(340, abs=10)
    bench.get_by_role("slider", name="Gap beside the sidebar; arrow").focus()
    bench.keyboard.press("ArrowLeft")
    kept(bench, "Gap beside the sidebar")
    look = sites.look(_anew(demo))
    assert look.value("sidebar.gap") == 42
    shown = bench.locator(".ruler-sidebar")
    expect(shown).to_have_text(f"{frame.frame(look).boxes(1280).sidebar.width:.0f}")  # the desk is drawn anew after
    told = {name: bench.locator(f".ruler-{name}").inner_text() for name in ("main", "sidebar")}
    boxes = frame.frame(look).boxes(1280)
    assert boxes.sidebar
    assert told == {"main": f"{boxes.main.width:.0f}", "sidebar": f"{boxes.sidebar.width:.0f}"}
    drawn = frames(bench)[0].evaluate(BOXES)
    assert not _wrong(drawn | {"page": [*boxes.page, 0]}, boxes)
    bench.locator("#sidebar-pages summary").click()
    home = look.document.order[0]
    bench.locator(f"#sidebar-shown-{home}").uncheck()
    kept(bench, "No sidebar on")
    expect(bench.locator("#sidebar-pages")).to_have_attribute("open", "")
    eventually(bench, "!document.querySelector('.site-sidebar')")
    bench.get_by_role("button", name="Undo").click()
    eventually(bench, "!!document.querySelector('.site-sidebar')")


def _anew(site: Site) -> Site:
    return Site.objects.get(pk=site.pk)
