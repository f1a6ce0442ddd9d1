"""How many of a thing fit, told before they are reached."""

from __future__ import annotations

from dataclasses import dataclass

from yemba.core.errors import Fault
from yemba.core.message import Message

_NEAR = 0.9


@dataclass
class Room:
    """At most so many of what is called so; `cure` is what to do then."""

    most: int
    called: str
    cure: str = Message("Take one out first.")

    def check(self, there: int, field: str = "") -> None:
        """Raises Fault ``too-many`` where no other fits beside those that are there."""
        if there >= self.most:
            raise Fault(
                "too-many",
                Message(
                    "No other fits: at most {most} {called}. {cure}", most=self.most, called=self.called, cure=self.cure
                ),
                field,
            )

    def warning(self, there: int) -> str:
        """A sentence once nine in ten are there; "" before."""
        return (
            Message("{there} of at most {most} {called}.", there=there, most=self.most, called=self.called)
            if there >= _NEAR * self.most
            else ""
        )


PAGES = Room(300, Message("pages on a site"))
SECTIONS = Room(60, Message("sections on a page"))
ENTRIES = Room(150, Message("entries in a section"))
LINKS = Room(40, Message("links in the menu beside its pages"))
PICTURES = Room(600, Message("pictures on a site"))
FILES = Room(100, Message("files on a site"))
KILOBYTES = Room(
    2000,
    Message("kilobytes of pages and words on a site, pictures not counted"),
    Message("Take pages or sections out first."),
)

_NAMED = {"pages": PAGES, "sections": SECTIONS, "entries": ENTRIES, "pictures": PICTURES, "kilobytes": KILOBYTES}


def allow(**most: int) -> None:
    """Set how many fit, as this installation has it: of pages, sections, entries, pictures, kilobytes."""
    for name, number in most.items():
        _NAMED[name].most = number
