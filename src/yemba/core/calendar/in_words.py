"""When something happens, in words for its owner."""

from __future__ import annotations

from datetime import date
from functools import partial

from babel.dates import format_date, format_skeleton, get_day_names, get_month_names

from yemba.core.calendar.recurrence import Occasion, rule_parts
from yemba.core.language import locale
from yemba.core.message import Joined, Listed, Local, Message, Plural

_WEEKDAYS = ("MO", "TU", "WE", "TH", "FR", "SA", "SU")
_WORKDAYS = ["MO", "TU", "WE", "TH", "FR"]
_MOST_NAMED = 12  # days that are all named; of more the first are
_FIRST_NAMED = 4


def in_words(occasion: Occasion) -> str:
    """Such as "Every two weeks on Saturday, 10:00–13:00, from 5 December 2026 on, not on 2 January 2027"."""
    pieces = [_days(occasion)]
    if occasion.begins:
        pieces.append(f"{occasion.begins}–{occasion.ends}" if occasion.ends else occasion.begins)
    if occasion.rule:
        pieces.append(_span(occasion))
        if occasion.also:
            pieces.append(Message("also on {days}", days=_listed([day_in_words(day) for day in occasion.also])))
    if occasion.but:
        pieces.append(Message("not on {days}", days=_listed([day_in_words(day) for day in occasion.but])))
    return Joined(", ", pieces)


def day_in_words(iso: str) -> str:
    """5 December 2026, as the reader's language writes it."""
    return Local(partial(_day, date.fromisoformat(iso), "d MMMM y", "long"))


def weekday_and_day(iso: str) -> str:
    """Saturday 5 December 2026."""
    return Local(partial(_day, date.fromisoformat(iso), "EEEE d MMMM y", "full"))


def short_day(iso: str) -> str:
    """Sat 5 Dec 2026, to stand in one line of a list."""
    return Local(partial(_short_day, date.fromisoformat(iso)))


def weekday_name(day: int) -> str:
    """Saturday; `day` counts from Monday, 0 to 6."""
    return Local(partial(_weekday, day))


def month_name(month: int) -> str:
    """December; `month` is 1 to 12."""
    return Local(partial(_month, month))


def _day(day: date, in_english: str, otherwise: str, language: str) -> str:
    """By the patterns of CLDR; English in the British order, whatever English the reader has."""
    return format_date(day, in_english if language == "en" else otherwise, locale=locale(language))


def _short_day(day: date, language: str) -> str:
    if language == "en":
        return _day(day, "EEE d MMM y", "", language)
    return format_skeleton("yMMMEd", day, locale=locale(language))


def _weekday(day: int, language: str) -> str:
    return str(get_day_names("wide", "stand-alone", locale(language))[day])


def _month(month: int, language: str) -> str:
    return str(get_month_names("wide", "format", locale(language))[month])


def _days(occasion: Occasion) -> str:
    if occasion.rule:
        return rule_in_words(occasion.rule).capitalize()
    first = weekday_and_day(occasion.day)
    if occasion.last_day and occasion.last_day != occasion.day:
        return Message("{first} to {last}", first=first, last=weekday_and_day(occasion.last_day))
    return _listed([first, *map(weekday_and_day, occasion.also)])


def _span(occasion: Occasion) -> str:
    parts = rule_parts(occasion.rule)
    day = day_in_words(occasion.day)
    if "UNTIL" in parts:
        until = parts["UNTIL"]
        last = day_in_words(f"{until[:4]}-{until[4:6]}-{until[6:8]}")
        return Message("from {day} until {last}", day=day, last=last)
    if "COUNT" in parts:
        return Plural("from {day}, once", "from {day}, {number} times", int(parts["COUNT"]), day=day)
    return Message("from {day} on", day=day)


def rule_in_words(rule: str) -> str:
    """A rule without its end, such as "every two weeks on Saturday"."""
    parts = rule_parts(rule)
    weekdays = [_by_day(one) for one in parts.get("BYDAY", "").split(",") if one]
    month_days = [int(one) for one in parts.get("BYMONTHDAY", "").split(",") if one]
    sentence = _often(parts.get("FREQ", ""), int(parts.get("INTERVAL", "1")), weekdays)
    if month_days:
        sentence = Message(
            "{often} on the {days}", often=sentence, days=_listed([_day_number(day) for day in month_days])
        )
    if "BYMONTH" in parts:
        months = [month_name(int(month)) for month in parts["BYMONTH"].split(",")]
        sentence = Message("{often} in {months}", often=sentence, months=_listed(months))
    strange = sorted(parts.keys() - {"FREQ", "INTERVAL", "BYDAY", "BYMONTHDAY", "BYMONTH", "COUNT", "UNTIL", "WKST"})
    if strange:
        return Message("{often} ({rest})", often=sentence, rest=", ".join(f"{name} {parts[name]}" for name in strange))
    return sentence


def _by_day(one: str) -> tuple[int, str]:
    return int(one[:-2] or 0), one[-2:]


def _every(frequency: str, interval: int) -> Message:
    match frequency:
        case "DAILY":
            two, every = Message("every two days"), Plural("every day", "every {number} days", interval)
        case "WEEKLY":
            two, every = Message("every two weeks"), Plural("every week", "every {number} weeks", interval)
        case "MONTHLY":
            two, every = Message("every two months"), Plural("every month", "every {number} months", interval)
        case "YEARLY":
            two, every = Message("every two years"), Plural("every year", "every {number} years", interval)
        case _:
            return Plural("every time", "every {number} times", interval)
    return two if interval == 2 else every


def _often(frequency: str, interval: int, weekdays: list[tuple[int, str]]) -> Message:
    every = _every(frequency, interval)
    if not weekdays:
        return every
    if frequency == "WEEKLY" and interval == 1:
        if [day for _, day in weekdays] == _WORKDAYS:
            return Message("every weekday")
        return Message("every {days}", days=_listed([_named(day) for _, day in weekdays]))
    named = _listed([_nth(ordinal, _named(day)) for ordinal, day in weekdays])
    if all(ordinal for ordinal, _ in weekdays):
        return Message("the {days} of {often}", days=named, often=every)
    return Message("{often} on {days}", often=every, days=named)


def _named(day: str) -> str:
    return weekday_name(_WEEKDAYS.index(day))


def _nth(ordinal: int, day: str) -> str:
    """Which of a month; 0 for each."""
    match ordinal:
        case 0:
            return day
        case 1:
            return Message("first {day}", day=day)
        case 2:
            return Message("second {day}", day=day)
        case 3:
            return Message("third {day}", day=day)
        case 4:
            return Message("fourth {day}", day=day)
        case 5:
            return Message("fifth {day}", day=day)
        case -1:
            return Message("last {day}", day=day)
        case -2:
            return Message("last but one {day}", day=day)
    return Message("{ordinal}. {day}", ordinal=ordinal, day=day)


def _day_number(day: int) -> str:
    return Message("last day") if day == -1 else Local(partial(_ordinal, day))


def _ordinal(day: int, language: str) -> str:
    """15th; in other languages with the mark that days of a month have there, if they have one (common practice)."""
    if language == "en":
        ending = "th" if day % 100 in (11, 12, 13) else {1: "st", 2: "nd", 3: "rd"}.get(day % 10, "th")
        return f"{day}{ending}"
    if language == "fr" and day == 1:
        return "1er"
    return f"{day}." if language == "de" else str(day)


def _listed(names: list[str]) -> str:
    if len(names) <= _MOST_NAMED:
        return Listed(names)
    more = Message("{number} more", number=len(names) - _FIRST_NAMED)
    return Listed([*names[:_FIRST_NAMED], more])
