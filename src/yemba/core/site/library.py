"""The pictures of a site found by words, use and shape, in an order."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import NamedTuple

from yemba.core.message import Message, labels
from yemba.core.picture import alt
from yemba.core.site.document import Picture, ordered_items
from yemba.core.site.pictures import Use, is_answered, proportion, uses
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain

USES = {
    "": Message("used or not"),
    "used": Message("used"),
    "unused": Message("not used"),
    "unsaid": Message("without alt text"),
}
SHAPES = {"": Message("any shape"), "wide": Message("wide"), "square": Message("square"), "tall": Message("tall")}
ORDERS = labels({"": "newest first", "name": "by name", "size": "largest first", "oldest": "oldest first"})
_SQUARE = 1.15  # width over height, or height over width, up to which a picture passes as square
_BESIDE = ("caption", "title", "heading", "label")
"""Fields whose words say what a picture of the same entry or section shows, nearest first."""


class Query(NamedTuple):
    """What is asked for; each "" for all."""

    words: str = ""
    use: str = ""
    shape: str = ""
    order: str = ""


def search(look: Look, query: Query, always: str = "") -> list[tuple[str, Picture]]:
    """Those that match, each with its id, and the one that is there `always`."""
    used = uses(look.document)
    every = [*look.document.pictures.items()]
    fitting = [(key, one) for key, one in every if key == always or _fits(one, used[key], query)]
    if query.order == "name":
        return sorted(fitting, key=lambda one: one[1].name.casefold())
    if query.order == "size":
        return sorted(fitting, key=lambda one: -one[1].width * one[1].height)
    return sorted(fitting, key=lambda one: one[1].added, reverse=query.order != "oldest")


def shape_of(picture: Picture) -> str:
    """ "wide", "square" or "tall", as it is shown."""
    ratio = proportion(picture)
    if max(ratio, 1 / ratio) <= _SQUARE:
        return "square"
    return "wide" if ratio > 1 else "tall"


def _fits(picture: Picture, used: Sequence[Use], query: Query) -> bool:
    text = f"{picture.name} {picture.alt}".casefold()
    is_used = {
        "used": bool(used),
        "unused": not used,
        "unsaid": is_unsaid(picture, used),
    }
    return (
        all(word in text for word in query.words.casefold().split())
        and is_used.get(query.use, True)
        and query.shape in ("", shape_of(picture))
    )


def is_unsaid(picture: Picture, used: Sequence[Use]) -> bool:
    """Whether a place of it needs alt text that it does not have."""
    return any(use.speaks for use in used) and not is_answered(picture)


def proposals(picture: Picture, used: Sequence[Use]) -> list[str]:
    """Alt texts that its places and its file's name suggest."""
    beside = [words for use in used for words in _beside(use)]
    return alt.proposals(picture.name, beside)


def _beside(use: Use) -> list[str]:
    """What is written in the entry that shows a picture, or in its section."""
    if use.standing is None:
        return []
    section = use.standing.section
    entry = next((item for key, item in ordered_items(section) if key in use.path), None)
    holders: list[Mapping[str, str]] = [entry.fields] if entry else []
    holders.append(section.fields)
    return [plain(holder[field]) for holder in holders for field in _BESIDE if holder.get(field)]
