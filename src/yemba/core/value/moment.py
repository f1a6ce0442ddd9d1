"""Days and times of day (ISO 8601)."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, time
from typing import Any, ClassVar

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.value.kind import Kind


class _Moment(Kind):
    example: ClassVar[str]

    def read(self, typed: Any, name: str, key: str) -> str:
        text = typed.strip()
        try:
            return self.parse(text) if text else ""
        except ValueError:
            raise Fault(
                "moment-unreadable", Message("“{text}” is not {example}.", text=text, example=self.example), key
            ) from None

    def parse(self, text: str) -> str:
        """The stored form. Raises ValueError."""
        raise NotImplementedError


@dataclass(frozen=True)
class Day(_Moment):
    """YYYY-MM-DD, "" for none."""

    control: ClassVar[str] = "day"
    example: ClassVar[str] = Message("a date such as 2027-03-14")

    def parse(self, text: str) -> str:
        return date.fromisoformat(text).isoformat()


@dataclass(frozen=True)
class TimeOfDay(_Moment):
    """HH:MM, "" for none."""

    control: ClassVar[str] = "time"
    example: ClassVar[str] = Message("a time such as 18:30")

    def parse(self, text: str) -> str:
        return f"{time.fromisoformat(text.zfill(5)):%H:%M}"


FIELD_TYPES = {"date": Day, "time": TimeOfDay}
