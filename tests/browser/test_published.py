"""The demo site as published, and every screen of the studio, before outside judges."""

from __future__ import annotations

import functools
import http.server
import re
import threading
from collections.abc import Iterator
from itertools import cycle
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, Route

from tests.browser.hands import follow, settled
from tests.sampling import EVERY, some
from yemba.catalogue import catalogue
from yemba.core.colour.grounds import GROUND_NAMES
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.starter import starter as starter_section
from yemba.demo import scenario
from yemba.hosting import services as hosting
from yemba.sites import listed, starts
from yemba.sites import services as sites
from yemba.sites.models import Site
from yemba.studio.chapters import desks
from yemba.studio.management.commands._judges import of_axe, of_nu

pytestmark = [
    pytest.mark.browser,
    pytest.mark.tools,
    pytest.mark.django_db(transaction=True),
]
TEMPLATES = some(sorted(catalogue().templates), 4)
LONG = "Herringbone, paste paper and other endpapers that Ines makes when the tide keeps her"


@pytest.fixture
def exported(tmp_path_factory: pytest.TempPathFactory, demo: Site) -> Path:
    """The three live sites of the demo, the bindery's draft in several templates, and an awkward one, each in a folder.

    Made once for all tests here: nobody writes in it.
    """
    if not _EXPORTED:
        _EXPORTED.append(export(demo, tmp_path_factory.mktemp("exported")))
    return _EXPORTED[0]


_EXPORTED: list[Path] = []


def export(site: Site, tmp_path: Path) -> Path:
    for slug in scenario.SLUGS:
        hosting.write_out(Site.objects.get(slug=slug), tmp_path / slug, draft=False)
    for name, over in {
        **{slug: {"template": slug, "sheet": {}} for slug in TEMPLATES},
        "awkward": awkward(sites.document(site)),
        **{f"grounds-{slug}": on_every_ground(sites.document(site), slug) for slug in TEMPLATES},
    }.items():
        site.document = Document.model_validate(sites.document(site).plain() | over).text()
        hosting.write_out(site, tmp_path / name, draft=True)
        site.refresh_from_db()
    return tmp_path


def awkward(document: Document) -> dict[str, object]:
    """Long names, fourteen pages, no pictures, an empty page, a long word."""
    plain = document.plain()
    for page in plain["pages"].values():
        page["name"] = f"{page['name']} and a longer name"
        for section in page["sections"].values():
            section["fields"] = {k: v for k, v in section.get("fields", {}).items() if k != "picture"}
            section["fields"]["heading"] = LONG
    extra = {f"p{n}": {"name": f"Unbreakable{'word' * 6}{n}", "slug": f"extra-{n}"} for n in range(8)}
    order = [*plain["order"], *extra]
    return {"name": LONG, "pages": plain["pages"] | extra, "order": order, "pictures": {}, "navigation": {}}


def on_every_ground(document: Document, template: str) -> dict[str, object]:
    """One page with every kind of section on every ground, loud colours, a ground of one's own, a picture behind."""
    loud = ("#ff0033", "#00ff44", "#0011ff", "#ffee00", "#ff00ff", "#00ffff", "#ff7700", "#7700ff")
    palette = [{"id": f"c{n}", "name": f"Loud {n}", "hex": code} for n, code in enumerate(loud)]
    own = [{"id": "xown", "name": "Our own", "fill": "#5a7d4f"}]
    sections = {
        f"{ground}-{kind}": starter_section(catalogue().kinds[kind], new_id) | {"ground": ground}
        for ground in (*GROUND_NAMES, "xown")
        for kind in ("opening", *sorted(catalogue().kinds.keys() - {"opening"}))
    }
    sections["strong-words"]["fields"] |= {"backdrop": "estuary", "tint": "90"}
    home = document.plain()["pages"][document.order[0]] | {"sections": sections, "order": list(sections)}
    values = {"palette": palette, "grounds.own": own, "link.underline": "needed"}
    return {"template": template, "sheet": values, "pages": {"home": home}, "order": ["home"], "navigation": {}}


@pytest.fixture
def served(exported: Path) -> Iterator[str]:
    class Quiet(http.server.SimpleHTTPRequestHandler):
        def log_message(self, format: str, *args: object) -> None:  # noqa: A002
            pass

    server = http.server.ThreadingHTTPServer(("127.0.0.1", 0), functools.partial(Quiet, directory=str(exported)))
    threading.Thread(target=server.serve_forever, daemon=True).start()
    yield f"http://127.0.0.1:{server.server_port}/"
    server.shutdown()
    server.server_close()


SHIFTS = """
  window.shifts = [];
  new PerformanceObserver((list) => shifts.push(...list.getEntries().map((entry) => entry.value)))
    .observe({ type: "layout-shift", buffered: true });
"""


@pytest.mark.parametrize("width", [1280, 390])
@pytest.mark.parametrize("template", TEMPLATES)
def test_nothing_jumps_while_fonts_are_held_back_a_second(
    browser: Browser, served: str, template: str, width: int
) -> None:
    """Source of the measure: Layout Instability API, as Chromium tells it."""
    page = browser.new_page(viewport={"width": width, "height": 800})
    page.add_init_script(SHIFTS)
    held: list[Route] = []
    page.route("**/*.woff2", lambda route: held.append(route))  # noqa: PLW0108 – Playwright takes no built-in
    page.goto(f"{served}{template}/", wait_until="domcontentloaded")
    page.wait_for_function("document.fonts.status === 'loading'")
    page.wait_for_timeout(1000)
    assert page.locator("h1").first.bounding_box(), "the heading stands before its font is there"
    for route in held:
        route.continue_()
    page.wait_for_function("document.fonts.status === 'loaded'")
    page.wait_for_timeout(300)
    assert page.evaluate("[...document.fonts].some((font) => font.status === 'loaded')")
    assert page.evaluate("shifts.reduce((sum, value) => sum + value, 0)") <= 0.02
    page.close()


PRINTED = """() => {
  const seen = (one) => one.getClientRects().length > 0;
  const painted = [...document.querySelectorAll("body, [data-ground], .inner")].filter(seen);
  const words = [...document.querySelectorAll("h1, h2, h3, p, dt, dd, li, summary")].filter(seen);
  const light = (colour) => colour.match(/[0-9.]+/g).slice(0, 3).every((part) => Number(part) > 250);
  const dark = (colour) => colour.match(/[0-9.]+/g).slice(0, 3).every((part) => Number(part) < 60);
  const empty = (colour) => colour === "rgba(0, 0, 0, 0)";
  const ground = (one) => getComputedStyle(one).backgroundColor;
  return [
    ...painted.filter((one) => !empty(ground(one)) && !light(ground(one))).map((one) => `${one.className} is no paper`),
    ...words.filter((one) => !dark(getComputedStyle(one).color)).map((one) => `${one.outerHTML.slice(0, 80)} is pale`),
    ...[...document.querySelectorAll("nav, .skip, form")].filter(seen).map((one) => `${one.className} is printed`),
    ...[...document.querySelectorAll("details .answer")].filter((one) => !seen(one)).map(() => "an answer stays shut"),
  ];
}"""


@pytest.mark.parametrize("template", TEMPLATES)
def test_paper_is_white_words_are_dark_and_answers_open(browser: Browser, served: str, template: str) -> None:
    page = browser.new_page()
    page.goto(f"{served}grounds-{template}/")
    assert page.evaluate(PRINTED), "on a screen there are grounds, menus and forms"
    page.emulate_media(media="print")
    assert page.evaluate(PRINTED) == []
    page.close()


def pages_in(exported: Path) -> list[str]:
    """Every page but those that lead on from an old address: who opens one is elsewhere at once."""
    pages = (file for file in exported.rglob("index.html") if 'http-equiv="refresh"' not in file.read_text())
    return sorted(str(file.parent.relative_to(exported)) + "/" for file in pages)


def test_no_page_has_an_error_of_the_nu_checker(exported: Path, judges: None) -> None:
    files = some(sorted(exported.rglob("*.html")), 2)
    assert len(files) > 20
    assert of_nu(files) == []


def violations(page: Page) -> list[str]:
    return [f"{page.url}: {found}" for found in of_axe(page)]


# Where the footer ends, with the strip of the page's own ground that a template leaves below it.
FOOT = """() => {
  const footer = document.querySelector(".site-footer");
  return footer.getBoundingClientRect().bottom + scrollY + Number.parseFloat(getComputedStyle(footer).marginBottom);
}"""


def test_pages_are_accessible_fit_every_width_and_ask_nobody_else(
    browser: Browser, exported: Path, served: str, judges: None
) -> None:
    context = browser.new_context(bypass_csp=True)
    page = context.new_page()
    asked: set[str] = set()
    page.on("request", lambda request: asked.add(request.url))
    page.on("response", lambda answer: missing.append(answer.url) if answer.status >= 400 else None)
    missing: list[str] = []
    wrong: list[str] = []
    every = pages_in(exported)
    first_pages = {path for path in every if path.count("/") == 1}
    demo_pages = [path for path in every if path.split("/")[0] in scenario.SLUGS]
    judged = {*some(every, 16), *some(demo_pages, 8)}
    for path in sorted({*some(every, 12), *first_pages, *judged}):
        page.goto(served + path)
        for width in (1280, 390, 320):
            page.set_viewport_size({"width": width, "height": 800})
            wide = page.evaluate("document.documentElement.scrollWidth")
            wrong += [f"{path} is {wide} px wide at {width}"] if wide > width else []
            if path in judged and (width == 1280 or (width == 390 and path in first_pages)):
                wrong += violations(page)
            foot = page.evaluate(FOOT)
            wrong += [f"{path}: the footer floats at {foot} px"] if foot < 799 else []
    assert not wrong, "\n".join(wrong)
    assert missing == []
    assert dead_links(exported) == []
    assert {url for url in asked if not url.startswith(served)} == set()
    context.close()


def dead_links(exported: Path) -> list[str]:
    """Links to pages or places on them that are not there."""
    dead = []
    for file in exported.rglob("*.html"):
        top = exported / file.relative_to(exported).parts[0]
        for link in re.findall(r'<a[^>]* href="([^"]+)"', file.read_text()):
            path, _, place = link.partition("#")
            if re.match(r"https?:|mailto:|tel:", path):
                continue
            base = top if path.startswith("/") else file.parent
            found = (base / path.lstrip("/")).resolve() if path else file
            found = found / "index.html" if found.is_dir() else found
            if not found.is_file() or (place and f'id="{place}"' not in found.read_text()):
                dead.append(f"{file.relative_to(exported)}: {link}")
    return dead


WIDTHS = (320, 390, 640, 768, 1024)  # 1280 at 400, 328, 200, 167 and 125 %
# What is pressed and is no link within a sentence, by WCAG 2.2, success criterion 2.5.8.
TOO_SMALL = """() => [...document.querySelectorAll("a[href], button, input:not([type=hidden]), select, textarea, summary")]
  .filter((e) => e.checkVisibility({ visibilityProperty: true }) && !e.closest(".unseen, .skip"))
  .filter((e) => getComputedStyle(e).display !== "inline" || e.parentElement.textContent.trim() === e.textContent.trim())
  .map((e) => [e, (e.closest("label") ?? e).getBoundingClientRect()])
  .filter(([, { width, height }]) => width > 1 && height > 1 && (width < 23.5 || height < 23.5))
  .map(([e]) => e.outerHTML.slice(0, 90))"""


# The page, and the desk, which clips what runs out of it.
TOO_WIDE = """() => [document.documentElement, ...document.querySelectorAll(".desk-frame")]
  .filter((e) => e.scrollWidth > e.clientWidth + 1).map((e) => `${e.className} ${e.scrollWidth}`)"""


# Entries of a list that stand one under the other and are of several widths.
CROOKED = """() => [...document.querySelectorAll("main :is(ol, ul)")].flatMap((list) => {
  const entries = [...list.children].filter((e) => e.querySelector("h2, h3, form, button") && e.getClientRects().length);
  const boxes = entries.map((e) => e.getBoundingClientRect());
  const stacked = boxes.every((box, n) => n === 0 || box.top >= boxes[n - 1].bottom - 1);
  const widths = boxes.map((box) => Math.round(box.width));
  return stacked && Math.max(...widths) - Math.min(...widths) > 2 ? [`${list.className}: ${widths}`] : [];
})"""


DRAWN_ANEW = "new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))"


EMPTY = "<!doctype html><html lang=en><title>A window</title>"


def test_every_screen_of_the_studio_is_accessible(page: Page, live_server, demo: Site, judges: None) -> None:
    """What its windows show is judged as it is published."""
    studio = f"http://localhost:{live_server.url.rpartition(':')[2]}"
    page.route("**/~*/**", lambda route: route.fulfill(body=EMPTY, content_type="text/html"))
    wrong: list[str] = []

    def look(address: str, *narrower: int) -> None:
        """It is opened on a wide window, which is then made narrower; a judge sees it wide."""
        page.set_viewport_size({"width": 1280, "height": 800})
        if address.split("/")[-2] in desks() and page.locator("#workbench").count():
            follow(page, address)
            page.wait_for_url(lambda url: url.startswith(studio + address))  # the page in view follows
            settled(page)
        else:
            page.goto(studio + address)
        for width in (1280, *narrower):
            page.set_viewport_size({"width": width, "height": 800})
            page.evaluate(DRAWN_ANEW)
            wrong.extend(violations(page) if width == 1280 or EVERY else [])
            wrong.extend(f"{address} at {width}: {small} is under 24 px" for small in page.evaluate(TOO_SMALL))
            wrong.extend(f"{address} at {width}: crooked list {of}" for of in page.evaluate(CROOKED))
            wrong.extend(f"{address} at {width}: {box} is wider than it is shown" for box in page.evaluate(TOO_WIDE))

    for address in ("/", "/sign-in/", "/sign-up/", "/templates/", "/templates/lantern/?trade=baker"):
        look(address, 390)
    page.goto(studio)
    page.get_by_role("button", name="Enter the demo as Ines").click()
    plain = ("/sites/", "/sites/new/", "/sites/saltmarsh/proof/", "/sites/saltmarsh/inbox/", "/brand-sheets/")
    compared = (
        "/sites/saltmarsh/editions/?first=1&second=3",
        "/brand-sheets/?first=site:nettle&second=ready:handbill/press-night",
    )
    start = starts.begin(demo.owner)
    starts.answer(start, {"title": "Brush & Flue", "trade": "sweep", "town": "", "aims": "found", "colours": ""}, {})
    begun = tuple(f"/sites/new/{start.pk}/{step}" for step in ("", "pages/", "looks/"))
    begun = (*begun, "/sites/saltmarsh/try-on/", "/sites/saltmarsh/pictures/?show=collection")
    listed.to_bin(Site.objects.get(slug="dubrov"))
    aside = ("/sites/saltmarsh/editions/?look=2", "/sites/saltmarsh/inbox/?folder=held")
    for address in some((*plain, *begun, *compared, *aside), 5):
        look(address, *(WIDTHS if EVERY else (390,)))
    look("/sites/saltmarsh/template/?plan=lantern")
    look("/sites/saltmarsh/pictures/?picture=frame")
    look("/sites/saltmarsh/pages/?section=opening&ideas=lead&tone=warm")
    for chapter, one in zip(some(list(desks()), 3), cycle(WIDTHS), strict=False):
        look(f"/sites/saltmarsh/{chapter}/", *(WIDTHS if EVERY else (one,)))
    for key in ("?", "/"):
        page.locator("#desk h1").click()
        page.keyboard.press(key)
        assert page.locator("dialog[open]").count() == 1
        wrong.extend(violations(page))
        page.keyboard.press("Escape")
    look("/sites/saltmarsh/pages/?section=c-dates")
    page.locator("#desk h1").evaluate(
        "e => e.after(Object.assign(document.createElement('button'), {textContent: '.'}))"
    )
    assert page.evaluate(TOO_SMALL), "and one that is too small is found"
    page.goto(f"{studio}/sites/saltmarsh/inbox/")
    page.locator(".letters").evaluate("e => Object.assign(e.style, { display: 'flex', flexWrap: 'wrap' })")
    assert page.evaluate(CROOKED), "and a crooked list is found"
    assert not wrong, "\n".join(wrong)
