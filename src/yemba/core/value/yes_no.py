"""Something that is shown or not."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.message import Message
from yemba.core.value.kind import Kind

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

_YES = (True, "true", "on", "yes", "1")


@dataclass(frozen=True)
class YesNo(Kind):
    """True or false."""

    control: ClassVar[str] = "switch"

    def read(self, typed: Any, name: str, key: str) -> bool:
        return typed in _YES

    def say(self, value: Any, look: Look | None = None) -> str:
        return Message("shown") if value in _YES else Message("not shown")
