"""A typeface, by the slug of its family."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.value.kind import Kind

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


@dataclass(frozen=True)
class Face(Kind):
    """A family that ships or is the owner's own. Where it may be `empty`, text takes the face it follows."""

    empty: bool = False

    control: ClassVar[str] = "face"
    refers_to: ClassVar[str] = "face"

    def read(self, typed: Any, name: str, key: str) -> str:
        return str(typed)

    def check(self, value: Any, look: Look, name: str, key: str) -> None:
        if value not in look.families:
            raise Fault("no-such-family", Message("There is no typeface “{value}”.", value=value), key)

    def say(self, value: Any, look: Look | None = None) -> str:
        family = look.families.get(value) if look else None
        return family.name if family else str(value or Message("as the text it follows"))

    def choices(self, look: Look) -> list[tuple[str, str]]:
        return [(slug, family.name) for slug, family in look.families.items()]
