"""A waiting change, and the two documents it is found between."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any, NamedTuple

from yemba.core.change.operation import Operation, Path, put, value_at
from yemba.core.message import Message
from yemba.core.place import Place
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.core.value.link import FILE

COLOUR, VALUE, WORDS, SECTION, PAGE = "colour", "value", "words", "section", "page"
"""Kinds of change: how its states are shown."""
TEMPLATES = Message("as the template has it")
_FILES = ("pictures", "fonts", "files")
States = tuple[str, str]
"""What changed in words, before and after."""


class Change(NamedTuple):
    """`subject` is what changed, `before` and `after` its state in words; for colours, hex codes.

    `steps` bring this change alone onto the first document, `back` take it alone from the second. `kind` is one of
    COLOUR, VALUE, WORDS, SECTION, PAGE. `place` is where it is decided; `page` is the id of the page it is on, "" for
    the whole site.
    """

    key: str
    kind: str
    subject: str
    before: str
    after: str
    place: Place
    page: str
    steps: tuple[Operation, ...]
    back: tuple[Operation, ...]


class Steps(NamedTuple):
    """The steps that bring a change, and those that take it back."""

    forth: tuple[Operation, ...]
    back: tuple[Operation, ...]

    def __add__(self, more: Steps) -> Steps:  # type: ignore[override]
        return Steps(self.forth + more.forth, self.back + more.back)


NEW: States = ("", Message("new"))
GONE: States = (Message("there"), Message("gone"))
"""States of what came, and of what went."""


class Pair(NamedTuple):
    """The two documents, resolved, and how to make steps between them."""

    was: Look
    now: Look

    @property
    def before(self) -> Document:
        return self.was.document

    @property
    def after(self) -> Document:
        return self.now.document

    @property
    def ground_names(self) -> dict[str, str]:
        return self.was.ground_names | self.now.ground_names

    def differ(self, path: Path) -> bool:
        """Whether what stands at a place differs."""
        return bool(value_at(self.before, path) != value_at(self.after, path))

    def moved(self, *paths: Path) -> Steps:
        """Steps for places that are taken over as they are, with the pictures, fonts and files they name."""
        whole = (*paths, *self._files(paths))
        forth = (put(self.before, path, value_at(self.after, path)) for path in whole)
        back = (put(self.after, path, value_at(self.before, path)) for path in paths)
        return Steps(tuple(forth), tuple(back))

    def put(self, path: Path, on_before: Any, on_after: Any) -> Steps:
        """Steps where a list is to differ by one thing only."""
        return Steps((put(self.before, path, on_before),), (put(self.after, path, on_after),))

    def _files(self, paths: Sequence[Path]) -> list[Path]:
        """Pictures, fonts and files that are new and are named by what stands at these places."""
        named = repr([value_at(self.after, path) for path in paths])
        new = [(home, key) for home in _FILES for key in sorted(_new_keys(self, home))]
        return [path for path in new if _reference(*path) in named]


def _reference(home: str, key: str) -> str:
    """How a value names one: a file by a link to it, a picture or a font by its id."""
    return f"{FILE}{key}" if home == "files" else repr(key)


def _new_keys(pair: Pair, home: str) -> set[str]:
    return set(getattr(pair.after, home)) - set(getattr(pair.before, home))


def change(key: str, kind: str, subject: str, states: States, place: Place, steps: Steps, page: str = "") -> Change:
    """A change from what is known of it; `states` are before and after."""
    return Change(key, kind, subject, *states, place, page, *steps)
