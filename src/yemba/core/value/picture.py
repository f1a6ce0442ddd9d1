"""A picture of the site, by its id."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.value.kind import Kind

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


@dataclass(frozen=True)
class PictureChoice(Kind):
    """One of the site's pictures, "" for none."""

    sets_text: ClassVar[bool] = False
    control: ClassVar[str] = "picture"
    refers_to: ClassVar[str] = "picture"

    def read(self, typed: Any, name: str, key: str) -> str:
        return str(typed)

    def check(self, value: Any, look: Look, name: str, key: str) -> None:
        if value and value not in look.document.pictures:
            raise Fault("no-such-picture", Message("That picture is no longer here. Choose a file again."), key)

    def say(self, value: Any, look: Look | None = None) -> str:
        picture = look.document.pictures.get(value) if look else None
        return picture.name if picture else Message("none")

    def choices(self, look: Look) -> list[tuple[str, str]]:
        return [(key, picture.name) for key, picture in look.document.pictures.items()]


FIELD_TYPES = {"picture": PictureChoice}
