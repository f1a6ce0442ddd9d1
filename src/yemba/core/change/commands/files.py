"""Files to take away: kept, replaced, called by another name, taken out."""

from __future__ import annotations

from collections.abc import Mapping
from typing import ClassVar

from yemba.core import room
from yemba.core.change.command import Command
from yemba.core.change.operation import Operation, put, remove
from yemba.core.errors import Fault
from yemba.core.limits import NAME_LETTERS
from yemba.core.message import Message
from yemba.core.site.document import OwnFile
from yemba.core.site.files import slug_for
from yemba.core.site.ids import Ids
from yemba.core.site.resolve import Look
from yemba.core.value.line import Line


class AddFile(Command):
    """Make a file whose bytes are in the store known to the document, or put it in the place of one that is."""

    name: ClassVar[str] = "add-file"
    by_hand: ClassVar[bool] = False
    own_file: str
    file: str
    format: str
    size: int
    file_name: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        known = look.document.files
        if self.own_file not in known:
            room.FILES.check(len(known), "file")
        about = {"file": self.file, "format": self.format, "size": self.size, "name": self.file_name}
        return [put(look.document, ("files", self.own_file), about | {"slug": self._slug(known)})]

    def _slug(self, known: Mapping[str, OwnFile]) -> str:
        """That of the file in whose place it comes, else one that no other has."""
        if self.own_file in known:
            return known[self.own_file].slug
        return slug_for(self.file_name, {file.slug for file in known.values()})

    def say(self, look: Look) -> str:
        known = look.document.files.get(self.own_file)
        return (
            Message("{name} replaced by {file_name}", name=known.name, file_name=self.file_name)
            if known
            else Message("File {file_name}", file_name=self.file_name)
        )


class OfFile(Command):
    """What is done to one file."""

    own_file: str

    def known(self, look: Look) -> OwnFile:
        """Raises Fault ``gone``."""
        if self.own_file not in look.document.files:
            raise Fault("gone", Message("That file is no longer here. Undo, or bring it again."), "own_file")
        return look.document.files[self.own_file]


class NameFile(OfFile):
    """What lists of links call it; its address stays."""

    name: ClassVar[str] = "name-file"
    file_name: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        self.known(look)
        called = Line(NAME_LETTERS, empty=False).read(self.file_name, Message("The name of the file"), "file_name")
        return [put(look.document, ("files", self.own_file, "name"), called)]

    def say(self, look: Look) -> str:
        return Message("{name} is called {file_name}", name=self.known(look).name, file_name=self.file_name)


class RemoveFile(OfFile):
    """Take a file out. What leads to it is found by the checks; undo brings it back."""

    name: ClassVar[str] = "remove-file"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        self.known(look)
        return [remove(look.document, ("files", self.own_file))]

    def say(self, look: Look) -> str:
        return Message("File {name} taken out", name=self.known(look).name)
