"""A side of a page: stored as where lines start or end, said as left or right."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Any

from yemba.core.message import Message
from yemba.core.value.choice import Choice

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

START, END = "start", "end"


@dataclass(frozen=True)
class Side(Choice):
    """`offered` names what is no side; START and END are named by the way the site's language is written."""

    def say(self, value: Any, look: Look | None = None) -> str:
        return dict(self.choices(look)).get(value, str(value))

    def choices(self, look: Look | None) -> list[tuple[str, str]]:
        sides = [Message("On the left"), Message("On the right")]
        if look is not None and look.language.from_right:
            sides.reverse()
        names = {START: sides[0], END: sides[1]}
        return [(value, names.get(value, name)) for value, name in self.offered.items()]
