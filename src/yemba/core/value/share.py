"""A share of a whole."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any, ClassVar

from yemba.core.value.kind import Kind
from yemba.core.value.number import Number

_WHOLE = Number(0, 100, "%")


@dataclass(frozen=True)
class Share(Kind):
    """Whole per cent as text; "" for none."""

    sets_text: ClassVar[bool] = False
    control: ClassVar[str] = "share"

    def read(self, typed: Any, name: str, key: str) -> str:
        return f"{_WHOLE.read(typed, name, key):.0f}" if typed.strip() else ""


FIELD_TYPES = {"percent": Share}
