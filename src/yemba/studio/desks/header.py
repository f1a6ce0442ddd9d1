"""The Header chapter: arrangement, the width scale with its fold, the menu."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.change.commands.pages import menu
from yemba.core.site.backdrop import of_header
from yemba.core.site.resolve import Look
from yemba.core.site.settings import ARRANGEMENTS
from yemba.render.style import header_fit
from yemba.sites.models import Site
from yemba.studio.desks.level import level_desk
from yemba.studio.desks.pages import tint_desk
from yemba.studio.desks.setting import Context, setting
from yemba.studio.waiting import Waiting


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    navigation, fit = look.document.navigation, header_fit(look)
    keys = ("header.height_wide", "header.height_phone")
    scale = 1600
    return {
        "arrangement": setting(look, "header.arrangement"),
        "arrangements": [a for a in ARRANGEMENTS.items() if look.template.shows("header.arrangement", a[0])],
        "heights": [setting(look, key) for key in keys],
        "ground": setting(look, "header.ground"),
        "grounds": list(look.ground_names.items()),
        "tagline": setting(look, "header.tagline"),
        "backdrop": setting(look, "header.backdrop"),
        "pictures": [(key, picture.name) for key, picture in look.document.pictures.items()],
        "tint": tint_desk(look, of_header(look)),
        "tint_set": setting(look, "header.tint"),
        "fit": fit,
        "levels": [level_desk(look, slug) for slug in ("title", "navigation")],
        "fold_at": min(100.0, 100 * fit.fold / scale),
        "never": fit.fold > scale,
        "entries": [
            {
                "id": key,
                "page": look.document.pages[key].name,
                "name": navigation.names.get(key, ""),
                "shown": key not in navigation.hidden,
                "address": look.document.pages[key].slug,
            }
            for key in menu(look.document)
        ],
    }
