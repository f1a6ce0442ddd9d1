"""The Type chapter, in four views: pairings, sizes with the waterfall, fonts and what they cost, one-offs."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.message import Message
from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.setting import Context
from yemba.studio.desks.type import fonts, one_offs, pairings, sizes
from yemba.studio.desks.views import shown_view, tabs
from yemba.studio.waiting import Waiting

_VIEWS = {
    "pairings": (Message("Pairings"), pairings.view),
    "sizes": (Message("Sizes"), sizes.view),
    "fonts": (Message("Fonts"), fonts.view),
    "one-offs": (Message("One-offs"), one_offs.view),
}


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    view = shown_view(_VIEWS, query.get("show", ""))
    return tabs(_VIEWS, view) | {"wide_desk": view == "sizes"} | _VIEWS[view][1](site, look, query)
