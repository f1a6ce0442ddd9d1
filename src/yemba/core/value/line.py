"""One line of words."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from yemba.core.errors import Fault
from yemba.core.value.kind import Kind


@dataclass(frozen=True)
class Line(Kind):
    """At most `limit` characters; "" only where `empty`."""

    limit: int
    empty: bool = True

    @classmethod
    def of_field(cls, limit: int, needed: bool) -> Kind:
        return cls(limit, empty=not needed)

    def read(self, typed: Any, name: str, key: str) -> str:
        text = " ".join(str(typed).split())
        if not text and not self.empty:
            raise Fault("empty", f"{name} is empty. Write at least one letter.", key)
        if len(text) > self.limit:
            over = len(text) - self.limit
            raise Fault(
                "too-long",
                f"{name} has {len(text)} letters: “{text[:40]}…”. At most {self.limit} fit; shorten it by {over}.",
                key,
            )
        return text


FIELD_TYPES = {"line": Line}
