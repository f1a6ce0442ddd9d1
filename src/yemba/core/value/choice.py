"""One of named choices."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.value.kind import Kind, refuse_choice

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


@dataclass(frozen=True)
class Choice(Kind):
    """`offered` maps values to their names."""

    offered: Mapping[str, str]

    control: ClassVar[str] = "pick"

    def read(self, typed: Any, name: str, key: str) -> str:
        if not isinstance(typed, str) or typed not in self.offered:
            raise refuse_choice(typed, name, key, list(self.offered))
        return typed

    def say(self, value: Any, look: Look | None = None) -> str:
        return self.offered.get(value, str(value))

    def choices(self, look: Look) -> list[tuple[str, str]]:
        return list(self.offered.items())
