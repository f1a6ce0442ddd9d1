"""Errands around the proof: a template there and back, two windows, pictures, history, editions, sheets, the inbox, checks."""

from __future__ import annotations

from datetime import date, timedelta
from io import BytesIO

import pytest
from PIL import Image
from playwright.sync_api import Browser, Page

from tests.browser.hands import eventually, expect, frames, kept, until
from yemba.hosting import services as hosting
from yemba.sites import presence
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]


@pytest.fixture
def port(page: Page, live_server, demo: Site) -> str:
    """The demo, entered as Ines."""
    found = str(live_server.url.rpartition(":")[2])
    page.goto(f"http://localhost:{found}/")
    page.get_by_role("button", name="Enter the demo as Ines").click()
    return found


def bindery() -> Site:
    return Site.objects.get(slug="saltmarsh")


def photo(colour: tuple[int, int, int] = (77, 106, 106), size: tuple[int, int] = (1400, 900)) -> dict[str, object]:
    out = BytesIO()
    Image.new("RGB", size, colour).save(out, "JPEG")
    return {"name": "shears.jpg", "mimeType": "image/jpeg", "buffer": out.getvalue()}


@pytest.mark.at_length
def test_the_template_is_changed_and_changed_back_with_the_plan_read(page: Page, port: str) -> None:
    before = bindery().document
    page.goto(f"http://localhost:{port}/sites/saltmarsh/template/")
    page.get_by_role("link", name="See the plan for Lantern").click()
    eventually(page, "document.body.dataset.ground === 'dark'")  # what stands between its sheets
    page.get_by_role("link", name="Stay with Slipway").click()
    eventually(page, "document.body.dataset.ground === 'light'")
    page.get_by_role("link", name="See the plan for Handbill").click()
    plan = page.locator(".plan")
    expect(plan).to_contain_text("13 pages")
    expect(plan).to_contain_text("Comes back")
    expect(plan.locator("tr", has_text="Header arrangement")).to_contain_text("Two rows, centred")
    eventually(page, "document.body.dataset.header === 'stack'")
    eventually(page, "getComputedStyle(document.querySelector('h1')).textTransform === 'uppercase'")
    assert bindery().document == before, "looking changes nothing"

    page.get_by_role("link", name="Stay with Slipway").click()
    eventually(page, "document.body.dataset.header === 'row'")
    page.get_by_role("link", name="See the plan for Handbill").click()
    page.get_by_role("button", name="Change to Handbill").click()
    kept(page, "Template Handbill")
    expect(page.locator(".template", has_text="Your site stands on this one")).to_contain_text("Handbill")
    assert bindery().document != before

    page.get_by_role("link", name="See the plan for Slipway").click()
    expect(plan).to_contain_text("Layout Cells: Offers on Notebooks")
    page.get_by_role("button", name="Change to Slipway").click()
    kept(page, "Template Slipway")
    expect(page.locator("#desk")).to_contain_text("Set aside by Slipway")
    assert bindery().document == before


@pytest.mark.at_length
def test_places_that_wait_for_a_picture_are_not_drawn_while_the_site_is_proofed(page: Page, port: str) -> None:
    sites.edit(bindery(), "add-section", {"page": sites.document(bindery()).order[0], "kind": "gallery", "after": ""})
    waits = "[...document.querySelectorAll('[data-draft-only]')].filter((one) => one.checkVisibility()).length"
    there = "document.querySelector('[data-draft-only]')"

    def drawn(check: str) -> None:
        until(page, check, frames(page)[1])  # beside the proof the other window shows what is live

    page.goto(f"http://localhost:{port}/sites/saltmarsh/pages/")
    drawn(f"{waits} > 0")
    page.locator("#chapters a[data-chapter=proof]").click()
    drawn(f"{there} && {waits} === 0")
    page.reload()
    drawn(f"{there} && {waits} === 0")
    page.locator("#chapters a[data-chapter=pages]").click()
    drawn(f"{waits} > 0")


def test_two_windows_on_one_site_merge_and_choose(
    page: Page, browser: Browser, port: str, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(presence, "EVERY", 1)
    monkeypatch.setattr(presence, "_GONE", timedelta(seconds=5))
    page.goto(f"http://localhost:{port}/sites/saltmarsh/footer/")
    with browser.new_context(storage_state=page.context.storage_state(), viewport=page.viewport_size) as context:
        other = context.new_page()
        other.goto(f"http://localhost:{port}/sites/saltmarsh/footer/")
        expect(page.locator("#present")).to_contain_text("You, in another window, at Footer")

        page.get_by_label("Copyright line", exact=True).fill("© Ines")
        other.get_by_label("Words in the footer", exact=True).fill("Ring twice.")
        other.get_by_label("Words in the footer", exact=True).press("Enter")
        kept(other, "Ring twice.")
        page.get_by_label("Copyright line", exact=True).press("Enter")
        kept(page, "© Ines")
        parts = sites.document(bindery()).parts
        assert (parts["footer.words"], parts["footer.copyright"]) == ("Ring twice.", "© Ines")

        other.get_by_label("Copyright line", exact=True).fill("© Varela")
        other.get_by_label("Copyright line", exact=True).press("Enter")
        fault = other.locator("[id='set-footer.copyright'] .fault")
        expect(fault).to_contain_text("There now stands “© Ines”; yours is “© Varela”")
        other.get_by_role("button", name="Put “© Varela”").click()
        kept(other, "© Varela")
        assert sites.document(bindery()).parts["footer.copyright"] == "© Varela"
        page.locator("#desk h1").click()
        eventually(page, "document.querySelector('.copyright').textContent === '© Varela'")
    expect(page.locator("#present")).to_be_empty()


def test_pictures_are_dropped_pasted_and_focused_by_keys(page: Page, port: str) -> None:
    page.goto(f"http://localhost:{port}/sites/saltmarsh/pictures/")
    expect(page.locator(".lede").first).to_contain_text("5 pictures")
    for event in ("drop", "paste"):
        page.evaluate(
            """async ([event]) => {
              const canvas = Object.assign(document.createElement("canvas"), { width: 300, height: 200 });
              canvas.getContext("2d").fillRect(0, 0, 90, 90);
              const blob = await new Promise((done) => canvas.toBlob(done, "image/png"));
              const given = new DataTransfer();
              given.items.add(new File([blob], `${event}ed.png`, { type: "image/png" }));
              const target = document.querySelector("form[data-edit=upload]");
              const options = { bubbles: true, cancelable: true };
              if (event === "paste") return target.dispatchEvent(new ClipboardEvent("paste", { ...options, clipboardData: given }));
              target.dispatchEvent(new DragEvent("dragover", { ...options, dataTransfer: given }));
              target.dispatchEvent(new DragEvent("drop", { ...options, dataTransfer: given }));
            }""",
            [event],
        )
        expect(page.locator(".picture-list")).to_contain_text(f"{event}ed.png")
    page.locator("#take-pictures-file").set_input_files(
        [{"name": "broken.png", "mimeType": "image/png", "buffer": b"no picture"}, photo()]
    )
    expect(page.locator("#take-pictures .fault")).to_contain_text("“broken.png” is not a picture")
    expect(page.locator(".picture-list")).to_contain_text("shears.jpg")

    page.get_by_role("link", name="frame.jpg").click()
    mark = page.get_by_role("application", name="Focal point of frame.jpg")
    mark.focus()
    edits = bindery().edits.count()
    for _ in range(3):
        page.keyboard.press("Shift+ArrowRight")
    page.keyboard.press("ArrowUp")
    kept(page, "80 %, 49 %")
    assert bindery().edits.count() == edits + 1, "keys one after the other are one gesture"
    picture = sites.document(bindery()).pictures["frame"]
    assert (picture.focal_x, picture.focal_y) == (80, 49)

    page.locator("#replace-frame-file").set_input_files(photo(size=(800, 800)))
    kept(page, "frame.jpg replaced by shears.jpg")
    assert sites.document(bindery()).pictures["frame"].shape == "4:3"
    page.get_by_role("button", name="To the bin, out of 3 places").click()
    kept(page, "to the bin")
    page.locator(".bin li", has_text="shears.jpg").get_by_role("button", name="Put back").click()
    kept(page, "out of the bin")
    assert "frame" in sites.document(bindery()).pictures


def test_the_history_is_looked_at_and_walked(page: Page, port: str) -> None:
    start = bindery().document
    page.goto(f"http://localhost:{port}/sites/saltmarsh/palette/")
    page.get_by_role("link", name="History").click()
    expect(page.locator("#desk h1")).to_have_text("History")
    lefts = page.locator(".step").evaluate_all("steps => steps.map((step) => step.getBoundingClientRect().left)")
    assert len(lefts) > 9
    assert len(set(lefts)) == 1, "one column"
    step = page.locator(".step-button", has_text="Oxide to #8c3b2a")
    step.hover()
    eventually(page, "document.querySelector('h1').textContent.startsWith('Old books')")
    page.locator("#desk h1").hover()
    eventually(page, "document.querySelector('h1').textContent.startsWith('Books mended')")
    step.click()
    kept(page, "Back at: Oxide to #8c3b2a")
    expect(page.locator(".step.is-ahead")).to_have_count(9)
    expect(page.locator("[aria-current=step]")).to_contain_text("Oxide to #8c3b2a")
    newest = page.locator(".step-button").first
    newest.click()
    expect(newest).to_be_disabled()
    assert bindery().document == start


@pytest.mark.at_length
def test_editions_are_named_compared_and_one_goes_out_by_itself(page: Page, port: str) -> None:
    page.goto(f"http://localhost:{port}/sites/saltmarsh/editions/")
    page.get_by_label("Name of edition 2").fill("Before the fair")
    page.locator("#name-2").press("Enter")
    expect(page.locator(".said")).to_contain_text("Edition 2 is called “Before the fair”")
    page.get_by_label("Edition 1 at the left").check()
    page.get_by_role("button", name="set them side by side").click()
    expect(page.locator(".plan-table")).to_contain_text("Tagline")
    page.get_by_role("link", name="Repairs").click()
    expect(page.locator("iframe")).to_have_count(2)
    pages = page.frames[1:]
    until(page, "document.querySelector('h1') !== null", *pages)
    page.goto(f"http://localhost:{port}/sites/saltmarsh/editions/?look=1")
    until(page, "document.querySelector('h1')?.textContent === 'Old books mended, new ones made'", *page.frames[1:])

    page.goto(f"http://localhost:{port}/sites/saltmarsh/proof/")
    page.get_by_text("Publish at a set time").click()
    page.locator("#publish-at").fill("2020-01-01T10:00")
    page.get_by_role("button", name="Plan it").click()
    expect(page.locator(".said")).to_contain_text("is past")
    page.get_by_text("Publish at a set time").click()
    day = date.today() + timedelta(days=20)
    page.locator("#publish-at").fill(f"{day}T07:30")
    before = hosting.live_edition(bindery())
    page.locator("#publish-at").press("Enter")
    at = f"{day.day} {day:%B %Y}, 07:30 Europe/London time"
    expect(page.locator("#desk")).to_contain_text(f"7 changes go out by themselves on {at}")
    assert hosting.live_edition(bindery()) == before, "Enter plans, and publishes nothing"
    page.get_by_role("button", name="Call it off").click()
    expect(page.locator(".said")).to_contain_text("called off")


@pytest.mark.at_length
def test_a_brand_goes_to_another_site_and_comes_back_as_a_file(page: Page, port: str, tmp_path) -> None:
    page.goto(f"http://localhost:{port}/sites/saltmarsh/template/")
    page.get_by_label("Name of the brand sheet").fill("Tide Row")
    page.get_by_role("button", name="Save as it stands").click()
    expect(page.locator(".said")).to_contain_text("Saved as “Tide Row”")
    with page.expect_download() as download:
        page.get_by_role("link", name="Export Tide Row").click()
    file = tmp_path / download.value.suggested_filename
    download.value.save_as(file)
    assert file.name == "tide-row.brand-sheet.json"
    page.get_by_label("A brand sheet that was exported").set_input_files(file)
    page.get_by_role("button", name="Import it").click()
    expect(page.locator(".said")).to_contain_text("“Tide Row 2” is here")
    page.get_by_label("Site to apply Tide Row to").first.select_option(label="Nettle & Rye Seeds")
    page.get_by_role("button", name="Apply").first.click()
    expect(page.locator(".said")).to_contain_text("“Tide Row” is applied")
    eventually(page, "getComputedStyle(document.querySelector('.button')).backgroundColor === 'rgb(140, 59, 42)'")
    page.get_by_role("button", name="Bring mine back").count()
    page.get_by_role("button", name="Return to Handbill’s own").click()
    kept(page, "The brand sheet of Handbill")


def test_a_visitor_writes_and_ines_reads_it(page: Page, browser: Browser, port: str) -> None:
    context = browser.new_context()
    visitor = context.new_page()
    visitor.goto(f"http://saltmarsh.localhost:{port}/workshop/")
    visitor.get_by_label("Your name").fill("Oona Brandt")
    visitor.get_by_label("Mail address").fill("oona@brandt")
    visitor.get_by_label("Message").fill("Do you mend maps?")
    visitor.locator("form .button").click()
    expect(visitor.locator("span.wrong")).to_contain_text("“oona@brandt” is not a mail address")
    expect(visitor.get_by_label("Message")).to_have_value("Do you mend maps?")
    visitor.get_by_label("Mail address").fill("oona@brandt.example")
    visitor.locator("form .button").click()
    expect(visitor.locator("h1")).to_have_text("Sent")
    context.close()

    page.goto(f"http://localhost:{port}/sites/")
    page.get_by_role("link", name="Inbox (3 new").click()
    letter = page.locator(".letter", has_text="Oona Brandt")
    expect(letter).to_contain_text("Do you mend maps?")
    letter.get_by_role("button", name="Mark as read").click()
    expect(page.locator(".letter.is-new")).to_have_count(2)
    page.locator(".letter", has_text="Oona Brandt").get_by_role("button", name="To the bin").click()
    page.get_by_role("link", name="Held back").click()
    expect(page.locator(".letter")).to_contain_text("a field that people do not see")


def test_checks_lead_to_their_control_and_cure_by_one_click(page: Page, port: str) -> None:
    sites.edit(bindery(), "rename-page", {"page": "workshop", "page_name": "Workshop", "description": ""})
    sites.edit(bindery(), "describe-picture", {"picture": "frame", "alt": ""})
    sites.edit(bindery(), "bin-page", {"page": "vouchers"})
    page.goto(f"http://localhost:{port}/sites/saltmarsh/proof/")
    checks = page.locator("#checks")
    expect(checks).to_contain_text("were measured at 320 px on", timeout=60_000)
    checks.locator("summary").click()
    expect(checks).to_contain_text("leads to the page Vouchers, which is in the bin")
    checks.get_by_role("button", name="Put Vouchers back").click()
    kept(page, "out of the bin")
    expect(checks).not_to_contain_text("in the bin")
    checks.get_by_role("button", name="Take “").first.click()
    kept(page, "description")
    assert sites.document(bindery()).pages["workshop"].description
    checks.locator("a", has_text="frame.jpg").click()
    expect(page.locator("#alt-of-words-picture")).to_be_focused()
