"""What is still to come of entries of a section: in order, as many as are shown, until each is over."""

from __future__ import annotations

from datetime import date, datetime, timedelta
from zoneinfo import ZoneInfo

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yemba.catalogue import catalogue as shipped
from yemba.core.change.command import read_command
from yemba.core.change.operation import apply
from yemba.core.errors import Fault
from yemba.core.site.dates import coming, most_shown, next_change, occasion, stored
from yemba.core.site.document import Document, Section
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look
from yemba.core.site.structured import events

LONDON = ZoneInfo("Europe/London")
NOW = datetime(2026, 11, 27, 12, 0, tzinfo=LONDON)
WEEKLY = {"title": "Open bench", "day": "2026-11-28", "begins": "10:00", "ends": "13:00"}
WEEKLY |= {"repeats": "FREQ=WEEKLY;BYDAY=SA", "cancelled": "2026-12-05", "sold_out": "2026-12-12", "price": "12.00"}
DAYS = st.dates(date(2026, 10, 1), date(2027, 3, 1))


def _document(fields: dict[str, str]) -> Document:
    section = {"kind": "dates", "items": {"d": {"fields": fields}}, "order": ["d"]}
    page = {"name": "Home", "slug": "", "sections": {"s": section}, "order": ["s"]}
    plain = {"name": "Saltmarsh", "template": "slipway", "pages": {"p": page}, "order": ["p"]}
    return Document.model_validate(plain | {"site": {"site.time_zone": "Europe/London", "site.currency": "GBP"}})


def _do(document: Document, name: str, **arguments: str) -> dict[str, str]:
    command = read_command(name, {"section": "s", "item": "d"} | arguments)
    after = apply(document, command.plan(Look(document, shipped()), new_id))
    return after.pages["p"].sections["s"].items["d"].fields


@given(st.lists(DAYS, max_size=12), st.integers(1, 8))
def test_dates_come_in_order_as_many_as_are_shown_and_none_is_over(days: list[date], most: int) -> None:
    entries = {f"d{number}": {"day": day.isoformat()} for number, day in enumerate(days)}
    shown = coming(entries | {"later": {}}, NOW, most)
    told = [one.day for one in shown if one.day]
    assert told == sorted(day.isoformat() for day in days if day >= NOW.date())[:most]
    assert shown[-1].item == "later"


@given(DAYS, st.sampled_from(["", "13:00", "11:00", "00:30"]))
def test_a_date_is_shown_until_the_moment_that_is_told(day: date, ends: str) -> None:
    entries = {"d": {"day": day.isoformat(), "begins": "11:30" if ends != "11:00" else "09:00", "ends": ends}}
    section = Section.model_validate({"kind": "dates", "items": {"d": {"fields": entries["d"]}}, "order": ["d"]})
    early = datetime(2026, 9, 1, tzinfo=LONDON)
    until = next_change([section], early)
    assert until is not None
    assert coming(entries, until - timedelta(seconds=1), 8)
    assert not coming(entries, until, 8)
    assert next_change([section], until) is None


def test_single_dates_are_cancelled_or_sold_out() -> None:
    shown = coming({"d": WEEKLY}, NOW, 4)
    assert [(one.day, one.state) for one in shown] == [
        ("2026-11-28", ""),
        ("2026-12-05", "cancelled"),
        ("2026-12-12", "sold_out"),
        ("2026-12-19", ""),
    ]


def test_a_section_shows_eight_unless_another_number_is_chosen() -> None:
    assert most_shown(Section(kind="dates")) == 8
    assert most_shown(Section(kind="dates", fields={"most": "24"})) == 24


def test_another_when_leaves_nothing_of_the_one_before() -> None:
    after = _do(_document(WEEKLY | {"but": "2026-12-19"}), "set-when", occasion='{"day": "2027-03-14"}')
    assert {name: value for name, value in after.items() if name in stored(occasion(after))} == {"day": "2027-03-14"}
    assert after["cancelled"] == "2026-12-05"


@pytest.mark.parametrize(
    ("state", "expected"),
    [
        ("cancelled", ("2026-12-05 2026-12-12", None, None)),
        ("out", ("2026-12-05", None, "2026-12-12")),
        ("", ("2026-12-05", None, None)),
        ("sold_out", ("2026-12-05", "2026-12-12", None)),
    ],
)
def test_a_day_is_one_thing_at_a_time(state: str, expected: tuple[str | None, ...]) -> None:
    after = _do(_document(WEEKLY), "mark-date", day="2026-12-12", state=state)
    assert tuple(after.get(name) for name in ("cancelled", "sold_out", "but")) == expected


@pytest.mark.parametrize(
    ("fields", "name", "arguments", "code"),
    [
        ({}, "mark-date", {"day": "2026-12-12", "state": "cancelled"}, "no-day-yet"),
        (WEEKLY, "mark-date", {"day": "soon"}, "moment-unreadable"),
        (WEEKLY, "mark-date", {"day": "2026-12-12", "state": "perhaps"}, "no-such-choice"),
        (WEEKLY, "set-when", {"occasion": '{"day": "2026-12-12", "rule": "FREQ=HOURLY"}'}, "rule-unreadable"),
        (WEEKLY, "set-when", {"occasion": "[]"}, "when-unreadable"),
    ],
)
def test_what_cannot_be_is_refused(fields: dict[str, str], name: str, arguments: dict[str, str], code: str) -> None:
    with pytest.raises(Fault) as refused:
        _do(_document(fields), name, **arguments)
    assert refused.value.code == code


def test_search_engines_are_told_each_date_with_its_state_and_offset() -> None:
    document = _document(WEEKLY | {"day": "2027-03-20", "cancelled": "2027-03-27", "sold_out": "2027-04-03"})
    told = events(Look(document, shipped()), document.pages["p"], "https://saltmarsh.example/", NOW)
    first, off, full, *_ = told
    assert (first["startDate"], first["endDate"]) == ("2027-03-20T10:00+00:00", "2027-03-20T13:00+00:00")
    assert full["startDate"] == "2027-04-03T10:00+01:00"  # summer time
    assert [one["eventStatus"].rpartition("/")[2] for one in (first, off)] == ["EventScheduled", "EventCancelled"]
    assert full["offers"] == {
        "@type": "Offer",
        "price": "12.00",
        "priceCurrency": "GBP",
        "availability": "https://schema.org/SoldOut",
    }
    assert first["offers"]["availability"] == "https://schema.org/InStock"
