"""Dates that repeat, by the rules of RFC 5545 (section 3.3.10), in a zone.

What an occasion begins with is a local day; its rule repeats that day, and each occurrence has the local times of the
first, whatever summer time does to the clock (section 3.3.5).
"""

from __future__ import annotations

from collections.abc import Iterator
from datetime import date, datetime, time, timedelta, tzinfo
from functools import lru_cache
from heapq import merge
from itertools import islice
from typing import NamedTuple

from dateutil.rrule import rrule, rrulestr

from yemba.core.errors import Fault
from yemba.core.message import Joined, Message

MOST = 2_000
"""Occurrences of one occasion that are looked at: more than five years of every day."""
_SHARED = {"FREQ", "INTERVAL", "COUNT", "UNTIL", "WKST", "BYMONTH"}
_PARTS = {
    "DAILY": _SHARED,
    "WEEKLY": _SHARED | {"BYDAY"},
    "MONTHLY": _SHARED | {"BYDAY", "BYMONTHDAY", "BYSETPOS"},
    "YEARLY": _SHARED | {"BYDAY", "BYMONTHDAY", "BYSETPOS", "BYYEARDAY", "BYWEEKNO"},
}
"""What a rule may have by its frequency: not what another says more plainly, or what could be searched for in vain."""
_HIGHEST = 1_000  # of INTERVAL and COUNT


class Occasion(NamedTuple):
    """Days are ISO 8601, "YYYY-MM-DD"; times "HH:MM", "" for none. `last_day` is the day on which one that lasts
    longer ends, "" for the same. `rule` is the value of RRULE, "" for none, its UNTIL a day. `also` and `but` are
    further days, and days left out."""

    day: str
    begins: str = ""
    ends: str = ""
    last_day: str = ""
    rule: str = ""
    also: tuple[str, ...] = ()
    but: tuple[str, ...] = ()


class Occurrence(NamedTuple):
    """One time that it happens: local days, times as those of the occasion."""

    day: str
    last_day: str
    begins: str
    ends: str

    def starts(self, zone: tzinfo) -> datetime:
        """When it begins; of one without times at midnight."""
        return at(self.day, self.begins or "00:00", zone)

    def over(self, zone: tzinfo) -> datetime:
        """When it is past: at its end, at the end of its day where no end is told."""
        if not self.ends:
            return at((date.fromisoformat(self.last_day) + timedelta(days=1)).isoformat(), "00:00", zone)
        return at(self.last_day, self.ends, zone)


def at(day: str, moment: str, zone: tzinfo) -> datetime:
    """A local day and time in a zone. A time that the clock jumps over is told by the offset before the jump
    (RFC 5545, section 3.3.5)."""
    return datetime.combine(date.fromisoformat(day), time.fromisoformat(moment), zone)


def occurrences(occasion: Occasion, since: str = "") -> Iterator[Occurrence]:
    """Every time that it happens, in order, those left out that are past on the day `since`; MOST at most."""
    lasts = _lasts(occasion)
    first = (date.fromisoformat(since) - lasts).isoformat() if since else ""
    for day in islice(_days(occasion, first), MOST):
        last = (date.fromisoformat(day) + lasts).isoformat()
        yield Occurrence(day, last, occasion.begins, occasion.ends)


def _lasts(occasion: Occasion) -> timedelta:
    """From its first day to its last; into the next day where it ends at an earlier time than it begins."""
    if occasion.last_day:
        return date.fromisoformat(occasion.last_day) - date.fromisoformat(occasion.day)
    overnight = bool(occasion.begins and occasion.ends) and occasion.ends <= occasion.begins
    return timedelta(days=int(overnight))


def _days(occasion: Occasion, since: str) -> Iterator[str]:
    """Its days from one on, each once."""
    single = {*occasion.also} if occasion.rule else {*occasion.also, occasion.day}
    by_rule = _by_rule(occasion.day, occasion.rule, since) if occasion.rule else iter(())
    before = ""
    for day in merge(sorted(single), by_rule):
        if day != before and day >= since and day not in occasion.but:
            yield day
        before = day


def _by_rule(day: str, rule: str, since: str) -> Iterator[str]:
    """The days of a rule, of which the first day counts as one (RFC 5545, section 3.8.5.3)."""
    begun = _midnight(day)
    parsed = _parsed(rule, begun)
    is_first = next(iter(parsed), None) == begun
    if not is_first:
        yield day
    if "COUNT=" in rule:
        count = int(rule_parts(rule)["COUNT"])
        yield from (_iso(moment) for moment in islice(parsed, count if is_first else count - 1))
    else:
        yield from (_iso(moment) for moment in parsed.xafter(_midnight(max(day, since)), inc=True))


def _midnight(day: str) -> datetime:
    return datetime.combine(date.fromisoformat(day), time())


def _iso(moment: datetime) -> str:
    return moment.date().isoformat()


def first_day(rule: str, since: date) -> date | None:
    """The first day that a rule falls on from a day on; None where there is none."""
    known = next(iter(_parsed(rule, datetime.combine(since, time()))), None)
    return known.date() if known else None


@lru_cache(maxsize=512)
def _parsed(rule: str, begun: datetime) -> rrule:
    """Kept with what was found of it, so that a rule on which nothing falls is searched to its end once."""
    return rrulestr(f"RRULE:{rule}", dtstart=begun, cache=True)


def rule_parts(rule: str) -> dict[str, str]:
    """The parts of a rule by name, such as FREQ."""
    pairs = (part.partition("=") for part in rule.upper().removeprefix("RRULE:").split(";") if part)
    return {name.strip(): value.strip() for name, _, value in pairs}


def read_rule(typed: str) -> str:
    """A rule as it is stored, its parts in the order they came. Raises Fault ``rule-unreadable``."""
    parts = rule_parts(typed.strip())
    if not parts:
        return ""
    frequency = parts.get("FREQ", "")
    if frequency not in _PARTS:
        raise _unreadable(typed, Message("FREQ is one of {listed}", listed=Joined(", ", _PARTS)))
    strange = sorted(parts.keys() - _PARTS[frequency])
    if strange:
        raise _unreadable(
            typed,
            Message(
                "{strange} cannot be used in one that is {frequency}", strange=strange[0], frequency=frequency.lower()
            ),
        )
    for name in ("INTERVAL", "COUNT"):
        number = parts.get(name, "1")
        if not number.isdecimal() or not 1 <= int(number) <= _HIGHEST:
            raise _unreadable(typed, Message("{name} is a number from 1 to {highest}", name=name, highest=_HIGHEST))
    if "COUNT" in parts and "UNTIL" in parts:
        raise _unreadable(typed, Message("it has both COUNT and UNTIL"))
    if "UNTIL" in parts:
        parts["UNTIL"] = _until(typed, parts["UNTIL"])
    rule = ";".join(f"{name}={value}" for name, value in parts.items())
    try:
        endless = ";".join(f"{name}={value}" for name, value in parts.items() if name not in ("COUNT", "UNTIL"))
        ever = first_day(endless, date(2026, 1, 1))
    except (ValueError, TypeError, KeyError, IndexError) as error:
        raise _unreadable(typed, str(error) or Message("a part of it has no meaning")) from error
    if ever is None:
        raise _unreadable(typed, Message("nothing ever falls on it"))
    return rule


def _until(typed: str, value: str) -> str:
    """A day, "YYYYMMDD"; of a moment its day."""
    digits = value.replace("-", "")[:8]
    try:
        return datetime.strptime(digits, "%Y%m%d").strftime("%Y%m%d")
    except ValueError:
        raise _unreadable(typed, Message("UNTIL is a day such as 20270630, not {told}", told=value)) from None


def _unreadable(typed: str, reason: str) -> Fault:
    example = "Write one such as FREQ=WEEKLY;BYDAY=SA;UNTIL=20270630."
    return Fault(
        "rule-unreadable",
        Message(
            "“{typed}” is no rule of repeating dates: {reason}. {example}",
            typed=typed.strip(),
            reason=reason,
            example=example,
        ),
        "repeats",
    )
