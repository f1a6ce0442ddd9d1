"""Which values a fragment takes, by the cascade on a small stylesheet, one rule of CSS a test; and where colours are used."""

from __future__ import annotations

import re
from pathlib import Path
from types import SimpleNamespace
from typing import Any

import pytest

from yemba.core.colour.grounds import GROUND_NAMES, ROLE_NAMES
from yemba.core.colour.srgb import from_hex
from yemba.core.site.document import Document
from yemba.core.site.frame import SIZED_AS
from yemba.core.site.resolve import Look
from yemba.hosting.services import rendering
from yemba.render import uses
from yemba.render.reach import Spot, State
from yemba.render.used import Used


@pytest.fixture
def taken(monkeypatch: pytest.MonkeyPatch):
    """The values that a fragment takes under a stylesheet of its own."""

    def under(css: str, fragment: str, where: str = "main", arrangement: str = "row", later: str = "") -> set[str]:
        template = SimpleNamespace(css=css, page="light")
        monkeypatch.setattr(uses.shipped, "catalogue", lambda: SimpleNamespace(template=lambda _: template))
        monkeypatch.setattr(uses, "base_css", lambda: "")
        for shared in ("kinds_css", "everywhere_css", "choices_css"):
            monkeypatch.setattr(uses, shared, lambda: "")
        monkeypatch.setattr(uses, "unfolded_css", lambda: later)
        uses._matcher.cache_clear()
        return set(uses._use(fragment, "any", arrangement, where).values)

    yield under
    uses._matcher.cache_clear()


HEADING = '<section class="section"><h2 class="title">Words</h2></section>'


@pytest.mark.parametrize(
    ("css", "values"),
    [
        ("h2 { color: var(--ink); }", {"ink"}),
        ("h3 { color: var(--ink); }", set()),
        ("h2 { color: var( --ink , red); }", {"ink"}),
        ("h2 { color: var(--ink); } .title { color: var(--red); }", {"red"}),
        ("h2 { color: var(--ink); } a:hover, h2 { color: var(--red); }", {"red"}),
        (".title { color: var(--red); } h2 { color: var(--ink); }", {"red"}),
        ("h2 { color: var(--ink); } h2 { color: var(--red); }", {"red"}),
        ("h2 { color: var(--ink); } h2:hover { color: var(--red); }", {"ink", "red"}),
        ("h2::before { color: var(--red); }", {"red"}),
        ("h2, h3 { color: var(--ink); }", {"ink"}),
        (":is(h1, h2) { color: var(--ink); }", {"ink"}),
        ("h2 { color: var(--ink); } @media (min-width: 40em) { h2 { color: var(--red); } }", {"ink", "red"}),
        ("@supports (color: red) { h2 { color: var(--red); } }", {"red"}),
        ("@font-face { src: var(--ink); }", set()),
    ],
)
def test_the_declarations_that_win_are_used(taken, css: str, values: set[str]) -> None:
    assert taken(css, HEADING) == values


def test_what_holds_the_fragment_gives_what_is_inherited_alone(taken) -> None:
    css = "main { color: var(--ink); font-size: var(--size); padding: var(--room); line-height: var(--line); }"
    assert taken(css, HEADING) == {"size", "line"}


def test_what_the_template_defines_counts_as_what_it_is_made_of(taken) -> None:
    css = "body { --edge: var(--line); --other: var(--ink); } h2 { border: 1px solid var(--edge); }"
    assert taken(css, HEADING) == {"line"}
    chain = "body { --one: var(--two); --two: var(--three); } h2 { color: var(--one); }"
    assert taken(chain, HEADING) == {"three"}
    assert taken("body { --one: var(--two); --two: var(--one); } h2 { color: var(--one); }", HEADING) == set()


def test_the_colour_of_a_text_is_that_of_its_own_entry(taken) -> None:
    entries = "".join(f'<li class="{key}" data-item="{key}"><p data-field="title">Words</p></li>' for key in "ab")
    fragment = f'<section data-place="s"><h2 data-field="heading">Words</h2><ul>{entries}</ul></section>'
    taken("section { color: var(--ink); } .a { color: var(--red); } .b { color: var(--blue); }", fragment)
    look: Any = SimpleNamespace(template=SimpleNamespace(slug="any"), value=lambda _: "row")
    asked = [("", ""), ("heading", ""), ("title", "a"), ("title", "b"), ("title", "c"), ("words", "a")]
    values = [uses.text_value(fragment, look, "main", "s", field, item) for field, item in asked]
    assert values == ["ink", "ink", "red", "blue", "", ""]


def test_the_colour_of_a_text_is_that_of_its_own_section(taken) -> None:
    one, other = (
        f'<section class="{key}" data-place="{key}"><h2 data-field="heading">W</h2></section>' for key in "ab"
    )
    fragment = f'<footer data-place="footer"><h2 data-field="heading">Words</h2>{one}{other}</footer>'
    taken("footer { color: var(--ink); } .a { color: var(--red); } .b { color: var(--blue); }", fragment)
    look: Any = SimpleNamespace(template=SimpleNamespace(slug="any"), value=lambda _: "row")
    values = [uses.text_value(fragment, look, "body", place, "heading") for place in ("footer", "a", "b", "c")]
    assert values == ["ink", "red", "blue", ""]
    assert uses.text_value(fragment, look, "body", "b", "") == "blue"


@pytest.mark.parametrize("part", SIZED_AS)
def test_a_part_sets_levels_smaller_as_is_told(part: str) -> None:
    css = Path(uses.__file__).with_name("parts").joinpath(f"{part}.css").read_text()
    assert dict(re.findall(r"--size-(\w+): var\(--size-(\w+)\)", css)) == SIZED_AS[part]


def test_the_first_section_and_a_part_are_matched_where_they_stand(taken) -> None:
    css = "main > .section:first-child h2 { color: var(--first); } .section + .section h2 { color: var(--next); }"
    assert taken(css, HEADING, "first") == {"first"}
    assert taken(css, HEADING, "main") == {"next"}
    assert taken(
        "body > header { color: var(--bar); } main header { color: var(--ink); }", "<header></header>", "body"
    ) == {"bar"}


def test_a_later_layer_wins_but_only_where_the_menu_is_unfolded(taken) -> None:
    css = ".title.title { color: var(--ink); }"
    later = '[data-header="side"] h2 { color: var(--red); }'
    assert taken(css, HEADING, arrangement="side", later=later) == {"ink", "red"}
    assert taken(css, HEADING, arrangement="row", later=later) == {"ink"}


def test_rules_that_say_the_same_have_the_same_digest_and_others_another(taken) -> None:
    digests = []
    for css in ("h2 { color: var(--ink); }", "h2{color:var(--ink)} h3 { color: red; }", "h2 { color: red; }"):
        taken(css, HEADING)
        digests.append(uses._use(HEADING, "any", "row", "main").rules)
    assert digests[0] == digests[1] != digests[2]


def test_what_a_shape_uses_is_found_once(taken, monkeypatch: pytest.MonkeyPatch) -> None:
    taken("h2 { color: var(--ink); }", HEADING)
    monkeypatch.setattr(uses, "_USES", type(uses._USES)("of this test", 1000, lambda _: 1))
    asked = []

    def markup() -> str:
        asked.append(1)
        return HEADING

    first = uses.use(("a",), markup, "any", "row", "main")
    assert uses.use(("a",), markup, "any", "row", "main") is first
    assert uses.use(("a",), markup, "any", "row", "first") == first
    assert len(asked) == 2


def used(document: Document) -> tuple[Look, Used]:
    state = State(rendering(document))
    return state.look, Used(state)


def test_a_colour_is_seen_where_some_role_of_that_colour_is_taken(document: Document) -> None:
    look, of_site = used(document)
    for colour in {getattr(look.grounds[ground], role) for ground in GROUND_NAMES for role in ROLE_NAMES}:
        taken: dict[Spot, set[str]] = {}
        for ground in GROUND_NAMES:
            for role in (one for one in ROLE_NAMES if getattr(look.grounds[ground], one) == colour):
                for spot in of_site.at(ground, role):
                    taken.setdefault(spot, set()).add(role)
        assert {spot: set(roles) for spot, roles in of_site.of(colour).items()} == taken
    assert of_site.of(from_hex("#123456")) == {}


def test_every_place_shows_the_background_of_the_ground_it_stands_on(document: Document) -> None:
    look, of_site = used(document)
    home = document.order[0]
    for key, section in document.pages[home].sections.items():
        ground = look.ground(section).value
        assert Spot(home, key) in of_site.at(ground, "fill")
        assert Spot(home, key) not in [
            spot for other in {*GROUND_NAMES} - {ground} for spot in of_site.at(other, "fill")
        ]
