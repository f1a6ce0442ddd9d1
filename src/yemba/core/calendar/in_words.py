"""When something happens, in words for its owner (English, as the studio speaks)."""

from __future__ import annotations

from datetime import date
from functools import partial

from babel.dates import format_date

from yemba.core.calendar.recurrence import Occasion, rule_parts
from yemba.core.language import locale
from yemba.core.message import Local

_DAYS = dict(
    zip(
        ("MO", "TU", "WE", "TH", "FR", "SA", "SU"),
        ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"),
        strict=True,
    )
)
_WORKDAYS = ["MO", "TU", "WE", "TH", "FR"]
_MONTHS = [f"{date(2026, month, 1):%B}" for month in range(1, 13)]
_ORDINALS = {1: "first", 2: "second", 3: "third", 4: "fourth", 5: "fifth", -1: "last", -2: "last but one"}
_UNITS = {"DAILY": "day", "WEEKLY": "week", "MONTHLY": "month", "YEARLY": "year"}
_NUMBERS = {2: "two", 3: "three", 4: "four", 5: "five", 6: "six"}
_MOST_DAYS = 4  # that are named one by one


def in_words(occasion: Occasion) -> str:
    """Such as "Every two weeks on Saturday, 10:00–13:00, from 5 December 2026 on, not on 2 January 2027"."""
    pieces = [_days(occasion)]
    if occasion.begins:
        pieces.append(f"{occasion.begins}–{occasion.ends}" if occasion.ends else occasion.begins)
    if occasion.rule:
        pieces.append(_span(occasion))
        if occasion.also:
            pieces.append(f"also on {_listed([day_in_words(day) for day in occasion.also])}")
    if occasion.but:
        pieces.append(f"not on {_listed([day_in_words(day) for day in occasion.but])}")
    return ", ".join(pieces)


def day_in_words(iso: str) -> str:
    """5 December 2026, as the reader's language writes it."""
    return Local(partial(_day, date.fromisoformat(iso), "d MMMM y", "long"))


def weekday_and_day(iso: str) -> str:
    """Saturday 5 December 2026."""
    return Local(partial(_day, date.fromisoformat(iso), "EEEE d MMMM y", "full"))


def short_day(iso: str) -> str:
    """Sat 5 December 2026."""
    return Local(partial(_day, date.fromisoformat(iso), "EEE d MMMM y", "full"))


def _day(day: date, in_english: str, otherwise: str, language: str) -> str:
    """By the patterns of CLDR; English in the British order, whatever English the reader has."""
    return format_date(day, in_english if language == "en" else otherwise, locale=locale(language))


def _days(occasion: Occasion) -> str:
    if occasion.rule:
        said = rule_in_words(occasion.rule)
        return said[0].upper() + said[1:]
    if occasion.last_day and occasion.last_day != occasion.day:
        return f"{_weekday(occasion.day)} to {_weekday(occasion.last_day)}"
    return _listed([_weekday(day) for day in (occasion.day, *occasion.also)])


def _weekday(iso: str) -> str:
    return f"{date.fromisoformat(iso):%A} {day_in_words(iso)}"


def _span(occasion: Occasion) -> str:
    parts = rule_parts(occasion.rule)
    start = f"from {day_in_words(occasion.day)}"
    if "UNTIL" in parts:
        until = parts["UNTIL"]
        return f"{start} until {day_in_words(f'{until[:4]}-{until[4:6]}-{until[6:8]}')}"
    if "COUNT" in parts:
        count = int(parts["COUNT"])
        return f"{start}, {'once' if count == 1 else f'{count} times'}"
    return f"{start} on"


def rule_in_words(rule: str) -> str:
    """A rule without its end, such as "every two weeks on Saturday"."""
    parts = rule_parts(rule)
    frequency, interval = parts.get("FREQ", ""), int(parts.get("INTERVAL", "1"))
    weekdays = [_by_day(one) for one in parts.get("BYDAY", "").split(",") if one]
    month_days = [int(one) for one in parts.get("BYMONTHDAY", "").split(",") if one]
    said = _often(frequency, interval, weekdays)
    if month_days:
        said += f" on the {_listed([_day_number(day) for day in month_days])}"
    if "BYMONTH" in parts:
        said += f" in {_listed([_MONTHS[int(month) - 1] for month in parts['BYMONTH'].split(',')])}"
    strange = sorted(parts.keys() - {"FREQ", "INTERVAL", "BYDAY", "BYMONTHDAY", "BYMONTH", "COUNT", "UNTIL", "WKST"})
    return said + (f" ({', '.join(f'{name} {parts[name]}' for name in strange)})" if strange else "")


def _by_day(one: str) -> tuple[int, str]:
    return int(one[:-2] or 0), one[-2:]


def _often(frequency: str, interval: int, weekdays: list[tuple[int, str]]) -> str:
    unit = _UNITS.get(frequency, "time")
    every = f"every {unit}" if interval == 1 else f"every {_NUMBERS.get(interval, str(interval))} {unit}s"
    if not weekdays:
        return every
    if frequency == "WEEKLY" and interval == 1:
        names = [day for _, day in weekdays]
        return "every weekday" if names == _WORKDAYS else f"every {_listed([_DAYS[day] for day in names])}"
    if frequency == "WEEKLY":
        return f"{every} on {_listed([_DAYS[day] for _, day in weekdays])}"
    named = [
        f"{_ORDINALS.get(ordinal, f'{ordinal}.')} {_DAYS[day]}" if ordinal else _DAYS[day] for ordinal, day in weekdays
    ]
    return (
        f"the {_listed(named)} of {every}"
        if all(ordinal for ordinal, _ in weekdays)
        else f"{every} on {_listed(named)}"
    )


def _day_number(day: int) -> str:
    if day == -1:
        return "last day"
    ending = "th" if day % 100 in (11, 12, 13) else {1: "st", 2: "nd", 3: "rd"}.get(day % 10, "th")
    return f"{day}{ending}"


def _listed(names: list[str]) -> str:
    if len(names) > _MOST_DAYS + 8:
        names = [*names[:_MOST_DAYS], f"{len(names) - _MOST_DAYS} more"]
    return f"{', '.join(names[:-1])} and {names[-1]}" if len(names) > 1 else names[0]
