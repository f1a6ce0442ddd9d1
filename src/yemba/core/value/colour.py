"""A single colour: one of the brand's, or any other."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.message import Message
from yemba.core.value.entries import read_colour_code
from yemba.core.value.kind import Kind

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


@dataclass(frozen=True)
class ColourCode(Kind):
    """ "@" and a brand colour's id, or a code."""

    control: ClassVar[str] = "colour"

    def read(self, typed: Any, name: str, key: str) -> str:
        return read_colour_code(typed, key)

    def say(self, value: Any, look: Look | None = None) -> str:
        parsed = look.read_colour(value) if look else None
        if look is None or parsed is None:
            return Message("a colour that is gone")
        return look.brand_name(parsed.colour) or parsed.colour.hex
