"""A page of eight sections built by mouse, then the same by keys alone; several of them picked and put on another page."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page

from tests.browser.hands import chapter, eventually, expect, frames, kept, settled, until
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
KINDS = {
    "Opening": "opening",
    "Words": "words",
    "Offers": "offers",
    "Gallery": "gallery",
    "Steps": "steps",
    "Questions and answers": "questions",
    "Sign-up": "sign-up",
    "Hours and place": "hours-and-place",
}
SHOWN = "[...document.querySelectorAll('main > .section')].map(e => e.className.split(' ')[1].slice(5)).join()"


def _sections(site: Site, page: str) -> list[str]:
    document = sites.document(Site.objects.get(pk=site.pk))
    key = next(key for key, one in document.pages.items() if one.name == page)
    return [section.kind for _, section in document.pages[key].ordered()]


def _open_chooser(page: Page) -> None:
    if not page.locator("#section-kind").is_visible():
        page.get_by_text("Add a section", exact=True).click()


@pytest.mark.at_length
def test_what_a_page_begins_with_is_offered_first_until_a_place_is_named(bench: Page, demo: Site) -> None:
    chapter(bench, "Pages")
    _open_chooser(bench)
    where = bench.locator("#section-after")
    last = where.input_value()
    assert last
    opening, words = (bench.locator(f"#section-kind [value='{kind}']").last for kind in ("opening", "words"))
    opening.check(force=True)
    expect(where).to_have_value("")
    words.check(force=True)
    expect(where).to_have_value(last)
    opening.check(force=True)
    bench.get_by_role("button", name="Add section").click()
    kept(bench, "Opening added")
    settled(bench)
    assert _sections(demo, "Home")[:2] == ["opening", "opening"]
    _open_chooser(bench)
    named = where.locator("option").nth(2).get_attribute("value")
    where.select_option(named)
    opening.check(force=True)
    expect(where).to_have_value(str(named))


@pytest.mark.at_length
def test_eight_sections_by_mouse_and_two_of_them_put_elsewhere(bench: Page, demo: Site) -> None:
    chapter(bench, "Pages")
    bench.get_by_label("Name of a new page").fill("By mouse")
    bench.get_by_role("button", name="Add page").click()
    bench.get_by_role("link", name="By mouse").click()
    for number, (name, kind) in enumerate(KINDS.items(), 1):
        _open_chooser(bench)
        bench.locator(f"#section-kind .drawn-choices [value='{kind}']").check(force=True)
        if kind == "gallery":
            tiles = bench.locator(".layout-choice", has_text="Tiles of one shape")
            tiles.scroll_into_view_if_needed()
            expect(tiles.frame_locator("iframe").locator(".kind-gallery.layout-tiles")).to_be_visible()
            tiles.locator("input").check()
        bench.get_by_role("button", name="Add section").click()
        kept(bench, f"{name} added")
        eventually(bench, f"{SHOWN}.split(',').at(-1) === '{kind}'")
        expect(bench.locator(".section-entry")).to_have_count(number)
    assert _sections(demo, "By mouse") == list(KINDS.values())
    document = sites.document(Site.objects.get(pk=demo.pk))
    (gallery,) = [
        one.section for one in document.standing() if one.section.kind == "gallery" and one.section.layout == "tiles"
    ]
    assert gallery.order
    rows = bench.locator(".section-entry")
    for name in ("Gallery", "Steps"):
        rows.filter(has=bench.locator(".section-name", has_text=name)).locator("[data-pick]").check()
    home = document.pages[document.order[0]].name
    bench.get_by_label("Page they move to").select_option(label=home)
    bench.get_by_role("button", name="Move there").click()
    kept(bench, f"2 sections moved to {home}")
    assert _sections(demo, "By mouse") == [kind for kind in KINDS.values() if kind not in ("gallery", "steps")]
    assert _sections(demo, home)[-2:] == ["gallery", "steps"]
    bench.get_by_role("button", name="Undo").click()
    eventually(bench, f"{SHOWN}.split(',').length === 8")


@pytest.mark.at_length
def test_a_section_held_at_the_foot_of_the_desk_brings_the_rest_into_view(bench: Page, demo: Site) -> None:
    for _ in range(8):
        sites.edit(demo, "add-section", {"page": "home", "kind": "words"})
    first = sites.document(Site.objects.get(pk=demo.pk)).pages["home"].order[0]
    bench.set_viewport_size({"width": 1280, "height": 600})
    chapter(bench, "Pages")
    grip = bench.locator(f"#section-grip-{first}")
    grip.scroll_into_view_if_needed()
    box, rail = grip.bounding_box(), bench.locator("#rail").bounding_box()
    assert box
    assert rail
    bench.mouse.move(box["x"] + 8, box["y"] + 8)
    bench.mouse.down()
    bench.mouse.move(box["x"] + 8, rail["y"] - 10, steps=6)
    held = "document.querySelector('.desk-frame')"
    until(bench, f"{held}.scrollTop + {held}.clientHeight > {held}.scrollHeight - 2", bench)
    bench.mouse.up()
    kept(bench, "moved")
    assert sites.document(Site.objects.get(pk=demo.pk)).pages["home"].order[-1] == first


@pytest.mark.at_length
def test_the_same_by_keys_alone(bench: Page, demo: Site) -> None:
    chapter(bench, "Pages")
    bench.get_by_label("Name of a new page").focus()
    bench.keyboard.type("By keys")
    bench.keyboard.press("Enter")
    kept(bench, "Page By keys added")
    bench.get_by_role("link", name="By keys").focus()
    bench.keyboard.press("Enter")
    expect(bench.locator("#desk h2").first).to_have_text("By keys")
    for name, kind in KINDS.items():
        if not bench.locator("#section-kind").is_visible():
            bench.get_by_text("Add a section", exact=True).focus()
            bench.keyboard.press("Enter")
        search = bench.get_by_label("Find a kind of section by a word")
        search.focus()
        bench.keyboard.press("Control+A")
        bench.keyboard.type(name.lower())
        expect(bench.locator("#section-kind [name=kind]:checked")).to_have_value(kind)
        bench.get_by_role("button", name="Add section").focus()
        bench.keyboard.press("Enter")
        kept(bench, f"{name} added")
        until(
            bench, "!!document.activeElement.closest('.section-entry.is-open')", bench
        )  # its first field has the focus
    assert _sections(demo, "By keys") == list(KINDS.values())
    wide = frames(bench)[0]
    eventually(bench, f"{SHOWN}.split(',').length === 8")
    assert wide.evaluate(SHOWN).split(",") == list(KINDS.values())
    grip = bench.get_by_role("button", name="Drag Hours and place")
    grip.focus()
    bench.keyboard.press("ArrowUp")
    eventually(bench, f"{SHOWN}.split(',').at(-1) === 'sign-up'")
