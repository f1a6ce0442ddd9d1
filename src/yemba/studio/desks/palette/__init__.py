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


def _at(control: str) -> dict[str, str]:
    """Where a control of this chapter is, given its id as changes and checks name it."""
    what, _, rest = control.partition("-")
    if what == "role":
        return dict(zip(("ground", "role"), rest.split("-"), strict=False))
    if what in ("ground", "colour"):
        return {what: rest}
    return {"show": "grounds"} if control in _ON_GROUNDS else {}


_ON_GROUNDS = ("shape.corner", "link.underline", "grounds.own", "roles.by_hand")


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    palette, query = look.value("palette"), {**_at(query.get("at", "")), **query}
    chosen = next((c for c in palette if c["id"] == query.get("colour")), palette[0])
    shown = query.get("show", "")
    if shown not in _VIEWS:  # who asks for a ground wants to see it
        shown = "grounds" if "ground" in query and "colour" not in query else "colours"
    return {
        "palette": palette,
        "chosen": chosen,
        "views": [{"slug": slug, "name": name, "shown": slug == shown} for slug, (name, _) in _VIEWS.items()],
        "show": shown,
        **_VIEWS[shown][1](site, look, chosen, query),
    }
