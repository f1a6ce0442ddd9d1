"""Random acts at the workbench, and at the end the draft holds every word typed.

More of them: YEMBA_ACTS=300 bin/test tests/browser/test_random_acts.py -s
"""

from __future__ import annotations

import os
import random
from collections.abc import Callable
from contextlib import suppress

import pytest
from playwright.sync_api import Error, Page

from tests.browser.hands import expect, follow, ready
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
ACTS = int(os.environ.get("YEMBA_ACTS", "8"))
SYLLABLES = ["tide", "row", "board", "paste", "glue", "cloth", "spine", "estuary", "rust", "brass", "shelf", "atlas"]
FIELDS = {
    "opening.heading": ("pages/?section=opening", "#words-heading"),
    "opening.button": ("pages/?section=opening", "#words-button"),
    "about.heading": ("pages/?section=about", "#words-heading"),
    "about.body": ("pages/?section=about", "#words-body"),
    "footer.copyright": ("footer/", "[id='footer.copyright']"),
    "footer.words": ("footer/", "[id='footer.words']"),
    "site.tagline": ("logo/", "#tagline"),
    "site.name": ("logo/", "#title"),
}
CHAPTERS = ["template", "palette", "type", "header", "proof", "history"]


class Hands:
    """One person at one window: what they typed, and where."""

    def __init__(self, page: Page, fields: list[str], chance: random.Random) -> None:
        self.page, self.chance, self.fields = page, chance, fields
        self.studio = page.url.split("/sites/")[0]
        self.typed: dict[str, str] = {}
        self.count = 0
        page.on("dialog", lambda dialog: dialog.accept())

    def act(self) -> None:
        acts: list[tuple[Callable[[], None], int]] = [
            (self.type_words, 10),
            (self.undo_and_redo, 1),
            (self.open_chapter, 3),
            (self.show_page, 1),
            (self.toggle_fold, 2),
            (self.tab, 2),
            (self.pause, 2),
            (self.reload, 1),
        ]
        act = self.chance.choices([act for act, _ in acts], [weight for _, weight in acts])[0]
        act()

    def open(self, address: str) -> None:
        """As a link on the desk leads there."""
        chapter, _, query = address.partition("/?")
        follow(self.page, f"/sites/saltmarsh/{chapter.rstrip('/')}/{'?' + query if query else ''}")

    def type_words(self) -> None:
        field = self.chance.choice(self.fields)
        address, selector = FIELDS[field]
        if not self.stands(field):
            self.open(address)
        for _ in range(80):
            if self.stands(field):
                break
            self.page.wait_for_timeout(100)
            if self.page.locator("#kept").get_by_role("button").count():
                return  # no line, or no session: the chapter does not open
        else:
            return
        self.page.wait_for_timeout(self.chance.choice([0, 300]))
        self.type_into(field, selector)

    def type_into(self, field: str, selector: str) -> None:
        words = " ".join(self.chance.choice(SYLLABLES) for _ in range(self.chance.randint(2, 5)))
        box = self.page.locator(selector)
        with suppress(Error):
            box.focus(timeout=500)
        if not box.evaluate_all("boxes => boxes[0] === document.activeElement"):
            return  # another desk came first
        self.page.keyboard.press("Control+A")
        for letter in words:
            self.page.keyboard.type(letter)
            if self.chance.random() < 0.1:
                self.page.wait_for_timeout(120)
        held = box.evaluate("e => e.value ?? e.innerText")
        assert held.strip() == words, f"{field}: {held} in place of {words}"
        self.typed[field] = words
        self.count += len(words.split())
        if selector == "#words-body":
            self.page.locator("#desk h1").click()
        else:
            self.page.keyboard.press(self.chance.choice(["Tab", "Enter"]))

    def sign_in(self) -> None:
        again = self.page.locator("#kept").get_by_role("button", name="Sign in")
        if again.count():
            again.click()
            self.page.locator("#sign-in").get_by_role("button", name="Enter the demo as Ines").click()
            expect(self.page.locator("#sign-in")).to_be_hidden()

    def stands(self, field: str) -> bool:
        """Whether this desk is about that field; its selector may be another section's too."""
        form = self.page.evaluate(
            """(selector) => { const f = document.querySelector(selector)?.closest("form")?.elements;
            return f ? f.section?.value ?? f.key?.value ?? "site" : ""; }""",
            FIELDS[field][1],
        )
        return str(form) in (field.split(".", maxsplit=1)[0], field)

    def undo_and_redo(self) -> None:
        for name in ("undo", "redo"):
            button = self.page.locator(f"[data-walk={name}] button")
            if name == "undo" and button.is_disabled():
                return
            expect(button).to_be_enabled()
            button.click()
            expect(self.page.locator("#kept")).to_contain_text({"undo": "Undone", "redo": "Done again"}[name])

    def open_chapter(self) -> None:
        self.page.locator(f"#chapters a[data-chapter={self.chance.choice(CHAPTERS[:-1])}]").click()
        self.page.wait_for_timeout(self.chance.choice([50, 400]))

    def show_page(self) -> None:
        chooser = self.page.locator("#page-shown")
        chooser.select_option(index=self.chance.randrange(chooser.locator("option").count()))

    def toggle_fold(self) -> None:
        folds = self.page.locator("#desk summary:visible")
        if count := folds.count():
            with suppress(Error):  # a desk may take the place of the one it stands on
                folds.nth(self.chance.randrange(count)).click(timeout=1000)

    def tab(self) -> None:
        self.page.keyboard.press("Tab")

    def pause(self) -> None:
        self.page.wait_for_timeout(1200)

    def reload(self) -> None:
        self.page.reload()
        ready(self.page)

    def settle(self) -> None:
        """Until nothing waits."""
        self.page.locator("#desk h1").click()
        left = "() => Object.keys(localStorage).some((key) => key.startsWith('yemba-unsent'))"
        for _ in range(300):
            if not self.page.evaluate(left):
                return
            self.sign_in()
            self.page.wait_for_timeout(100)
        raise AssertionError("something still waits")


def kept(field: str) -> str:
    document = sites.document(Site.objects.get(slug="saltmarsh"))
    holder, name = field.split(".")
    if holder == "site":
        return document.name if name == "name" else document.tagline
    if holder == "footer":
        return str(sites.look(Site.objects.get(slug="saltmarsh")).value(field))
    stored = document.section(holder).section.fields.get(name, "")
    return stored.replace("<p>", "").replace("</p>", "")


def check(*hands: Hands) -> None:
    for one in hands:
        one.settle()
    typed = {field: words for one in hands for field, words in one.typed.items()}
    lost = {field: (words, kept(field)) for field, words in typed.items() if kept(field) != words}
    assert not lost, f"typed and kept: {lost}"
    assert typed, "something was typed"
    print(f"{sum(one.count for one in hands)} words typed, all kept")


@pytest.fixture
def hands(bench: Page) -> Hands:
    ready(bench)
    return Hands(bench, list(FIELDS), random.Random(7))


def test_on_a_slow_line(hands: Hands) -> None:
    session = hands.page.context.new_cdp_session(hands.page)
    session.send("Network.enable")
    rates = {"offline": False, "latency": 400, "downloadThroughput": 50_000, "uploadThroughput": 50_000}
    session.send("Network.emulateNetworkConditions", rates)
    for _ in range(ACTS):
        hands.act()
    check(hands)


def test_with_the_server_gone_in_between(hands: Hands) -> None:
    """A server that is gone refuses, and one that comes back may have done what it did not answer."""
    gone = False
    studio = hands.studio

    def refuse(route: object) -> None:
        if not gone:
            return route.fallback()  # type: ignore[attr-defined,no-any-return]
        if hands.chance.random() < 0.3:
            with suppress(Error):
                route.fetch()  # type: ignore[attr-defined]
        return route.abort()  # type: ignore[attr-defined,no-any-return]

    hands.page.route(
        lambda address: address.startswith(f"{studio}/sites/") and not address.endswith("/present/"), refuse
    )
    hands.undo_and_redo = lambda: None  # type: ignore[method-assign]  # redo is not offered before undo is answered
    hands.reload_was = hands.reload  # type: ignore[attr-defined]
    hands.reload = lambda: None if gone else hands.reload_was()  # type: ignore[attr-defined,method-assign]
    for number in range(ACTS):
        gone = number % 10 in (3, 4, 5, 6)
        hands.act()
    gone = False
    check(hands)


@pytest.mark.at_length
def test_in_two_windows(hands: Hands) -> None:
    page = hands.page.context.new_page()
    page.goto(hands.page.url)
    ready(page)
    fields = list(FIELDS)
    hands.fields = fields[::2]
    other = Hands(page, fields[1::2], random.Random(8))
    for _ in range(ACTS // 3):
        for one in (hands, other):
            one.page.bring_to_front()
            one.act()
    check(hands, other)
