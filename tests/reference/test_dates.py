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

EXAMPLES = Path(__file__).with_suffix(".txt").read_text().splitlines()
"""First day, rule, days as the RFC lists them: "M-D" within the year told last; "…" where it goes on."""


def _days(listed: str) -> list[str]:
    days, year = [], 0
    for word in listed.split():
        if word.endswith(":"):
            year = int(word[:-1])
        elif word != "…":
            month, day = map(int, word.split("-"))
            days.append(date(year, month, day).isoformat())
    return days


@pytest.mark.parametrize("example", EXAMPLES)
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
