"""Fonts of the owner's own: kept, classed, allowed, taken away."""

from __future__ import annotations

from typing import Any, ClassVar

from yemba.core.change.command import Command
from yemba.core.change.commands.one_offs import drop
from yemba.core.change.operation import Operation, put, remove
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document, OwnFamily
from yemba.core.site.one_offs import one_offs
from yemba.core.site.own_fonts import font_id, grown, settings_with
from yemba.core.site.resolve import Look
from yemba.core.type.intake import UNLICENSED

KINDS = {"serif": "Serif", "sans": "Sans", "hand": "Handwriting"}
_MOST_FAMILIES, _MOST_FILES = 12, 20


class KeepFont(Command):
    """A font as taken in, as documents keep it; where its family is here already, that grows by its files."""

    name: ClassVar[str] = "keep-font"
    by_hand: ClassVar[bool] = False
    family: dict[str, Any]

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        more = OwnFamily.model_validate(self.family)
        key = font_id(more.name)
        if key not in document.fonts and len(document.fonts) >= _MOST_FAMILIES:
            raise Fault("too-many", f"{_MOST_FAMILIES} fonts of your own fit on a site; take one away first.", "file")
        made = grown(document.fonts.get(key), more)
        if len(made.files) > _MOST_FILES:
            raise Fault("too-many", f"{more.name} would have more than {_MOST_FILES} files; that is the most.", "file")
        return [put(document, ("fonts", key), made.model_dump(mode="json", exclude_defaults=True))]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        more = OwnFamily.model_validate(self.family)
        return f"Font {more.name}, {', '.join(file.said for file in more.files)}"


class OfFont(Command):
    """What is done to one font."""

    font: str

    def found(self, document: Document) -> OwnFamily:
        if self.font not in document.fonts:
            raise Fault("gone", "That font is no longer here. Undo, or bring its file again.", "font")
        return document.fonts[self.font]


class ClassFont(OfFont):
    """What kind of face it is: its fallback and its pairings follow from it."""

    name: ClassVar[str] = "class-font"
    kind: str

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        self.found(document)
        if self.kind not in KINDS:
            raise Fault("no-such-choice", f"“{self.kind}” is no kind of face. Choose: {', '.join(KINDS)}.", "kind")
        return [put(document, ("fonts", self.font, "kind"), self.kind)]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"{self.found(document).name} is {KINDS.get(self.kind, self.kind).lower()}"


class AllowFont(OfFont):
    """The owner's word that the maker has given leave to publish."""

    name: ClassVar[str] = "allow-font"

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        if self.found(document).licence not in UNLICENSED:
            return []
        return [put(document, ("fonts", self.font, "licence"), "leave")]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"Leave to publish with {self.found(document).name}"


class RemoveFont(OfFont):
    """Take a font away: what is set in it goes back to what the template gives. Undo brings all of it back."""

    name: ClassVar[str] = "remove-font"

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        self.found(document)
        apart = [one for one in one_offs(Look(document, catalogue)) if one.path[-1] == "face"]
        return [
            *(remove(document, place) for place in settings_with(document, self.font)),
            *drop(document, [one for one in apart if _at(document, one.path) == self.font]),
            remove(document, ("fonts", self.font)),
        ]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"Font {self.found(document).name} taken away"


def _at(document: Document, path: tuple[str, ...]) -> str:
    _, page, _, section, _, element, what = path
    return document.pages[page].sections[section].one_offs[element][what]
