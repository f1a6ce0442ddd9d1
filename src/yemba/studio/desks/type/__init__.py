"""The Type chapter, in four views: pairings, sizes with the waterfall, fonts and what they cost, one-offs."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.setting import Context
from yemba.studio.desks.type import fonts, one_offs, pairings, sizes
from yemba.studio.waiting import Waiting

_VIEWS = {
    "pairings": ("Pairings", pairings.view),
    "sizes": ("Sizes", sizes.view),
    "fonts": ("Fonts", fonts.view),
    "one-offs": ("One-offs", one_offs.view),
}


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    view_slug = query.get("show", "")
    if view_slug not in _VIEWS:
        view_slug = "pairings"
    return {
        "views": [{"slug": slug, "name": name, "shown": slug == view_slug} for slug, (name, _) in _VIEWS.items()],
        "show": view_slug,
        "wide_desk": view_slug == "sizes",
        **_VIEWS[view_slug][1](site, look, query),
    }
