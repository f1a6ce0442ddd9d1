"""One-offs of texts: they outlive every change of the whole, and go back one, some or all."""

from __future__ import annotations

from typing import Any

import pytest
from cssselect2 import ElementWrapper
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.editing import edited
from tests.sampling import some
from yemba.catalogue import catalogue
from yemba.core.change.command import read_command
from yemba.core.check.contrast import find
from yemba.core.check.finding import Inspected
from yemba.core.colour.srgb import from_hex
from yemba.core.errors import Fault
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.one_offs import PROPERTIES, apart, faces_of_one_offs, level_of, one_offs, weights_of_one_offs
from yemba.core.site.resolve import Look
from yemba.core.site.starter import starter as starter_section
from yemba.core.type.levels import LEVELS
from yemba.core.type.scale import Fluid, calm_size
from yemba.hosting.services import rendering
from yemba.render import uses
from yemba.render.fragment import at
from yemba.render.fragment import section as show_section
from yemba.render.recorder import Answers
from yemba.sites import starter

CATALOGUE = catalogue()
START = starter.document("Saltmarsh Bindery", "slipway", CATALOGUE, new_id)
HOME = START.pages[START.order[0]]
OPENING, SECOND = HOME.order[:2]
GIVEN = {"face": "lora", "size": "51", "weight": "300", "style": "italic", "colour": "#7a1f1f", "align": "center"}


def said(document: Document, name: str, **arguments: Any) -> str:
    return read_command(name, arguments).say(Look(document, CATALOGUE))


def set_apart(document: Document, **given: str) -> Document:
    for what, value in given.items():
        document = edited(document, "set-one-off", section=OPENING, element="heading", what=what, value=value)
    return document


APART = set_apart(START, **GIVEN)


def test_one_offs_of_a_text_are_resolved() -> None:
    look = Look(APART, CATALOGUE)
    shown = apart(look, GIVEN)
    assert (shown.face, shown.weight, shown.style) == (look.families["lora"], "300", "italic")
    assert shown.size == Fluid(calm_size(51.0), 51.0)
    assert shown.colour == from_hex("#7a1f1f")
    assert apart(look, {}) == (None, None, "", "", None)
    assert apart(look, {"face": "gone", "colour": "@gone"})[::4] == (None, None)


changes = st.one_of(
    st.tuples(
        st.just("choose-pairing"), st.fixed_dictionaries({"pairing": st.sampled_from(sorted(CATALOGUE.pairings))})
    ),
    st.tuples(
        st.just("choose-template"), st.fixed_dictionaries({"template": st.sampled_from(sorted(CATALOGUE.templates))})
    ),
    st.tuples(st.just("return-level"), st.fixed_dictionaries({"level": st.sampled_from(sorted(LEVELS))})),
    st.tuples(st.just("return-chapter"), st.fixed_dictionaries({"of": st.sampled_from(["", "type"])})),
    st.tuples(st.just("return-sheet"), st.just({})),
    st.tuples(st.just("apply-sheet"), st.just({"sheet": "slipway/lamplight"})),
    st.tuples(st.just("set-value"), st.fixed_dictionaries({"key": st.just("h1.wide"), "value": st.integers(30, 90)})),
)


@given(st.lists(changes, max_size=8))
@settings(max_examples=60)
def test_one_offs_survive_any_sequence_of_changes_to_the_whole(sequence: list[tuple[str, dict[str, Any]]]) -> None:
    document = APART
    for name, arguments in sequence:
        document = edited(document, name, **arguments)
    assert document.pages[START.order[0]].sections[OPENING].one_offs == {"heading": GIVEN}
    shown = {one.path[-1]: one.value for one in one_offs(Look(document, CATALOGUE)) if one.element}
    assert shown.keys() == GIVEN.keys()
    assert (shown["face"], shown["size"], shown["style"]) == ("Lora", "51 px", "italic")


def test_the_list_says_what_the_sheet_would_give() -> None:
    look = Look(APART, CATALOGUE)
    told = {one.path[-1]: one for one in one_offs(look)}
    assert told["face"].what == f"{PROPERTIES['face'].name} of the heading"
    assert told["face"].otherwise == "Bricolage Grotesque"
    assert told["size"].otherwise == f"{look.sizes['h1'].low:.3g} to {look.sizes['h1'].high:.3g} px"
    assert told["colour"].where == "Opening on Home"


def test_faces_and_weights_that_are_set_apart_go_out_with_the_site() -> None:
    look = Look(APART, CATALOGUE)
    assert (faces_of_one_offs(look), weights_of_one_offs(look)) == ([look.families["lora"]], [300])
    start = Look(START, CATALOGUE)
    assert (faces_of_one_offs(start), weights_of_one_offs(start)) == ([], [])


def test_one_some_and_all_go_back() -> None:
    keys = [one.key for one in one_offs(Look(APART, CATALOGUE))]
    assert set(keys) == {f"{OPENING}/one_offs/heading/{what}" for what in GIVEN}
    one = edited(APART, "return-one-offs", ones=keys[0])
    assert len(one_offs(Look(one, CATALOGUE))) == 5
    some = edited(APART, "return-one-offs", ones=keys[:3])
    assert [o.key for o in one_offs(Look(some, CATALOGUE))] == keys[3:]
    every = edited(set_apart(APART), "return-one-offs", all="yes")
    assert every == START
    assert edited(APART, "set-one-off", section=OPENING, element="heading", what="face", value="") != APART
    with pytest.raises(Fault) as caught:
        edited(START, "return-one-offs", ones="")
    assert caught.value.code == "nothing-chosen"


def test_a_change_of_the_whole_says_how_many_it_left() -> None:
    pairing = next(iter(CATALOGUE.pairings))
    assert said(APART, "choose-pairing", pairing=pairing).endswith("1 one-off stays as set")
    assert said(APART, "return-level", level="h1").endswith("6 one-offs stay as set")
    assert "one-off" not in said(APART, "return-level", level="h2")
    assert "one-off" not in said(START, "choose-pairing", pairing=pairing)


@pytest.mark.parametrize(
    ("what", "value", "code", "part"),
    [
        ("size", "huge", "number-out-of-range", "10 to 160 px"),
        ("weight", "1200", "number-out-of-range", "“1200”"),
        ("face", "papyrus", "no-such-family", "papyrus"),
        ("style", "slanted", "no-such-choice", "slanted"),
        ("colour", "no colour", "colour-unreadable", "no colour"),
        ("hem", "1", "gone", "heading"),
    ],
)
def test_a_one_off_that_cannot_be_is_refused_by_name(what: str, value: str, code: str, part: str) -> None:
    with pytest.raises(Fault) as caught:
        set_apart(START, **{what: value})
    assert caught.value.code == code
    assert part in caught.value.sentence


def test_a_colour_set_apart_follows_its_brand_colour_and_outlives_it() -> None:
    brand = set_apart(START, colour="@c1")
    was = next(c["hex"] for c in Look(brand, CATALOGUE).value("palette") if c["id"] == "c1")
    gone = edited(edited(brand, "add-colour", hex="#123456"), "remove-colour", colour="c1")
    assert gone.pages[START.order[0]].sections[OPENING].one_offs["heading"]["colour"] == was


def test_a_colour_set_apart_that_does_not_read_is_told_of_and_mended() -> None:
    pale = set_apart(START, colour="#eeeeee", size="18")
    [finding] = [f for f in find(Inspected(Look(pale, CATALOGUE), _none, {})) if "Colour of the heading" in f.sentence]
    assert finding.cure
    mended = edited(pale, finding.cure.command, **finding.cure.arguments)
    assert not [f for f in find(Inspected(Look(mended, CATALOGUE), _none, {})) if "Colour of the heading" in f.sentence]


def _none(digest: str) -> bytes:
    raise AssertionError(digest)


@pytest.mark.parametrize("template", some(sorted(CATALOGUE.templates), 8))
def test_every_text_is_of_the_level_that_the_styles_set_it_in(template: str) -> None:
    """The level that Yemba tells of, against the rule that wins in the stylesheet."""
    seen: set[str] = set()
    for kind in sorted(CATALOGUE.kinds):
        filled = CATALOGUE.kinds[kind]
        plain = starter_section(filled, new_id)
        for field in filled.fields:
            plain["fields"].setdefault(field.slug, _sample(field.type))
        for item in plain.get("items", {}).values():
            for field in filled.items.fields if filled.items else []:
                item["fields"].setdefault(field.slug, _sample(field.type))
        document = Document.model_validate(
            START.plain()
            | {
                "template": template,
                "pages": {"p": {"name": "P", "slug": "", "sections": {"a": plain}, "order": ["a"]}},
                "order": ["p"],
            }
        )
        site = rendering(document, draft=True)
        section = document.pages["p"].sections["a"]
        markup = show_section(Answers(site), at("p", document.pages["p"]), "a", section, True).html
        for element in uses._page(markup, template, "row", "first").iter_subtree():
            field, own = element.etree_element.get("data-field"), element.etree_element.get("data-item")
            shown = "".join(element.etree_element.itertext()).strip()
            if not field or field in ("picture", "day") or not shown:
                continue
            own = own or next(filter(None, (one.etree_element.get("data-item") for one in element.ancestors)), "")
            name = f"{own}.{field}" if own else field
            seen.add(field)
            assert _styled(element, template) == level_of(site.look, section, name), (template, kind, name)
    assert len(seen) > 15, "texts of many fields were met"


def _sample(form: str) -> str:
    return {"words": "<p>Words</p>", "price": "24.00", "date": "2027-03-14", "time": "18:30", "line": "Line"}.get(
        form, ""
    )


def _styled(element: ElementWrapper | None, template: str) -> str:
    """The level whose size wins on an element, or on the nearest above it that has one."""
    while element is not None:
        sizes = [
            ((rule.layer, specificity, rule.place), value)
            for specificity, _, _, rule in uses._matcher(template).match(element)
            for name, value in rule.declarations
            if name == "font-size" and "--size-" in value and not rule.state
        ]
        if sizes:
            return max(sizes)[1].split("--size-")[1].rstrip(")").split(")")[0]
        element = element.parent
    return ""
