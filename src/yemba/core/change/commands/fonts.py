"""Fonts of the owner's own: kept, classed, allowed, taken away."""

from __future__ import annotations

from hashlib import sha256
from typing import Any, ClassVar

from yemba.core.change.command import Command
from yemba.core.change.commands.one_offs import drop
from yemba.core.change.operation import Operation, put, remove
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document, OwnFamily, OwnFont
from yemba.core.site.one_offs import one_offs
from yemba.core.site.own_fonts import settings_with
from yemba.core.site.resolve import Look
from yemba.core.type.facts import REGULAR
from yemba.core.type.intake import UNLICENSED

KINDS = {"serif": "Serif", "sans": "Sans", "hand": "Handwriting"}
_MOST_FAMILIES, _MOST_FILES = 12, 20


def font_id(family: str) -> str:
    """A family's id follows from its name, so that its weights come together, on this site and on others."""
    return f"own-{sha256(family.casefold().encode()).hexdigest()[:8]}"


class KeepFont(Command):
    """One file of a font, as taken in; its family grows by it, or begins with it."""

    name: ClassVar[str] = "keep-font"
    by_hand: ClassVar[bool] = False
    family: str
    file: str
    style: str
    lightest: int
    heaviest: int
    kind: str
    licence: str
    whole: bool = False
    facts: dict[str, Any]

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        key = font_id(self.family)
        known = document.fonts.get(key)
        if known is None and len(document.fonts) >= _MOST_FAMILIES:
            raise Fault("too-many", f"{_MOST_FAMILIES} fonts of your own fit on a site; take one away first.", "file")
        new = OwnFont(file=self.file, style=self.style, lightest=self.lightest, heaviest=self.heaviest)
        same = (self.style, self.lightest, self.heaviest)
        others = [f for f in (known.files if known else []) if (f.style, f.lightest, f.heaviest) != same]
        if len(others) >= _MOST_FILES:
            raise Fault("too-many", f"{self.family} has {_MOST_FILES} files already; that is the most.", "file")
        leads = all(_off(new) <= _off(other) for other in others)  # the most regular file speaks for the family
        made = OwnFamily(
            name=self.family,
            kind=known.kind if known else self.kind,
            whole=self.whole,
            licence=known.licence if known and known.licence == "leave" else self.licence,
            files=sorted([*others, new], key=_off),
            facts=known.facts if known and not leads else self.facts,
        )
        return [put(document, ("fonts", key), made.model_dump(mode="json"))]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        weights = f"{self.lightest}" if self.lightest == self.heaviest else f"{self.lightest} to {self.heaviest}"
        return f"Font {self.family}, {weights}{' italic' if self.style == 'italic' else ''}"


def _off(font: OwnFont) -> tuple[bool, int, int]:
    """How far a file is from the regular upright."""
    off = max(0, font.lightest - REGULAR, REGULAR - font.heaviest)
    return font.style != "normal", off, font.lightest


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
