"""The Logo chapter: wordmark or picture, the icon set in its places."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.setting import Context, setting
from yemba.studio.waiting import Waiting


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    picture = look.document.pictures.get(look.value("logo.picture"))
    return {"form": setting(look, "logo.form"), "picture": picture, "picture_id": look.value("logo.picture")}
