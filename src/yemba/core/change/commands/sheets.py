"""Brand sheets: apply a ready one or one's own, bring covered values back, return to the template's."""

from __future__ import annotations

from typing import Any, ClassVar

from yemba.core.brand.sheet import read_values
from yemba.core.change.command import Command
from yemba.core.change.operation import ABSENT, Operation, put, remove
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.settings import Line


def _aside(document: Document, covered: dict[str, Any]) -> list[Operation]:
    """Values that another sheet is to cover, set aside; what was set aside before stays there."""
    aside = {**document.plain().get("set_aside", {}), **covered}
    return [put(document, ("set_aside",), aside)] if covered else []


class ApplySheet(Command):
    """Apply a ready brand sheet. The owner's own values it speaks of are set aside, not lost."""

    name: ClassVar[str] = "apply-sheet"
    sheet: str

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        ready = catalogue.ready_sheet(self.sheet)
        covered = {key: value for key, value in document.plain().get("sheet", {}).items() if key in ready.values}
        return [
            put(document, ("ready_sheet",), self.sheet),
            remove(document, ("own_sheet",)),
            *(remove(document, ("sheet", key)) for key in covered),
            *_aside(document, covered if document.own_sheet is None else {}),
        ]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"Brand sheet {catalogue.ready_sheet(self.sheet).name}"


class BringBackSheet(Command):
    """Bring the owner's own values back from where a ready sheet set them aside."""

    name: ClassVar[str] = "bring-back-sheet"

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        plain = document.plain()
        if "set_aside" not in plain:
            raise Fault("nothing-set-aside", "Nothing is set aside.")
        return [
            put(document, ("sheet",), {**plain.get("sheet", {}), **plain["set_aside"]}),
            put(document, ("set_aside",), ABSENT),
        ]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return "Your own brand values back"


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

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        title = Line(60, empty=False).read(self.title, "The brand sheet’s name", "title")
        values = read_values(self.values, catalogue, self.fonts.keys() | document.fonts.keys())
        steps = [put(document, ("fonts", key), font) for key, font in self.fonts.items() if key not in document.fonts]
        if self.logo:
            known = next((k for k, p in document.pictures.items() if p.file == self.logo.get("file")), "")
            picture = known or new_id()
            values |= {"logo.picture": picture}
            steps += [] if known else [put(document, ("pictures", picture), self.logo)]
        now = document.plain().get("sheet", {})
        covered = {key: value for key, value in now.items() if values.get(key, ABSENT) != value}
        return [
            *steps,
            put(document, ("sheet",), values),
            remove(document, ("ready_sheet",)),
            put(document, ("own_sheet",), title),
            *_aside(document, covered if document.own_sheet is None else {}),
        ]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"Brand sheet {self.title}"


class ReturnSheet(Command):
    """The template's own brand sheet. The owner's values are set aside, not lost."""

    name: ClassVar[str] = "return-sheet"

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        covered = document.plain().get("sheet", {}) if document.own_sheet is None else {}
        return [
            *(remove(document, (field,)) for field in ("ready_sheet", "own_sheet")),
            *(remove(document, ("sheet", key)) for key in document.sheet),
            *_aside(document, covered),
        ]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"The brand sheet of {catalogue.template(document.template).name}"
