"""Edits, their inverses, and a change of template that loses nothing."""

from __future__ import annotations

import json
from collections import Counter
from collections.abc import Callable, Collection, Iterator
from itertools import count
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from tests.editing import edited, planned
from tests.sampling import fewer
from yemba.catalogue import catalogue as shipped
from yemba.core.change.bin import left_by_what_stands
from yemba.core.change.command import commands, read_command
from yemba.core.change.difference import difference
from yemba.core.change.operation import ABSENT, Operation, apply, fold, from_plain, inverse, overlap, put
from yemba.core.change.patch import steps_between
from yemba.core.change.subset import closed, document_with, one_by_one
from yemba.core.errors import Fault
from yemba.core.site.document import Document, read
from yemba.core.site.files import led_to
from yemba.core.site.ids import new_id
from yemba.core.site.navigation import menu
from yemba.core.site.own_fonts import plain_facts
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain
from yemba.sites import starter

CATALOGUE = shipped()
START = starter.document("Saltmarsh Bindery", "slipway", CATALOGUE, new_id)
words = st.text(st.characters(codec="utf-8", categories=("L", "N", "P", "Zs")), max_size=60)
ONE_OFFS = {"align": "center", "face": "lora", "size": "51", "weight": "300", "style": "italic", "colour": "#7a1f1f"}
hexes = st.integers(0, 0xFFFFFF).map(lambda v: f"#{v:06x}")


class Hands:
    """What a person may reach for on a document; each is drawn only when a command wants it."""

    def __init__(self, document: Document, draw: st.DrawFn) -> None:
        self.document, self.look, self._draw = document, Look(document, CATALOGUE), draw

    def one_of(self, *choices: Any) -> Any:
        return self._draw(st.sampled_from(choices or ("",)))

    def text(self, longest: int = 60) -> str:
        return self._draw(words)[:longest]

    def number(self, low: int, high: int) -> int:
        return self._draw(st.integers(low, high))

    def page(self) -> str:
        return self.one_of(*self.document.order)

    def section(self) -> str:
        return self.one_of(*(standing.key for standing in self.document.standing()))

    def item(self) -> str:
        return self.one_of(*(key for standing in self.document.standing() for key in standing.section.order))

    def entry(self) -> str:
        return self.one_of(*menu(self.document))

    def link(self) -> str:
        return self.one_of(
            "ines@saltmarsh.example", "https://tide.example/row", f"page:{self.page()}", "file:xf1", "new:Barley"
        )

    def colour(self) -> str:
        return self.one_of(*(colour["id"] for colour in self.look.value("palette")))

    def hex(self) -> str:
        return self._draw(hexes)

    def ground(self) -> str:
        return self.one_of(*self.look.ground_names)

    def picture(self) -> str:
        return self.one_of(*sorted(self.document.pictures), *sorted(self.document.bin))

    def binned(self) -> str:
        return self.one_of(*sorted(self.document.bin))

    def font(self) -> str:
        return self.one_of(*self.document.fonts, "own-gone")

    def family(self) -> str:
        return self.one_of("lora", "fraunces", *self.document.fonts)

    def file(self) -> dict[str, Any]:
        sizes = {"width": self.number(1, 4000), "height": 900}
        return {"file": self.one_of("f1", "f2"), "format": "jpeg", "file_name": self.text(40), **sizes}


def _own_font(hands: Hands) -> dict[str, Any]:
    weight = hands.one_of(400, 700)
    files = [{"file": f"f{weight}", "lightest": weight, "heaviest": weight}]
    facts = plain_facts(CATALOGUE.families["lora"].facts)
    about = {"kind": "serif", "licence": hands.one_of("installable", "restricted"), "files": files, "facts": facts}
    return {"family": {"name": hands.one_of("Kelp", "Wrack"), **about}}


def _words(hand: Hands) -> dict[str, str]:
    """A heading, a link, or words with one; fields that a section has not are refused."""
    link = hand.link()
    chosen: dict[str, str] = hand.one_of(
        {"field": "heading", "words": hand.text()},
        {"field": "link", "words": link},
        {"field": "body", "words": f'<p>See <a href="{link}">there</a></p>'},
    )
    return chosen


def _value(hands: Hands) -> dict[str, Any]:
    return hands.one_of(
        {"key": "type.base", "value": hands.number(16, 24)},
        {"key": "header.arrangement", "value": hands.one_of(*CATALOGUE.arrangements)},
        {"key": "header.ground", "value": hands.ground()},
        {"key": "title.face", "value": hands.one_of("", hands.family())},
        {"key": "site.language", "value": hands.one_of("de", "en-GB")},
        {"key": "site.currency", "value": hands.one_of("GBP", "CHF")},
    )


def _one_off(hands: Hands) -> dict[str, Any]:
    what = hands.one_of(*ONE_OFFS)
    return {"element": "heading", "what": what, "value": hands.one_of("", ONE_OFFS[what])}


def _role(hands: Hands) -> dict[str, Any]:
    value = hands.one_of("", f"@{hands.colour()}", hands.hex())
    return {"ground": hands.ground(), "role": hands.one_of("fill", "text", "button", "link"), "value": value}


ENTRIES = (
    '[{"title": "Low tide walk", "day": "2026-12-05", "repeats": "FREQ=WEEKLY", "link": "no link at all"}]',
    '[{"title": "x", "day": "soon"}]',
    "no entries",
)
OCCASIONS = (
    '{"day": "2026-12-05", "begins": "10:00", "rule": "FREQ=WEEKLY;BYDAY=SA", "but": ["2026-12-12"]}',
    '{"day": "2026-12-04", "last_day": "2026-12-06"}',
    '{"day": ""}',
    "no occasion",
)

COMMANDS: dict[str, Callable[[Hands], dict[str, Any]]] = {
    "set-value": _value,
    "place-extra": lambda h: {"x": str(h.number(-400, 400)), "y": str(h.number(-200, 200))},
    "return-value": lambda h: {"key": h.one_of("type.base", "palette", "header.arrangement", "site.language")},
    "return-level": lambda h: {"level": h.one_of("title", "h1")},
    "return-chapter": lambda h: {"of": h.one_of("", "type", "header", "palette"), "one_offs": h.one_of("keep", "clear")},
    "return-one-offs": lambda h: {"ones": f"{h.section()}/one_offs/heading/{h.one_of(*ONE_OFFS)}", "all": h.one_of("", "yes")},
    "apply-own-sheet": lambda h: {"title": "Tide", "values": {"type.base": h.number(16, 24), "type.heading": "fraunces"}},
    "return-sheet": lambda _: {},
    "take-look": lambda h: {
        "title": "Bolder",
        "template": h.one_of(*sorted(CATALOGUE.templates)),
        "values": {"type.base": h.number(16, 24), "type.heading": "fraunces"},
        "parts": {"header.ground": h.one_of("light", "strong")},
        "versions": h.one_of([], [{"picture": "xp2", "use": "logo-light", **h.file()}]),
    },
    "choose-template": lambda h: {"template": h.one_of(*sorted(CATALOGUE.templates))},
    "apply-sheet": lambda h: {"sheet": h.one_of("slipway/lamplight", "handbill/press-night")},
    "bring-back-sheet": lambda _: {},
    "choose-pairing": lambda h: {"pairing": h.one_of(*sorted(CATALOGUE.pairings))},
    "choose-faces": lambda h: {"heading": h.family(), "body": h.family()},
    "name-site": lambda h: {"title": h.text(), "tagline": h.text()},
    "return-colour": lambda h: {"colour": h.colour()},
    "set-colour": lambda h: {"colour": h.colour(), "hex": h.hex()},
    "set-colour-numbers": lambda h: {"colour": h.colour(), "lightness": str(h.number(0, 100)), "chroma": "0.1", "hue": "30"},
    "name-colour": lambda h: {"colour": h.colour(), "colour_name": h.text(20)},
    "add-colour": lambda h: {"hex": h.hex()},
    "remove-colour": lambda h: {"colour": h.colour(), "instead": h.one_of("", h.colour())},
    "move-colour": lambda h: {"colour": h.colour(), "by": h.number(-3, 3)},
    "choose-palette": lambda h: {"codes": " ".join(h.hex() for _ in range(h.number(1, 9)))},
    "add-ground": lambda h: {"ground_name": h.text(), "fill": h.hex(), "section": h.one_of("", h.section())},
    "name-ground": lambda h: {"ground": h.ground(), "ground_name": h.text()},
    "remove-ground": lambda h: {"ground": h.ground(), "instead": h.one_of("", "dark")},
    "set-role": _role,
    "add-page": lambda h: {"page_name": h.text(), "purpose": h.one_of("", "prices", "dates")},
    "rename-page": lambda h: {"page": h.page(), "page_name": h.text(), "slug": h.one_of("new-address", "Bad Address")},
    "share-page": lambda h: {"page": h.page(), "card": h.one_of("", "picture", "beside")},
    "move-page": lambda h: {"page": h.page(), "by": h.number(-3, 3)},
    "bin-page": lambda h: {"page": h.page()},
    "restore-page": lambda h: {"page": h.binned()},
    "move-menu-entry": lambda h: {"entry": h.entry(), "by": h.number(-3, 3)},
    "name-menu-entry": lambda h: {"entry": h.entry(), "entry_name": h.text(30)},
    "show-menu-entry": lambda h: {"entry": h.entry(), "shown": h.one_of(True, False)},
    "place-menu-entry": lambda h: {"entry": h.entry(), "under": h.one_of("", h.entry()), "before": h.one_of("", h.entry())},
    "nest-menu-entry": lambda h: {"entry": h.entry(), "by": h.one_of(-1, 1)},
    "add-menu-link": lambda h: {"entry_name": h.text(30), "link": h.link()},
    "lead-menu-link": lambda h: {"entry": h.entry(), "link": h.link()},
    "remove-menu-link": lambda h: {"entry": h.entry()},
    "add-section": lambda h: {"page": h.page(), "kind": h.one_of(*sorted(CATALOGUE.kinds))},
    "add-text": lambda h: {"page": h.page(), "text": f"# {h.text(30)}\n\nwords\n\n# More\n\n- one"},
    "move-section": lambda h: {"section": h.section(), "by": h.number(-3, 3)},
    "place-section": lambda h: {"section": h.section(), "before": h.one_of("", h.section()), "page": h.one_of("", h.page())},
    "copy-section": lambda h: {"section": h.section(), "page": h.one_of("", h.page())},
    "set-layout": lambda h: {"section": h.section(), "layout": h.one_of("", "beside", "poster", "rows")},
    "set-ground": lambda h: {"section": h.section(), "ground": h.one_of("", h.ground())},
    "set-words": lambda h: {"section": h.section(), **_words(h)},
    "set-one-off": lambda h: {"section": h.section(), **_one_off(h)},
    "add-item": lambda h: {"section": h.section()},
    "move-item": lambda h: {"section": h.section(), "item": h.item(), "by": h.number(-3, 3)},
    "place-item": lambda h: {"section": h.section(), "item": h.item(), "before": h.one_of("", h.item())},
    "make-standing": lambda h: {"section": h.section()},
    "put-standing": lambda h: {"section": h.section(), "page": h.one_of("every", h.page()), "at": "last"},
    "take-off-standing": lambda h: {"section": h.section(), "page": h.one_of("every", h.page())},
    "make-own": lambda h: {"section": h.section(), "page": h.page()},
    "set-when": lambda h: {"section": h.section(), "item": h.item(), "occasion": h.one_of(*OCCASIONS)},
    "add-dates": lambda h: {"section": h.section(), "entries": h.one_of(*ENTRIES)},
    "mark-date": lambda h: {
        "section": h.section(),
        "item": h.item(),
        "day": h.one_of("2026-12-05", "2026-12-12", "no day"),
        "state": h.one_of("", "cancelled", "sold_out", "out"),
    },
    "do-to-items": lambda h: {"section": h.section(), "items": f"{h.item()} {h.item()}", "act": h.one_of("out", "copy", "first", "last", "up")},
    "remove-item": lambda h: {"section": h.section(), "item": h.item()},
    "bin-section": lambda h: {"section": h.section()},
    "restore-section": lambda h: {"section": h.binned()},
    "add-picture": lambda h: {"picture": h.one_of("xp1", "xp2"), **h.file(), **h.one_of({"use": "logo"}, {"use": "logo-light"}, {"section": h.section()})},
    "replace-picture": lambda h: {"picture": h.picture(), **h.file()},
    "mend-logo": lambda h: {"picture": h.picture(), "mended": h.one_of("trim", "enclosed"), **h.file()},
    "set-focal": lambda h: {"picture": h.picture(), "x": str(h.number(0, 100)), "y": "50"},
    "copy-page": lambda h: {"page": h.page(), "page_name": h.one_of("", "News")},
    "add-language": lambda h: {"language": h.one_of("de", "ar", "en-GB", "no language")},
    "remove-language": lambda h: {"language": h.one_of("de", "ar")},
    "make-version": lambda h: {"page": h.page(), "language": h.one_of("de", "ar"), "page_name": h.one_of("", "Preise")},
    "bring-over": lambda h: {"section": h.section(), "page": h.page()},
    "say-in": lambda h: {"language": h.one_of("de", "ar"), "what": h.one_of("name", "tagline", "footer.words", "type.base"), "words": h.text(20)},
    "show-in": lambda h: {"section": h.section(), "language": h.one_of("", "main", "de")},
    "add-post": lambda h: {"page_name": h.text(), "day": h.one_of("2026-10-03", "2031-01-01", "")},
    "set-post": lambda h: {"page": h.page(), "day": h.one_of("", "2026-10-03", "2031-01-01"), "time": h.one_of("", "09:30"), "tags": h.one_of("", "Tools", "tools, Paper")},
    "publish-page": lambda h: {"page": h.page(), "published": h.one_of("", "1")},
    "do-to-sections": lambda h: {"sections": f"{h.section()} {h.section()}", "page": h.page(), "act": h.one_of("bin", "copy", "move", "ground"), "ground": h.one_of("", "dark")},
    "name-section": lambda h: {"section": h.section(), "slug": h.one_of("", "#prices", "our-prices")},
    "show-sidebar": lambda h: {"page": h.page(), "shown": h.one_of("", "1")},
    "crop-picture": lambda h: {"picture": h.picture(), **h.one_of({"shape": h.one_of("1:1", "16:9")}, {"left": str(h.number(0, 40)), "bottom": str(h.number(60, 100))})},
    "turn-picture": lambda h: {"picture": h.picture(), **h.one_of({"quarter": h.one_of("90", "-90", "180")}, {"degrees": str(h.number(-44, 44))})},
    "fit-picture": lambda h: {"picture": h.picture(), "fit": h.one_of("fill", "whole")},
    "tone-picture": lambda h: {"picture": h.picture(), "filter": h.one_of("none", "grey", "duotone", "no filter"), "tint": h.one_of("", f"@{h.colour()}", "@gone"), "strength": h.one_of("", "55", "0")},
    "mirror-picture": lambda h: {"picture": h.picture()},
    "call-decoration": lambda h: {"picture": h.picture(), "decoration": h.one_of("", "1")},
    "take-drawing": lambda h: {"drawing": h.one_of("waves", "stove"), "section": h.one_of("", h.section())},
    "colour-picture": lambda h: {"picture": h.picture(), "colours": h.one_of("site", "own")},
    "describe-picture": lambda h: {"picture": h.picture(), "alt": h.text()},
    "show-whole": lambda h: {"picture": h.picture()},
    "bin-picture": lambda h: {"picture": h.picture()},
    "restore-picture": lambda h: {"picture": h.binned()},
    "keep-font": _own_font,
    "class-font": lambda h: {"font": h.font(), "kind": h.one_of("serif", "hand")},
    "allow-font": lambda h: {"font": h.font()},
    "add-file": lambda h: {"own_file": h.one_of("xf1", "xf2"), "file": h.file()["file"], "format": "pdf", "size": h.number(1, 9999), "file_name": h.one_of("a.pdf", "Price list.pdf")},
    "name-file": lambda h: {"own_file": h.one_of("xf1", "xf2"), "file_name": h.text(30)},
    "remove-file": lambda h: {"own_file": h.one_of("xf1", "xf2")},
    "remove-font": lambda h: {"font": h.font()},
}  # fmt: skip
"""Every command, with arguments that make sense on a document, or nearly."""


def some_command(document: Document, draw: st.DrawFn, names: Collection[str] = ()) -> tuple[str, dict[str, Any]]:
    name = draw(st.sampled_from(list(names or COMMANDS)))
    return name, COMMANDS[name](Hands(document, draw))


def test_every_command_is_among_those_that_hands_give() -> None:
    assert set(COMMANDS) == set(commands())


STRUCTURAL = (
    "move-section", "place-section", "copy-section", "do-to-sections", "set-layout", "bin-section", "restore-section",
    "move-page", "copy-page", "publish-page", "bin-page", "restore-page", "move-item", "place-item", "place-menu-entry",
    "make-standing", "put-standing", "take-off-standing",
)  # fmt: skip
"""What moves, copies, nests, sets in another layout, bins and restores."""


@st.composite
def histories(draw: st.DrawFn, names: Collection[str] = ()) -> tuple[list[Document], list[list[Operation]]]:
    """Documents and the edits between them, from the starter document on; of these `names` alone where any are."""
    documents, edits = [START], []
    for _ in range(draw(st.integers(1, 12))):
        name, arguments = some_command(documents[-1], draw, names)
        command, look = read_command(name, arguments), Look(documents[-1], CATALOGUE)
        try:
            steps = command.plan(look, new_id)
        except Fault:
            continue  # refused with a reason: the document stays as it is
        said = str(command.say(look))
        assert said and "None" not in said, f"{name} says what it does: {said}"
        documents.append(apply(documents[-1], steps))
        edits.append(steps)
    return documents, edits


many = settings(
    max_examples=fewer(90),
    deadline=None,
    suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large],
)


@many
@given(histories())
def test_edits_are_undone_redone_and_stored_to_the_byte(history: tuple[list[Document], list[list[Operation]]]) -> None:
    documents, edits = history
    for before, after, steps in zip(documents, documents[1:], edits, strict=False):
        assert apply(after, inverse(steps)).text() == before.text()
    document = documents[-1]
    assert read(document.text()) == document
    for steps in reversed(edits):
        document = apply(document, inverse(steps))
    assert document.text() == START.text()
    for steps in edits:
        stored = [from_plain(json.loads(json.dumps(step.plain()))) for step in steps]
        document = apply(document, stored)
    assert document.text() == documents[-1].text()


@many
@given(histories())
def test_the_steps_between_two_documents_bring_one_to_the_other(
    history: tuple[list[Document], list[list[Operation]]],
) -> None:
    before, after = history[0][0], history[0][-1]
    steps = steps_between(before, after)
    assert apply(before, steps).text() == after.text()
    assert apply(after, inverse(steps)).text() == before.text()
    for step in steps:
        assert step.old != step.new
        both = isinstance(step.old, dict) and isinstance(step.new, dict)
        assert not both, "a holder that both have is not written whole"


@many
@given(histories(STRUCTURAL))
def test_whatever_is_moved_copied_nested_binned_and_restored_no_word_is_lost(
    history: tuple[list[Document], list[list[Operation]]],
) -> None:
    documents, _ = history
    had = Counter(_words_of(START))
    for document in documents:
        lost = had - Counter(_words_of(document))
        assert not lost, f"{lost} gone"


def _words_of(document: Document) -> Iterator[str]:
    """Every field of every section and entry, also of those in the bin."""
    pages = [*document.pages.values(), *(one.page for one in document.bin.values() if one.page)]
    holders = [*pages, *document.shared.values()]
    sections = [section for holder in holders for section in holder.sections.values()]
    sections += [one.section for one in document.bin.values() if one.section]
    for section in sections:
        yield from section.fields.values()
        yield from (value for item in section.items.values() for value in item.fields.values())


@many
@given(histories(), st.permutations(sorted(CATALOGUE.templates)))
def test_a_template_there_and_back_gives_the_same_bytes_and_loses_nothing(
    history: tuple[list[Document], list[list[Operation]]], templates: list[str]
) -> None:
    document = history[0][-1]
    before = document.text()
    for template in [*templates, document.template]:
        there = edited(document, "choose-template", template=template)
        assert content(there) == content(document)
        document = there
    assert document.text() == before


def content(document: Document) -> dict[str, Any]:
    """Everything that is the owner's: words, pictures, pages, links, brand values."""
    return {key: value for key, value in document.plain().items() if key != "template"}


@many
@given(histories())
def test_each_waiting_change_goes_alone_and_comes_back_alone(
    history: tuple[list[Document], list[list[Operation]]],
) -> None:
    before, after = history[0][0], history[0][-1]
    for change in difference(before, after, CATALOGUE):
        try:
            alone, without = apply(before, change.steps), apply(after, change.back)
        except ValidationError:
            continue  # it cannot stand without another: a page on the address of one that moved
        assert change.key in {c.key for c in difference(before, alone, CATALOGUE)}
        assert change.key not in {c.key for c in difference(before, without, CATALOGUE)}


@many
@given(histories(), st.data())
def test_any_choice_of_changes_goes_out_and_the_others_wait(
    history: tuple[list[Document], list[list[Operation]]], data: st.DataObject
) -> None:
    live, draft = history[0][0], history[0][-1]
    changes = difference(live, draft, CATALOGUE)
    keys = [change.key for change in changes]
    chosen = closed(data.draw(st.lists(st.sampled_from(keys), unique=True)) if keys else [], changes)
    try:
        out = document_with(live, draft, chosen, CATALOGUE)
    except Fault as fault:
        assert fault.code == "needs-others"
        return
    assert read(out.text()) == out
    assert chosen.isdisjoint({change.key for change in difference(out, draft, CATALOGUE)}), (
        "what went out waits no more"
    )
    assert {change.key for change in difference(live, out, CATALOGUE)} <= chosen, "nothing else went out"
    shuffled = data.draw(st.permutations(sorted(chosen)))
    assert document_with(live, draft, shuffled, CATALOGUE).text() == out.text()


UNSEEN = {"bin", "pictures", "fonts", "files", "set_aside"}
"""What is no change of its own: what no page shows, and what a sheet covers."""


@many
@given(histories())
def test_all_changes_out_is_the_draft_and_none_the_live_site(
    history: tuple[list[Document], list[list[Operation]]],
) -> None:
    live, draft = history[0][0], history[0][-1]
    every = [change.key for change in difference(live, draft, CATALOGUE)]
    made = one_by_one(live, draft, every, CATALOGUE)
    assert difference(made, draft, CATALOGUE) == []
    assert seen(made) == seen(draft), "one after the other, and not as a whole"
    for held in ("pictures", "fonts"):
        shown = repr(seen(draft))
        named = {key: value for key, value in getattr(draft, held).items() if repr(key) in shown}
        assert {key: getattr(made, held)[key] for key in named} == named
    named = {key: draft.files[key] for key in led_to(draft)}
    assert {key: made.files[key] for key in named} == named
    assert document_with(live, draft, every, CATALOGUE) == draft
    if every:
        assert document_with(live, draft, [], CATALOGUE) == live


def seen(document: Document) -> dict[str, Any]:
    """What visitors may see, names of the menu for pages that are gone left out."""
    plain = {key: value for key, value in document.plain().items() if key not in UNSEEN}
    navigation = plain.pop("navigation", {})
    names = {page: name for page, name in navigation.get("names", {}).items() if page in document.pages}
    here = menu(document)
    hidden = sorted(entry for entry in navigation.get("hidden", []) if entry in here)
    under = {entry: over for entry, over in navigation.get("under", {}).items() if entry in here}
    order, links = navigation.get("order", []), navigation.get("links", {})
    return {key: value for key, value in plain.items() if value} | {"menu": (names, hidden, order, under, links)}


@many
@given(histories())
def test_planning_is_pure(history: tuple[list[Document], list[list[Operation]]]) -> None:
    document = history[0][-1]
    kind, page = sorted(CATALOGUE.kinds)[0], document.order[0]
    command = read_command("add-section", {"page": page, "kind": kind})
    planned = [command.plan(Look(document, CATALOGUE), map("x{}".format, count()).__next__) for _ in range(2)]
    assert planned[0] == planned[1]


def test_what_an_edit_does_not_touch_stays_the_same_object_also_once_it_is_read_again() -> None:
    home, other = START.order[:2]
    edited, *others = START.pages[home].order
    heading = ("pages", home, "sections", edited, "fields", "heading")
    after = apply(START, [put(START, heading, "Put by a step")])
    assert after.pages[home].sections[edited].fields["heading"] == "Put by a step"
    assert START.pages[home].sections[edited].fields["heading"] != "Put by a step"
    assert all(after.pages[home].sections[key] is START.pages[home].sections[key] for key in others)
    before_read, after_read = read(START.text()), read(after.text())
    assert all(after_read.pages[home].sections[key] is before_read.pages[home].sections[key] for key in others)
    assert after_read.pages[other] is before_read.pages[other]


@pytest.mark.parametrize(
    ("name", "arguments", "code", "part"),
    [
        ("no-such", {}, "no-such-command", "no-such"),
        ("set-value", {"key": "type.base", "value": "huge"}, "number-out-of-range", "“huge”"),
        ("set-value", {"key": "type.base", "value": "99"}, "number-out-of-range", "16 to 24"),
        ("set-value", {"key": "nothing"}, "no-such-setting", "nothing"),
        ("set-value", {"key": "type.body", "value": "papyrus"}, "no-such-family", "papyrus"),
        ("set-value", {"key": "header.arrangement", "value": "upside-down"}, "no-such-choice", "upside-down"),
        ("name-site", {"title": "  "}, "empty", "empty"),
        ("add-page", {"page_name": ""}, "empty", "name"),
        ("add-page", {"page_name": "x" * 300}, "too-long", "300"),
        ("choose-template", {"template": "gone"}, "no-such-template", "gone"),
        ("apply-sheet", {"sheet": "slipway/gone"}, "no-such-sheet", "gone"),
        ("set-words", {"section": "nowhere", "field": "heading"}, "gone", "no longer"),
        ("add-section", {"page": "nowhere", "kind": "words"}, "gone", "no longer"),
        ("move-page", {"page": "x"}, "bad-argument", ""),
        ("bring-back-sheet", {}, "nothing-set-aside", "set aside"),
        ("set-ground", {"section": "nowhere", "ground": "kelp"}, "no-such-ground", "kelp"),
        ("set-value", {"key": "footer.ground", "value": "kelp"}, "no-such-ground", "“kelp”"),
        ("set-role", {"ground": "light", "role": "shine", "value": "red"}, "no-such-role", "“shine”"),
        ("set-role", {"ground": "light", "role": "link", "value": "redd"}, "colour-unreadable", "“redd”"),
        ("set-role", {"ground": "light", "role": "link", "value": "@gone"}, "gone", "palette"),
        ("add-ground", {"ground_name": "", "fill": "red"}, "empty", "name"),
        ("add-ground", {"ground_name": "Dark", "fill": "red"}, "name-taken", "“Dark”"),
        ("add-ground", {"ground_name": "Kelp", "fill": ""}, "colour-unreadable", "hex code"),
        ("remove-ground", {"ground": "light"}, "not-own", "Light"),
        ("choose-palette", {"codes": "no code in here"}, "no-colours", "#8c3b2a"),
    ],
)
def test_what_cannot_be_done_is_said_with_the_value(name: str, arguments: dict[str, Any], code: str, part: str) -> None:
    with pytest.raises(Fault) as caught:
        read_command(name, arguments).plan(Look(START, CATALOGUE), new_id)
    assert caught.value.code == code
    assert part in caught.value.sentence


def field(words: str, name: str = "heading") -> list[Operation]:
    home = START.order[0]
    arguments = {"section": START.pages[home].order[0], "field": name, "words": words}
    return read_command("set-words", arguments).plan(Look(START, CATALOGUE), new_id)


@pytest.mark.parametrize(
    ("name", "typed", "code"),
    [
        ("heading", "long " * 60, "too-long"),
        ("heading", "", "empty"),
        ("link", "not an address", "link-unreadable"),
        ("link", "javascript:alert(1)", "link-unreadable"),
        ("link", "page:gone", "no-such-page"),
        ("lead", "w" * 20_000, "too-long"),
        ("picture", "gone", "no-such-picture"),
        ("nothing", "x", "no-such-field"),
    ],
)
def test_words_that_will_not_do_are_refused(name: str, typed: str, code: str) -> None:
    with pytest.raises(Fault) as caught:
        field(typed, name)
    assert caught.value.code == code


@pytest.mark.parametrize(
    ("typed", "stored"),
    [
        ("bench@saltmarsh.example", "mailto:bench@saltmarsh.example"),
        ("saltmarsh.example/x", "https://saltmarsh.example/x"),
        ("tel:+44 1632 960 417", "tel:+44 1632 960 417"),
    ],
)
def test_an_address_is_completed(typed: str, stored: str) -> None:
    assert field(typed, "link")[0].new == stored


def test_a_link_to_a_page_is_kept_by_the_pages_id() -> None:
    link = f"page:{START.order[1]}"
    assert field(link, "link")[0].new == link


def test_words_are_cleaned_and_keep_what_is_allowed() -> None:
    stored = field('<div>Sewn <b>by hand</b><script>steal()</script> <a href="javascript:x">here</a></div>', "lead")[
        0
    ].new
    assert stored == "<p>Sewn <strong>by hand</strong> here</p>"
    assert plain(stored) == "Sewn by hand here"


@pytest.mark.parametrize(
    ("command", "what"),
    [("bin-section", "section"), ("bin-page", "page"), ("bin-picture", "picture")],
)
def test_what_was_binned_comes_back_whole_as_it_is_live_and_leaves_the_bin(command: str, what: str) -> None:
    plain = START.plain()
    home, other = START.order[:2]
    opening = START.pages[home].order[0]
    plain["pictures"] = {"pic": {"file": "a" * 64, "format": "png", "width": 9, "height": 9}}
    plain["pages"][home]["sections"][opening]["fields"]["picture"] = "pic"
    live = Document.model_validate(plain)
    gone = {"section": opening, "page": other, "picture": "pic"}[what]
    draft = apply(live, read_command(command, {what: gone}).plan(Look(live, CATALOGUE), new_id))
    assert list(draft.bin) == [gone]
    for change in difference(live, draft, CATALOGUE):
        draft = apply(draft, change.back)
    assert left_by_what_stands(draft) == live


def test_an_unknown_place_makes_no_document() -> None:
    with pytest.raises(ValidationError):
        apply(START, [Operation(("nonsense",), ABSENT, 1, 0)])


def test_steps_of_one_gesture_fold_into_one() -> None:
    first, second = field("one"), field("two")
    folded = fold(first, second)
    assert [(step.old, step.new) for step in folded] == [(first[0].old, "two")]
    assert overlap(("a",), ("a", "b"))
    assert not overlap(("a", "c"), ("a", "b"))


def test_binning_the_first_page_is_refused_and_another_may_take_its_place() -> None:
    first, second = START.order[:2]
    with pytest.raises(Fault):
        planned(START, "bin-page", page=first)
    moved = edited(START, "move-page", page=second, by=-1)
    assert moved.pages[second].slug == ""
    assert moved.pages[first].slug == "home"


def test_a_ready_sheet_sets_the_owners_values_aside_and_they_come_back() -> None:
    own = edited(START, "set-colour", colour="c1", hex="#123456")
    covered = edited(own, "apply-sheet", sheet="handbill/press-night")
    assert Look(covered, CATALOGUE).colours[0].hex == "#c8321f"
    assert covered.set_aside["palette"] == own.sheet["palette"]
    back = edited(covered, "bring-back-sheet")
    assert Look(back, CATALOGUE).colours[0].hex == "#123456"
