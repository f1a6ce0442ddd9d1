"""One of named choices that a section may make, or none."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.picture.filters import FILTERS
from yemba.core.picture.patterns import PATTERNS
from yemba.core.value.kind import Kind, refuse_choice

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

BEHIND = {"ground": "Its ground", "gradient": "A gradient", "pattern": "A pattern", "picture": "A picture"}
WAYS = {"to bottom": "Down", "to right": "Across", "to bottom right": "From corner to corner"}
MOVES = {"with": "With the page", "still": "Stands still while one scrolls"}


@dataclass(frozen=True)
class Offered(Kind):
    """A key of `offered`, or "" for none. Subclasses say what is offered."""

    sets_text: ClassVar[bool] = False
    control: ClassVar[str] = "offered"
    offered: ClassVar[Mapping[str, str]] = {}

    def read(self, typed: Any, name: str, key: str) -> str:
        if typed and typed not in self.offered:
            raise refuse_choice(typed, name, key, list(self.offered))
        return str(typed)

    def say(self, value: Any, look: Look | None = None) -> str:
        return self.offered.get(value, "none")

    def choices(self, look: Look) -> list[tuple[str, str]]:
        return list(self.offered.items())


class _Behind(Offered):
    offered = BEHIND


class _Way(Offered):
    offered = WAYS


class _Moves(Offered):
    offered = MOVES


class _Pattern(Offered):
    offered: ClassVar[Mapping[str, str]] = {slug: pattern.name for slug, pattern in PATTERNS.items()}


class _Filter(Offered):
    offered = FILTERS


FIELD_TYPES = {"behind": _Behind, "way": _Way, "moves": _Moves, "pattern": _Pattern, "filter": _Filter}
