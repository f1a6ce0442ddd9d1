"""Words written where they stand: the bar and its keys, what is pasted, links to pages that do not exist yet."""

from __future__ import annotations

import pytest
from playwright.sync_api import Frame, Page, Route

from tests.browser.hands import before_long, chapter, eventually, expect, frames, kept, point, until
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
LEAD = ".kind-opening .words"
PASTED = """<meta charset="utf-8"><style>p { color: red }</style><h1 style="font-size:24pt">What to bring</h1>
<p class="x" style="mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">·</span>An <span style="font-weight:700">apron</span></p>
<p class="x" style="mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">·</span>A book</p><script>alert(1)</script>"""


def paste(page: Page, markup: str) -> None:
    """As from another program: with the clipboard and its keys."""
    page.context.grant_permissions(["clipboard-read", "clipboard-write"])
    copied = "m => navigator.clipboard.write([new ClipboardItem({'text/html': new Blob([m], {type: 'text/html'})})])"
    page.evaluate(copied, markup)
    page.keyboard.press("Control+v")


def begin_writing(page: Page, selector: str) -> Frame:
    wide = frames(page)[0]
    for _ in range(3):  # where a window was still being laid out, the pointer missed
        page.mouse.dblclick(*point(page, selector))
        page.wait_for_timeout(300)
        if wide.locator(selector).first.get_attribute("contenteditable"):
            break
    expect(wide.locator("[data-writing]")).to_be_visible()
    return wide


def lead_of(site: Site) -> str:
    document = sites.document(Site.objects.get(pk=site.pk))
    opening = document.pages[document.order[0]].ordered()[0][1]
    return opening.fields["lead"]


def test_words_in_a_window_lead_to_a_page_that_is_made_for_them(bench: Page, demo: Site) -> None:
    chapter(bench, "Pages")
    before = lead_of(demo)
    wide = begin_writing(bench, LEAD)
    bench.keyboard.press("Control+End")
    bench.keyboard.type(" See the ")
    bench.keyboard.press("Control+k")
    field = wide.get_by_role("combobox", name="A page by its name")
    expect(field).to_be_focused()
    bench.keyboard.type("repair")
    expect(wide.get_by_role("option").first).to_have_text("Repairs")
    bench.keyboard.press("Control+a")
    bench.keyboard.type("Open bench")
    expect(wide.get_by_role("option", selected=True)).to_have_text("Make the page “Open bench” and lead there")
    bench.keyboard.press("Escape")
    expect(wide.locator(LEAD).first).to_be_focused()
    bench.keyboard.press("Control+k")
    bench.keyboard.type("Open bench")
    bench.keyboard.press("Enter")
    bench.keyboard.type(" too.")
    bench.keyboard.press("Enter")
    bench.keyboard.type("Why")
    bench.keyboard.press("Control+Alt+1")
    expect(wide.locator("[data-writing]").get_by_role("button", name="Heading")).to_have_attribute(
        "aria-pressed", "true"
    )
    bench.mouse.click(*point(bench, ".kind-opening h1"))
    kept(bench, "and the new page Open bench")
    eventually(bench, f"document.querySelector('{LEAD} a')?.getAttribute('href') === 'open-bench/'")
    document = sites.document(Site.objects.get(pk=demo.pk))
    page = document.order[-1]
    assert document.pages[page].name == "Open bench"
    assert lead_of(demo) == f'{before[:-4]} See the <a href="page:{page}">Open bench</a> too.</p><h3>Why</h3>'
    expect(bench.locator("#desk h2").first).to_have_text("Home")
    bench.get_by_role("button", name="Undo").click()
    kept(bench, "Undone")
    assert lead_of(demo) == before
    assert page not in sites.document(Site.objects.get(pk=demo.pk)).pages


@pytest.mark.pastes
def test_what_is_pasted_keeps_its_structure_and_a_text_with_headings_becomes_sections(bench: Page, demo: Site) -> None:
    chapter(bench, "Pages")
    begin_writing(bench, LEAD)
    bench.keyboard.press("Control+a")
    bench.keyboard.press("Delete")
    paste(bench, PASTED)
    bench.mouse.click(*point(bench, ".kind-opening h1"))
    kept(bench, "What to bring")
    clean = "<h3>What to bring</h3><ul><li>An <strong>apron</strong></li><li>A book</li></ul>"
    assert lead_of(demo) == clean
    bench.locator("#desk h1").click()  # the desk waits for who stands in one of its fields
    desk = bench.locator("#words-lead")
    until(bench, "document.getElementById('words-lead')?.innerHTML.includes('apron')", bench)
    desk.click()
    bench.keyboard.press("Control+End")
    bench.keyboard.press("Enter")
    bench.keyboard.press("Enter")
    bench.keyboard.type("Bring bread")
    bench.keyboard.press("Alt+F10")
    expect(bench.locator("#form-words-lead").get_by_role("button", name="Bold")).to_be_focused()
    for _ in range(5):
        bench.keyboard.press("ArrowRight")
    expect(bench.locator("#form-words-lead").get_by_role("button", name="Quote")).to_be_focused()
    bench.keyboard.press("Enter")
    expect(desk).to_be_focused()
    bench.locator("#desk h1").click()
    eventually(bench, f"document.querySelector('{LEAD} blockquote')?.textContent === 'Bring bread'")
    before_long(bench, lambda: lead_of(demo), f"{clean}<blockquote>Bring bread</blockquote>")  # windows show it before

    chapter(bench, "Pages")
    before = sites.document(demo).pages["home"].order
    sections = "[...document.querySelectorAll('main > section')].length"
    bench.locator("summary", has_text="Bring in a text").click()
    box = bench.locator("#imported-text")
    bench.locator("#text-after").select_option(before[-1])  # else behind the section that is open
    box.click()
    paste(bench, f"{PASTED}<h1>Who comes</h1><p>Anyone over ten.</p>")
    eventually(bench, f"{sections} === {len(before) + 2}")
    begins = f"document.querySelectorAll('main > section')[{len(before)}].getBoundingClientRect().top"
    eventually(bench, f"{begins} > -5 && {begins} < innerHeight")
    bench.locator("#page-name-new").focus()
    eventually(bench, f"{sections} === {len(before)}")
    assert sites.document(Site.objects.get(pk=demo.pk)).pages["home"].order == before, "nothing is added by looking"
    chapter(bench, "Type")
    chapter(bench, "Pages")
    expect(box).to_contain_text("Anyone over ten.")
    bench.locator("#text-after").select_option("")
    bench.get_by_role("button", name="Add as sections").click()
    kept(bench, "A text as 2 sections of Home")
    expect(box).to_be_empty()
    home = sites.document(Site.objects.get(pk=demo.pk)).pages["home"]
    assert home.order[2:] == before
    assert [home.sections[key].fields["heading"] for key in home.order[:2]] == ["What to bring", "Who comes"]
    eventually(bench, f"{sections} === {len(before) + 2}")


@pytest.mark.opens("pages/?section=opening")
def test_an_answer_that_arrives_takes_no_words_that_are_being_written(bench: Page, demo: Site) -> None:
    before = lead_of(demo)
    held: list[Route] = []

    def hold(route: Route) -> None:
        held.append(route)

    bench.context.route("**/edit/", hold)
    bench.locator("#words-heading").fill("Slowly mended")
    bench.locator("#words-heading").press("Enter")
    wide = begin_writing(bench, LEAD)
    bench.keyboard.press("Control+End")
    bench.keyboard.type(" Half a")
    held.pop(0).continue_()
    bench.context.unroute("**/edit/")
    kept(bench, "Slowly mended")
    bench.keyboard.type(" sentence.")
    expect(wide.locator(LEAD).first).to_contain_text("Half a sentence.")
    bench.keyboard.press("Control+Enter")
    eventually(bench, "document.querySelector('h1').textContent === 'Slowly mended'")
    before_long(bench, lambda: lead_of(demo), before.replace("</p>", " Half a sentence.</p>"))
