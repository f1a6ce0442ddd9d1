"""Errands around the proof: a template there and back, two windows, pictures, history, editions, sheets, the inbox, checks."""

from __future__ import annotations

from io import BytesIO

import pytest
from PIL import Image
from playwright.sync_api import Browser, Page

from tests.browser.hands import eventually, expect, kept
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


def test_two_windows_on_one_site_merge_and_choose(
    page: Page, browser: Browser, port: str, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(presence, "EVERY", 1)
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
    checks.locator("[data-control=alt-of-words-picture]").click()
    expect(page.locator("#alt-of-words-picture")).to_be_focused()
