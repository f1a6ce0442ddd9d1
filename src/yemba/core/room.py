"""How many of a thing fit, told before they are reached."""

from __future__ import annotations

from dataclasses import dataclass

from yemba.core.errors import Fault

_NEAR = 0.9


@dataclass
class Room:
    """At most so many of what is called so; `cure` is what to do then."""

    most: int
    called: str
    cure: str = "Take one out first."

    def check(self, there: int, field: str = "") -> None:
        """Raises Fault ``too-many`` where no other fits beside those that are there."""
        if there >= self.most:
            raise Fault("too-many", f"No other fits: at most {self.most} {self.called}. {self.cure}", field)

    def warning(self, there: int) -> str:
        """A sentence once nine in ten are there; "" before."""
        return f"{there} of at most {self.most} {self.called}." if there >= _NEAR * self.most else ""


PAGES = Room(300, "pages on a site")
SECTIONS = Room(60, "sections on a page")
ENTRIES = Room(150, "entries in a section")
LINKS = Room(40, "links in the menu beside its pages")
PICTURES = Room(600, "pictures on a site")
FILES = Room(100, "files on a site")
KILOBYTES = Room(
    2000, "kilobytes of pages and words on a site, pictures not counted", "Take pages or sections out first."
)

_NAMED = {"pages": PAGES, "sections": SECTIONS, "entries": ENTRIES, "pictures": PICTURES, "kilobytes": KILOBYTES}


def allow(**most: int) -> None:
    """Set how many fit, as this installation has it: of pages, sections, entries, pictures, kilobytes."""
    for name, number in most.items():
        _NAMED[name].most = number
