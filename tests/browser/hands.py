"""What a person does at the workbench, for the errands."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from functools import partial
from typing import Any

from playwright.sync_api import Error, FloatRect, Frame, Locator, Page, Route
from playwright.sync_api import expect as expected

BUTTON = ".kind-opening .button"
OF_ABSENT = {"to_be_hidden", "to_have_count"}
"""What may be expected of an element that is not there."""


class Awaited:
    """What is expected of an element, asked once it is there: at each look for one that is not there yet, Playwright
    describes the whole page in words, for which a browser needs a tenth of a second."""

    def __init__(self, locator: Locator, message: str | None) -> None:
        self._locator, self._message = locator, message

    def __getattr__(self, name: str) -> Callable[..., None]:
        check: Callable[..., None] = getattr(expected(self._locator, self._message), name)
        return check if name.startswith("not_") or name in OF_ABSENT else partial(self._there, check)

    def _there(self, check: Callable[..., None], *args: Any, timeout: float | None = None, **options: Any) -> None:
        self._locator.first.wait_for(state="attached", timeout=timeout)
        check(*args, **options, **({"timeout": timeout} if timeout else {}))


def expect(what: Locator | Page, message: str | None = None) -> Any:
    """Playwright's, of what may not be there yet."""
    return Awaited(what, message) if isinstance(what, Locator) else expected(what, message)


def frames(page: Page) -> list[Frame]:
    found = [page.locator(f"#{name}").element_handle().content_frame() for name in ("wide", "phone")]
    return [frame for frame in found if frame is not None]


def style(frame: Frame | Page, selector: str, name: str) -> str:
    return str(frame.locator(selector).first.evaluate(f"e => getComputedStyle(e).{name}"))


def until(page: Page, check: str, *places: Page | Frame, tries: int = 600) -> None:
    """`check` comes true in all these places before long.

    Asked again from here: polling inside the page would need the eval that its policy forbids.
    """
    for _ in range(tries):
        if all(answers(place, check) for place in places):
            return
        page.wait_for_timeout(100)
    raise AssertionError(f"never came true: {check}")


def before_long(page: Page, read: Callable[[], object], wanted: object) -> None:
    """What is read, of the draft for one, comes to be what is wanted."""
    for _ in range(300):
        if read() == wanted:
            return
        page.wait_for_timeout(100)
    assert read() == wanted


@contextmanager
def held_back(page: Page, address: str) -> Iterator[list[Route]]:
    """Requests on their way there, of which none is answered before the test lets it go on."""
    going: list[Route] = []

    def hold(route: Route) -> None:
        going.append(route)

    page.route(address, hold)
    yield going
    page.unroute(address, hold)


def answers(place: Page | Frame, check: str) -> bool:
    """Whether it is true there now; a window that is just being opened, or lacks what is asked about, answers later."""
    try:
        return bool(place.evaluate(check))
    except Error as error:
        if "navigation" in error.message or "TypeError" in error.message:
            return False
        raise


def eventually(page: Page, check: str) -> None:
    """Both windows answer `check` with true before long."""
    until(page, check, *frames(page))


def chapter(page: Page, name: str) -> None:
    page.locator(f"#chapters a[data-chapter={name.lower()}]").click()
    expect(page.locator("#desk h1")).to_have_text(name)


def follow(page: Page, address: str) -> None:
    """As a link on the desk leads to another desk of the site."""
    page.evaluate(
        """(to) => { const a = document.createElement("a"); a.href = to; a.dataset.chapterLink = "";
        document.getElementById("workbench").append(a); a.click(); a.remove(); }""",
        address,
    )


def section(page: Page, key: str) -> None:
    """The desk of a section, once nothing is on its way any more: leaving sooner would ask first."""
    until(page, "dispatchEvent(new Event('beforeunload', { cancelable: true }))", page)
    page.goto(f"{page.url.split('/sites/')[0]}/sites/saltmarsh/pages/?section={key}")
    ready(page)


def ready(page: Page) -> None:
    """The workbench can be used."""
    expect(page.locator("html[data-ready]")).to_be_attached()


def view(page: Page, name: str) -> None:
    page.locator(".views").get_by_role("link", name=name).click()
    expect(page.locator(".views [aria-current=page]")).to_have_text(name)


def kept(page: Page, words: str) -> None:
    expect(page.locator("#kept")).to_contain_text(words)


def point(page: Page, selector: str) -> tuple[float, float]:
    """Where an element of the wide window stands on the screen, the window being drawn smaller."""
    pane = page.locator("#wide").evaluate(
        "e => [e.getBoundingClientRect().x, e.getBoundingClientRect().y, e.getBoundingClientRect().width / e.offsetWidth]"
    )
    box = (
        frames(page)[0]
        .locator(selector)
        .first.evaluate(
            "e => { e.scrollIntoView({block: 'center', behavior: 'instant'}); const b = e.getBoundingClientRect(); return [b.x + 20, b.y + b.height / 2]; }"
        )
    )
    return pane[0] + box[0] * pane[2], pane[1] + box[1] * pane[2]


def write(page: Page, selector: str, words: str) -> None:
    """Write words where they stand: double-click, type, Enter."""
    written = frames(page)[0].locator(selector).first
    for _ in range(3):  # where a window was still being laid out, the pointer missed
        page.mouse.dblclick(*point(page, selector))
        page.wait_for_timeout(300)
        if written.get_attribute("contenteditable"):
            break
    expect(written).to_have_attribute("contenteditable", "plaintext-only")
    page.keyboard.press("Control+A")
    page.keyboard.insert_text(words)
    page.keyboard.press("Enter")


def settled(page: Page) -> None:
    """Nothing is on its way, and the desk stands as the last answer has it."""
    expect(page.locator("html:not([data-drawing]) #kept:not([data-state=sending])")).to_be_attached()


def steady(there: Locator) -> FloatRect:
    """Its box, once it stands still: a desk that is being drawn, or scrolled to a control, moves what is on it."""
    settled(there.page)
    before = there.bounding_box()
    for _ in range(50):
        there.page.wait_for_timeout(200)
        now = there.bounding_box()
        if now and now == before:
            return now
        before = now
    raise AssertionError("it never stood still")


def shot(seen: Page | Locator) -> bytes:
    """A picture of it, as PNG; a browser that is too busy to take one is asked again."""
    for _ in range(3):
        try:
            return seen.screenshot()
        except Error as error:
            if "Unable to capture" not in error.message:
                raise
    return seen.screenshot()
