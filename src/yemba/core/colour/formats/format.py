"""What a kind of palette file is."""

from __future__ import annotations

import importlib
import pkgutil
from collections.abc import Callable, Collection, Mapping, Sequence
from functools import cache
from itertools import count
from typing import NamedTuple

from yemba.core.colour.srgb import Colour, Read

Named = tuple[str, Colour]
Parsed = list[tuple[str, Read]]
"""Names as they stand in a file, "" where there is none, each with its colour."""


class Format(NamedTuple):
    """A kind of palette file: its name, its ending, and what writing it loses, "" for nothing.

    `recognises` says whether a text is of this kind; formats are asked in their `order`. `parse` raises Fault
    ``palette-unreadable`` for one that is broken. `misread` finds what was meant as a colour and is none, as typed.
    """

    name: str
    ending: str
    order: int
    write: Callable[[str, Sequence[Named]], str]
    recognises: Callable[[str], bool]
    parse: Callable[[str], Parsed]
    loses: str = ""
    misread: Callable[[str], list[str]] = lambda _: []


@cache
def formats() -> Mapping[str, Format]:
    """Every format by slug, its module's name, in order."""
    from yemba.core.colour import formats as folder

    modules = (importlib.import_module(f"{folder.__name__}.{m.name}") for m in pkgutil.iter_modules(folder.__path__))
    known = {m.__name__.rpartition(".")[2]: m.FORMAT for m in modules if hasattr(m, "FORMAT")}
    return dict(sorted(known.items(), key=lambda entry: entry[1].order))


def one_line(name: str) -> str:
    """A name on one line."""
    return " ".join(name.split())


def unlike(key: str, used: Collection[str]) -> str:
    """The key, or with a number where it is used already."""
    return next(tried for n in count(1) if (tried := key if n == 1 else f"{key}-{n}") not in used)
