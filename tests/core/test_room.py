"""How many pages, sections, entries and pictures fit is told before it is reached, and refused in a sentence."""

from __future__ import annotations

from typing import Any

import pytest

from yemba.core import room
from yemba.core.change.command import read_command
from yemba.core.errors import Fault
from yemba.core.room import Room
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look


def test_nine_in_ten_are_told_of() -> None:
    few = Room(10, "pages on a site")
    assert few.warning(8) == ""
    assert few.warning(9) == "9 of at most 10 pages on a site."


@pytest.mark.parametrize(
    ("name", "command", "arguments"),
    [
        ("PAGES", "add-page", {"page_name": "One more"}),
        ("SECTIONS", "add-section", {"kind": "words", "page": "HOME"}),
        ("ENTRIES", "add-item", {"section": "OFFERS"}),
        (
            "PICTURES",
            "add-picture",
            {"picture": "p9", "file": "a" * 64, "format": "png", "width": 9, "height": 9, "file_name": "p9.png"},
        ),
    ],
)
def test_one_more_than_fits_is_refused(
    document: Document,
    catalogue: Catalogue,
    monkeypatch: pytest.MonkeyPatch,
    name: str,
    command: str,
    arguments: dict[str, Any],
) -> None:
    offers = next(standing.key for standing in document.standing() if standing.section.kind == "offers")
    known = {"HOME": document.order[0], "OFFERS": offers}
    asked = read_command(command, {key: known.get(value, value) for key, value in arguments.items()})
    assert asked.plan(Look(document, catalogue), new_id)
    monkeypatch.setattr(room, name, Room(0, "of these"))
    with pytest.raises(Fault, match="No other fits: at most 0 of these") as refused:
        asked.plan(Look(document, catalogue), new_id)
    assert refused.value.code == "too-many"
