"""When entries of a section happen: as they were read from a phrase, and single dates of those that repeat."""

from __future__ import annotations

import json
from datetime import date
from typing import Any, ClassVar

from yemba.core.calendar.in_words import day_in_words, in_words
from yemba.core.calendar.recurrence import Occasion, read_rule
from yemba.core.change.commands.sections import OfSection, check_item
from yemba.core.change.operation import ABSENT, Operation, put
from yemba.core.errors import Fault
from yemba.core.site.dates import CANCELLED, OUT, SOLD_OUT, STATES, occasion, stored
from yemba.core.site.ids import Ids
from yemba.core.site.kinds import DATES
from yemba.core.site.resolve import Look
from yemba.core.value.kind import refuse_choice
from yemba.core.value.moment import Day, TimeOfDay
from yemba.core.value.recurrence import Days


class _OfDate(OfSection):
    """What is done to an entry that says when something happens."""

    item: str

    def fields(self, look: Look) -> dict[str, str]:
        """Those of the entry. Raises Fault."""
        section = self.standing(look).section
        if DATES not in look.catalogue.kind(section.kind).roles:
            raise Fault("no-dates", "This section shows no dates.", "section")
        check_item(section, self.item, "item")
        return section.items[self.item].fields

    def puts(self, look: Look, values: dict[str, str]) -> list[Operation]:
        """Steps that give the entry these fields, "" taking one away."""
        path = (*self.standing(look).path, "items", self.item, "fields")
        now = self.fields(look)
        return [
            put(look.document, (*path, name), value or ABSENT)
            for name, value in values.items()
            if value != now.get(name, "")
        ]


class SetWhen(_OfDate):
    """When an entry happens, whole: `occasion` is one as JSON, by the names of its parts. Dates that were cancelled or
    sold out stay so where it still happens on them."""

    name: ClassVar[str] = "set-when"
    occasion: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        now = self.fields(look)
        known = self._read()
        values = stored(known) | {name: now.get(name, "") for name in (CANCELLED, SOLD_OUT)}
        return self.puts(look, values)

    def _read(self) -> Occasion:
        try:
            given = json.loads(self.occasion)
            known = Occasion(**{name: _listed(value) for name, value in given.items()})
        except (ValueError, TypeError, AttributeError) as error:
            raise Fault("when-unreadable", "When it is did not arrive whole. Type it once more.", "occasion") from error
        return Occasion(
            day=_needed(Day().read(known.day, "Day", "occasion")),
            begins=TimeOfDay().read(known.begins, "Begins", "occasion"),
            ends=TimeOfDay().read(known.ends, "Ends", "occasion"),
            last_day=Day().read(known.last_day, "Last day", "occasion"),
            rule=read_rule(known.rule),
            also=tuple(Days().read(" ".join(known.also), "Also", "occasion").split()),
            but=tuple(Days().read(" ".join(known.but), "Not", "occasion").split()),
        )

    def say(self, look: Look) -> str:
        return f"{self.where(look)}: {in_words(self._read())}"


def _listed(value: Any) -> Any:
    return tuple(value) if isinstance(value, list) else value


def _needed(day: str) -> str:
    if not day:
        raise Fault("when-unreadable", "No day is told. Type when it is once more.", "occasion")
    return day


class MarkDate(_OfDate):
    """What one day of an entry is: "" for as planned, "cancelled", "sold_out", or "out" for not at all."""

    name: ClassVar[str] = "mark-date"
    day: str
    state: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        if self.state not in STATES:
            raise refuse_choice(self.state, "What that day is", "state", list(STATES))
        day = _needed(Day().read(self.day, "Day", "day"))
        now = self.fields(look)
        if occasion(now) is None:
            raise Fault("no-day-yet", "It has no day yet. Say when it is first.", "day")
        wanted = {CANCELLED: CANCELLED, SOLD_OUT: SOLD_OUT, OUT: "but"}
        values = {}
        for state, field in wanted.items():
            others = {one for one in now.get(field, "").split() if one != day}
            values[field] = " ".join(sorted(others | ({day} if state == self.state else set())))
        return self.puts(look, values)

    def say(self, look: Look) -> str:
        day = date.fromisoformat(self.day)
        return f"{self.where(look)}: {day:%A} {day_in_words(self.day)}: {STATES.get(self.state, self.state).lower()}"
