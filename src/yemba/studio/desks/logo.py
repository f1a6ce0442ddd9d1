"""The Logo chapter: wordmark or picture, the icon set in its places; what is true of the whole site."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.site.resolve import Look
from yemba.core.site.setting import SITE
from yemba.core.site.settings import SETTINGS
from yemba.sites.models import Site
from yemba.studio.desks.setting import Context, setting
from yemba.studio.waiting import Waiting


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    key = look.value("logo.picture")
    return {
        "form": setting(look, "logo.form"),
        "picture": look.document.pictures.get(key),
        "picture_id": key,
        "site_settings": [setting(look, known.key) for known in SETTINGS.values() if known.home == SITE],
    }
