"""The language a site is written in."""

from __future__ import annotations

from dataclasses import dataclass
from functools import partial
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.errors import Fault
from yemba.core.language import Language, locale
from yemba.core.message import Local, Message
from yemba.core.value.kind import Kind, refuse_choice

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


def name_of(language: Language) -> str:
    """A language as its reader calls it (CLDR, by Babel)."""
    return Local(partial(_name, language))


def _name(language: Language, reader: str) -> str:
    known = locale(reader).languages.get(language.tag.replace("-", "_"))
    return language.name if reader == "en" or not known else known[:1].upper() + known[1:]


@dataclass(frozen=True)
class LanguageChoice(Kind):
    """The tag (BCP 47) of a language in the catalogue."""

    control: ClassVar[str] = "select"

    def read(self, typed: Any, name: str, key: str) -> str:
        return str(typed).strip()

    def check(self, value: Any, look: Look, name: str, key: str) -> None:
        if value not in look.catalogue.languages:
            raise refuse_choice(value, name, key, list(look.catalogue.languages))
        if any(value == page.language for page in look.document.pages.values()) or value in look.document.languages:
            reason = Message(
                "The site has pages in {value} as a further language. Take that off first.", value=self.say(value, look)
            )
            raise Fault("language-there", reason, key)

    def say(self, value: Any, look: Look | None = None) -> str:
        known = look.catalogue.languages.get(value) if look else None
        return name_of(known) if known else str(value)

    def choices(self, look: Look) -> list[tuple[str, str]]:
        named = [(tag, name_of(language)) for tag, language in look.catalogue.languages.items()]
        return sorted(named, key=lambda choice: choice[1])
