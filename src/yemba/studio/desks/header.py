"""The Header chapter: arrangement, the width scale with its fold, the menu."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.change.commands.pages import menu
from yemba.core.site.backdrop import of_header
from yemba.core.site.resolve import Look
from yemba.render.style import header_fit
from yemba.sites.models import Site
from yemba.studio.desks.level import level_desk
from yemba.studio.desks.setting import Context, setting
from yemba.studio.desks.tint import tint_desk
from yemba.studio.waiting import Waiting

_SCALE = 1600  # px; the widest window that the scale shows


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    fit = header_fit(look)
    return {
        "arrangement": setting(look, "header.arrangement"),
        "heights": [setting(look, key) for key in ("header.height_wide", "header.height_phone")],
        "position": setting(look, "header.position"),
        "ground": setting(look, "header.ground"),
        "tagline": setting(look, "header.tagline"),
        "backdrop": setting(look, "header.backdrop"),
        "tint": tint_desk(look, of_header(look)),
        "tint_set": setting(look, "header.tint"),
        "fit": fit,
        "levels": [level_desk(look, slug) for slug in ("title", "navigation")],
        "fold_at": min(100.0, 100 * fit.fold / _SCALE),
        "never": fit.fold > _SCALE,
        "entries": [_entry(look, page) for page in menu(look.document)],
    }


def _entry(look: Look, page: str) -> Context:
    navigation, stored = look.document.navigation, look.document.pages[page]
    return {
        "id": page,
        "page": stored.name,
        "name": navigation.names.get(page, ""),
        "shown": page not in navigation.hidden,
        "address": stored.slug,
    }
