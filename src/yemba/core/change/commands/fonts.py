"""Fonts of the owner's own: kept, classed, allowed, taken away."""

from __future__ import annotations

from typing import Any, ClassVar

from yemba.core.change.command import Command
from yemba.core.change.commands.one_offs import drop
from yemba.core.change.operation import Operation, put, remove, value_at
from yemba.core.errors import Fault
from yemba.core.message import Joined, Message, labels
from yemba.core.site.document import OwnFamily
from yemba.core.site.ids import Ids
from yemba.core.site.one_offs import one_offs
from yemba.core.site.own_fonts import font_id, grown, settings_with
from yemba.core.site.resolve import Look
from yemba.core.type.intake import UNLICENSED

KINDS = labels({"serif": "Serif", "sans": "Sans", "hand": "Handwriting"})
_MOST_FAMILIES, _MOST_FILES = 12, 20


class KeepFont(Command):
    """A font as taken in, as documents keep it; where its family is here already, that grows by its files."""

    name: ClassVar[str] = "keep-font"
    by_hand: ClassVar[bool] = False
    family: dict[str, Any]

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        more = OwnFamily.model_validate(self.family)
        key = font_id(more.name)
        if key not in look.document.fonts and len(look.document.fonts) >= _MOST_FAMILIES:
            raise Fault(
                "too-many",
                Message(
                    "{most_families} fonts of your own fit on a site; take one away first.",
                    most_families=_MOST_FAMILIES,
                ),
                "file",
            )
        made = grown(look.document.fonts.get(key), more)
        if len(made.files) > _MOST_FILES:
            raise Fault(
                "too-many",
                Message(
                    "{name} would have more than {most_files} files; that is the most.",
                    name=more.name,
                    most_files=_MOST_FILES,
                ),
                "file",
            )
        return [put(look.document, ("fonts", key), made.model_dump(mode="json", exclude_defaults=True))]

    def say(self, look: Look) -> str:
        more = OwnFamily.model_validate(self.family)
        return Message(
            "Font {name}, {listed}", name=more.name, listed=Joined(", ", (file.in_words for file in more.files))
        )


class OfFont(Command):
    """What is done to one font."""

    font: str

    def known(self, look: Look) -> OwnFamily:
        """Raises Fault ``gone``."""
        if self.font not in look.document.fonts:
            raise Fault("gone", Message("That font is no longer here. Undo, or bring its file again."), "font")
        return look.document.fonts[self.font]


class ClassFont(OfFont):
    """What kind of face it is: its fallback and its pairings follow from it."""

    name: ClassVar[str] = "class-font"
    kind: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        self.known(look)
        if self.kind not in KINDS:
            raise Fault(
                "no-such-choice",
                Message("“{kind}” is no kind of face. Choose: {listed}.", kind=self.kind, listed=Joined(", ", KINDS)),
                "kind",
            )
        return [put(look.document, ("fonts", self.font, "kind"), self.kind)]

    def say(self, look: Look) -> str:
        return Message("{name} is {value}", name=self.known(look).name, value=KINDS.get(self.kind, self.kind).lower())


class AllowFont(OfFont):
    """The owner's word that the maker has given leave to publish."""

    name: ClassVar[str] = "allow-font"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        if self.known(look).licence not in UNLICENSED:
            return []
        return [put(look.document, ("fonts", self.font, "licence"), "leave")]

    def say(self, look: Look) -> str:
        return Message("Leave to publish with {name}", name=self.known(look).name)


class RemoveFont(OfFont):
    """Take a font away: what is set in it goes back to what the template gives. Undo brings all of it back."""

    name: ClassVar[str] = "remove-font"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        self.known(look)
        apart = [one for one in one_offs(look) if value_at(look.document, one.path) == self.font]
        return [
            *(remove(look.document, place) for place in settings_with(look.document, self.font)),
            *drop(look.document, apart),
            remove(look.document, ("fonts", self.font)),
        ]

    def say(self, look: Look) -> str:
        return Message("Font {name} taken away", name=self.known(look).name)
