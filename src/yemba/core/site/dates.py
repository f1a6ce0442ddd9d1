"""What happens when, of a section that shows dates: its entries as occasions, and what of them is still to come."""

from __future__ import annotations

import json
from collections.abc import Iterable, Iterator, Mapping
from datetime import datetime
from html import escape
from itertools import islice
from typing import NamedTuple
from zoneinfo import ZoneInfo

from yemba.core.calendar.ics_file import Happening
from yemba.core.calendar.recurrence import Occasion, Occurrence, occurrences
from yemba.core.message import labels
from yemba.core.site.document import Section, ordered_items
from yemba.core.site.resolve import Look

CANCELLED, SOLD_OUT, OUT = "cancelled", "sold_out", "out"
STATES = labels({"": "It happens", CANCELLED: "Cancelled", SOLD_OUT: "Sold out", OUT: "Left out"})
"""What one date of an entry may be; those that are left out are not shown."""
FIELDS = ("day", "last_day", "begins", "ends", "repeats", "also", "but", CANCELLED, SOLD_OUT)
"""Fields of an entry that say when it happens."""
USUAL = 8
"""Dates that a section shows where nothing else is chosen."""
_MOST_OF_ONE = 60


class Coming(NamedTuple):
    """A date that is still to come: the id of its entry, "" as its day where none is told yet; `state` is "", CANCELLED
    or SOLD_OUT."""

    item: str
    day: str
    last_day: str
    begins: str
    ends: str
    state: str


def zone(look: Look) -> ZoneInfo:
    """The time zone of the site."""
    return ZoneInfo(look.value("site.time_zone"))


def occasion(fields: Mapping[str, str]) -> Occasion | None:
    """When an entry happens; None where no day is told."""
    if not fields.get("day"):
        return None
    return Occasion(
        day=fields["day"],
        begins=fields.get("begins", ""),
        ends=fields.get("ends", ""),
        last_day=fields.get("last_day", ""),
        rule=fields.get("repeats", ""),
        also=tuple(fields.get("also", "").split()),
        but=tuple(fields.get("but", "").split()),
    )


def stored(known: Occasion) -> dict[str, str]:
    """An occasion as the fields of an entry."""
    values = (
        known.day,
        known.last_day,
        known.begins,
        known.ends,
        known.rule,
        " ".join(known.also),
        " ".join(known.but),
    )
    return dict(zip(FIELDS, values, strict=False))


def fields_of(event: Happening) -> dict[str, str]:
    """An event of a calendar file as the fields of an entry."""
    lines = [line for line in event.text.splitlines() if line.strip()]
    return {
        "title": event.title,
        "place": event.place,
        "text": "".join(f"<p>{escape(line)}</p>" for line in lines),
        "link": event.link,
        **stored(event.occasion),
        CANCELLED: " ".join(sorted(event.cancelled)),
    }


def state_on(fields: Mapping[str, str], day: str) -> str:
    """What an entry is on one of its days."""
    for state in (CANCELLED, SOLD_OUT):
        if day in fields.get(state, "").split():
            return state
    return ""


def coming(entries: Mapping[str, Mapping[str, str]], now: datetime, most: int) -> list[Coming]:
    """Dates of entries, by their ids, that are not over, the next first; then entries without a day."""
    listed: list[Coming] = []
    dateless: list[Coming] = []
    for item, fields in entries.items():
        if fields.get("day"):
            listed += _of_entry(item, fields, now, most)
        else:
            dateless.append(Coming(item, "", "", "", "", ""))
    listed.sort(key=lambda one: (one.day, one.begins))
    return listed[:most] + dateless


def _of_entry(item: str, fields: Mapping[str, str], now: datetime, most: int) -> Iterator[Coming]:
    known = occasion(fields)
    for one in islice(_ahead(known, now), min(most, _MOST_OF_ONE)) if known else ():
        yield Coming(item, one.day, one.last_day, one.begins, one.ends, state_on(fields, one.day))


def _ahead(known: Occasion, now: datetime) -> Iterator[Occurrence]:
    """What of an occasion is not over, `now` being told in the zone of the site."""
    zone = now.tzinfo
    if zone is None:
        raise ValueError("a moment without a zone")
    today = now.date().isoformat()
    for one in occurrences(known, today):
        if one.over(zone) > now:
            yield one


def entries(section: Section) -> dict[str, dict[str, str]]:
    """What the entries of a section say of when, by their ids."""
    return {
        key: {name: item.fields[name] for name in FIELDS if item.fields.get(name)}
        for key, item in ordered_items(section)
    }


def as_text(section: Section) -> str:
    """The same as JSON."""
    return json.dumps(entries(section), ensure_ascii=False, sort_keys=True)


def most_shown(section: Section) -> int:
    """How many dates the section shows."""
    return int(section.fields.get("most") or USUAL)


def next_change(sections: Iterable[Section], now: datetime) -> datetime | None:
    """When the first of the dates that these show will be over; None where none will."""
    zone = now.tzinfo
    if zone is None:
        raise ValueError("a moment without a zone")
    ends = [
        Occurrence(one.day, one.last_day, one.begins, one.ends).over(zone)
        for section in sections
        for one in coming(entries(section), now, most_shown(section))
        if one.day
    ]
    return min(ends, default=None)
