"""One-offs of texts: set one, return one, some or all."""

from __future__ import annotations

from typing import ClassVar

from yemba.core.change.command import Command
from yemba.core.change.operation import ABSENT, Operation, Path, put, remove
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document, Section
from yemba.core.site.one_offs import NAMES, RULES, OneOff, field_of, in_words, one_offs
from yemba.core.site.resolve import Look
from yemba.core.site.settings import read_colour_code


class SetOneOff(Command):
    """One property of one text of a section; an empty `value` takes it away."""

    name: ClassVar[str] = "set-one-off"
    section: str
    element: str
    what: str
    value: str = ""

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        page, section = document.section(self.section)
        if self.what not in RULES or field_of(catalogue, section, self.element) is None:
            raise Fault("gone", f"There is no text “{self.element}” here to set apart.", "value")
        here: Path = ("pages", page, "sections", self.section, "one_offs", self.element)
        if not self.value.strip():
            alone = section.one_offs.get(self.element, {}).keys() == {self.what}
            return [put(document, here if alone else (*here, self.what), ABSENT)]
        return [put(document, (*here, self.what), self._read(Look(document, catalogue)))]

    def _read(self, look: Look) -> str:
        field = f"one-{self.element}-{self.what}"
        if self.what == "colour":
            return read_colour_code(self.value, field)
        if self.what == "face" and self.value not in look.families:
            raise Fault("no-such-family", f"There is no typeface “{self.value}”.", field)
        value = RULES[self.what].read(self.value, NAMES[self.what], field)
        return f"{value:g}" if isinstance(value, int | float) else str(value)

    def say(self, document: Document, catalogue: Catalogue) -> str:
        page, section = document.section(self.section)
        look = Look(document, catalogue)
        what = (
            f"{NAMES.get(self.what, self.what)} of one text in {_kind(section, catalogue)}, {document.pages[page].name}"
        )
        value = in_words(look, self.what, self._read(look)) if self.value.strip() and self.what in RULES else ""
        return f"{what}: {value or 'as the sheet has it'}"


def _kind(section: Section, catalogue: Catalogue) -> str:
    return catalogue.kind(section.kind).name


class ReturnOneOffs(Command):
    """Some one-offs, by their keys, or with `all` every one of texts, back to what the sheet gives."""

    name: ClassVar[str] = "return-one-offs"
    ones: str | list[str] = ""
    all: str = ""

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        found = self._found(document, catalogue)
        if not found:
            raise Fault("nothing-chosen", "No one-off is ticked. Tick those that should go back.", "ones")
        return drop(document, found)

    def say(self, document: Document, catalogue: Catalogue) -> str:
        found = self._found(document, catalogue)
        if len(found) == 1:
            return f"{found[0].what} of {found[0].where} returned"
        return f"{len(found)} one-offs returned"

    def _found(self, document: Document, catalogue: Catalogue) -> list[OneOff]:
        wanted = {self.ones} if isinstance(self.ones, str) else set(self.ones)
        every = one_offs(Look(document, catalogue))
        return [one for one in every if one.key in wanted or (self.all and one.element)]


def drop(document: Document, gone: list[OneOff]) -> list[Operation]:
    """Take one-offs away; an element that has none left goes whole."""
    steps, seen = [], set()
    for one in gone:
        whole = one.path
        if one.element:
            held = set(document.section(one.section)[1].one_offs[one.element])
            going = {other.path[-1] for other in gone if other.path[:-1] == one.path[:-1]}
            whole = one.path[:-1] if held == going else one.path
        if whole not in seen:
            seen.add(whole)
            steps.append(remove(document, whole))
    return steps
