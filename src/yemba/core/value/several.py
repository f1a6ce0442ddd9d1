"""Any number of named choices."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.message import Joined, Message
from yemba.core.value.kind import Kind, refuse_choice

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


@dataclass(frozen=True)
class Several(Kind):
    """`offered` maps values to their names. What is chosen is kept as one line, in that order, with blanks between."""

    offered: Mapping[str, str]

    control: ClassVar[str] = "several"

    def read(self, typed: Any, name: str, key: str) -> str:
        chosen = str(typed).split()
        for one in chosen:
            if one not in self.offered:
                raise refuse_choice(one, name, key, list(self.offered))
        return " ".join(value for value in self.offered if value in chosen)

    def say(self, value: Any, look: Look | None = None) -> str:
        chosen = [self.offered.get(one, one) for one in str(value).split()]
        return Joined(", ", chosen) if chosen else Message("none")

    def choices(self, look: Look) -> list[tuple[str, str]]:
        return list(self.offered.items())
