"""Words with a little markup."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.site.words import clean_words, plain
from yemba.core.value.kind import Kind

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

MOST_LETTERS = 12_000


@dataclass(frozen=True)
class Words(Kind):
    """Paragraphs, lists, quotes, links: ``core.site.words``."""

    control: ClassVar[str] = "words"

    def read(self, typed: Any, name: str, key: str) -> str:
        if len(typed) > MOST_LETTERS:
            raise Fault(
                "too-long",
                Message(
                    "{name} has {number} letters. At most {most_letters} fit in one section; move the rest to a "
                    "second one.",
                    name=name,
                    number=len(typed),
                    most_letters=MOST_LETTERS,
                ),
                key,
            )
        return clean_words(typed)

    def say(self, value: Any, look: Look | None = None) -> str:
        return plain(value)


FIELD_TYPES = {"words": Words}
