"""One line of words."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from yemba.core.errors import Fault
from yemba.core.message import Message
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
            raise Fault("empty", Message("{name} is empty. Write at least one letter.", name=name), key)
        if len(text) > self.limit:
            over = len(text) - self.limit
            raise Fault(
                "too-long",
                Message(
                    "{name} has {number} letters: “{text}…”. At most {limit} fit; shorten it by {over}.",
                    name=name,
                    number=len(text),
                    text=text[:40],
                    limit=self.limit,
                    over=over,
                ),
                key,
            )
        return text


FIELD_TYPES = {"line": Line}
