"""How a header's parts stand: one of the arrangements that ship."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.value.kind import Kind, refuse_choice

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


@dataclass(frozen=True)
class ArrangementChoice(Kind):
    """The slug of an arrangement in the catalogue."""

    control: ClassVar[str] = "pick"

    def read(self, typed: Any, name: str, key: str) -> str:
        return str(typed)

    def check(self, value: Any, look: Look, name: str, key: str) -> None:
        if value not in look.catalogue.arrangements:
            raise refuse_choice(value, name, key, list(look.catalogue.arrangements))

    def say(self, value: Any, look: Look | None = None) -> str:
        known = look.catalogue.arrangements.get(value) if look else None
        return known.name if known else str(value)

    def choices(self, look: Look) -> list[tuple[str, str]]:
        known = look.catalogue.arrangements.values()
        return [(a.slug, a.name) for a in known if look.template.shows("header.arrangement", a.slug)]
