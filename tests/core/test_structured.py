"""What search engines are told: facts of the owner's alone, and all of them."""

from __future__ import annotations

import pytest

from yemba.core.check.starter_words import starter_sections
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.kinds import HOURS
from yemba.core.site.resolve import Look
from yemba.core.site.structured import business

BEGAN = {"days": "Tuesday to Friday", "opens": "10:00", "closes": "17:00"}
SATURDAY = {"days": "Saturday", "opens": "10:00", "closes": "13:00"}
CLOSED = {"days": "Sunday and Monday"}


def told(document: Document, catalogue: Catalogue, *items: dict[str, str]) -> list[str]:
    """The days that are told of hours as these, and the section of hours where it counts as not written yet."""
    plain = document.plain()
    for page in plain["pages"].values():
        for section in page["sections"].values():
            if HOURS in catalogue.kind(section["kind"]).roles:
                section["items"] = {new_id(): {"fields": fields} for fields in items}
                section["order"] = list(section["items"])
                section["fields"] = {"address": "<p>Tide Row 4</p>"}
    look = Look(Document.model_validate(plain), catalogue)
    known = business(look, "https://a.example/").get("openingHoursSpecification", [])
    counted = {look.where(standing) for standing in look.document.standing() if standing.key in starter_sections(look)}
    hours = {
        look.where(standing)
        for standing in look.document.standing()
        if HOURS in catalogue.kind(standing.section.kind).roles
    }
    return [day for one in known for day in one["dayOfWeek"]] + (["unwritten"] if counted & hours else [])


@pytest.mark.parametrize(
    ("items", "days"),
    [
        ((BEGAN, SATURDAY, CLOSED), ["Tuesday", "Wednesday", "Thursday", "Friday", "Saturday"]),
        ((BEGAN, BEGAN, BEGAN), ["unwritten"]),
        ((SATURDAY, BEGAN, BEGAN), ["Saturday", "unwritten"]),
        ((BEGAN,), ["unwritten"]),
        ((BEGAN | {"closes": "18:00"},), ["Tuesday", "Wednesday", "Thursday", "Friday"]),
        ((SATURDAY, CLOSED), ["Saturday"]),
    ],
)
def test_hours_that_a_section_began_with_are_facts_where_their_owner_went_through_them(
    document: Document, catalogue: Catalogue, items: tuple[dict[str, str], ...], days: list[str]
) -> None:
    assert told(document, catalogue, *items) == days
