"""The Header chapter, in three views: arrangement with the width scale, menu, ground and lines."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.message import Message
from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.header import arrangement, menu, surface
from yemba.studio.desks.setting import Context
from yemba.studio.desks.views import shown_view, tabs
from yemba.studio.waiting import Waiting

_VIEWS = {
    "arrangement": (Message("Arrangement"), arrangement.view),
    "menu": (Message("Navigation"), menu.view),
    "surface": (Message("Surface"), surface.view),
}


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    view = shown_view(_VIEWS, query.get("show", ""))
    return tabs(_VIEWS, view) | _VIEWS[view][1](look, query)
