"""The Palette chapter, in six views: its colours, grounds, buttons, suggestions, what reads on what, files."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.message import Message
from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.palette import buttons, colours, contrast, files, grounds, suggestions
from yemba.studio.desks.setting import Context
from yemba.studio.desks.views import shown_view, tabs
from yemba.studio.waiting import Waiting

_VIEWS = {
    "colours": (Message("Colours"), colours.view),
    "grounds": (Message("Grounds"), grounds.view),
    "buttons": (Message("Buttons"), buttons.view),
    "suggestions": (Message("Ideas"), suggestions.view),
    "contrast": (Message("Contrast"), contrast.view),
    "files": (Message("Files"), files.view),
}


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    palette = look.value("palette")
    colours = {colour["id"]: colour for colour in palette}
    chosen = colours.get(query.get("colour", ""), palette[0])
    usual = "grounds" if "ground" in query and "colour" not in query else ""  # who asks for a ground wants to see it
    name = shown_view(_VIEWS, query.get("show", ""), usual)
    _, view = _VIEWS[name]
    context = view(site, look, chosen, query)
    return {"palette": palette, "chosen": chosen} | tabs(_VIEWS, name) | context
