"""The pictures of the site: taken in, described, their focal spot, where they are used, the bin; and its files."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from hashlib import sha256

from yemba.core import room
from yemba.core.picture.collection import search
from yemba.core.place import OfField
from yemba.core.site.files import in_words, led_to, path
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
    if query.get("show") == "collection":
        return {"collection": _collection(site, look, query)}
    if query.get("show") == "files":
        return {"files": _files(look), "room": room.FILES.warning(len(document.files)) or uploads.warning(site.owner)}
    return {
        "file_count": len(document.files),
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


def _collection(site: Site, look: Look, query: Mapping[str, str]) -> Context:
    """The drawings found by `words`, those of the trade first; `section`, `item` and `field` say where one is to go."""
    drawings = look.catalogue.collection.values()
    words, place = query.get("words", ""), _wanted(look, query)
    return {
        "words": words,
        "drawings": search(drawings, words, look.trade.tags if look.trade else ()),
        "count": len(drawings),
        "tags": sorted({tag for drawing in drawings for tag in drawing.tags}),
        "place": place,
        "where": look.where(look.document.section(place.section)) if place else "",
        "back": control(place, look).address(site) if place else "",
        "roles": sha256(repr(look.role_colours).encode()).hexdigest()[:8],
    }


def _files(look: Look) -> list[Context]:
    """The files to take away, in the order they came, and whether something leads to each."""
    led = led_to(look.document)
    files = look.document.files.items()
    return [
        {"id": key, "file": file, "about": in_words(file), "path": path(file), "led": key in led} for key, file in files
    ]


def _wanted(look: Look, query: Mapping[str, str]) -> OfField | None:
    """The field that a drawing is chosen for, None where it is for none that is there."""
    section, item, field = (query.get(key, "") for key in ("section", "item", "field"))
    standing = next((one for one in look.document.standing() if one.key == section), None)
    if standing is None or (item and item not in standing.section.items):
        return None
    known = [one.slug for one in look.catalogue.kind(standing.section.kind).fields_of(item) if one.type == "picture"]
    return OfField(section, field, item) if field in known else None


def _use(site: Site, look: Look, use: Use) -> Context:
    """A place that shows a picture, in words, with the address of its control."""
    words = look.where(use.standing) if use.standing else SETTINGS[use.field].name
    return {"words": words, "address": control(use.place, look).address(site)}
