"""What pictures of a gallery do that are pointed at, and how a picture behind a section moves."""

from __future__ import annotations

import pytest
from playwright.sync_api import Browser, Page

from tests.browser.hands import eventually, expect, frames, point, section
from tests.sampling import some
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
STYLES = {"colour": ("img", "filter"), "larger": ("img", "scale"), "caption": ("figcaption", "opacity")}


@pytest.mark.at_length
def test_a_picture_that_is_pointed_at_changes_as_its_owner_chose(bench: Page, demo: Site) -> None:
    document = sites.document(demo)
    standing = next(one for one in document.standing() if one.section.kind == "gallery" and len(one.section.order) > 1)
    bench.goto(bench.url.replace("palette/", f"pages/?page={standing.page}"))
    section(bench, standing.key)
    wide = frames(bench)[0]
    wide.page.emulate_media(reduced_motion="reduce")
    first, other = (f"li[data-item='{key}']" for key in standing.section.order[:2])
    for chosen, (element, name) in STYLES.items():
        bench.locator("#words-pointed").select_option(chosen)
        eventually(bench, f"!!document.querySelector('.items.on-{chosen}')")
        told = f"e => getComputedStyle(e.querySelector('{element}') ?? e.querySelector('img')).{name}"
        bench.mouse.move(*point(bench, f"{other} .show"))
        at_rest = wide.locator(first).evaluate(told)
        bench.mouse.move(*point(bench, f"{first} .show"))
        assert wide.locator(first).evaluate(told) != at_rest, chosen


@pytest.mark.at_length
def test_a_picture_behind_a_section_stands_still_unless_less_motion_is_asked_for(bench: Page, demo: Site) -> None:
    picture = next(key for key, one in sites.document(demo).pictures.items() if one.width > 600)
    sites.edit(demo, "set-words", {"section": "about", "field": "backdrop", "words": picture})
    section(bench, "about")
    bench.locator("#words-moves").select_option("still")
    eventually(bench, "!!document.querySelector('.stands-still')")
    wide = frames(bench)[0]
    tops = """() => [0, 90].map((down) => {
      const section = document.querySelector('.stands-still');
      scrollTo({ top: section.offsetTop - 200 + down, behavior: 'instant' });
      return section.querySelector('.backdrop img').getBoundingClientRect().top;
    })"""
    assert wide.evaluate(tops) == [0, 0]
    bench.emulate_media(reduced_motion="reduce")
    moved = wide.evaluate(tops)
    assert moved[0] - moved[1] == 90


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


@pytest.mark.at_length
def test_columns_gaps_and_captions_are_as_chosen_whatever_the_template(
    browser: Browser, live_server, demo: Site
) -> None:
    standing = next(
        one for one in sites.document(demo).standing() if one.section.kind == "gallery" and len(one.section.order) > 2
    )
    chosen = {"columns": "two", "gap": "none", "captions": "above", "words_at": "end", "ends": "middle"}
    sites.edit(demo, "set-layout", {"section": standing.key, "layout": "tiles"})
    for field, value in chosen.items():
        sites.edit(demo, "set-words", {"section": standing.key, "field": field, "words": value})
    slug = sites.document(_anew(demo)).pages[standing.page].slug
    page = browser.new_page(viewport={"width": 1280, "height": 900})
    for template in some(list(sites.look(demo).catalogue.templates), 5):
        if sites.document(_anew(demo)).template != template:
            sites.edit(demo, "choose-template", {"template": template})
        hosting.publish(_anew(demo))
        page.goto(f"http://saltmarsh.localhost:{live_server.url.rpartition(':')[2]}/{slug}/")
        told = page.evaluate(
            """(key) => {
              const section = document.getElementById(key);
              const boxes = [...section.querySelectorAll('.item')].map(e => e.getBoundingClientRect());
              const caption = section.querySelector('figcaption').getBoundingClientRect();
              const shown = section.querySelector('figcaption').closest('figure').querySelector('img').getBoundingClientRect();
              return {
                abreast: boxes.filter(box => Math.abs(box.top - boxes[0].top) < 2).length,
                between: boxes[1].left - boxes[0].right,
                above: caption.bottom <= shown.top + 2,
                last: section.querySelector('.inner').lastElementChild.className,
              };
            }""",
            standing.key,
        )
        assert told["abreast"] == 2, template
        assert abs(told["between"]) < 1, template
        assert told["above"], template
        assert "items" not in told["last"].split(), template
    page.close()


def _anew(site: Site) -> Site:
    return Site.objects.get(pk=site.pk)
