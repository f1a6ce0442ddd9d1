"""The footer: drawings hold what stands in it, links read on its ground, nothing it shows is counted twice."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yemba.catalogue import catalogue as shipped
from yemba.core.check.finding import Inspected
from yemba.core.check.way_about import find
from yemba.core.colour.contrast import TEXT, ratio
from yemba.core.layout.footer_drawing import WIDTH, Contents, draw
from yemba.core.part.footer import ARRANGEMENTS
from yemba.core.part.part import parts
from yemba.core.site import footer
from yemba.core.site.document import Document, Page, Section
from yemba.core.site.resolve import Look

CONTENTS = st.builds(Contents, st.booleans(), st.booleans(), st.integers(0, 14), st.integers(0, 6))


def _look(document: Document, **values: object) -> Look:
    plain = document.plain()
    plain["parts"] = plain.get("parts", {}) | {f"footer.{name}": value for name, value in values.items()}
    return Look(Document.model_validate(plain), shipped())


@given(st.sampled_from([*ARRANGEMENTS]), CONTENTS)
def test_pieces_of_a_drawing_stand_within_it_and_apart(arrangement: str, contents: Contents) -> None:
    drawing = draw(arrangement, contents)
    for number, box in enumerate(drawing.boxes):
        assert box.left >= 0
        assert box.top >= 0
        assert box.left + box.width <= WIDTH
        assert box.top + box.height <= drawing.height
        for other in drawing.boxes[number + 1 :]:
            beside = box.left + box.width <= other.left + 0.01 or other.left + other.width <= box.left + 0.01
            below = box.top + box.height <= other.top + 0.01 or other.top + other.height <= box.top + 0.01
            assert beside or below, (box, other)


@given(st.from_regex(r"#[0-9a-f]{6}", fullmatch=True), st.sampled_from(["light", "tinted", "strong", "dark"]))
def test_links_read_on_its_ground_whatever_colour_is_chosen(code: str, ground: str) -> None:
    palette = [{"id": "c1", "name": "Chosen", "hex": code}, {"id": "c2", "name": "Ink", "hex": "#22302e"}]
    page = Page(name="Home", slug="")
    plain = Document(name="A", template="slipway", sheet={"palette": palette}, pages={"p": page}, order=["p"])
    look = _look(plain, ground=ground, link_colour="@c1", link_pointed="@c1")
    shown = footer.link_colours(look)
    assert shown.keys() == {"link", "link-hover"}
    for colour in shown.values():
        assert ratio(colour, look.grounds[ground].fill) >= TEXT
    if ratio(look.read_colour("@c1").colour, look.grounds[ground].fill) >= TEXT:
        assert shown["link"].hex == code


def test_see_through_links_have_the_colour_of_its_text(document: Document) -> None:
    look = _look(document, behind="through", link_colour=f"@{Look(document, shipped()).value('palette')[0]['id']}")
    assert footer.link_colours(look) == {}
    assert "behind-through" in footer.marks(look)


def test_a_section_of_its_own_makes_it_its_owners(document: Document) -> None:
    plain = document.plain() | {
        "shared": {"footer": {"sections": {"s": Section(kind="words").model_dump()}, "order": ["s"]}}
    }
    assert footer.is_own(Look(Document.model_validate(plain), shipped()))


@pytest.mark.parametrize(
    ("name", "value", "marks"),
    [
        ("arrangement", "columns", "arranged arranged-columns"),
        ("align", "center", "aligned-center"),
        ("line", 0, "has-line line-line"),
        ("height", 0, "has-height"),
        ("padding", 40, "has-padding"),
        ("columns", 3, "has-columns"),
        ("stands", "follows", "follows"),
    ],
)
def test_what_is_set_is_a_class_even_where_it_is_nought(
    document: Document, name: str, value: object, marks: str
) -> None:
    assert footer.marks(_look(document, **{name: value})) == marks


def test_a_footer_that_is_not_shown_says_nothing(document: Document) -> None:
    assert list(parts()["footer"].texts(_look(document, shown=False, words="By the water"))) == []
    assert any("By the water" in text.words for text in parts()["footer"].texts(_look(document, words="By the water")))


@pytest.mark.parametrize("values", [{"navigation": False}, {"shown": False}])
def test_without_header_and_navigation_nobody_finds_the_pages(document: Document, values: dict[str, object]) -> None:
    plain = document.plain()
    plain["parts"] = plain.get("parts", {}) | {"header.arrangement": "none"}
    bare = Document.model_validate(plain)
    (finding,) = list(find(Inspected(_look(bare, **values), load=bytes, weigh=int)))
    assert finding.cure is not None
    assert dict(finding.cure.arguments)["key"] == f"footer.{next(iter(values))}"
    assert list(find(Inspected(_look(bare), load=bytes, weigh=int))) == []
