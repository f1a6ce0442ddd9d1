"""Tags: short names under which posts and pages are found."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.errors import Fault
from yemba.core.limits import TAG_LETTERS, TAGS
from yemba.core.message import Message
from yemba.core.value.kind import Kind
from yemba.core.value.line import Line

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

_LINE = Line(TAG_LETTERS)


@dataclass(frozen=True)
class Tag(Kind):
    """One tag, "" for none; those that pages have are offered."""

    sets_text: ClassVar[bool] = False
    control: ClassVar[str] = "tag"

    def read(self, typed: Any, name: str, key: str) -> str:
        return _LINE.read(typed, name, key)

    def choices(self, look: Look) -> list[tuple[str, str]]:
        from yemba.core.site.journal import every_tag

        return [(tag, tag) for tag in every_tag(look.document)]


def read_tags(typed: str, known: Iterable[str], key: str = "tags") -> list[str]:
    """Tags with commas between, each once and in the spelling of those that are `known`. Raises Fault."""
    spelt = {tag.casefold(): tag for tag in known}
    read = [_LINE.read(one, Message("A tag"), key) for one in typed.split(",")]
    tags: dict[str, str] = {}
    for tag in filter(None, read):
        tags.setdefault(tag.casefold(), spelt.get(tag.casefold(), tag))
    if len(tags) > TAGS:
        raise Fault(
            "too-many",
            Message(
                "{number} tags are more than the {tags} a page may have. Take some away.", number=len(tags), tags=TAGS
            ),
            key,
        )
    return list(tags.values())


FIELD_TYPES = {"tag": Tag}
