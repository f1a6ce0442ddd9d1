"""The pictures of the site: taken in, described, their focal spot, where they are used, the bin."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core import room
from yemba.core.site.pictures import Use, uses
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.sites import uploads
from yemba.sites.models import Site
from yemba.studio.controls import control
from yemba.studio.desks.setting import Context
from yemba.studio.waiting import Waiting


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    document = look.document
    used = uses(document)
    return {
        "pictures": [
            {
                "id": key,
                "picture": picture,
                "open": key == query.get("picture"),
                "uses": [_use(site, look, use) for use in used[key]],
            }
            for key, picture in document.pictures.items()
        ],
        "room": room.PICTURES.warning(len(document.pictures)) or uploads.warning(site.owner),
        "binned": [(key, binned.picture) for key, binned in document.bin.items() if binned.picture],
    }


def _use(site: Site, look: Look, use: Use) -> Context:
    """A place that shows a picture, in words, with the address of its control."""
    words = look.where(use.standing) if use.standing else SETTINGS[use.field].name
    return {"words": words, "address": control(use.place, look).address(site)}
