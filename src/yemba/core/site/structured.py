"""What search engines are told about the business and its dates: schema.org, as JSON-LD values."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import datetime, tzinfo
from typing import Any

from yemba.core.calendar.recurrence import at
from yemba.core.calendar.weekdays import days_in
from yemba.core.site.dates import CANCELLED, SOLD_OUT, Coming, coming, most_shown, zone
from yemba.core.site.document import Page, Section, ordered_items
from yemba.core.site.journal import heading_of, moment_of
from yemba.core.site.kinds import DATES, HOURS, SectionKind, begun
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain
from yemba.core.value.reaching import REACHES


def business(look: Look, address: str) -> dict[str, Any]:
    """schema.org LocalBusiness, or the type of the site’s trade: name, address, what the first hours and place say."""
    document = look.document
    first = document.pages[document.order[0]]
    data: dict[str, Any] = {
        "@context": "https://schema.org",
        "@type": look.trade.schema_type if look.trade else "LocalBusiness",
        "name": document.name,
        "url": address,
        "image": f"{address}sharing.png",
    }
    if first.description or document.tagline:
        data["description"] = first.description or document.tagline
    return data | _place(look)


def _place(look: Look) -> dict[str, Any]:
    """Address, telephone, mail and hours, as far as their owner gave them: what a section began with is no fact."""
    section = _first_of_role(look, HOURS)
    if section is None:
        return {}
    kind = look.catalogue.kind(section.kind)
    fields, data = _own(look, kind, section.fields), dict[str, Any]()
    where = plain(fields.get("address", "").replace("<br>", ", ").replace("</p><p>", ", "))
    if where:
        data["address"] = {"@type": "PostalAddress", "streetAddress": where}
    for key, field in (("telephone", "telephone"), ("email", "mail")):
        if REACHES[field](fields.get(field, "")):
            data[key] = fields[field]
    every = [item.fields for _, item in ordered_items(section)]
    hours = [_hours(_own(look, kind, fields, every)) for fields in every]
    if opening := [one for one in hours if one]:
        data["openingHoursSpecification"] = opening
    return data


def _own(
    look: Look, kind: SectionKind, stored: Mapping[str, str], among: Sequence[Mapping[str, str]] | None = None
) -> dict[str, str]:
    """What is stored, without what it began with; of an item `among` those of its section."""
    item = "" if among is None else "item"
    words = look.starter_trade.starters_of(kind.slug, item)
    starters = {field.slug for field in begun(kind.fields_of(item), stored, words, among=among or ())}
    return {slug: value for slug, value in stored.items() if slug not in starters}


def events(look: Look, page: Page, address: str, now: datetime) -> list[dict[str, Any]]:
    """schema.org Event for each date on a page that is not over; `now` is told in the zone of the site."""
    organiser = {"@type": "Organization", "name": look.document.name, "url": address}
    place = {"@type": "Place", "name": look.document.name} | {
        key: value for key, value in _place(look).items() if key == "address"
    }
    data = []
    for _, section in page.ordered():
        kind = look.catalogue.kind(section.kind)
        if DATES not in kind.roles:
            continue
        own = {key: _own(look, kind, item.fields, []) for key, item in ordered_items(section)}
        titled = {key: fields for key, fields in own.items() if fields.get("title") and fields.get("day")}
        for one in coming(titled, now, most_shown(section)):
            event = _event(titled[one.item], one, place, organiser, now.tzinfo)
            data.append(event | _offer(titled[one.item], one, look.value("site.currency")))
    return data


def post(look: Look, page: Page, address: str) -> list[dict[str, Any]]:
    """schema.org BlogPosting of a post; nothing for any other page."""
    if not page.posted:
        return []
    data: dict[str, Any] = {
        "@context": "https://schema.org",
        "@type": "BlogPosting",
        "headline": heading_of(look, page),
        "datePublished": moment_of(page, zone(look)).isoformat(timespec="minutes"),
        "url": f"{address}{page.slug}/",
        "author": {"@type": "Organization", "name": look.document.name, "url": address},
    }
    if page.tags:
        data["keywords"] = page.tags
    return [data]


def _event(
    fields: dict[str, str], one: Coming, place: dict[str, Any], organiser: dict[str, str], zone: tzinfo | None
) -> dict[str, Any]:
    event: dict[str, Any] = {
        "@context": "https://schema.org",
        "@type": "Event",
        "name": fields["title"],
        "startDate": _moment(one.day, one.begins, zone),
        "location": {"@type": "Place", "name": fields["place"]} if fields.get("place") else place,
        "organizer": organiser,
        "eventStatus": f"https://schema.org/{'EventCancelled' if one.state == CANCELLED else 'EventScheduled'}",
    }
    if one.ends or one.last_day != one.day:
        event["endDate"] = _moment(one.last_day, one.ends, zone)
    if text := plain(fields.get("text", "")):
        event["description"] = text
    return event


def _offer(fields: dict[str, str], one: Coming, currency: str) -> dict[str, Any]:
    """schema.org Offer of a date with a price."""
    amount = fields.get("price", "").removeprefix("from ")
    if not amount:
        return {}
    availability = f"https://schema.org/{'SoldOut' if one.state == SOLD_OUT else 'InStock'}"
    return {"offers": {"@type": "Offer", "price": amount, "priceCurrency": currency, "availability": availability}}


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


def _moment(day: str, time: str, zone: tzinfo | None) -> str:
    """ISO 8601 with the offset that the zone of the site has then; the day alone where no time is told."""
    return at(day, time, zone).isoformat(timespec="minutes") if time and zone else day
