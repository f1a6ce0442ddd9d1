"""The mark of a template on the card of a link and on the icon."""

from __future__ import annotations

from datetime import date
from io import BytesIO

import pytest
from PIL import Image

from yemba.core.colour.srgb import Colour
from yemba.core.picture import sharing
from yemba.core.picture.drawing import drawn
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.render.files import icon_tiles, sharing_card
from yemba.render.site import Site


def site(document: Document, catalogue: Catalogue, template: str) -> Site:
    changed = Document.model_validate(document.plain() | {"template": template})
    return Site(Look(changed, catalogue), date(2026, 11, 1), lambda _: b"")


def pixel(png: bytes, across: float, down: float) -> Colour:
    with Image.open(BytesIO(png)) as opened:
        place = round(across * (opened.width - 1)), round(down * (opened.height - 1))
        return Colour(*opened.convert("RGB").getpixel(place))


@pytest.mark.parametrize("template", ["slipway", "handbill", "lantern"])
def test_name_and_tagline_are_read_on_another_ground_than_what_stands_behind(
    document: Document, catalogue: Catalogue, template: str
) -> None:
    """Where a template's page is dark, a card on the header's dark ground would hide its sheet."""
    one = site(document, catalogue, template)
    card = sharing.to_png(sharing_card(one))
    behind, middle = pixel(card, 0, 0), pixel(card, 0.95, 0.5)
    page = one.look.grounds[one.look.template.page].fill
    if one.look.template.signature == "sheet":
        assert behind == page
        assert middle != page
    else:
        assert middle == one.look.grounds[one.look.value("header.ground")].fill


def test_each_template_marks_its_card_and_icon_in_its_own_way(document: Document, catalogue: Catalogue) -> None:
    sites = [site(document, catalogue, template) for template in ("slipway", "handbill", "lantern")]
    for one in sites:
        plain, maskable = icon_tiles(one)
        assert plain != maskable, "what a mask would cut has no mark at its edge"
    slope, frame, sheet = (sharing_card(one).decode() for one in sites)
    assert "stroke=" in frame
    assert "stroke=" not in slope + sheet
    corner = pixel(drawn(icon_tiles(sites[0])[0], 128, 128), 0, 1)
    assert corner == sites[0].look.grounds["strong"].text, "the slope's foot"
