"""Which days of every week a line such as "Tuesday to Friday" speaks of. What is not understood whole is left out."""

from __future__ import annotations

import re

DAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")
_SHORT = {"tues": 1, "thur": 3, "thurs": 3, "weds": 2, "wednes": 2}
_GROUPS = {"daily": range(7), "every day": range(7), "everyday": range(7), "all week": range(7)}
_GROUPS |= {"seven days a week": range(7), "7 days a week": range(7), "all days": range(7), "any day": range(7)}
_GROUPS |= {"weekday": range(5), "working day": range(5), "weekend": range(5, 7)}
_TO = {"to", "until", "till", "til", "through", "thru"}
_AND = {"and", "also", "plus", "or"}
_BUT = {"except", "but", "excluding", "without", "bar", "save"}
_FILLING = {"on", "every", "each", "all", "the", "open", "we", "are", "from", "not", "closed", "for", "only", "always"}
_CLOSED = {"closed", "not", "never"}


def days_in(line: str) -> list[str]:
    """English names of the days, Monday first; none where the line says anything that is not true of every week.

    "Every day but Sunday", "Mon–Fri, Sun" and "weekends" are understood; "first Sunday of the month", "by
    appointment", "Tuesday mornings", "Monday from May" and "Sunday: closed" are left out.
    """
    words = _words(line)
    if not words or words[0] in _CLOSED:
        return []
    named: set[int] = set()
    excluded: set[int] = set()
    target, place = named, 0
    while place < len(words):
        word = words[place]
        days = _days_of(word)
        if days is None:
            if word in _BUT:
                target = excluded
            elif word not in _AND | _FILLING or (word in _CLOSED and target is named):
                return []
            place += 1
            continue
        if place + 2 < len(words) and words[place + 1] in _TO and _days_of(words[place + 2]) is not None:
            last = _days_of(words[place + 2])
            if len(days) != 1 or last is None or len(last) != 1:
                return []
            days = _span(days[0], last[0])
            place += 2
        target.update(days)
        place += 1
    if target is excluded and not named:
        named = set(range(7)) if excluded else set()
    return [day for number, day in enumerate(DAYS) if number in named - excluded]


def _words(line: str) -> list[str]:
    """The words of a line in small letters; signs between days as "to" and "and"."""
    text = line.lower().replace("’", "'")
    for group in sorted(_GROUPS, key=len, reverse=True):
        text = re.sub(rf"\b{group}s?\b", group.replace(" ", "_"), text)
    text = re.sub(r"\s*(?:–|—|-|…|\.\.\.)\s*", " to ", text)
    text = re.sub(r"[,;&+/]|\band\b", " and ", text)
    return re.sub(r"(?<=\w)\.(?=\s|$)", "", text).split()


def _days_of(word: str) -> list[int] | None:
    """The days that one word names; None for any other word."""
    group = word.replace("_", " ")
    if group in _GROUPS:
        return list(_GROUPS[group])
    name = word.removesuffix("'s")
    stem = name.removesuffix("s")
    for number, day in enumerate(DAYS):
        if stem in (day.lower(), day[:3].lower()) or name in (day.lower(), day[:3].lower()):
            return [number]
    return [_SHORT[name]] if name in _SHORT else None


def _span(first: int, last: int) -> list[int]:
    return [number % 7 for number in range(first, (last if last >= first else last + 7) + 1)]
