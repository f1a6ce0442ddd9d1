"""What search engines are told about the business and its dates: schema.org, as JSON-LD values."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import date
from typing import Any

from yemba.core.calendar.weekdays import days_in
from yemba.core.site.document import Page, Section, ordered_items
from yemba.core.site.kinds import DATES, HOURS, SectionKind, begun
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain
from yemba.core.value.reaching import REACHES


def business(look: Look, address: str) -> dict[str, Any]:
    """schema.org LocalBusiness, or the type of the site’s trade: name, address, what the first hours and place say."""
    document = look.document
    first = document.pages[document.order[0]]
    made: dict[str, Any] = {
        "@context": "https://schema.org",
        "@type": look.trade.schema_type if look.trade else "LocalBusiness",
        "name": document.name,
        "url": address,
        "image": f"{address}sharing.png",
    }
    if first.description or document.tagline:
        made["description"] = first.description or document.tagline
    return made | _place(look)


def _place(look: Look) -> dict[str, Any]:
    """Address, telephone, mail and hours, as far as their owner gave them: what a section began with is no fact."""
    section = _first_of_role(look, HOURS)
    if section is None:
        return {}
    kind = look.catalogue.kind(section.kind)
    fields, made = _own(look, kind, section.fields), dict[str, Any]()
    where = plain(fields.get("address", "").replace("<br>", ", ").replace("</p><p>", ", "))
    if where:
        made["address"] = {"@type": "PostalAddress", "streetAddress": where}
    for key, field in (("telephone", "telephone"), ("email", "mail")):
        if REACHES[field](fields.get(field, "")):
            made[key] = fields[field]
    every = [item.fields for _, item in ordered_items(section)]
    hours = [_hours(_own(look, kind, fields, every)) for fields in every]
    if known := [one for one in hours if one]:
        made["openingHoursSpecification"] = known
    return made


def _own(
    look: Look, kind: SectionKind, stored: Mapping[str, str], among: Sequence[Mapping[str, str]] | None = None
) -> dict[str, str]:
    """What is stored, without what it began with; of an item `among` those of its section."""
    item = "" if among is None else "item"
    words = look.starter_trade.starters_of(kind.slug, item)
    starters = {field.slug for field in begun(kind.fields_of(item), stored, words, among=among or ())}
    return {slug: value for slug, value in stored.items() if slug not in starters}


def events(look: Look, page: Page, address: str, today: date) -> list[dict[str, Any]]:
    """schema.org Event for each date on a page that says its day, from today on."""
    organiser = {"@type": "Organization", "name": look.document.name, "url": address}
    place = {"@type": "Place", "name": look.document.name} | {
        key: value for key, value in _place(look).items() if key == "address"
    }
    return [
        _event(own, place, organiser)
        for _, section in page.ordered()
        if DATES in (kind := look.catalogue.kind(section.kind)).roles
        for _, item in ordered_items(section)
        if (own := _own(look, kind, item.fields, [])).get("title") and own.get("day", "") >= today.isoformat()
    ]


def _event(fields: dict[str, str], place: dict[str, Any], organiser: dict[str, str]) -> dict[str, Any]:
    event: dict[str, Any] = {
        "@context": "https://schema.org",
        "@type": "Event",
        "name": fields["title"],
        "startDate": _moment(fields["day"], fields.get("begins")),
        "location": {"@type": "Place", "name": fields["place"]} if fields.get("place") else place,
        "organizer": organiser,
    }
    if fields.get("ends"):
        event["endDate"] = _moment(fields["day"], fields["ends"])
    if text := plain(fields.get("text", "")):
        event["description"] = text
    return event


def _first_of_role(look: Look, role: str) -> Section | None:
    every = (standing.section for standing in look.document.standing())
    return next((section for section in every if role in look.catalogue.kind(section.kind).roles), None)


def _hours(fields: dict[str, str]) -> dict[str, Any] | None:
    days = days_in(fields.get("days", ""))
    if not days or not fields.get("opens") or not fields.get("closes"):
        return None
    return {
        "@type": "OpeningHoursSpecification",
        "dayOfWeek": days,
        "opens": fields["opens"],
        "closes": fields["closes"],
    }


def _moment(day: str, time: str | None) -> str:
    """ISO 8601 without an offset: local time where it happens."""
    return f"{day}T{time}" if time else day
