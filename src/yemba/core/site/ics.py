"""Dates of a section as iCalendar (RFC 5545), for the calendars of visitors."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from datetime import date, datetime, timedelta
from urllib.parse import urlsplit
from zoneinfo import ZoneInfo

from icalendar import Calendar, Event, vRecur

from yemba.core.calendar.recurrence import Occasion, at, occurrences
from yemba.core.site.dates import CANCELLED, occasion, zone
from yemba.core.site.document import Document, Section, ordered_items
from yemba.core.site.kinds import DATES
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain

_PRODUCT = "-//Yemba//Dates of a site//EN"


def ics_path(key: str) -> str:
    """The file of the dates of a section, or of one entry, by its id."""
    return f"dates/{key}.ics"


def dated(look: Look, document: Document) -> Iterator[tuple[str, Section]]:
    """Every section that shows dates and has one, by its id."""
    for standing in document.standing():
        if DATES in look.catalogue.kind(standing.section.kind).roles and has_days(standing.section):
            yield standing.key, standing.section


def calendars(look: Look) -> dict[str, list[dict[str, str]]]:
    """The entries of each file of dates, by the id of the section or of the entry that it is of."""
    files = {}
    for key, section in dated(look, look.document):
        entries = _entries(section)
        files[key] = [fields | {"id": item} for item, fields in entries.items()]
        files |= {item: [fields | {"id": item}] for item, fields in entries.items()}
    return files


def has_days(section: Section) -> bool:
    """Whether any of its entries tells its day."""
    return bool(_entries(section))


def _entries(section: Section) -> dict[str, dict[str, str]]:
    return {key: item.fields for key, item in ordered_items(section) if item.fields.get("day")}


def ics(look: Look, entries: Iterable[dict[str, str]], address: str, stamp: datetime) -> bytes:
    """The entries as a calendar; `stamp` is when it is made, `address` that of the site, "" where it has none yet."""
    calendar = Calendar()
    calendar.add("prodid", _PRODUCT)
    calendar.add("version", "2.0")
    calendar.add("x-wr-calname", look.document.name)
    for fields in entries:
        for event in _events(fields, zone(look), urlsplit(address).netloc or "yemba.invalid", stamp):
            calendar.add_component(event)
    year = stamp.year
    calendar.add_missing_timezones(date(year - 2, 1, 1), date(year + 12, 1, 1))
    for change in calendar.walk():
        if change.name in ("STANDARD", "DAYLIGHT") and "RDATE" in change:
            days = change.pop("RDATE").dts
            for day in days:  # each for itself: some calendars read no more than the first of several
                change.add("rdate", day.dt)
    return bytes(calendar.to_ical())


def _events(fields: dict[str, str], local: ZoneInfo, host: str, stamp: datetime) -> Iterator[Event]:
    """The event of an entry; after it one for each of its dates that is cancelled."""
    known = occasion(fields)
    if known is None:
        return
    off = fields.get(CANCELLED, "").split()
    event = _event(fields, known, local, host, stamp)
    if not known.rule and not known.also and known.day in off:
        event.add("status", "CANCELLED")
        off = []
    if known.rule:
        event.add("rrule", vRecur.from_ical(_until_moment(known, local)))
    if known.also:
        event.add("rdate", [_moment(day, known.begins, local) for day in known.also])
    if known.but:
        event.add("exdate", [_moment(day, known.begins, local) for day in known.but])
    yield event
    for one in occurrences(known):
        if one.day in off:
            again = _event(fields, known._replace(day=one.day, last_day=_later(known, one.day)), local, host, stamp)
            again.add("recurrence-id", _moment(one.day, known.begins, local))
            again.add("status", "CANCELLED")
            yield again


def _event(fields: dict[str, str], known: Occasion, local: ZoneInfo, host: str, stamp: datetime) -> Event:
    event = Event()
    event.add("uid", f"{fields['id']}@{host}")
    event.add("dtstamp", stamp)
    event.add("summary", fields.get("title", ""))
    event.add("dtstart", _moment(known.day, known.begins, local))
    first = next(occurrences(known._replace(rule="", also=(), but=())))
    if known.begins and known.ends:
        event.add("dtend", _moment(first.last_day, known.ends, local))
    elif not known.begins:
        event.add("dtend", date.fromisoformat(first.last_day) + timedelta(days=1))  # the day after it (3.6.1)
    if fields.get("place"):
        event.add("location", fields["place"])
    if text := plain(fields.get("text", "")):
        event.add("description", text)
    return event


def _moment(day: str, begins: str, local: ZoneInfo) -> date | datetime:
    return at(day, begins, local) if begins else date.fromisoformat(day)


def _later(known: Occasion, day: str) -> str:
    """The last day of an occasion that lasts longer, moved along with its first."""
    if not known.last_day:
        return ""
    return (date.fromisoformat(known.last_day) + (date.fromisoformat(day) - date.fromisoformat(known.day))).isoformat()


def _until_moment(known: Occasion, local: ZoneInfo) -> str:
    """The rule, its UNTIL of the same type as the start: in UTC where that is a moment (RFC 5545, section 3.3.10)."""
    head, mark, rest = known.rule.partition("UNTIL=")
    if not mark or not known.begins:
        return known.rule
    day, _, after = rest.partition(";")
    last = at(f"{day[:4]}-{day[4:6]}-{day[6:8]}", "23:59", local).astimezone(ZoneInfo("UTC"))
    return f"{head}UNTIL={last:%Y%m%dT%H%M%SZ}" + (f";{after}" if after else "")
