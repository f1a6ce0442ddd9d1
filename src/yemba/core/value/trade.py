"""The trade of a site."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.message import Message
from yemba.core.value.kind import Kind, refuse_choice

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


@dataclass(frozen=True)
class TradeChoice(Kind):
    """The slug of a trade in the catalogue, "" for none."""

    control: ClassVar[str] = "select"

    def read(self, typed: Any, name: str, key: str) -> str:
        return str(typed).strip()

    def check(self, value: Any, look: Look, name: str, key: str) -> None:
        if value and value not in look.catalogue.trades:
            raise refuse_choice(value, name, key, list(look.catalogue.trades))

    def say(self, value: Any, look: Look | None = None) -> str:
        known = look.catalogue.trades.get(value) if look else None
        return known.name if known else str(value) or Message("none")

    def choices(self, look: Look) -> list[tuple[str, str]]:
        named = sorted((trade.name, slug) for slug, trade in look.catalogue.trades.items())
        return [("", Message("None")), *((slug, name) for name, slug in named)]
