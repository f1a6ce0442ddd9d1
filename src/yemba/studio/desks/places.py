"""Places of a site in words, each to be gone to in the windows."""

from __future__ import annotations

from collections.abc import Iterable

from yemba.core.check.finding import where
from yemba.core.site.resolve import Look
from yemba.render.reach import PARTS, Place
from yemba.studio.desks.setting import Context


def told(look: Look, places: Iterable[Place]) -> list[Context]:
    """Each place once; a part that several pages share is gone to on the first of them."""
    found: dict[str, Context] = {}
    for place in places:
        if place.page not in look.document.pages:
            continue
        part = place.section in PARTS
        key = place.section if part else f"{place.page} {place.section}"
        words = place.section.title() if part else where(look, place.page, place.section)
        found.setdefault(key, {"page": place.page, "place": place.section, "words": words, "pages": 0})["pages"] += 1
    return list(found.values())


def counted(places: Iterable[Place]) -> str:
    """ "in 14 places on 5 pages"; a part counts once."""
    places = list(places)
    if not places:
        return "nowhere on the site"
    held = [len({place[n] for place in places}) for n in (1, 0)]
    said = [f"{n} {what}{'s' if n > 1 else ''}" for n, what in zip(held, ("place", "page"), strict=True)]
    return f"in {said[0]} on {said[1]}"
