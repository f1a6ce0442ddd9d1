"""When entries of a section happen: as they were read from a phrase, and single dates of those that repeat."""

from __future__ import annotations

import json
from typing import Any, ClassVar

from yemba.core import room
from yemba.core.calendar.in_words import in_words, weekday_and_day
from yemba.core.calendar.recurrence import Occasion, read_rule
from yemba.core.change.commands.sections import OfSection, check_item
from yemba.core.change.operation import ABSENT, Operation, put
from yemba.core.errors import Fault
from yemba.core.message import Message, Plural
from yemba.core.site.dates import CANCELLED, OUT, SOLD_OUT, STATES, occasion, stored
from yemba.core.site.ids import Ids
from yemba.core.site.kinds import DATES, Field
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
            raise Fault("no-dates", Message("This section shows no dates."), "section")
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
    """When an entry happens, whole: `occasion` is one as JSON, by the names of its parts. Which of its days were
    cancelled or sold out is kept."""

    name: ClassVar[str] = "set-when"
    occasion: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        return self.puts(look, stored(self._read()))

    def _read(self) -> Occasion:
        try:
            values = json.loads(self.occasion)
            known = Occasion(**{name: _listed(value) for name, value in values.items()})
        except (ValueError, TypeError, AttributeError) as error:
            raise Fault(
                "when-unreadable", Message("When it is did not arrive whole. Type it once more."), "occasion"
            ) from error
        return Occasion(
            day=_needed(Day().read(known.day, Message("Day"), "occasion")),
            begins=TimeOfDay().read(known.begins, Message("Begins"), "occasion"),
            ends=TimeOfDay().read(known.ends, Message("Ends"), "occasion"),
            last_day=Day().read(known.last_day, Message("Last day"), "occasion"),
            rule=read_rule(known.rule),
            also=tuple(Days().read(" ".join(known.also), Message("Also"), "occasion").split()),
            but=tuple(Days().read(" ".join(known.but), Message("Not"), "occasion").split()),
        )

    def say(self, look: Look) -> str:
        return f"{self.where(look)}: {in_words(self._read())}"


def _listed(value: Any) -> Any:
    return tuple(value) if isinstance(value, list) else value


def _needed(day: str) -> str:
    if not day:
        raise Fault("when-unreadable", Message("No day is told. Type when it is once more."), "occasion")
    return day


class AddDates(OfSection):
    """Add entries that were read from a calendar file: `entries` are their fields, as JSON. One that stands there as it
    is is not added again."""

    name: ClassVar[str] = "add-dates"
    entries: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        if DATES not in self.kind(look).roles:
            raise Fault("no-dates", Message("This section shows no dates."), "section")
        standing = self.standing(look)
        order = standing.section.order
        known = [item.fields for item in standing.section.items.values()]
        new = {ids(): fields for fields in self._read(look) if fields not in known}
        if not new:
            return []
        room.ENTRIES.check(len(order) + len(new) - 1, "file")
        steps = [put(look.document, (*standing.path, "items", key), {"fields": new[key]}) for key in new]
        return [*steps, put(look.document, (*standing.path, "order"), [*order, *new])]

    def _read(self, look: Look) -> list[dict[str, str]]:
        """Each field as its kind reads it; a link that is none is left out, a line too long for its field cut."""
        try:
            entries = json.loads(self.entries)
            rows = [{str(name): str(value) for name, value in one.items()} for one in entries]
        except (ValueError, TypeError, AttributeError) as error:
            raise Fault(
                "calendar-unreadable", Message("The dates did not arrive whole. Choose the file again."), "file"
            ) from error
        return [self._fields(look, row) for row in rows]

    def _fields(self, look: Look, row: dict[str, str]) -> dict[str, str]:
        known = {field.slug: field for field in self.kind(look).fields_of("item")}
        read = {name: _readable(known[name], value) for name, value in row.items() if name in known}
        return {name: value for name, value in read.items() if value}

    def say(self, look: Look) -> str:
        return Plural(
            "{where}: {number} date from a calendar file",
            "{where}: {number} dates from a calendar file",
            len(self._read(look)),
            where=self.where(look),
        )


def _readable(field: Field, value: str) -> str:
    try:
        return field.read(value[: field.limit] if field.type == "line" else value)
    except Fault:
        if field.type == "link":
            return ""
        raise


class MarkDate(_OfDate):
    """What one day of an entry is: "" for as planned, "cancelled", "sold_out", or "out" for not at all."""

    name: ClassVar[str] = "mark-date"
    day: str
    state: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        if self.state not in STATES:
            raise refuse_choice(self.state, Message("What that day is"), "state", list(STATES))
        day = _needed(Day().read(self.day, Message("Day"), "day"))
        now = self.fields(look)
        if occasion(now) is None:
            raise Fault("no-day-yet", Message("It has no day yet. Say when it is first."), "day")
        wanted = {CANCELLED: CANCELLED, SOLD_OUT: SOLD_OUT, OUT: "but"}
        values = {}
        for state, field in wanted.items():
            others = {one for one in now.get(field, "").split() if one != day}
            values[field] = " ".join(sorted(others | ({day} if state == self.state else set())))
        return self.puts(look, values)

    def say(self, look: Look) -> str:
        state = STATES.get(self.state, self.state).lower()
        return Message("{where}: {day}: {state}", where=self.where(look), day=weekday_and_day(self.day), state=state)
