"""Rules of repeating dates, and lists of days."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.calendar.in_words import day_in_words, rule_in_words
from yemba.core.calendar.recurrence import read_rule
from yemba.core.errors import Fault
from yemba.core.message import Joined, Message
from yemba.core.value.kind import Kind

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

MOST_DAYS = 400


@dataclass(frozen=True)
class Recurrence(Kind):
    """The value of RRULE (RFC 5545), "" for none."""

    sets_text: ClassVar[bool] = False

    def read(self, typed: Any, name: str, key: str) -> str:
        try:
            return read_rule(typed)
        except Fault as fault:
            raise Fault(fault.code, fault.sentence, key) from None

    def say(self, value: Any, look: Look | None = None) -> str:
        return rule_in_words(value) if value else Message("none")


@dataclass(frozen=True)
class Days(Kind):
    """Days, "2027-05-04 2027-05-11", in their order, each once; "" for none."""

    sets_text: ClassVar[bool] = False

    def read(self, typed: Any, name: str, key: str) -> str:
        days = typed.replace(",", " ").replace(";", " ").split()
        if len(days) > MOST_DAYS:
            raise Fault(
                "too-many-days",
                Message(
                    "{name} holds {number} days; {most_days} at most.", name=name, number=len(days), most_days=MOST_DAYS
                ),
                key,
            )
        for day in days:
            _check(day, name, key)
        return " ".join(sorted(set(days)))

    def say(self, value: Any, look: Look | None = None) -> str:
        days = [day_in_words(day) for day in value.split()]
        return Joined(", ", days) if days else Message("none")


def _check(day: str, name: str, key: str) -> None:
    try:
        known = date.fromisoformat(day).isoformat() == day
    except ValueError:
        known = False
    if not known:
        cure = Message("Write days such as 2027-05-04, with blanks between.")
        raise Fault(
            "moment-unreadable", Message("{name}: “{day}” is no day. {cure}", name=name, day=day, cure=cure), key
        )


FIELD_TYPES = {"recurrence": Recurrence, "days": Days}
