"""Brand sheets: apply a ready one or one's own, bring covered values back, return to the template's."""

from __future__ import annotations

from typing import Any, ClassVar

from yemba.core.brand.sheet import read_values
from yemba.core.change.command import Command
from yemba.core.change.operation import ABSENT, Operation, put, remove
from yemba.core.errors import Fault
from yemba.core.limits import NAME_LETTERS
from yemba.core.message import Message
from yemba.core.site.document import Document
from yemba.core.site.ids import Ids
from yemba.core.site.resolve import Look
from yemba.core.value.line import Line


def _aside(document: Document, covered: dict[str, Any]) -> list[Operation]:
    """Values that another sheet is to cover, set aside; what was set aside before stays there."""
    aside = {**document.plain().get("set_aside", {}), **covered}
    return [put(document, ("set_aside",), aside)] if covered else []


class ApplySheet(Command):
    """Apply a ready brand sheet. The owner's own values it speaks of are set aside, not lost."""

    name: ClassVar[str] = "apply-sheet"
    sheet: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        ready = look.catalogue.ready_sheet(self.sheet)
        covered = {key: value for key, value in look.document.plain().get("sheet", {}).items() if key in ready.values}
        return [
            put(look.document, ("ready_sheet",), self.sheet),
            remove(look.document, ("own_sheet",)),
            *(remove(look.document, ("sheet", key)) for key in covered),
            *_aside(look.document, covered if look.document.own_sheet is None else {}),
        ]

    def say(self, look: Look) -> str:
        return Message("Brand sheet {name}", name=look.catalogue.ready_sheet(self.sheet).name)


class BringBackSheet(Command):
    """Bring the owner's own values back from where a ready sheet set them aside."""

    name: ClassVar[str] = "bring-back-sheet"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        plain = look.document.plain()
        if "set_aside" not in plain:
            raise Fault("nothing-set-aside", Message("Nothing is set aside."))
        return [
            put(look.document, ("sheet",), {**plain.get("sheet", {}), **plain["set_aside"]}),
            put(look.document, ("set_aside",), ABSENT),
        ]

    def say(self, look: Look) -> str:
        return Message("Your own brand values back")


class ApplyOwnSheet(Command):
    """Apply a brand sheet of one's own: it gives every value it holds. Values of the site that it covers are set aside.

    `logo` is the picture it brings, as the document keeps pictures.
    """

    name: ClassVar[str] = "apply-own-sheet"
    by_hand: ClassVar[bool] = False
    title: str
    values: dict[str, Any]
    logo: dict[str, Any] = {}
    fonts: dict[str, Any] = {}

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        title = Line(NAME_LETTERS, empty=False).read(self.title, Message("The brand sheet’s name"), "title")
        values = read_values(self.values, look.catalogue, self.fonts.keys() | look.document.fonts.keys())
        new = {key: font for key, font in self.fonts.items() if key not in look.document.fonts}
        steps = [put(look.document, ("fonts", key), font) for key, font in new.items()]
        if self.logo:
            known = next((k for k, p in look.document.pictures.items() if p.file == self.logo.get("file")), "")
            picture = known or ids()
            values |= {"logo.picture": picture}
            steps += [] if known else [put(look.document, ("pictures", picture), self.logo)]
        now = look.document.plain().get("sheet", {})
        covered = {key: value for key, value in now.items() if values.get(key, ABSENT) != value}
        return [
            *steps,
            put(look.document, ("sheet",), values),
            remove(look.document, ("ready_sheet",)),
            put(look.document, ("own_sheet",), title),
            *_aside(look.document, covered if look.document.own_sheet is None else {}),
        ]

    def say(self, look: Look) -> str:
        return Message("Brand sheet {title}", title=self.title)


class ReturnSheet(Command):
    """The template's own brand sheet. The owner's values are set aside, not lost."""

    name: ClassVar[str] = "return-sheet"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        covered = look.document.plain().get("sheet", {}) if look.document.own_sheet is None else {}
        return [
            *(remove(look.document, (field,)) for field in ("ready_sheet", "own_sheet")),
            *(remove(look.document, ("sheet", key)) for key in look.document.sheet),
            *_aside(look.document, covered),
        ]

    def say(self, look: Look) -> str:
        return Message("The brand sheet of {name}", name=look.catalogue.template(look.document.template).name)
