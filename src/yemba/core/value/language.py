"""The language a site is written in."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.errors import Fault
from yemba.core.value.kind import Kind, refuse_choice

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


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
            reason = f"The site has pages in {self.say(value, look)} as a further language. Take that off first."
            raise Fault("language-there", reason, key)

    def say(self, value: Any, look: Look | None = None) -> str:
        known = look.catalogue.languages.get(value) if look else None
        return known.name if known else str(value)

    def choices(self, look: Look) -> list[tuple[str, str]]:
        named = [(tag, language.name) for tag, language in look.catalogue.languages.items()]
        return sorted(named, key=lambda choice: choice[1])
