"""A ground, by its slug."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.value.kind import Kind

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


@dataclass(frozen=True)
class GroundChoice(Kind):
    """One of the site's grounds; one that was taken away is passed over when a value is resolved."""

    control: ClassVar[str] = "pick"
    refers_to: ClassVar[str] = "ground"

    def read(self, typed: Any, name: str, key: str) -> str:
        return str(typed)

    def check(self, value: Any, look: Look, name: str, key: str) -> None:
        if value not in look.ground_names:
            offered = ", ".join(look.ground_names)
            raise Fault(
                "no-such-ground",
                Message("“{value}” is no ground. Choose: {offered}.", value=value, offered=offered),
                key,
            )

    def say(self, value: Any, look: Look | None = None) -> str:
        return look.ground_names.get(value, str(value)) if look else str(value)

    def choices(self, look: Look) -> list[tuple[str, str]]:
        return list(look.ground_names.items())
