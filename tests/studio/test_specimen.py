"""Two looks drawn beside one another: every value of a brand sheet stands behind one drawing."""

from __future__ import annotations

import pytest

from yemba.core.brand.sheet import KEYS
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.studio.desks.specimen import FEATURES, beside


@pytest.mark.parametrize("key", KEYS)
def test_every_value_of_a_sheet_is_behind_one_drawing(key: str) -> None:
    assert sum(key in feature.settings() for feature in FEATURES) == 1


def test_what_differs_is_marked_and_nothing_else(catalogue: Catalogue, document: Document) -> None:
    look = Look(document, catalogue)
    assert all(row.same for row in beside(look, look))
    changes = {"shape.corner": 30, "type.heading": "fraunces", "h2.spacing": 0.05, "lead.weight": 300}
    marked = {
        "shape.corner": "Button and corners",
        "type.heading": "Headings",
        "h2.spacing": "Headings",
        "lead.weight": "Text",
    }
    for key, value in changes.items():
        sheet = {**document.sheet, key: value}
        rows = beside(look, Look(document.model_copy(update={"sheet": sheet}), catalogue))
        differing = [row.name for row in rows if not row.same]
        assert marked[key] in differing
        assert "Palette" not in differing


def test_drawings_hold_no_typed_text(catalogue: Catalogue, document: Document) -> None:
    look = Look(document.model_copy(update={"name": "<script>x</script> & co", "tagline": '"><b>'}), catalogue)
    for row in beside(look, look):
        assert "script" not in row.first
        assert "<b>" not in row.first
