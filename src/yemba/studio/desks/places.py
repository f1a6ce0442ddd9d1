"""Places of a site in words, each to be gone to in the windows."""

from __future__ import annotations

from collections.abc import Iterable
from itertools import islice

from yemba.core.check.finding import where
from yemba.core.message import Message, Plural
from yemba.core.part.part import parts
from yemba.core.site.resolve import Look
from yemba.render.reach import Spot
from yemba.studio.desks.setting import Context


def listed(look: Look, spots: Iterable[Spot], most: int) -> tuple[list[Context], int]:
    """The first so many places, each once, and how many more there are; a part that several pages share is gone to on
    the first of them."""
    pages: dict[str, list[Spot]] = {}
    for spot in spots:
        if spot.page in look.document.pages:
            key = spot.place if spot.place in parts() else f"{spot.page} {spot.place}"
            pages.setdefault(key, []).append(spot)
    entries = [_entry(look, same[0], len(same)) for same in islice(pages.values(), most)]
    return entries, max(0, len(pages) - most)


def _entry(look: Look, spot: Spot, pages: int) -> Context:
    part = parts().get(spot.place)
    words = part.name if part else where(look, spot.page, spot.place)
    return {"page": spot.page, "place": spot.place, "words": words, "pages": pages}


def counted(spots: Iterable[Spot]) -> str:
    """ "in 14 places on 5 pages"; a part counts once."""
    known = list(spots)
    if not known:
        return Message("nowhere on the site")
    places, pages = len({spot.place for spot in known}), len({spot.page for spot in known})
    on = Plural("on {number} page", "on {number} pages", pages)
    return Plural("in {number} place {on}", "in {number} places {on}", places, on=on)
