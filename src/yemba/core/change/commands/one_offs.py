"""One-offs of texts: set one, return one, some or all."""

from __future__ import annotations

from typing import ClassVar

from yemba.core.change.command import Command
from yemba.core.change.commands.sections import OfSection
from yemba.core.change.operation import ABSENT, Operation, Path, put, remove
from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.site.document import Document
from yemba.core.site.ids import Ids
from yemba.core.site.one_offs import PROPERTIES, OneOff, in_words, may_be, one_offs
from yemba.core.site.resolve import Look


class SetOneOff(OfSection):
    """One property of one text of a section; an empty `value` takes it away."""

    name: ClassVar[str] = "set-one-off"
    element: str
    what: str
    value: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        standing = self.standing(look)
        if not may_be(look, standing.section, self.element, self.what):
            raise Fault(
                "gone", Message("There is no text “{element}” here to set apart.", element=self.element), "value"
            )
        here: Path = (*standing.path, "one_offs", self.element)
        if self.value.strip():
            return [put(look.document, (*here, self.what), self._read(look))]
        alone = standing.section.one_offs.get(self.element, {}).keys() == {self.what}
        return [put(look.document, here if alone else (*here, self.what), ABSENT)]

    def _read(self, look: Look) -> str:
        field = f"one-{self.element}-{self.what}"
        kind, name = PROPERTIES[self.what].kind, PROPERTIES[self.what].name
        value = kind.read(self.value, name, field)
        kind.check(value, look, name, field)
        is_number = isinstance(value, int | float)
        return f"{value:g}" if is_number else str(value)

    def say(self, look: Look) -> str:
        if self.what not in PROPERTIES:
            return Message("Nothing set apart")
        value = in_words(look, self.what, self._read(look)) if self.value.strip() else Message("as the sheet has it")
        return Message(
            "{name} of one text in {where}: {value}",
            name=PROPERTIES[self.what].name,
            where=self.where(look),
            value=value,
        )


class ReturnOneOffs(Command):
    """Some one-offs, by their keys, or with `all` every one of texts, back to what the sheet gives."""

    name: ClassVar[str] = "return-one-offs"
    ones: str | list[str] = ""
    all: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        chosen = self._chosen(look)
        if not chosen:
            raise Fault("nothing-chosen", Message("No one-off is ticked. Tick those that should go back."), "ones")
        return drop(look.document, chosen)

    def say(self, look: Look) -> str:
        chosen = self._chosen(look)
        if len(chosen) == 1:
            return Message("{what} of {where} returned", what=chosen[0].what, where=chosen[0].where)
        return Message("{number} one-offs returned", number=len(chosen))

    def _chosen(self, look: Look) -> list[OneOff]:
        wanted = {self.ones} if isinstance(self.ones, str) else set(self.ones)
        return [one for one in one_offs(look) if one.key in wanted or (self.all and one.element)]


def drop(document: Document, gone: list[OneOff]) -> list[Operation]:
    """Take one-offs away; an element that has none left goes whole."""
    paths = dict.fromkeys(_whole(one, gone) for one in gone)
    return [remove(document, path) for path in paths]


def _whole(one: OneOff, gone: list[OneOff]) -> Path:
    """The path of a one-off, or of its element where all that is set apart there goes."""
    if not one.element:
        return one.path
    properties = set(one.standing.section.one_offs[one.element])
    going = {other.property for other in gone if other.path[:-1] == one.path[:-1]}
    return one.path[:-1] if properties == going else one.path
