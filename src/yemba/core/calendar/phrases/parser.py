"""The grammar of phrases: tokens in, one meaning out.

A point at which a phrase can mean several things is *asked* by name; the caller parses again with each other choice.
"""

from __future__ import annotations

from calendar import monthrange
from collections.abc import Mapping
from datetime import date, timedelta
from typing import Any, NamedTuple

from yemba.core.calendar.in_words import day_in_words, weekday_name
from yemba.core.calendar.phrases import token as kinds
from yemba.core.calendar.phrases.clock import Clock
from yemba.core.calendar.phrases.cursor import Asked, Unread
from yemba.core.calendar.phrases.dates import Dates
from yemba.core.calendar.phrases.token import Token, Vocabulary
from yemba.core.calendar.recurrence import Occasion, first_day
from yemba.core.message import Message

_CODES = ("MO", "TU", "WE", "TH", "FR", "SA", "SU")
_LONGEST_SPAN = 62  # days, of one occasion or of what is left out


class Parsed(NamedTuple):
    """An occasion, and the first and last days of what is to be left out of it."""

    occasion: Occasion
    left_out: tuple[tuple[date, date], ...]


def parse(
    typed: list[Token], vocabulary: Vocabulary, language: str, today: date, choices: Mapping[str, int]
) -> tuple[Parsed, Asked]:
    """One meaning of the tokens, with each point that was asked and how many meanings it has. Raises Unread."""
    parser = _Parser(typed, vocabulary, language, today, choices)
    return parser.parse(), parser.asked


class _Parser(Dates, Clock):
    """What of a phrase was read so far, clause by clause, and what is made of it."""

    def __init__(
        self, typed: list[Token], vocabulary: Vocabulary, language: str, today: date, choices: Mapping[str, int]
    ) -> None:
        super().__init__(typed, vocabulary, language, choices)
        self._today = today
        self._days: list[date] = []
        self._last: date | None = None  # of one occasion that lasts several days
        self._start: date | None = None
        self._until: date | None = None
        self._until_token: tuple[Any, ...] | None = None
        self._to_end = False  # whether it says that a month counts whole
        self._times: list[tuple[int, int, bool]] = []
        self._half: int | None = None
        self._frequency = ""
        self._interval = 1
        self._weekdays: list[tuple[int, int]] = []  # ordinal (0 for every) and day
        self._spanned = False  # whether those go from one to another
        self._loose: list[int] = []  # weekdays that may be of one week or of every
        self._month_days: list[int] = []
        self._count = 0
        self._left_out: list[tuple[Any, ...]] = []
        self._months_in: set[int] = set()
        self._months_out: set[int] = set()

    def parse(self) -> Parsed:
        while not self._is("end"):
            before = self._place
            self._clause()
            if self._place == before:
                raise Unread(Message("“{typed}” has no meaning there.", typed=self._peek().text))
        return self._made()

    def _clause(self) -> None:
        """What stands next, by the kind of its first token."""
        clauses = {
            kinds.EXCEPT: self._except,
            kinds.UNTIL: self._until_clause,
            kinds.FROM: self._from_clause,
            kinds.EVERY: self._every,
            kinds.FREQUENCY: self._every,
            kinds.GROUP: self._group,
            kinds.WEEKLY: self._weekly_list,
            kinds.ORDINAL: self._ordinals,
            kinds.WEEKDAY: self._weekday,
            kinds.NEXT: self._near,
            kinds.RELATIVE: self._near,
            kinds.FOR: self._for,
        }
        kind = self._peek().kind
        if kind in clauses:
            clauses[kind]()
        elif kind == kinds.NUMBER and self._number():
            return
        elif (days := self._dates()) is not None:
            self._take(days)
        elif kind in (kinds.TIME, kinds.NUMBER, kinds.HALF):
            self._hours()
        else:
            self._joined()

    def _number(self) -> bool:
        """Whether a number is how often it happens, the day of every month, or the one in "one Saturday in two"."""
        if self._is(kinds.TIMES, kinds.WEEKLY, ahead=1):
            self._count = self._value()
            self._skip(kinds.TIMES)
        elif self._is(kinds.OF_MONTH, ahead=1):
            self._monthly_days([self._value()])
        elif self._is(kinds.WEEKDAY, ahead=1) and self._is(kinds.OTHER, ahead=2):
            self._next()
        else:
            return False
        return True

    def _joined(self) -> None:
        """A word that joins what stands before and after it."""
        if self._is(kinds.HALF_DAY):
            self._half = self._value()
        elif self._skip(kinds.OF_MONTH):
            self._frequency = "MONTHLY"
        elif self._is(kinds.MONTH):
            self._months_in |= self._months()
        elif self._is(kinds.TO) and self._until_follows():
            self._until_clause()
        elif self._is(kinds.TO) and self._times and self._is(kinds.TIME, kinds.NUMBER, kinds.HALF, ahead=1):
            self._next()
            self._times.append(self._hour())
        elif self._is(kinds.AND, kinds.TO):
            self._next()

    def _group(self) -> None:
        """Weekdays that one word names."""
        self._weekly((0, day) for day in self._next().days)

    def _until_follows(self) -> bool:
        """Whether what comes after "to" is a day, before which all is told."""
        return self._is(kinds.MONTH, kinds.DATE, ahead=1) or (
            self._is(kinds.NUMBER, kinds.ORDINAL, ahead=1) and self._is(kinds.MONTH, ahead=2)
        )

    def _take(self, days: list[tuple[Any, ...]]) -> None:
        """Dates in the main of a phrase: one, several, or from one to another."""
        for spec in days:
            start, end = self._resolve(spec, self._today)
            self._days.append(start)
            if end != start:
                if (end - start).days > _LONGEST_SPAN:
                    self._days.pop()
                    self._start, self._until = start, end
                else:
                    self._last = end

    def _every(self) -> None:
        token = self._next()
        if token.kind == kinds.FREQUENCY:
            self._frequency, self._interval = token.often
            return
        if self._skip(kinds.OTHER):
            self._interval = 2
        elif self._is(kinds.NUMBER) and self._is(kinds.UNIT, ahead=1):
            self._interval = self._value()
        elif self._is(kinds.ORDINAL):
            self._every_ordinal()
            return
        if self._is(kinds.UNIT):
            self._frequency = str(self._next().value)
        elif self._is(kinds.WEEKDAY):
            self._weekly((0, day) for day in self._weekday_list())
        elif self._is(kinds.WEEKLY):
            self._weekly_list()
        elif self._is(kinds.GROUP):
            self._group()
        elif self._is(kinds.MONTH):
            raise Unread(Message("Dates of every year are told by their day."))
        else:
            raise Unread(Message("Every what?"))
        if self._skip(kinds.OTHER):  # "un samedi sur deux"
            self._interval = 2

    def _every_ordinal(self) -> None:
        """ "Every second Saturday": each other week, or the second of each month."""
        ordinals = self._ordinal_list()
        if self._is(kinds.UNIT):
            if len(ordinals) > 1 or ordinals[0] < 1:
                raise Unread(Message("Every what?"))
            self._interval, self._frequency = ordinals[0], str(self._next().value)
            return
        if not self._is(kinds.WEEKDAY, kinds.WEEKLY):
            if self._is(kinds.OF_MONTH):
                self._monthly_days(ordinals)
                return
            raise Unread(Message("Every what?"))
        days = self._weekday_list()
        by_month = [(ordinal, day) for ordinal in ordinals for day in days]
        if self._skip(kinds.OF_MONTH) or len(ordinals) > 1 or ordinals[0] in (1, -1):
            self._monthly(by_month)
            return
        second_first = ordinals[0] == 2
        if (self._choose("ordinal", 2) == 0) == second_first:
            self._interval = ordinals[0]
            self._weekly((0, day) for day in days)
        else:
            self._monthly(by_month)

    def _ordinals(self) -> None:
        """ "First and third Tuesday of the month", "the 15th of the month", or a date such as "4th May"."""
        days = self._dates()
        if days is not None:
            self._take(days)
            return
        ordinals = self._ordinal_list()
        if self._is(kinds.WEEKDAY, kinds.WEEKLY):
            weekdays = self._weekday_list()
            self._skip(kinds.OF_MONTH)
            self._monthly([(ordinal, day) for ordinal in ordinals for day in weekdays])
        elif self._is(kinds.UNIT) and self._peek().value == "DAILY":
            self._next()
            self._skip(kinds.OF_MONTH)
            self._monthly_days(ordinals)
        elif self._is(kinds.OF_MONTH) or self._frequency == "MONTHLY":
            self._monthly_days(ordinals)
        else:
            raise Unread(Message("The {number}. of what?", number=ordinals[0]))

    def _monthly_days(self, days: list[int]) -> None:
        self._skip(kinds.OF_MONTH)
        self._frequency = "MONTHLY"
        self._month_days = [self._whole_day(day) for day in days]

    def _whole_day(self, day: int) -> int:
        if day != -1 and not 1 <= day <= 31:
            raise Unread(Message("No month has a day {day}.", day=day))
        return day

    def _ordinal_list(self) -> list[int]:
        ordinals = [self._value()]
        while self._is(kinds.AND) and self._is(kinds.ORDINAL, ahead=1):
            self._next()
            ordinals.append(self._value())
        return ordinals

    def _weekday_list(self) -> list[int]:
        """Weekdays from here on: "Tuesday and Thursday", "Monday to Friday"."""
        weekdays = [self._value()]
        while True:
            if self._is(kinds.AND) and self._is(kinds.WEEKDAY, kinds.WEEKLY, ahead=1):
                self._next()
                weekdays.append(self._value())
            elif self._is(kinds.TO) and self._is(kinds.WEEKDAY, kinds.WEEKLY, ahead=1):
                self._next()
                end = self._value()
                weekdays += [(weekdays[-1] + step) % 7 for step in range(1, (end - weekdays[-1]) % 7 + 1)]
            else:
                return weekdays

    def _weekly_list(self) -> None:
        self._weekly((0, day) for day in self._weekday_list())
        if self._skip(kinds.OTHER):
            self._interval = 2

    def _weekly(self, days: Any) -> None:
        self._frequency = self._frequency or "WEEKLY"
        self._weekdays += [one for one in days if one not in self._weekdays]

    def _monthly(self, days: list[tuple[int, int]]) -> None:
        if any(ordinal != -1 and not 1 <= ordinal <= 5 for ordinal, _ in days):
            raise Unread(Message("A month has at most five of each weekday."))
        self._frequency = "MONTHLY"
        self._weekdays += days

    def _weekday(self) -> None:
        """A weekday that goes with a date, repeats, or is the next one."""
        day = self._peek().number
        if self._date_ahead(1) or (self._is(kinds.AND, ahead=1) and self._date_ahead(2)):
            self._next()
            self._skip(kinds.AND)
            self._with_date(day)
            return
        if self._is(kinds.OTHER, ahead=1):  # "samedi sur deux"
            self._next()
            self._next()
            self._interval = 2
            self._weekly([(0, day)])
            return
        spanned = self._is(kinds.TO, ahead=1) and self._is(kinds.WEEKDAY, ahead=2)
        days = self._weekday_list()
        if self._is(kinds.OF_MONTH):
            raise Unread(Message("Which of the month: the first, the second, the last?"))
        if self._is(kinds.NEXT):  # "samedi prochain"
            self._next()
            self._days += [self._coming(one) for one in days]
        elif self._frequency:
            self._weekly((0, one) for one in days)
        else:
            self._loose = days
            self._spanned = spanned

    def _with_date(self, day: int) -> None:
        before = len(self._days)
        self._take(self._dates() or [])
        added = self._days[before:]
        if added and added[0].weekday() != day:
            iso, named = added[0].isoformat(), weekday_name(added[0].weekday())
            raise Unread(Message("{day} is a {weekday}.", day=day_in_words(iso), weekday=named))

    def _near(self) -> None:
        """ "Next Saturday", "tomorrow"."""
        token = self._next()
        if token.kind == kinds.RELATIVE:
            self._days.append(self._today + timedelta(days=token.number))
            return
        if not self._is(kinds.WEEKDAY):
            raise Unread(Message("Next what?"))
        coming = self._coming(self._value())
        later = self._choose("next", 2)
        self._days.append(coming + timedelta(days=7 * later))

    def _coming(self, day: int) -> date:
        """The next such day, today or later."""
        return self._today + timedelta(days=(day - self._today.weekday()) % 7)

    def _for(self) -> None:
        """ "For six weeks", "for 6 times"."""
        self._next()
        if not self._is(kinds.NUMBER):
            return
        count = self._value()
        if self._is(kinds.UNIT):
            unit = str(self._next().value)
            self._until_token = ("lasts", count, unit)
        elif self._is(kinds.TIMES):
            self._next()
            self._count = count
        else:
            raise Unread(Message("For {number} what?", number=count))

    def _until_clause(self) -> None:
        self._to_end = self._next().value == "end"
        dates = self._dates()
        if dates is not None:
            self._until_token = ("date", dates[-1])
            return
        if self._is(kinds.MONTH):
            month = self._value()
            self._until_token = ("month", month, self._year())
        elif self._is(kinds.TIME, kinds.NUMBER, kinds.HALF):
            self._times.append(self._hour())
        elif self._is(kinds.WEEKDAY, kinds.WEEKLY) and self._loose:
            end = self._value()
            self._loose += [(self._loose[-1] + step) % 7 for step in range(1, (end - self._loose[-1]) % 7 + 1)]
        elif self._is(kinds.UNIT):
            raise Unread(Message("Until when?"))
        else:
            raise Unread(Message("Until when?"))

    def _from_clause(self) -> None:
        self._next()
        if self._is(kinds.WEEKDAY):
            self._weekday()
            return
        dates = self._dates()
        if dates is not None:
            start, end = self._resolve(dates[0], self._today)
            self._start = start
            if end != start:
                self._start = None
                self._take(dates)
        elif self._is(kinds.MONTH):
            month = self._value()
            self._start = self._day((self._year(), month, 1), self._today.replace(day=1))
        elif self._is(kinds.TIME, kinds.NUMBER, kinds.HALF):
            self._hours()
        elif self._is(kinds.RELATIVE, kinds.NEXT):
            self._near()
            self._start = self._days.pop()
        else:
            raise Unread(Message("From when?"))

    def _except(self) -> None:
        self._next()
        some = False
        while True:
            is_month = self._is(kinds.MONTH) and self._month_alone()
            dates = None if is_month else self._dates()
            if dates is not None:
                self._left_out += dates
            elif is_month:
                self._months_out |= self._months()
            elif self._is(kinds.WEEKLY, kinds.WEEKDAY) and not self._date_ahead(1):
                self._without_weekdays()
            elif self._is(kinds.WEEKDAY):
                self._next()
                continue
            elif not some:
                raise Unread(Message("Not when?"))
            else:
                return
            some = True
            self._skip(kinds.AND)

    def _without_weekdays(self) -> None:
        """ "Every day except Sunday"."""
        out = self._weekday_list()
        if self._frequency not in ("DAILY", "WEEKLY"):
            raise Unread(Message("Which days of these?"))
        here = [day for _, day in self._weekdays] or list(range(7))
        self._frequency = "WEEKLY"
        self._weekdays = [(0, day) for day in here if day not in out]

    def _made(self) -> Parsed:
        self._settle_loose()
        begins, ends = self._clock()
        if self._count and not self._frequency:
            raise Unread(Message("How often does it repeat: every week, every month?"))
        rule = self._rule()
        if rule:
            day = self._first(rule)
            rule = self._bounded(rule, day)
            occasion = Occasion(
                day.isoformat(), begins, ends, "", rule, tuple(one.isoformat() for one in sorted(set(self._days))[1:])
            )
            return Parsed(occasion, self._spans(day))
        days = sorted(set(self._days or ([self._start] if self._start else [])))
        if not days:
            raise Unread(Message("On which day?"))
        last = self._last or (self._end(days[0]) if self._until_token else None)
        if last and last < days[0]:
            raise Unread(Message("It ends before it begins."))
        if last and len(days) > 1:
            raise Unread(Message("Several days and one that lasts longer are two entries."))
        also = tuple(day.isoformat() for day in days[1:])
        lasting = last.isoformat() if last and last != days[0] else ""
        occasion = Occasion(days[0].isoformat(), begins, ends, lasting, "", also)
        return Parsed(occasion, self._spans(days[0]))

    def _settle_loose(self) -> None:
        """Weekdays of which nothing says whether they repeat."""
        if not self._loose:
            return
        days, self._loose = self._loose, []
        repeats = bool(
            self._frequency
            or self._until_token
            or self._count
            or self._left_out
            or self._months_in
            or self._months_out
            or self._start
        )
        if repeats:
            self._weekly((0, day) for day in days)
            return
        if self._days:
            raise Unread(Message("A day and a weekday: which is it?"))
        once = self._choose("once", 2)
        if len(days) > 1:
            once = 1 - once
        if once == 0:
            coming = self._coming(days[0])
            self._days = [coming + timedelta(days=(day - days[0]) % 7) for day in days]
            if self._spanned:
                self._last, self._days = self._days[-1], self._days[:1]
        else:
            self._weekly((0, day) for day in days)

    def _rule(self) -> str:
        if not self._frequency:
            return ""
        parts = [f"FREQ={self._frequency}"]
        if self._interval > 1:
            parts.append(f"INTERVAL={self._interval}")
        if self._weekdays:
            if any(ordinal == 0 for ordinal, _ in self._weekdays) and self._frequency == "MONTHLY":
                raise Unread(Message("Which of the month: the first, the second, the last?"))
            ordered = sorted(self._weekdays)
            parts.append(f"BYDAY={','.join(f'{ordinal or str()}{_CODES[day]}' for ordinal, day in ordered)}")
        if self._month_days:
            parts.append(f"BYMONTHDAY={','.join(map(str, sorted(self._month_days)))}")
        if self._months_in or self._months_out:
            stay = sorted((self._months_in or {*range(1, 13)}) - self._months_out)
            if not stay:
                raise Unread(Message("No month is left."))
            parts.append(f"BYMONTH={','.join(map(str, stay))}")
        return ";".join(parts)

    def _first(self, rule: str) -> date:
        """The day it begins on: the first that fits from the start on, whatever is skipped after it."""
        start = self._start or (min(self._days) if self._days else self._today)
        every = ";".join(part for part in rule.split(";") if not part.startswith("INTERVAL="))
        known = first_day(every, start)
        if known is None:
            raise Unread(Message("No day falls on that."))
        return known

    def _bounded(self, rule: str, day: date) -> str:
        if self._count:
            if self._until_token:
                raise Unread(Message("A last day and a number of times cannot both hold."))
            return f"{rule};COUNT={self._count}"
        end = self._until or (self._end(day) if self._until_token else None)
        if end is None:
            return rule
        if end < day:
            last = day_in_words(end.isoformat())
            raise Unread(Message("It would end on {day}, before it begins.", day=last))
        return f"{rule};UNTIL={end:%Y%m%d}"

    def _end(self, start: date) -> date:
        """The last day that the phrase tells."""
        end = self._until_token or ("date", ("day", start.year, start.month, start.day))
        if end[0] == "date":
            return self._resolve(end[1], start)[1]
        if end[0] == "lasts":
            _, count, unit = end
            if unit in ("DAILY", "WEEKLY"):
                return start + timedelta(days=count * (7 if unit == "WEEKLY" else 1) - 1)
            months = start.month - 1 + count * (12 if unit == "YEARLY" else 1)
            year, month = start.year + months // 12, months % 12 + 1
            return date(year, month, min(start.day, monthrange(year, month)[1])) - timedelta(days=1)
        _, month, year = end
        known = year or (start.year + (month < start.month))
        if self._to_end or self._choose("until", 2) == 0:
            return date(known, month, monthrange(known, month)[1])
        return date(known, month, 1) - timedelta(days=1)

    def _spans(self, start: date) -> tuple[tuple[date, date], ...]:
        return tuple(self._resolve(spec, start) for spec in self._left_out)
