"""One of the brand's colours, chosen from the palette."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.message import Message
from yemba.core.value.kind import Kind, refuse_choice

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


@dataclass(frozen=True)
class BrandColourChoice(Kind):
    """ "@" and the colour's id, or "" for none."""

    sets_text: ClassVar[bool] = False
    control: ClassVar[str] = "select"
    refers_to: ClassVar[str] = "colour"

    def read(self, typed: Any, name: str, key: str) -> str:
        return str(typed)

    def check(self, value: Any, look: Look, name: str, key: str) -> None:
        known = [slug for slug, _ in self.choices(look)]
        if value and value not in known:
            raise refuse_choice(value, name, key, known)

    def say(self, value: Any, look: Look | None = None) -> str:
        if not value:
            return Message("none")
        return dict(self.choices(look)).get(value, Message("a colour that is gone")) if look else str(value)

    def choices(self, look: Look) -> list[tuple[str, str]]:
        return [(f"@{colour['id']}", colour["name"] or colour["hex"]) for colour in look.value("palette")]


FIELD_TYPES = {"brand-colour": BrandColourChoice}
