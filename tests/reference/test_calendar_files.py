"""Calendar files as other programs write them: the samples that the icalendar package (7.3) ships, whole and broken."""

from __future__ import annotations

from pathlib import Path
from zoneinfo import ZoneInfo

import icalendar
import pytest

from yemba.core.calendar.ics_file import MOST_BYTES, MOST_EVENTS, read_calendar
from yemba.core.calendar.recurrence import Occasion, occurrences
from yemba.core.errors import Fault

SAMPLES = sorted((Path(icalendar.__file__).parent / "tests" / "calendars").glob("*.ics"))
LONDON = ZoneInfo("Europe/London")


def _file(*lines: str) -> bytes:
    return "\r\n".join(["BEGIN:VCALENDAR", "VERSION:2.0", *lines, "END:VCALENDAR", ""]).encode()


def _event(*lines: str) -> list[str]:
    return ["BEGIN:VEVENT", "SUMMARY:Low tide walk", *lines, "END:VEVENT"]


def test_the_samples_are_there() -> None:
    assert len(SAMPLES) > 80


@pytest.mark.parametrize("sample", SAMPLES, ids=lambda path: path.stem)
def test_every_sample_is_read_or_refused_with_a_reason(sample: Path) -> None:
    try:
        found = read_calendar(sample.read_bytes(), LONDON)
    except Fault as fault:
        assert fault.code == "calendar-unreadable"
        assert "Export it again" in fault.sentence
        return
    for one in found.happenings:
        assert one.title
        first = next(occurrences(one.occasion), None)
        assert first is None or first.day >= one.occasion.day or first.day in one.occasion.also


@pytest.mark.parametrize(
    ("name", "title", "occasion"),
    [
        ("alarm_google_future", "event with alarms", Occasion("2024-10-04", "19:15", "20:00")),
        ("example", "New Year's Day", Occasion("2022-01-01")),
    ],
)
def test_what_well_known_programs_write(name: str, title: str, occasion: Occasion) -> None:
    sample = next(path for path in SAMPLES if path.stem == name)
    found = {one.title: one.occasion for one in read_calendar(sample.read_bytes(), LONDON).happenings}
    assert found[title] == occasion


@pytest.mark.parametrize(
    ("lines", "occasion"),
    [
        (["DTSTART;VALUE=DATE:20270604", "DTEND;VALUE=DATE:20270607"], Occasion("2027-06-04", last_day="2027-06-06")),
        (["DTSTART:20270604T100000", "DURATION:PT2H30M"], Occasion("2027-06-04", "10:00", "12:30")),
        (["DTSTART:20270604T090000Z", "DTEND:20270604T110000Z"], Occasion("2027-06-04", "10:00", "12:00")),
        (["DTSTART;TZID=Europe/Berlin:20270604T200000", "DTEND;TZID=Europe/Berlin:20270605T020000"],
         Occasion("2027-06-04", "19:00", "01:00")),
        (["DTSTART:20270604T100000", "RRULE:FREQ=WEEKLY;UNTIL=20270702T090000Z", "EXDATE:20270611T100000"],
         Occasion("2027-06-04", "10:00", "", "", "FREQ=WEEKLY;UNTIL=20270702", (), ("2027-06-11",))),
        (["DTSTART:20270604T100000", "RDATE:20270701T100000,20270801T100000"],
         Occasion("2027-06-04", "10:00", "", "", "", ("2027-07-01", "2027-08-01"))),
    ],
)  # fmt: skip
def test_times_are_those_where_the_site_is(lines: list[str], occasion: Occasion) -> None:
    (one,) = read_calendar(_file(*_event(*lines)), LONDON).happenings
    assert one.occasion == occasion


def test_a_single_date_cancelled_and_another_moved() -> None:
    every = _event("UID:a", "DTSTART:20270604T100000", "RRULE:FREQ=WEEKLY;COUNT=4")
    off = _event("UID:a", "RECURRENCE-ID:20270611T100000", "DTSTART:20270611T100000", "STATUS:CANCELLED")
    moved = _event("UID:a", "RECURRENCE-ID:20270618T100000", "DTSTART:20270619T100000")
    (one,) = read_calendar(_file(*every, *off, *moved), LONDON).happenings
    assert one.cancelled == ("2027-06-11",)
    days = [single.day for single in occurrences(one.occasion)]
    assert days == ["2027-06-04", "2027-06-11", "2027-06-19", "2027-06-25"]


@pytest.mark.parametrize(
    ("data", "said"),
    [
        (b"", "no calendar"),
        (b"<html>", "no calendar"),
        (b"BEGIN:VCALENDAR\r\n" + b"x" * MOST_BYTES, "1 MB at most"),
        (_file(*_event("DTSTART:20270604T100000") * (MOST_EVENTS + 1)), f"more than {MOST_EVENTS} events"),
    ],
)
def test_hostile_files_are_refused_with_a_reason(data: bytes, said: str) -> None:
    with pytest.raises(Fault, match=said):
        read_calendar(data, LONDON)


@pytest.mark.parametrize(
    ("lines", "said"),
    [
        (["DTSTART:20270604T100000", "RRULE:FREQ=SECONDLY"], "FREQ is one of"),
        (["DTSTART:20270604T100000", "RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30"], "nothing ever falls"),
        (["DTSTART:20270604T100000", f"RDATE:{','.join(f'{year}0101T100000' for year in range(1000, 1500))}"], "400 at most"),
        (["DTSTART:20279999T100000"], "Low tide walk"),
        ([], "Low tide walk"),
    ],
)  # fmt: skip
def test_an_event_that_cannot_be_read_is_named_and_the_others_come(lines: list[str], said: str) -> None:
    good = ["BEGIN:VEVENT", "SUMMARY:Market", "DTSTART;VALUE=DATE:20270605", "END:VEVENT"]
    found = read_calendar(_file(*_event(*lines), *good), LONDON)
    assert [one.title for one in found.happenings] == ["Market"]
    assert len(found.left_out) == 1
    assert said in found.left_out[0]
