"""When an entry happens: typed in its owner's manner, read back, and its next dates one by one."""

from __future__ import annotations

import json
from collections.abc import Mapping
from datetime import date, datetime
from itertools import islice

from django.utils import timezone

from yemba.core.calendar.in_words import in_words, short_day
from yemba.core.calendar.phrases.reading import Reading, next_days, read
from yemba.core.calendar.recurrence import occurrences
from yemba.core.errors import Fault
from yemba.core.site.dates import FIELDS, OUT, STATES, occasion, state_on, zone
from yemba.core.site.resolve import Look
from yemba.studio.desks.setting import Context

_AHEAD = 12  # dates that are listed to be marked


def now(look: Look) -> datetime:
    """The moment in the time zone of the site."""
    return timezone.now().astimezone(zone(look))


def when_desk(look: Look, fields: Mapping[str, str], phrase: str | None) -> Context:
    """What is stored of when an entry happens, in words; its next dates; what a phrase may mean."""
    known, today = occasion(fields), now(look).date()
    return {
        "says": in_words(known) if known else "",
        "is_past": known is not None and next(occurrences(known, today.isoformat()), None) is None,
        "dates": _dates(fields, today),
        "states": list(STATES.items()),
        **(readings(look, phrase) if phrase is not None else {"phrase": ""}),
    }


def _dates(fields: Mapping[str, str], today: date) -> list[Context]:
    """The next days, those that are left out among them."""
    known = occasion(fields)
    if known is None or not (known.rule or known.also):
        return [_date(fields, known.day)] if known and known.day >= today.isoformat() else []
    whole = known._replace(but=())
    coming = islice(occurrences(whole, today.isoformat()), _AHEAD)
    return [_date(fields, one.day) for one in coming]


def _date(fields: Mapping[str, str], day: str) -> Context:
    out = day in fields.get("but", "").split()
    label = short_day(day)
    return {"day": day, "says": label, "state": OUT if out else state_on(fields, day)}


def readings(look: Look, phrase: str) -> Context:
    """What a phrase may mean, in words, or why it is not understood."""
    today = now(look).date()
    try:
        understood = read(phrase, look.value("site.language"), today)
    except Fault as fault:
        return {"phrase": phrase, "unread": fault.sentence if phrase.strip() else ""}
    return {"phrase": phrase, "readings": [_reading(one, today) for one in understood]}


def _reading(one: Reading, today: date) -> Context:
    days = [short_day(day) for day in next_days(one.occasion, today)]
    return {
        "says": in_words(one.occasion),
        "doubts": one.doubts,
        "next": days,
        "stored": json.dumps(one.occasion._asdict(), ensure_ascii=False),
    }


WHEN_FIELDS = frozenset(FIELDS)
