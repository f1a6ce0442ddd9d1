"""The highest layer that speaks decides; taking its value away shows the one below."""

from __future__ import annotations

from typing import Any

import pytest

from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document, read
from yemba.core.site.resolve import Look, Origin
from yemba.core.site.settings import SETTINGS


def change(document: Document, **fields: Any) -> Document:
    return Document.model_validate(document.plain() | fields)


def test_layers_answer_in_their_order(document: Document, catalogue: Catalogue) -> None:
    def corner(doc: Document) -> tuple[Any, Origin]:
        found = Look(doc, catalogue).resolve("type.heading")
        return found.value, found.origin

    bare = Look(document, catalogue)
    assert bare.resolve("footer.copyright").origin is Origin.ENGINE
    assert corner(document) == ("bricolage-grotesque", Origin.TEMPLATE)
    ready = change(document, ready_sheet="slipway/lamplight")
    assert corner(ready) == ("fraunces", Origin.SHEET)
    own = change(document, ready_sheet="slipway/lamplight", sheet={"type.heading": "alegreya"})
    assert corner(own) == ("alegreya", Origin.SHEET)
    part = Look(change(document, parts={"header.ground": "dark"}), catalogue)
    assert part.resolve("header.ground") == ("dark", Origin.PART, "")


def test_a_ready_sheet_stays_where_the_template_changes(document: Document, catalogue: Catalogue) -> None:
    moved = change(document, ready_sheet="slipway/lamplight", template="handbill")
    assert Look(moved, catalogue).value("type.heading") == "fraunces"


def test_sections_take_layout_and_ground_from_the_template_until_set(document: Document, catalogue: Catalogue) -> None:
    look = Look(document, catalogue)
    _, opening = next(iter(document.pages.values())).sections.items().__iter__().__next__()
    assert look.layout(opening) == ("beside", Origin.TEMPLATE, "Slipway")
    assert look.ground(opening.model_copy(update={"ground": "dark"})) == ("dark", Origin.SECTION, "")
    lost = opening.model_copy(update={"layout": "from-another-time"})
    assert look.layout(lost).value == "beside"


def test_every_setting_resolves_in_every_template(document: Document, catalogue: Catalogue) -> None:
    for template in catalogue.templates:
        look = Look(change(document, template=template), catalogue)
        for key, setting in SETTINGS.items():
            value = look.value(key)
            assert value is None or value == setting.read(value), key


@pytest.mark.parametrize(
    ("text", "reason"),
    [
        ("", "JSON"),
        ("{}", "name"),
        ('{"name": "x", "template": "slipway", "colour": "red"}', "colour"),
        ('{"name": "x", "template": "slipway", "order": ["p"]}', "order"),
        (
            '{"name":"x","template":"slipway","order":["a","b"],'
            '"pages":{"a":{"name":"A","slug":"s"},"b":{"name":"B","slug":"s"}}}',
            "address",
        ),
    ],
)
def test_what_is_no_document_is_refused_with_the_reason(text: str, reason: str) -> None:
    with pytest.raises(Fault) as caught:
        read(text)
    assert reason in caught.value.sentence
