"""What search engines are told about the business and its dates: schema.org, as JSON-LD values."""

from __future__ import annotations

from typing import Any

from yemba.core.calendar.weekdays import days_in
from yemba.core.site.document import Document, Page, Section, ordered_items, ordered_sections
from yemba.core.site.words import plain


def business(document: Document, address: str) -> dict[str, Any]:
    """schema.org LocalBusiness: name, address of the site, and what the first hours and place say."""
    first = document.pages[document.order[0]]
    told: dict[str, Any] = {
        "@context": "https://schema.org",
        "@type": "LocalBusiness",
        "name": document.name,
        "url": address,
        "image": f"{address}sharing.png",
    }
    if first.description or document.tagline:
        told["description"] = first.description or document.tagline
    place = _first(document, "hours-and-place")
    if place is None:
        return told
    fields = place.fields
    if where := plain(fields.get("address", "").replace("<br>", ", ").replace("</p><p>", ", ")):
        told["address"] = {"@type": "PostalAddress", "streetAddress": where}
    told |= {key: fields[field] for key, field in (("telephone", "telephone"), ("email", "mail")) if fields.get(field)}
    if hours := [found for _, item in ordered_items(place) if (found := _hours(item.fields))]:
        told["openingHoursSpecification"] = hours
    return told


def events(document: Document, page: Page, address: str) -> list[dict[str, Any]]:
    """schema.org Event for each date on a page that says its day."""
    organiser = {"@type": "Organization", "name": document.name, "url": address}
    found = []
    for _, section in ordered_sections(page):
        if section.kind != "dates":
            continue
        for _, item in ordered_items(section):
            fields = item.fields
            if not fields.get("day") or not fields.get("title"):
                continue
            event: dict[str, Any] = {
                "@context": "https://schema.org",
                "@type": "Event",
                "name": fields["title"],
                "startDate": _moment(fields["day"], fields.get("begins")),
                "location": {"@type": "Place", "name": fields.get("place") or document.name},
                "organizer": organiser,
            }
            if fields.get("ends"):
                event["endDate"] = _moment(fields["day"], fields["ends"])
            if text := plain(fields.get("text", "")):
                event["description"] = text
            found.append(event)
    return found


def _first(document: Document, kind: str) -> Section | None:
    every = (section for _, page in document.ordered_pages() for _, section in ordered_sections(page))
    return next((section for section in every if section.kind == kind), None)


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
