"""How much of a window a header that stays covers is told in the styles, and grows with what the header holds."""

from __future__ import annotations

import pytest

from tests.editing import edited
from yemba.core.layout.arrangement import NONE
from yemba.core.layout.header_fit import FOLDED_FROM
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.header import header_fit, header_heights
from yemba.core.site.resolve import Look
from yemba.render.style import values

LONG = "The Saltmarsh Bindery and Paper Workshop of Tide Row"


def arranged(document: Document, catalogue: Catalogue, arrangement: str) -> Document:
    return edited(document, "set-value", key="header.arrangement", value=arrangement)


@pytest.mark.parametrize("name", ["Sole", LONG])
def test_it_is_never_lower_than_it_is_set_to_be(document: Document, catalogue: Catalogue, name: str) -> None:
    named = edited(document, "name-site", title=name)
    for slug, arrangement in catalogue.arrangements.items():
        high = edited(arranged(named, catalogue, slug), "set-value", key="header.height_wide", value=240)
        standing = header_heights(Look(high, catalogue))
        if arrangement.menu == NONE:
            assert set(standing.folded) == {0}
            continue
        assert standing.unfolded >= 240 or arrangement.column
        assert min(standing.folded) >= Look(high, catalogue).value("header.height_phone")


def test_a_longer_name_never_makes_it_lower(document: Document, catalogue: Catalogue) -> None:
    short, long = (edited(document, "name-site", title=name) for name in ("Saltmarsh", LONG))
    both = (header_heights(Look(one, catalogue)).folded for one in (short, long))
    assert all(lower <= higher for lower, higher in zip(*both, strict=True))


def test_only_one_that_stays_asks_for_room(document: Document, catalogue: Catalogue) -> None:
    assert "scroll-padding" not in values(Look(document, catalogue))
    stays = edited(document, "set-value", key="header.position", value="sticky")
    text = values(Look(stays, catalogue))
    standing = header_heights(Look(stays, catalogue))
    fold = header_fit(Look(stays, catalogue)).fold
    folded = [height for window, height in zip(FOLDED_FROM, standing.folded, strict=True) if window < fold]
    told = [f"scroll-padding-block-start: calc({height}px" for height in (*folded, standing.unfolded)]
    assert [rule for rule in told if rule in text] == told
    assert text.count("scroll-padding") <= len(told), "what is as high as before is not told again"
    assert standing.unfolded > 0
    assert "--header-position:sticky" in text
