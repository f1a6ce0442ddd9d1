"""Edits, their inverses, and a change of template that loses nothing."""

from __future__ import annotations

import json
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from yemba.catalogue import catalogue as shipped
from yemba.core.change.command import commands, read_command
from yemba.core.change.difference import difference
from yemba.core.change.operation import ABSENT, Operation, apply, fold, from_plain, inverse, overlap
from yemba.core.change.subset import closed, document_with
from yemba.core.errors import Fault
from yemba.core.site.document import Document, read
from yemba.core.site.ids import new_id
from yemba.core.site.own_fonts import plain_facts
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain
from yemba.sites import starter

CATALOGUE = shipped()
START = starter.document("Saltmarsh Bindery", "slipway", CATALOGUE, new_id)
words = st.text(st.characters(codec="utf-8", categories=("L", "N", "P", "Zs")), max_size=60)
ONE_OFFS = {"align": "center", "face": "lora", "size": "51", "weight": "300", "style": "italic", "colour": "#7a1f1f"}
hexes = st.integers(0, 0xFFFFFF).map(lambda v: f"#{v:06x}")


def some_command(document: Document, draw: st.DrawFn) -> tuple[str, dict[str, Any]]:
    """Any command with arguments that make sense on this document, or nearly."""
    page = draw(st.sampled_from(document.order))
    sections = [key for p in document.pages.values() for key in p.order]
    section = draw(st.sampled_from(sections or [""]))
    items = [i for p in document.pages.values() for s in p.sections.values() for i in s.order] or [""]
    colours = [c["id"] for c in Look(document, CATALOGUE).value("palette")]
    colour = draw(st.sampled_from(colours))
    grounds = list(Look(document, CATALOGUE).ground_names)
    role = draw(st.sampled_from(["fill", "text", "button", "link"]))
    by = draw(st.integers(-3, 3))
    binned = draw(st.sampled_from(sorted(document.bin) or [""]))
    text = draw(words)
    picture = draw(st.sampled_from([*sorted(document.pictures), *sorted(document.bin)] or [""]))
    file = {
        "file": draw(st.sampled_from(["f1", "f2"])),
        "format": "jpeg",
        "width": draw(st.integers(1, 4000)),
        "height": 900,
        "file_name": text[:40],
    }
    choices: list[tuple[str, dict[str, Any]]] = [
        ("set-value", {"key": "type.base", "value": draw(st.integers(16, 24))}),
        ("set-value", {"key": "header.arrangement", "value": draw(st.sampled_from(["row", "stack", "side"]))}),
        ("return-value", {"key": draw(st.sampled_from(["type.base", "palette", "header.arrangement"]))}),
        ("return-chapter", {"of": draw(st.sampled_from(["", "type", "header", "palette"])), "one_offs": draw(st.sampled_from(["keep", "clear"]))}),
        ("return-one-offs", {"ones": f"{section}/one_offs/heading/{draw(st.sampled_from(list(ONE_OFFS)))}", "all": draw(st.sampled_from(["", "yes"]))}),
        ("apply-own-sheet", {"title": "Tide", "values": {"type.base": draw(st.integers(16, 24)), "type.heading": "fraunces"}}),
        ("return-sheet", {}),
        ("choose-template", {"template": draw(st.sampled_from(sorted(CATALOGUE.templates)))}),
        ("apply-sheet", {"sheet": draw(st.sampled_from(["slipway/lamplight", "handbill/press-night"]))}),
        ("bring-back-sheet", {}),
        ("choose-pairing", {"pairing": draw(st.sampled_from(sorted(CATALOGUE.pairings)))}),
        ("name-site", {"title": text, "tagline": draw(words)}),
        ("set-colour", {"colour": colour, "hex": draw(hexes)}),
        ("name-colour", {"colour": colour, "colour_name": text[:20]}),
        ("add-colour", {"hex": draw(hexes)}),
        ("remove-colour", {"colour": colour}),
        ("move-colour", {"colour": colour, "by": by}),
        ("add-page", {"page_name": text}),
        ("rename-page", {"page": page, "page_name": text, "slug": draw(st.sampled_from(["new-address", "Bad Address"]))}),
        ("move-page", {"page": page, "by": by}),
        ("bin-page", {"page": page}),
        ("restore-page", {"page": binned}),
        ("move-menu-entry", {"page": page, "by": by}),
        ("name-menu-entry", {"page": page, "entry": text[:30]}),
        ("show-menu-entry", {"page": page, "shown": draw(st.booleans())}),
        ("add-section", {"page": page, "kind": draw(st.sampled_from(sorted(CATALOGUE.kinds)))}),
        ("move-section", {"section": section, "by": by}),
        ("set-layout", {"section": section, "layout": draw(st.sampled_from(["", "beside", "poster", "rows"]))}),
        ("set-ground", {"section": section, "ground": draw(st.sampled_from(["", *grounds]))}),
        ("set-value", {"key": "header.ground", "value": draw(st.sampled_from(grounds))}),
        ("add-ground", {"ground_name": text, "fill": draw(hexes), "section": draw(st.sampled_from(["", section]))}),
        ("name-ground", {"ground": grounds[-1], "ground_name": text}),
        ("remove-ground", {"ground": grounds[-1], "instead": draw(st.sampled_from(["", "dark"]))}),
        ("set-role", {"ground": draw(st.sampled_from(grounds)), "role": role, "value": draw(st.one_of(st.just(""), st.just(f"@{colour}"), hexes))}),
        ("remove-colour", {"colour": colour, "instead": draw(st.sampled_from(colours))}),
        ("choose-palette", {"codes": " ".join(draw(st.lists(hexes, min_size=1, max_size=9)))}),
        ("set-words", {"section": section, "field": "heading", "words": text}),
        ("set-one-off", {"section": section, "element": "heading", "what": (what := draw(st.sampled_from(list(ONE_OFFS)))), "value": draw(st.sampled_from(["", ONE_OFFS[what]]))}),
        ("add-item", {"section": section}),
        ("move-item", {"section": section, "item": draw(st.sampled_from(items)), "by": by}),
        ("remove-item", {"section": section, "item": draw(st.sampled_from(items))}),
        ("bin-section", {"section": section}),
        ("restore-section", {"section": binned}),
        ("add-picture", {"picture": draw(st.sampled_from(["xp1", "xp2", "xp3"])), "section": section, **file}),
        ("add-picture", {"picture": draw(st.sampled_from(["xp1", "xp2"])), "use": "logo", **file}),
        ("replace-picture", {"picture": picture, **file}),
        ("set-focal", {"picture": picture, "x": str(draw(st.integers(0, 100))), "y": "50"}),
        ("describe-picture", {"picture": picture, "alt": text}),
        ("show-whole", {"picture": picture}),
        ("bin-picture", {"picture": picture}),
        ("restore-picture", {"picture": binned}),
    ]  # fmt: skip
    return draw(st.sampled_from(choices))


@st.composite
def histories(draw: st.DrawFn) -> tuple[list[Document], list[list[Operation]]]:
    """Documents and the edits between them, from the starter document on."""
    documents, edits = [START], []
    for _ in range(draw(st.integers(1, 12))):
        name, arguments = some_command(documents[-1], draw)
        try:
            steps = read_command(name, arguments).plan(Look(documents[-1], CATALOGUE), new_id)
        except Fault:
            continue  # refused with a reason: the document stays as it is
        documents.append(apply(documents[-1], steps))
        edits.append(steps)
    return documents, edits


many = settings(
    max_examples=150, deadline=None, suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large]
)


@many
@given(histories())
def test_an_edit_and_its_inverse_is_nothing(history: tuple[list[Document], list[list[Operation]]]) -> None:
    documents, edits = history
    for before, after, steps in zip(documents, documents[1:], edits, strict=False):
        assert apply(after, inverse(steps)).text() == before.text()


@many
@given(histories())
def test_undo_all_and_redo_all_give_the_same_bytes(history: tuple[list[Document], list[list[Operation]]]) -> None:
    documents, edits = history
    document = documents[-1]
    for steps in reversed(edits):
        document = apply(document, inverse(steps))
    assert document.text() == START.text()
    for steps in edits:
        stored = [from_plain(json.loads(json.dumps(step.plain()))) for step in steps]
        document = apply(document, stored)
    assert document.text() == documents[-1].text()


@many
@given(histories())
def test_a_document_reads_back_as_it_was_written(history: tuple[list[Document], list[list[Operation]]]) -> None:
    document = history[0][-1]
    assert read(document.text()) == document


@many
@given(histories(), st.permutations(sorted(CATALOGUE.templates)))
def test_a_template_there_and_back_gives_the_same_bytes_and_loses_nothing(
    history: tuple[list[Document], list[list[Operation]]], templates: list[str]
) -> None:
    document = history[0][-1]
    before = document.text()
    for template in [*templates, document.template]:
        there = apply(
            document, read_command("choose-template", {"template": template}).plan(Look(document, CATALOGUE), new_id)
        )
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


@many
@given(histories())
def test_all_changes_out_is_the_draft_and_none_the_live_site(
    history: tuple[list[Document], list[list[Operation]]],
) -> None:
    live, draft = history[0][0], history[0][-1]
    every = [change.key for change in difference(live, draft, CATALOGUE)]
    assert document_with(live, draft, every, CATALOGUE) == draft
    if every:
        assert document_with(live, draft, [], CATALOGUE) == live


def test_every_command_says_in_words_what_it_does() -> None:
    home = START.order[0]
    opening = START.pages[home].order[0]
    arguments = {
        "page": home, "section": opening, "colour": "c1", "hex": "#123456", "key": "type.base", "value": "@c1",
        "template": "handbill", "sheet": "slipway/lamplight", "pairing": "archivo-literata", "title": "New name",
        "page_name": "News", "colour_name": "Sea", "kind": "words", "by": 1, "field": "heading", "element": "heading",
        "words": "Hello", "what": "colour", "ones": "", "all": "yes", "item": "", "picture": "p", "file": "f", "format": "png", "width": 1,
        "height": 1, "file_name": "a.png", "of": "type", "values": {"type.base": 20},
        "codes": "#123456", "ground": "xsea", "role": "button", "ground_name": "Kelp", "fill": "@c1", "heading": "lora", "body": "lora", "instead": "", "font": "own-1", "level": "h2",
        "lightness": "50", "chroma": "0.1", "hue": "30",
    }  # fmt: skip
    about = {"file": "f", "format": "png", "width": 1, "height": 1, "name": "a.png"}
    font = {
        "name": "Kelp",
        "kind": "sans",
        "licence": "preview",
        "files": [{"file": "f", "lightest": 400, "heaviest": 400}],
    }
    font["facts"] = plain_facts(CATALOGUE.families["lora"].facts)
    arguments["family"] = font
    start = Document.model_validate(START.plain() | {"pictures": {"p": about}, "fonts": {"own-1": font}})
    aligned = {"section": opening, "element": "heading", "what": "align", "value": "center"}
    start = apply(start, read_command("set-one-off", aligned).plan(Look(start, CATALOGUE), new_id))
    own = {"grounds.own": [{"id": "xsea", "name": "Sea", "fill": "#123456"}]}
    start = Document.model_validate(start.plain() | {"sheet": own})
    for name in commands():
        given = arguments | ({"key": "type.heading", "value": "lora"} if name == "set-value" else {})
        said = read_command(name, given).say(Look(start, CATALOGUE))
        assert said
        assert "None" not in said


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
    assert stored == "<p>Sewn <strong>by hand</strong> <a>here</a></p>"
    assert plain(stored) == "Sewn by hand here"


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
        read_command("bin-page", {"page": first}).plan(Look(START, CATALOGUE), new_id)
    moved = apply(START, read_command("move-page", {"page": second, "by": -1}).plan(Look(START, CATALOGUE), new_id))
    assert moved.pages[second].slug == ""
    assert moved.pages[first].slug == "home"


def test_a_ready_sheet_sets_the_owners_values_aside_and_they_come_back() -> None:
    own = apply(
        START, read_command("set-colour", {"colour": "c1", "hex": "#123456"}).plan(Look(START, CATALOGUE), new_id)
    )
    covered = apply(
        own, read_command("apply-sheet", {"sheet": "handbill/press-night"}).plan(Look(own, CATALOGUE), new_id)
    )
    assert Look(covered, CATALOGUE).colours[0].hex == "#c8321f"
    assert covered.set_aside["palette"] == own.sheet["palette"]
    back = apply(covered, read_command("bring-back-sheet", {}).plan(Look(covered, CATALOGUE), new_id))
    assert Look(back, CATALOGUE).colours[0].hex == "#123456"
