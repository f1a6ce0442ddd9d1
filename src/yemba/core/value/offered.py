"""One of named choices that a section may make, or none."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.message import Message, labels
from yemba.core.picture.filters import FILTERS
from yemba.core.picture.patterns import PATTERNS
from yemba.core.picture.placing import ANCHORS, FITS
from yemba.core.value.kind import Kind, refuse_choice

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

BEHIND = labels({"ground": "Its ground", "gradient": "A gradient", "pattern": "A pattern", "picture": "A picture"})
OF_SECTION = BEHIND | {"through": Message("Nothing: the site’s background")}
WAYS = labels({"to bottom": "Down", "to right": "Across", "to bottom right": "From corner to corner"})
HEIGHTS = labels({"": "As what is in it", "half": "At least half a window", "whole": "At least a whole window"})
MOVES = labels({"with": "With the page", "still": "Stands still while one scrolls"})


@dataclass(frozen=True)
class OneOf(Kind):
    """A key of `offered`, or "" for what is usual."""

    offered: Mapping[str, str]

    sets_text: ClassVar[bool] = False
    control: ClassVar[str] = "offered"

    def read(self, typed: Any, name: str, key: str) -> str:
        if typed and typed not in self.offered:
            raise refuse_choice(typed, name, key, list(self.offered))
        return str(typed)

    def say(self, value: Any, look: Look | None = None) -> str:
        return self.offered.get(value, Message("none"))

    def choices(self, look: Look) -> list[tuple[str, str]]:
        return list(self.offered.items())


def _of(offered: Mapping[str, str]) -> type[Kind]:
    """A type of fields that offers always the same."""

    class Always(Kind):
        @classmethod
        def of_field(cls, limit: int, needed: bool) -> Kind:
            return OneOf(offered)

    return Always


CHOICE = "choice"
"""The type of fields that say themselves what they offer."""
FIELD_TYPES = {
    CHOICE: _of({}),
    "behind": _of(OF_SECTION),
    "way": _of(WAYS),
    "moves": _of(MOVES),
    "fit": _of(FITS),
    "height": _of(HEIGHTS),
    "anchor": _of({"": Message("Its focal point")} | ANCHORS),
    "pattern": _of({slug: pattern.name for slug, pattern in PATTERNS.items()}),
    "filter": _of(FILTERS),
}
