"""The Header chapter, in three views: arrangement with the width scale, menu, ground and lines."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.header import arrangement, menu, surface
from yemba.studio.desks.setting import Context
from yemba.studio.waiting import Waiting

_VIEWS = {
    "arrangement": ("Arrangement", arrangement.view),
    "menu": ("Navigation", menu.view),
    "surface": ("Surface", surface.view),
}


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    shown = query.get("show", "")
    if shown not in _VIEWS:
        shown = "arrangement"
    return {
        "views": [{"slug": slug, "name": name, "shown": slug == shown} for slug, (name, _) in _VIEWS.items()],
        "show": shown,
        **_VIEWS[shown][1](look, query),
    }
