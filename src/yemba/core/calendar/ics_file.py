"""Dates out of a calendar file (iCalendar, RFC 5545), as somebody else's program wrote it."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from datetime import date, datetime, timedelta
from typing import Any, NamedTuple
from zoneinfo import ZoneInfo

from icalendar import Calendar, Event

from yemba.core.calendar.recurrence import Occasion, read_rule
from yemba.core.errors import Fault
from yemba.core.message import Joined, Message

MOST_BYTES = 1_000_000
MOST_EVENTS = 500
MOST_DAYS = 400  # that are told one by one of one event
_CURE = Message("Export it again from the program it is of, as iCalendar (.ics).")


class Happening(NamedTuple):
    """An event, its times told in the zone of the site; words as they were written, "" for none."""

    title: str
    occasion: Occasion
    place: str
    text: str
    link: str
    cancelled: tuple[str, ...]


class CalendarFile(NamedTuple):
    """`left_out` says of each event that could not be read which it is, and why."""

    happenings: list[Happening]
    left_out: list[str]


def read_calendar(data: bytes, zone: ZoneInfo) -> CalendarFile:
    """The events of a file, in the order of their first days. Raises Fault ``calendar-unreadable``."""
    if len(data) > MOST_BYTES:
        size = Message("{number:.1f} MB", number=len(data) / 1_000_000)
        raise _refused(
            Message(
                "The file is {size} large; {most_bytes} MB at most are read",
                size=size,
                most_bytes=MOST_BYTES // 1_000_000,
            )
        )
    if b"BEGIN:VCALENDAR" not in data.upper():
        raise _refused(Message("There is no calendar in this file"))
    if data.upper().count(b"BEGIN:VEVENT") > MOST_EVENTS:
        raise _refused(Message("The file has more than {most_events} events", most_events=MOST_EVENTS))
    try:
        calendars = Calendar.from_ical(data, multiple=True)
        events = [event for one in calendars for event in one.walk("VEVENT") if isinstance(event, Event)]
    except Exception as error:  # the parser raises what it likes
        raise _refused(Message("The file cannot be read ({reason})", reason=_reason(error))) from error
    return _gathered(events, zone)


def _refused(reason: str) -> Fault:
    return Fault("calendar-unreadable", Joined("", [reason, ". ", _CURE]), "file")


def _reason(error: Exception) -> str:
    return (str(error) or type(error).__name__).splitlines()[0][:80]


def _gathered(events: Iterable[Event], zone: ZoneInfo) -> CalendarFile:
    """Each event once, with what others say of single dates of it."""
    happenings: dict[str, Happening] = {}
    left_out, moved = [], []
    for number, event in enumerate(events):
        name = str(event.get("SUMMARY", "")).strip() or Message("Event {number}", number=number + 1)
        key = f"{event.get('UID', number)}"
        try:
            if "RECURRENCE-ID" in event:
                moved.append((key, event))
            else:
                happenings[key] = _happening(event, name, zone)
        except Fault as fault:
            left_out.append(f"{name[:60]}: {fault.sentence}")
        except Exception as error:  # noqa: BLE001 - whatever an event of a strange file brings, the others are read
            left_out.append(f"{name[:60]}: {_reason(error)}")
    for key, event in moved:
        if key in happenings:
            happenings[key] = _with_single(happenings[key], event, zone)
    ordered = sorted(happenings.values(), key=lambda one: (one.occasion.day, one.occasion.begins))
    return CalendarFile(ordered, left_out)


def _happening(event: Event, name: str, zone: ZoneInfo) -> Happening:
    start = event.decoded("DTSTART")
    day, begins = _local(start, zone)
    last_day, ends = _end(event, start, zone)
    occasion = Occasion(
        day=day,
        begins=begins,
        ends=ends if ends != begins or last_day != day else "",
        last_day=last_day if last_day > day and not _overnight(day, last_day, begins, ends) else "",
        rule=_rule(event, zone),
        also=tuple(_days(event, "RDATE", zone)),
        but=tuple(_days(event, "EXDATE", zone)),
    )
    off = str(event.get("STATUS", "")).upper() == "CANCELLED"
    return Happening(
        title=name,
        occasion=occasion,
        place=str(event.get("LOCATION", "")).strip(),
        text=str(event.get("DESCRIPTION", "")).strip(),
        link=str(event.get("URL", "")).strip(),
        cancelled=(day,) if off else (),
    )


def _local(moment: date | datetime, zone: ZoneInfo) -> tuple[str, str]:
    """Day and time where the site is; a time without a zone is of that of the site (RFC 5545, section 3.3.5).

    Raises Fault where no day is told.
    """
    if not isinstance(moment, date):
        raise Fault("no-day", Message("it tells no day."))
    if not isinstance(moment, datetime):
        return moment.isoformat(), ""
    there = moment.astimezone(zone) if moment.tzinfo else moment
    return there.date().isoformat(), f"{there:%H:%M}"


def _end(event: Event, start: date | datetime, zone: ZoneInfo) -> tuple[str, str]:
    """The last day and the time it ends; of whole days the day before DTEND (section 3.6.1)."""
    if "DTEND" in event:
        end = event.decoded("DTEND")
    elif "DURATION" in event:
        end = start + event.decoded("DURATION")
    else:
        return _local(start, zone)[0], ""
    if not isinstance(end, datetime):
        last = max(start, end - timedelta(days=1)) if not isinstance(start, datetime) else end
        return last.isoformat(), ""
    return _local(end, zone)


def _overnight(day: str, last_day: str, begins: str, ends: str) -> bool:
    """Whether it ends in the night after it began, which its times tell by themselves."""
    return bool(ends) and ends <= begins and date.fromisoformat(last_day) - date.fromisoformat(day) == timedelta(days=1)


def _rule(event: Event, zone: ZoneInfo) -> str:
    """The rule with the day of its end in the zone of the site. Raises Fault."""
    rule = event.get("RRULE")
    if rule is None:
        return ""
    if isinstance(rule, list):
        raise Fault("two-rules", Message("it has several rules of repeating."))
    plain = dict(rule)
    if "UNTIL" in plain:
        plain["UNTIL"] = [_local(plain["UNTIL"][0], zone)[0].replace("-", "")]
    return read_rule(";".join(f"{name}={','.join(map(str, values))}" for name, values in plain.items()))


def _days(event: Event, field: str, zone: ZoneInfo) -> Iterator[str]:
    """The days of RDATE or EXDATE, each once. Raises Fault where there are too many."""
    stored: Any = event.get(field, [])
    listed = stored if isinstance(stored, list) else [stored]
    days = sorted({_local(_first(one.dt), zone)[0] for dates in listed for one in dates.dts})
    if len(days) > MOST_DAYS:
        raise Fault(
            "too-many-days",
            Message("it names {number} days one by one; {most_days} at most.", number=len(days), most_days=MOST_DAYS),
        )
    yield from days


def _first(moment: Any) -> date | datetime:
    """The beginning of a period, or the moment itself."""
    start: date | datetime = moment[0] if isinstance(moment, tuple) else moment
    return start


def _with_single(known: Happening, event: Event, zone: ZoneInfo) -> Happening:
    """With one date of it cancelled, or moved to another day."""
    day = _local(event.decoded("RECURRENCE-ID"), zone)[0]
    if str(event.get("STATUS", "")).upper() == "CANCELLED":
        return known._replace(cancelled=(*known.cancelled, day))
    new = _local(event.decoded("DTSTART"), zone)[0]
    if new == day:
        return known
    occasion = known.occasion
    moved = occasion._replace(but=tuple(sorted({*occasion.but, day})), also=tuple(sorted({*occasion.also, new})))
    return known._replace(occasion=moved)
