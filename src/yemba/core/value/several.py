"""Any number of named choices."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.value.kind import Kind, refuse_choice

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


@dataclass(frozen=True)
class Several(Kind):
    """`offered` maps values to their names; a value is a list of them in that order. Typed as a list, or as one line
    with blanks between."""

    offered: Mapping[str, str]

    control: ClassVar[str] = "several"

    def read(self, typed: Any, name: str, key: str) -> list[str]:
        chosen = typed.split() if isinstance(typed, str) else typed
        if not isinstance(chosen, list) or not all(isinstance(one, str) for one in chosen):
            raise refuse_choice(typed, name, key, list(self.offered))
        for one in chosen:
            if one not in self.offered:
                raise refuse_choice(one, name, key, list(self.offered))
        return [value for value in self.offered if value in chosen]

    def say(self, value: Any, look: Look | None = None) -> str:
        return ", ".join(self.offered.get(one, str(one)) for one in value) or "none"

    def choices(self, look: Look) -> list[tuple[str, str]]:
        return list(self.offered.items())
