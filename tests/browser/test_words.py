"""Words written where they stand: the bar and its keys, what is pasted, links to pages that do not exist yet."""

from __future__ import annotations

import pytest
from playwright.sync_api import Frame, Page, expect

from tests.browser.hands import chapter, eventually, frames, kept, point, until
from tests.browser.test_hands import section
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
LEAD = ".kind-opening .words"
PASTED = """<meta charset="utf-8"><style>p { color: red }</style><h1 style="font-size:24pt">What to bring</h1>
<p class="x" style="mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">·</span>An <span style="font-weight:700">apron</span></p>
<p class="x" style="mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">·</span>A book</p><script>alert(1)</script>"""
PASTE = """(field, markup) => {
  const data = new DataTransfer();
  data.setData('text/html', markup);
  data.setData('text/plain', 'as plain text');
  field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
}"""


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


def test_what_is_pasted_keeps_its_structure_in_window_and_desk(bench: Page, demo: Site) -> None:
    chapter(bench, "Pages")
    wide = begin_writing(bench, LEAD)
    bench.keyboard.press("Control+a")
    bench.keyboard.press("Delete")
    wide.locator(LEAD).first.evaluate(PASTE, PASTED)
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
    assert lead_of(demo) == f"{clean}<blockquote>Bring bread</blockquote>"


def test_a_button_leads_to_a_page_that_does_not_exist_yet(bench: Page) -> None:
    section(bench, "opening")
    bench.locator("#words-link").select_option("new")
    name = bench.locator("#new-words-link")
    expect(name).to_be_focused()
    name.press("Enter")
    expect(bench.locator("#form-words-link .fault")).to_have_text("Give the new page a name.")
    name.fill("Book a bench")
    name.press("Enter")
    eventually(bench, "document.querySelector('.kind-opening .button')?.getAttribute('href') === 'book-a-bench/'")
    chosen = bench.locator("#words-link option:checked")
    expect(chosen).to_have_text("Book a bench")
