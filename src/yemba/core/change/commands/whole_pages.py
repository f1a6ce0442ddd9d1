"""Pages as wholes: the same once more, and kept from visitors."""

from __future__ import annotations

from typing import Any, ClassVar

from yemba.core import room
from yemba.core.change.command import Command
from yemba.core.change.commands.pages import NAME
from yemba.core.change.commands.sections import copy_of
from yemba.core.change.operation import ABSENT, Operation, put
from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.site.addresses import free_slug
from yemba.core.site.document import Page
from yemba.core.site.ids import Ids
from yemba.core.site.languages import step
from yemba.core.site.resolve import Look


class CopyPage(Command):
    """The same page once more, after itself, with its sections and an address of its own."""

    name: ClassVar[str] = "copy-page"
    page: str
    page_name: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document = look.document
        page, key = document.page(self.page), ids()
        room.PAGES.check(len(document.pages), "page_name")
        name = NAME.read(self._called(look), Message("The page’s name"), "page_name")
        plain = page_again(page, ids, is_version=False)
        head = step(page.language) if page.language else ""
        slugs = {other.slug.removeprefix(head) for other in document.pages.values()}
        plain |= {"name": name, "slug": f"{head}{free_slug(name, slugs)}"}
        place = document.order.index(self.page) + 1
        return [
            put(document, ("pages", key), plain),
            put(document, ("order",), [*document.order[:place], key, *document.order[place:]]),
        ]

    def _called(self, look: Look) -> str:
        return self.page_name.strip() or Message("{name} (copy)", name=look.document.page(self.page).name[:70])

    def say(self, look: Look) -> str:
        return Message(
            "Page {name} copied as {called}", name=look.document.page(self.page).name, called=self._called(look)
        )


def page_again(page: Page, ids: Ids, *, is_version: bool) -> dict[str, Any]:
    """A page as it is stored, its sections with ids of their own, without its addresses; each section of a version
    knows what it is one of."""
    left_out = {"sections", "order", "was", "standing", "slug", "version_of"}
    plain = page.model_dump(mode="json", exclude_defaults=True, exclude=left_out)
    own = {stored: ids() for stored in page.order}
    if own:
        made = {own[stored]: copy_of(section, ids) for stored, section in page.ordered()}
        versions = {own[stored]: {"version_of": stored} for stored in page.order if is_version}
        plain |= {
            "sections": {key: section | versions.get(key, {}) for key, section in made.items()},
            "order": list(own.values()),
        }
    if page.standing:
        plain |= {"standing": {key: own.get(at, at) for key, at in page.standing.items()}}
    return plain


class PublishPage(Command):
    """Whether visitors see a page; one that they do not is kept, and leaves the menu and every link to it."""

    name: ClassVar[str] = "publish-page"
    page: str
    published: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        look.document.page(self.page)
        if not self.published and self.page == look.document.order[0]:
            raise Fault(
                "first-page",
                Message("The first page is always published. Put another first, then this can go."),
                "published",
            )
        return [put(look.document, ("pages", self.page, "unpublished"), ABSENT if self.published else True)]

    def say(self, look: Look) -> str:
        name = look.document.page(self.page).name
        return (
            Message("Page {name} published with the next edition", name=name)
            if self.published
            else Message("Page {name} is not published", name=name)
        )
