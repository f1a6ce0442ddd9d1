"""First looks: three whole designs that differ, from whatever was given, all of them readable."""

from __future__ import annotations

from collections.abc import Callable
from io import BytesIO
from itertools import chain

import pytest
from hypothesis import given as drawn
from hypothesis import settings
from hypothesis import strategies as st
from PIL import Image, ImageDraw

from tests.sampling import fewer
from yemba.catalogue import palettes
from yemba.core.colour.from_picture import from_picture
from yemba.core.colour.grounds import failures
from yemba.core.colour.srgb import Colour, from_hex
from yemba.core.first_look.brief import Brief
from yemba.core.first_look.looks import FirstLook, dressed, rounds
from yemba.core.first_look.palettes import Voice, leading, palette
from yemba.core.first_look.shape import Shape, shape_of
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look
from yemba.core.trade.begin import Beginning
from yemba.core.trade.plan import proposed
from yemba.core.trade.trade import AIMS, kind_of

RED = (176, 58, 46, 255)
Drawing = Callable[[ImageDraw.ImageDraw], object]
COLOURS = st.builds(Colour, *[st.integers(0, 255)] * 3)


def logo(draw: Drawing, background: tuple[int, ...] = (0, 0, 0, 0)) -> bytes:
    picture = Image.new("RGBA", (300, 300), background)
    draw(ImageDraw.Draw(picture))
    out = BytesIO()
    picture.save(out, "PNG")
    return out.getvalue()


SHAPES: dict[str, tuple[Drawing, bool, bool]] = {
    "disc": (lambda d: d.ellipse((40, 40, 260, 260), fill=RED), True, True),
    "ring": (lambda d: d.ellipse((40, 40, 260, 260), outline=RED, width=14), True, False),
    "square": (lambda d: d.rectangle((40, 40, 260, 260), fill=RED), False, True),
    "frame": (lambda d: d.rectangle((40, 40, 260, 260), outline=RED, width=9), False, False),
    "triangle": (lambda d: d.polygon([(150, 30), (270, 260), (30, 260)], fill=RED), False, True),
    "turned square": (lambda d: d.regular_polygon((150, 150, 110), 4, rotation=27, fill=RED), False, True),
}
"""Made logos with known answers: whether round, whether of thick strokes."""


@pytest.mark.parametrize("background", [(0, 0, 0, 0), (255, 255, 255, 255)])
@pytest.mark.parametrize("name", SHAPES)
def test_the_shape_of_a_logo(name: str, background: tuple[int, ...]) -> None:
    draw, is_round, is_thick = SHAPES[name]
    shape = shape_of(logo(draw, background))
    assert shape is not None
    assert (shape.is_round, shape.is_thick) == (is_round, is_thick), shape


@drawn(st.lists(COLOURS, min_size=1, max_size=6), st.sampled_from(list(Voice)))
def test_a_palette_has_three_colours_or_more_and_its_lead_first(colours: list[Colour], voice: Voice) -> None:
    made = palette(colours, voice)
    assert 3 <= len(made) <= 8
    assert len({colour for _, colour in made}) == len(made) == len({name for name, _ in made})
    if voice is not Voice.QUIET:
        assert made[0][1] == leading(colours)


def brief_of(
    catalogue: Catalogue, trade: str, aims: tuple[str, ...] = ("found",), **more: object
) -> tuple[Brief, Document]:
    found = catalogue.trade(trade)
    plan = proposed(found, aims)
    document = Beginning("Saltmarsh & Sons", "Hythe", found, catalogue, new_id).document("slipway", plan, {})
    sections = tuple(kind_of(name) for page in plan if page.kept for name in page.sections)
    return Brief(found, aims, sections, "Saltmarsh & Sons", **more), document  # type: ignore[arg-type]


def hold(looks: list[FirstLook], document: Document, catalogue: Catalogue) -> None:
    """Three that differ in template, each a whole site that reads."""
    assert len({look.template for look in looks}) == 3
    assert len({look.reason for look in looks}) == 3
    for first in looks:
        look = Look(Document.model_validate(dressed(document.plain(), first)), catalogue)
        assert not list(chain.from_iterable(failures(ground) for ground in look.grounds.values()))
        assert look.value("header.ground") in look.grounds
        assert [stored.value for stored in document.stored()] == [stored.value for stored in look.document.stored()]


@settings(max_examples=fewer(18))
@drawn(st.data())
def test_three_looks_differ_read_and_are_the_same_again(catalogue: Catalogue, data: st.DataObject) -> None:
    trade = data.draw(st.sampled_from(sorted(catalogue.trades)))
    aims = tuple(aim for aim in AIMS if data.draw(st.booleans()))
    more: dict[str, object] = {"codes": tuple(data.draw(st.lists(COLOURS, max_size=3)))}
    if data.draw(st.booleans()):
        picture = logo(SHAPES[data.draw(st.sampled_from(sorted(SHAPES)))][0])
        found = from_picture(picture)
        more |= {"logo": tuple(one.colour for one in found), "shape": shape_of(picture)}
    if data.draw(st.booleans()):
        more |= {"photo": tuple(data.draw(st.lists(COLOURS, min_size=1, max_size=6)))}
    brief, document = brief_of(catalogue, trade, aims, **more)
    made = rounds(brief, catalogue, palettes())
    for looks in made:
        hold(looks, document, catalogue)
    assert rounds(brief, catalogue, palettes()) == made


@pytest.mark.parametrize("trade", ["chimney-sweep", "cheesemaker", "piano-teacher", "something-else"])
def test_three_others_never_repeat_until_all_that_fit_were_shown(catalogue: Catalogue, trade: str) -> None:
    brief, _ = brief_of(catalogue, trade)
    made = rounds(brief, catalogue, palettes())
    assert len(made) == len(catalogue.templates)
    for voice in range(3):
        assert len({looks[voice].template for looks in made}) == len(made)


def test_what_was_given_is_followed_and_said(catalogue: Catalogue) -> None:
    red = from_hex("#b03a2e")
    brief, _ = brief_of(catalogue, "potter", logo=(red,), shape=Shape(0.95, 0.05))
    close, quiet, bold = rounds(brief, catalogue, palettes())[0]
    assert [look.sheet["palette"][0]["hex"] for look in (close, bold)] == [red.hex, red.hex]
    assert quiet.sheet["palette"][0]["hex"] != red.hex
    assert close.sheet["shape.corner"] > 0
    assert "#b03a2e, leads as it is" in close.reason
    assert "thin strokes and round corners" in close.reason
    assert (close.name, quiet.name, bold.name) == ("Closest", "Quieter", "Bolder")


def test_typefaces_have_the_letters_of_the_site(catalogue: Catalogue) -> None:
    brief, _ = brief_of(catalogue, "baker")
    greek = brief._replace(letters="Αρτοποιείο")
    for looks in rounds(greek, catalogue, palettes()):
        for look in looks:
            template = catalogue.template(look.template)
            for key in ("type.heading", "type.body"):
                assert not catalogue.families[look.sheet.get(key) or template.value(key)].lacks("Αρτοποιείο")
