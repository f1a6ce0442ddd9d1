"""The Palette chapter, in five views: its colours, suggestions, grounds, what reads on what, files."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.palette import colours, contrast, files, grounds, suggestions
from yemba.studio.desks.setting import Context
from yemba.studio.waiting import Waiting

_VIEWS = {
    "colours": ("Colours", colours.view),
    "grounds": ("Grounds", grounds.view),
    "suggestions": ("Ideas", suggestions.view),
    "contrast": ("Contrast", contrast.view),
    "files": ("Files", files.view),
}


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    palette = look.value("palette")
    chosen = next((c for c in palette if c["id"] == query.get("colour")), palette[0])
    view_slug = query.get("show", "")
    if view_slug not in _VIEWS:  # who asks for a ground wants to see it
        view_slug = "grounds" if "ground" in query and "colour" not in query else "colours"
    return {
        "palette": palette,
        "chosen": chosen,
        "views": [{"slug": slug, "name": name, "shown": slug == view_slug} for slug, (name, _) in _VIEWS.items()],
        "show": view_slug,
        **_VIEWS[view_slug][1](site, look, chosen, query),
    }
