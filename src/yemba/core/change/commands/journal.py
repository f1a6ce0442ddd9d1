"""The journal: posts are added, and given a day and tags."""

from __future__ import annotations

from typing import Any, ClassVar

from yemba.core import room
from yemba.core.calendar.in_words import day_in_words
from yemba.core.change.command import Command
from yemba.core.change.commands.pages import NAME
from yemba.core.change.operation import ABSENT, Operation, put
from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.site.addresses import free_slug
from yemba.core.site.ids import Ids
from yemba.core.site.journal import every_tag
from yemba.core.site.kinds import ONWARD, POST
from yemba.core.site.resolve import Look
from yemba.core.site.standing import on_new_pages
from yemba.core.site.starter import starter, starter_fields
from yemba.core.value.moment import Day, TimeOfDay
from yemba.core.value.tag import read_tags


class AddPost(Command):
    """Add a post of a day: its head with the name, words, and the ways to the posts around it."""

    name: ClassVar[str] = "add-post"
    page_name: str = ""
    day: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document = look.document
        room.PAGES.check(len(document.pages), "page_name")
        name, page = NAME.read(self.page_name, Message("The post’s name"), "page_name"), ids()
        made = {ids(): section for section in self._sections(look, name, ids)}
        begun: dict[str, Any] = {
            "name": name,
            "slug": free_slug(name, {other.slug for other in document.pages.values()}),
            "posted": _needed(Day().read(self.day, Message("Day"), "day")),
            "sections": made,
            "order": list(made),
        }
        begun |= {"standing": standing} if (standing := on_new_pages(document)) else {}
        return [put(document, ("pages", page), begun), put(document, ("order",), [*document.order, page])]

    def _sections(self, look: Look, name: str, ids: Ids) -> list[dict[str, Any]]:
        head = starter(look.catalogue.kind_of_role(POST), ids, look.language)
        head["fields"] = head.get("fields", {}) | {"heading": name}
        kind = look.catalogue.kind("words")
        fields = starter_fields([kind.field("body")], look.language)
        words = {"kind": kind.slug, "layout": "single", "fields": fields}
        onward = starter(look.catalogue.kind_of_role(ONWARD), ids, look.language)
        return [head, words, onward]

    def say(self, look: Look) -> str:
        return Message("Post {page_name} added", page_name=self.page_name.strip())


class SetPost(Command):
    """When a page appears as a post of the journal, "" as `day` for a page that is none; and its tags, with commas
    between."""

    name: ClassVar[str] = "set-post"
    page: str
    day: str = ""
    time: str = ""
    tags: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document = look.document
        page = document.page(self.page)
        day, time = Day().read(self.day, Message("Day"), "day"), TimeOfDay().read(self.time, Message("Time"), "time")
        if day and self.page == document.order[0]:
            reason = Message(
                "“{name}” is the first page, which always stands at the site’s own address. Add a post.", name=page.name
            )
            raise Fault("first-page", reason, "day")
        if time and not day:
            raise Fault(
                "no-day-yet",
                Message("{time} of which day? Set the day too, or leave the time empty.", time=time),
                "day",
            )
        tags = read_tags(self.tags, every_tag(document))
        posted = f"{day}T{time}" if time else day
        steps = [
            put(document, ("pages", self.page, "posted"), posted or ABSENT),
            put(document, ("pages", self.page, "tags"), tags or ABSENT),
        ]
        return [step for step in steps if step.old != step.new]

    def say(self, look: Look) -> str:
        name = look.document.page(self.page).name
        tags = Message("tagged {tags}", tags=self.tags) if self.tags.strip() else Message("no tags")
        return f"{name}: {self._when()}, {tags}"

    def _when(self) -> str:
        """The day, and the time where one is told, in words."""
        day = Day().read(self.day, Message("Day"), "day")
        if not day:
            return Message("no post")
        return (
            Message("post of {day_in_words}, {time}", day_in_words=day_in_words(day), time=self.time)
            if self.time
            else Message("post of {day_in_words}", day_in_words=day_in_words(day))
        )


def _needed(day: str) -> str:
    if not day:
        raise Fault("no-day-yet", Message("A post has a day. Write one such as 2027-03-14."), "day")
    return day
