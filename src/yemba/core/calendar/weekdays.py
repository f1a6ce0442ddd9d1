"""Which days of the week a line such as "Tuesday to Friday" speaks of."""

from __future__ import annotations

import re

DAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")
_NAMED = "|".join(f"{day[:3]}(?:{day[3:]})?s?" for day in DAYS)
_SPAN = re.compile(rf"\b({_NAMED})\b(?:\s*(?:to|until|–|-)\s*({_NAMED})\b)?", re.IGNORECASE)
_EVERY = {"daily": DAYS, "every day": DAYS, "weekdays": DAYS[:5], "weekends": DAYS[5:]}


def days_in(line: str) -> list[str]:
    """English names of the days, Monday first; none where the line speaks of no day of the week."""
    named = {day for words, days in _EVERY.items() if words in line.lower() for day in days}
    for first, last in _SPAN.findall(line):
        begin = _place(first)
        end = _place(last) if last else begin
        named |= {DAYS[n % 7] for n in range(begin, end + 1 if end >= begin else end + 8)}
    return [day for day in DAYS if day in named]


def _place(name: str) -> int:
    return next(n for n, day in enumerate(DAYS) if day.lower().startswith(name[:3].lower()))
