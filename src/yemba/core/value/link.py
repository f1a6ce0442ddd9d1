"""Where a link leads: a page of the site or a section of one, a file, an address, mail, a telephone (RFC 3986, 6068,
3966)."""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.value.kind import Kind

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

PAGE, FILE = "page:", "file:"
NEW = "new:"
"""Before the name of a page that is to be made; never stored."""
_LONGEST = 2000  # letters; browsers take no longer ones (common practice, no source)
_WEB = r"https?://[^\s/.]++(?:\.[^\s/.]*+)++(?:/\S*+)?"  # gives nothing back: no address takes long to refuse
_ADDRESS = re.compile(rf"(new:.*\S.*|page:x?\w+(?:#\w+)?|file:\w+|{_WEB}|mailto:[^\s@]+@[^\s@]+|tel:\+?[\d ()-]{{3,}})")


@dataclass(frozen=True)
class Link(Kind):
    """An address as it is stored; one of a page is "page:" and its id, so that it holds when the page moves, and may
    have "#" and the id of a section of it; one of a file is "file:" and its id."""

    sets_text: ClassVar[bool] = False
    control: ClassVar[str] = "link"
    refers_to: ClassVar[str] = "page"

    def read(self, typed: Any, name: str, key: str) -> str:
        address = _completed(str(typed).strip())
        if len(address) > _LONGEST:
            reason = Message(
                "This address has {number} letters, “{address}…”. At most {longest} can be linked to.",
                number=len(address),
                address=address[:40],
                longest=_LONGEST,
            )
            raise Fault("link-unreadable", reason, key)
        if address == NEW:
            raise Fault("link-unreadable", Message("Give the new page a name."), key)
        if address and not _ADDRESS.fullmatch(address):
            reason = Message(
                "“{address}” is not an address Yemba can link to. Choose a page or a new one, or write "
                "https://…, a mail address, or tel: and a number.",
                address=address,
            )
            raise Fault("link-unreadable", reason, key)
        return address

    def check(self, value: Any, look: Look, name: str, key: str) -> None:
        page, section = target(value)
        if value.startswith(FILE) and value.removeprefix(FILE) not in look.document.files:
            raise Fault("no-such-file", Message("The file this would link to is no longer there. Choose another."), key)
        if page and page not in look.document.pages:
            raise Fault("no-such-page", Message("The page this would link to is no longer there. Choose another."), key)
        if section and section not in look.document.shown(page).sections:
            raise Fault(
                "no-such-section", Message("The section this would link to is no longer there. Choose another."), key
            )

    def say(self, value: Any, look: Look | None = None) -> str:
        if value.startswith(NEW):
            return Message("the new page {removeprefix}", removeprefix=value.removeprefix(NEW).strip())
        page, section = target(value)
        if look and value.startswith(FILE) and (file := look.document.files.get(value.removeprefix(FILE))):
            return file.name
        if look is None or page not in look.document.pages:
            return str(value)
        name = look.document.pages[page].name
        stored = look.document.shown(page).sections.get(section)
        return (
            Message("{name} on {name_2}", name=look.catalogue.kind(stored.kind).name, name_2=name) if stored else name
        )

    def choices(self, look: Look) -> list[tuple[str, str]]:
        pages = [(f"{PAGE}{key}", page.name) for key, page in look.document.ordered_pages()]
        return [
            *pages,
            *((f"{FILE}{key}", Message("File: {name}", name=file.name)) for key, file in look.document.files.items()),
        ]


def target(link: str) -> tuple[str, str]:
    """The page that a stored link leads to, and the section of it, each by its id; "" where it leads to none."""
    if not link.startswith(PAGE):
        return "", ""
    page, _, section = link.removeprefix(PAGE).partition("#")
    return page, section


def is_inner(link: str) -> bool:
    """Whether a stored link leads to a page or a file of the site."""
    return link.startswith((PAGE, FILE))


def _completed(address: str) -> str:
    """A mail address or a host name alone becomes a whole address."""
    if "@" in address and ":" not in address:
        return f"mailto:{address}"
    if ":" not in address and "." in address:
        return f"https://{address}"
    return address


FIELD_TYPES = {"link": Link}
