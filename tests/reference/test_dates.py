"""Dates that repeat, beside the examples of RFC 5545 (section 3.8.5.3) and beside ical.js, another implementation."""

from __future__ import annotations

import json
import random
from datetime import UTC, date, datetime, timedelta
from itertools import islice
from pathlib import Path
from zoneinfo import ZoneInfo

import pytest

from tests.reference.node import node
from yemba.catalogue import catalogue as shipped
from yemba.core.calendar.recurrence import Occasion, at, occurrences
from yemba.core.site.document import Document
from yemba.core.site.ics import ics
from yemba.core.site.resolve import Look

# first day | rule | days as the RFC lists them, "M-D" within the year told last; "…" where it goes on
EXAMPLES = """
1997-09-02 | FREQ=DAILY;COUNT=10 | 1997: 9-2 9-3 9-4 9-5 9-6 9-7 9-8 9-9 9-10 9-11
1997-09-02 | FREQ=DAILY;INTERVAL=2 | 1997: 9-2 9-4 9-6 9-8 …
1997-09-02 | FREQ=DAILY;INTERVAL=10;COUNT=5 | 1997: 9-2 9-12 9-22 10-2 10-12
1997-09-02 | FREQ=WEEKLY;COUNT=10 | 1997: 9-2 9-9 9-16 9-23 9-30 10-7 10-14 10-21 10-28 11-4
1997-09-02 | FREQ=WEEKLY;INTERVAL=2;WKST=SU | 1997: 9-2 9-16 9-30 10-14 10-28 11-11 11-25 12-9 12-23 1998: 1-6 1-20 2-3 …
1997-09-02 | FREQ=WEEKLY;UNTIL=19971007;WKST=SU;BYDAY=TU,TH | 1997: 9-2 9-4 9-9 9-11 9-16 9-18 9-23 9-25 9-30 10-2 10-7
1997-09-01 | FREQ=WEEKLY;INTERVAL=2;UNTIL=19971224;WKST=SU;BYDAY=MO,WE,FR | 1997: 9-1 9-3 9-5 9-15 9-17 9-19 9-29 10-1 10-3 10-13 10-15 10-17 10-27 10-29 10-31 11-10 11-12 11-14 11-24 11-26 11-28 12-8 12-10 12-12 12-22 12-24
1997-09-02 | FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH | 1997: 9-2 9-4 9-16 9-18 9-30 10-2 10-14 10-16
1997-09-05 | FREQ=MONTHLY;COUNT=10;BYDAY=1FR | 1997: 9-5 10-3 11-7 12-5 1998: 1-2 2-6 3-6 4-3 5-1 6-5
1997-09-07 | FREQ=MONTHLY;INTERVAL=2;COUNT=10;BYDAY=1SU,-1SU | 1997: 9-7 9-28 11-2 11-30 1998: 1-4 1-25 3-1 3-29 5-3 5-31
1997-09-22 | FREQ=MONTHLY;COUNT=6;BYDAY=-2MO | 1997: 9-22 10-20 11-17 12-22 1998: 1-19 2-16
1997-09-28 | FREQ=MONTHLY;BYMONTHDAY=-3 | 1997: 9-28 10-29 11-28 12-29 1998: 1-29 2-26 …
1997-09-02 | FREQ=MONTHLY;COUNT=10;BYMONTHDAY=2,15 | 1997: 9-2 9-15 10-2 10-15 11-2 11-15 12-2 12-15 1998: 1-2 1-15
1997-09-30 | FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1 | 1997: 9-30 10-1 10-31 11-1 11-30 12-1 12-31 1998: 1-1 1-31 2-1
1997-09-10 | FREQ=MONTHLY;INTERVAL=18;COUNT=10;BYMONTHDAY=10,11,12,13,14,15 | 1997: 9-10 9-11 9-12 9-13 9-14 9-15 1999: 3-10 3-11 3-12 3-13
1997-09-02 | FREQ=MONTHLY;INTERVAL=2;BYDAY=TU | 1997: 9-2 9-9 9-16 9-23 9-30 11-4 11-11 11-18 11-25 1998: 1-6 1-13 1-20 1-27 3-3 3-10 3-17 3-24 3-31 …
1997-06-10 | FREQ=YEARLY;COUNT=10;BYMONTH=6,7 | 1997: 6-10 7-10 1998: 6-10 7-10 1999: 6-10 7-10 2000: 6-10 7-10 2001: 6-10 7-10
1997-03-10 | FREQ=YEARLY;INTERVAL=2;COUNT=10;BYMONTH=1,2,3 | 1997: 3-10 1999: 1-10 2-10 3-10 2001: 1-10 2-10 3-10 2003: 1-10 2-10 3-10
1997-01-01 | FREQ=YEARLY;INTERVAL=3;COUNT=10;BYYEARDAY=1,100,200 | 1997: 1-1 4-10 7-19 2000: 1-1 4-9 7-18 2003: 1-1 4-10 7-19 2006: 1-1
1997-05-19 | FREQ=YEARLY;BYDAY=20MO | 1997: 5-19 1998: 5-18 1999: 5-17 …
1997-05-12 | FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO | 1997: 5-12 1998: 5-11 1999: 5-17 …
1997-03-13 | FREQ=YEARLY;BYMONTH=3;BYDAY=TH | 1997: 3-13 3-20 3-27 1998: 3-5 3-12 3-19 3-26 1999: 3-4 3-11 3-18 3-25 …
1997-09-13 | FREQ=MONTHLY;BYDAY=SA;BYMONTHDAY=7,8,9,10,11,12,13 | 1997: 9-13 10-11 11-8 12-13 1998: 1-10 2-7 3-7 4-11 5-9 6-13 …
1996-11-05 | FREQ=YEARLY;INTERVAL=4;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8 | 1996: 11-5 2000: 11-7 2004: 11-2 …
1997-09-04 | FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3 | 1997: 9-4 10-7 11-6
1997-09-29 | FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2 | 1997: 9-29 10-30 11-27 12-30 1998: 1-29 2-26 3-30 …
1997-08-05 | FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO | 1997: 8-5 8-10 8-19 8-24
1997-08-05 | FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU | 1997: 8-5 8-17 8-19 8-31
2007-01-15 | FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5 | 2007: 1-15 1-30 2-15 3-15 3-30
"""


def _days(listed: str) -> list[str]:
    days, year = [], 0
    for word in listed.split():
        if word.endswith(":"):
            year = int(word[:-1])
        elif word != "…":
            month, day = map(int, word.split("-"))
            days.append(date(year, month, day).isoformat())
    return days


@pytest.mark.parametrize("example", EXAMPLES.strip().splitlines())
def test_examples_of_the_standard(example: str) -> None:
    first, rule, listed = (part.strip() for part in example.split(" | "))
    expected = _days(listed)
    found = [one.day for one in islice(occurrences(Occasion(first, rule=rule)), len(expected) + 1)]
    assert found[: len(expected)] == expected
    assert (len(found) > len(expected)) == listed.endswith("…")


def test_a_first_day_that_is_left_out() -> None:
    """Every Friday the 13th, of the same section."""
    known = Occasion("1997-09-02", rule="FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13", but=("1997-09-02",))
    found = [one.day for one in islice(occurrences(known), 5)]
    assert found == ["1998-02-13", "1998-03-13", "1998-11-13", "1999-08-13", "2000-10-13"]


def _random_rules(count: int) -> list[tuple[str, str]]:
    """Rules as owners have them, each with a first day that it falls on."""
    picks, made = random.Random(5545), []
    weekdays = ["MO", "TU", "WE", "TH", "FR", "SA", "SU"]
    while len(made) < count:
        frequency = picks.choice(["DAILY", "WEEKLY", "MONTHLY", "YEARLY"])
        parts = [f"FREQ={frequency}", f"INTERVAL={picks.randint(1, 4)}"]
        if frequency == "WEEKLY":
            parts.append(f"BYDAY={','.join(picks.sample(weekdays, picks.randint(1, 4)))}")
        if frequency == "MONTHLY":
            ordinal = f"{picks.choice([1, 2, 3, 4, -1])}{picks.choice(weekdays)}"
            parts.append(picks.choice([f"BYDAY={ordinal}", f"BYMONTHDAY={picks.randint(1, 28)}"]))
        if frequency == "YEARLY":
            parts += [f"BYMONTH={picks.randint(1, 12)}", f"BYMONTHDAY={picks.randint(1, 28)}"]
        if picks.random() < 0.3:
            parts.append("WKST=SU")
        rule = ";".join(parts)
        start = date(2026, 1, 1) + timedelta(days=picks.randint(0, 700))
        first = next(one.day for one in islice(occurrences(Occasion(start.isoformat(), rule=rule)), 1, None))
        made.append((first, rule))
    return made


def test_random_rules_beside_ical_js(node_modules: Path) -> None:
    rules = _random_rules(200)
    script = f"""
        import ICAL from 'ical.js';
        const rules = {json.dumps(rules)};
        console.log(JSON.stringify(rules.map(([first, rule]) => {{
          const each = ICAL.Recur.fromString(rule).iterator(ICAL.Time.fromDateString(first));
          return Array.from({{ length: 30 }}, () => each.next().toString());
        }})));"""
    theirs = node(node_modules, script)
    for (first, rule), listed in zip(rules, theirs, strict=True):  # type: ignore[call-overload]
        ours = [one.day for one in islice(occurrences(Occasion(first, rule=rule)), 30)]
        assert ours == listed, (first, rule)


def test_calendars_read_by_ical_js(node_modules: Path) -> None:
    """What visitors take away happens when the page says: with days left out, days besides and both changes of time."""
    entry = {"id": "d1", "title": "Open bench; with tea, and cake", "day": "2027-03-06", "begins": "10:00"}
    entry |= {"ends": "13:00", "repeats": "FREQ=WEEKLY;INTERVAL=2;BYDAY=SA;UNTIL=20271120", "but": "2027-04-03"}
    entry |= {"also": "2027-12-24", "cancelled": "2027-05-01", "place": "Tide Row 4, upper room"}
    document = Document(name="Saltmarsh", template="slipway", site={"site.time_zone": "Europe/London"})
    made = ics(Look(document, shipped()), [entry], "https://saltmarsh.example/", datetime(2026, 11, 27, tzinfo=UTC))
    script = f"""
        import ICAL from 'ical.js';
        const calendar = new ICAL.Component(ICAL.parse({json.dumps(made.decode())}));
        for (const zone of calendar.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone);
        const [first, off] = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
        const each = first.iterator();
        const found = [];
        for (let next = each.next(); next; next = each.next()) found.push(next.toJSDate().toISOString());
        console.log(JSON.stringify({{ found, summary: first.summary, place: first.location,
          off: [off.recurrenceId.toJSDate().toISOString(), off.component.getFirstPropertyValue('status')] }}));"""
    told = node(node_modules, script)
    assert isinstance(told, dict)
    known = Occasion("2027-03-06", "10:00", "13:00", "", entry["repeats"], ("2027-12-24",), ("2027-04-03",))
    london = ZoneInfo("Europe/London")
    starts = [at(one.day, "10:00", london).astimezone(UTC) for one in occurrences(known)]
    assert told["found"] == [f"{moment:%Y-%m-%dT%H:%M:%S}.000Z" for moment in starts]
    assert {moment.hour for moment in starts} == {9, 10}
    assert told["off"] == ["2027-05-01T09:00:00.000Z", "CANCELLED"]
    assert (told["summary"], told["place"]) == ("Open bench; with tea, and cake", "Tide Row 4, upper room")


def test_the_clock_changes_and_the_class_does_not() -> None:
    """The last Sundays of March and October 2027 in London (common practice, no source): 10:00 stays 10:00."""
    london = ZoneInfo("Europe/London")
    known = Occasion("2027-03-21", "10:00", "11:00", rule="FREQ=WEEKLY;BYDAY=SU")
    starts = [one.starts(london) for one in islice(occurrences(known), 40)]
    assert {f"{moment:%H:%M}" for moment in starts} == {"10:00"}
    offsets = {f"{moment:%m-%d}": moment.utcoffset() for moment in starts}
    assert offsets["03-21"] == offsets["10-31"] == timedelta(0)
    assert offsets["03-28"] == offsets["10-24"] == timedelta(hours=1)


def test_a_time_that_the_clock_jumps_over_is_an_hour_later() -> None:
    """RFC 5545, section 3.3.5: 02:30 of 28 March 2027 in Berlin, by the offset before the jump."""
    moment = at("2027-03-28", "02:30", ZoneInfo("Europe/Berlin"))
    assert moment.astimezone(UTC) == datetime(2027, 3, 28, 1, 30, tzinfo=UTC)
