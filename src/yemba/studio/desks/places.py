"""Places of a site in words, each to be gone to in the windows."""

from __future__ import annotations

from collections.abc import Iterable

from yemba.core.check.finding import where
from yemba.core.part.part import parts
from yemba.core.site.resolve import Look
from yemba.render.reach import Spot
from yemba.studio.desks.setting import Context


def listed(look: Look, spots: Iterable[Spot]) -> list[Context]:
    """Each place once; a part that several pages share is gone to on the first of them."""
    entries: dict[str, Context] = {}
    for spot in spots:
        if spot.page not in look.document.pages:
            continue
        part = parts().get(spot.place)
        key = spot.place if part else f"{spot.page} {spot.place}"
        words = part.name if part else where(look, spot.page, spot.place)
        entry = entries.setdefault(key, {"page": spot.page, "place": spot.place, "words": words, "pages": 0})
        entry["pages"] += 1
    return list(entries.values())


def counted(spots: Iterable[Spot]) -> str:
    """ "in 14 places on 5 pages"; a part counts once."""
    known = list(spots)
    if not known:
        return "nowhere on the site"
    places, pages = len({spot.place for spot in known}), len({spot.page for spot in known})
    return f"in {places} place{'s' if places > 1 else ''} on {pages} page{'s' if pages > 1 else ''}"
