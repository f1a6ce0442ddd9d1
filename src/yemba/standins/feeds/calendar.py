"""The calendar of the stand-in: as somebody wrote it there, else concerts that are always still to come."""

from __future__ import annotations

from datetime import date, datetime, time, timedelta
from pathlib import Path

from django.conf import settings
from icalendar import Calendar, Event

_CONCERTS = (
    (9, "20:00", "22:00", "Low Songs, solo", "Alte Wäscherei, Saltmarsh"),
    (23, "19:30", "21:15", "Quintet Halbmond", "Courtyard, Lindengasse 12"),
    (37, "11:00", "12:00", "Everybody blows once: a matinee", "Town library"),
    (58, "18:15", "19:00", "The ferry concert", "Pier 3"),
)
"""Days from today, begin, end, what and where."""


def _file() -> Path:
    return Path(settings.DATA) / "standins" / "concerts.ics"


def read(today: date) -> str:
    """What the feed says today."""
    file = _file()
    return file.read_text() if file.exists() else _concerts(today)


def write(text: str) -> None:
    """Keep what somebody wrote; "" goes back to the concerts it begins with."""
    file = _file()
    file.parent.mkdir(parents=True, exist_ok=True)
    if text.strip():
        file.write_text(text)
    else:
        file.unlink(missing_ok=True)


def _concerts(today: date) -> str:
    calendar = Calendar()
    calendar.add("prodid", "-//Yemba//Stand-in for a calendar elsewhere//EN")
    calendar.add("version", "2.0")
    for number, (days, begins, ends, title, place) in enumerate(_CONCERTS):
        day, event = today + timedelta(days=days), Event()
        event.add("uid", f"concert-{number}@feeds.example")
        event.add("dtstamp", datetime.combine(today, time()))
        event.add("summary", title)
        event.add("dtstart", datetime.combine(day, time.fromisoformat(begins)))
        event.add("dtend", datetime.combine(day, time.fromisoformat(ends)))
        event.add("location", place)
        calendar.add_component(event)
    return str(calendar.to_ical().decode())
