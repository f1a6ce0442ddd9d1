"""Dates of a phrase: a day, days of one month, from one to another."""

from __future__ import annotations

from calendar import monthrange
from datetime import date
from typing import Any

from yemba.core.calendar.in_words import month_name
from yemba.core.calendar.phrases import token as kinds
from yemba.core.calendar.phrases.cursor import Cursor, Unread
from yemba.core.calendar.phrases.token import Token
from yemba.core.message import Joined, Message


class Dates(Cursor):
    """Reads dates. One is ("day", year, month, day) or ("span", first, last), with 0 for a year that is not told."""

    _times: list[tuple[int, int, bool]]

    def _dates(self) -> list[tuple[Any, ...]] | None:
        """Dates from here on, as (kind, …) that `_resolve` reads; None where there is none."""
        first = self._date_list()
        if first is None:
            return None
        dates = first
        while self._is(kinds.AND) and self._date_ahead(1):
            self._next()
            dates += self._date_list() or []
        return dates

    def _date_ahead(self, ahead: int) -> bool:
        place = self._place
        self._place += ahead
        there = self._date_list() is not None
        self._place = place
        return there

    def _date_list(self) -> list[tuple[Any, ...]] | None:
        """One date, a span, or days of one month: "4 May", "4-6 May", "4, 11 and 18 May", "May 4"."""
        place = self._place
        if self._is(kinds.DATE):
            start = self._numeric(self._next())
            if self._is(kinds.TO) and self._is(kinds.DATE, ahead=1):
                self._next()
                return [("span", start, self._numeric(self._next()))]
            return [("day", *start)]
        if self._is(kinds.MONTH) and self._is(kinds.NUMBER, kinds.ORDINAL, ahead=1) and self._day_of(1):
            month = self._value()
            days, spans = self._day_numbers()
            year = self._year()
            return self._in_month(days, spans, month, year)
        if self._is(kinds.NUMBER, kinds.ORDINAL) and self._day_of(0):
            days, spans = self._day_numbers()
            if self._is(kinds.MONTH):
                month = self._value()
                year = self._year()
                if (
                    self._is(kinds.TO)
                    and self._is(kinds.NUMBER, kinds.ORDINAL, ahead=1)
                    and self._is(kinds.MONTH, ahead=2)
                ):
                    self._next()
                    end = self._value()
                    end_month = self._value()
                    end_year = self._year()
                    return [("span", (year, month, days[0]), (end_year, end_month, end))]
                return self._in_month(days, spans, month, year)
        self._place = place
        return None

    def _day_of(self, ahead: int) -> bool:
        return 1 <= self._peek(ahead).number <= 31

    def _day_numbers(self) -> tuple[list[int], list[tuple[int, int]]]:
        """Numbers of days, and which of them go from one to another."""
        days = [self._value()]
        spans = []
        while True:
            if self._is(kinds.TO) and self._is(kinds.NUMBER, kinds.ORDINAL, ahead=1) and self._day_of(1):
                self._next()
                end = self._value()
                spans.append((days.pop(), end))
                days.append(end)
            elif self._is(kinds.AND) and self._is(kinds.NUMBER, kinds.ORDINAL, ahead=1) and self._day_of(1):
                self._next()
                days.append(self._value())
            else:
                return days, spans

    def _in_month(self, days: list[int], spans: list[tuple[int, int]], month: int, year: int) -> list[tuple[Any, ...]]:
        ends = {end: start for start, end in spans}
        return [
            ("span", (year, month, ends[day]), (year, month, day)) if day in ends else ("day", year, month, day)
            for day in days
        ]

    def _year(self) -> int:
        if self._is(kinds.NUMBER) and self._peek().number > 1900:
            return self._value()
        return 0

    def _numeric(self, token: Token) -> tuple[int, int, int]:
        """Year, month and day of a date in figures; which of 4/5 is the month is asked where both are usual."""
        year, one, other, *slash = token.date
        if not slash:
            return year, one, other
        day_first = self._vocabulary.day_first
        if day_first is None:
            day_first = self._language != "en-US"
            if one <= 12 and other <= 12 and one != other:
                day_first = day_first == (self._choose("slash", 2) == 0)
            elif one != other:
                day_first = one > 12
        return (year, other, one) if day_first else (year, one, other)

    def _resolve(self, spec: tuple[Any, ...], since: date) -> tuple[date, date]:
        """The first and the last day of a date, the next from `since` on where no year is told."""
        if spec[0] == "day":
            day = self._day(spec[1:], since)
            return day, day
        start_at, end_at = spec[1], spec[2]
        if not start_at[0] and end_at[0]:
            start_at = (end_at[0] - (start_at[1:] > end_at[1:]), *start_at[1:])
        start = self._day(start_at, since)
        end = self._day(end_at, start)
        return start, end

    def _day(self, at: tuple[int, int, int], since: date) -> date:
        year, month, day = at
        try:
            if year:
                return date(year, month, day)
            for later in range(9):  # 29 February comes every fourth year, or every eighth
                if 1 <= month <= 12 and day <= monthrange(since.year + later, month)[1]:
                    known = date(since.year + later, month, day)
                    if known >= since:
                        return known
            raise ValueError
        except ValueError:
            named = month_name(month) if month in range(1, 13) else Message("month {number}", number=month)
            label = Joined(" ", [str(day), named, str(year)] if year else [str(day), named])
            raise Unread(Message("There is no {day}.", day=label)) from None

    def _months(self) -> set[int]:
        """A month, or those from one to another."""
        first = self._value()
        if not (self._is(kinds.TO) and self._is(kinds.MONTH, ahead=1)):
            return {first}
        self._next()
        end = self._value()
        return {(first + step - 1) % 12 + 1 for step in range((end - first) % 12 + 1)}

    def _month_alone(self) -> bool:
        """Whether numbers after a month are hours: "not in August 10-12" is asked where no other hours are told."""
        if not self._is(kinds.NUMBER, ahead=1) or not self._day_of(1):
            return True
        has_hours = self._times or any(token.kind == kinds.TIME for token in self._tokens)
        return not has_hours and self._is(kinds.TO, ahead=2) and self._choose("month", 2) == 0
