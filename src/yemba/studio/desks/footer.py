"""The Footer chapter: its box and its lines."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.level import level_desk
from yemba.studio.desks.setting import Context, setting
from yemba.studio.waiting import Waiting


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    return {
        "ground": setting(look, "footer.ground"),
        "lines": [setting(look, key) for key in ("footer.words", "footer.copyright")],
        "navigation": setting(look, "footer.navigation"),
        "logo": setting(look, "footer.logo"),
        "level": level_desk(look, "footer"),
        "shown": look.grounds[look.value("footer.ground")],
    }
