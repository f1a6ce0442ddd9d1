"""The pictures of the site: taken in, described, their focal spot, where they are used, the bin; and its files."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import date
from hashlib import sha256
from urllib.parse import urlencode

from yemba.core import room
from yemba.core.change.commands.pictures import SHAPES
from yemba.core.check.picture_fit import drawn_wide
from yemba.core.message import Message, labels
from yemba.core.picture.collection import search
from yemba.core.picture.crop import ratio_of
from yemba.core.picture.filters import FILTERS
from yemba.core.place import OfField
from yemba.core.site import library
from yemba.core.site.document import Picture
from yemba.core.site.files import in_words, led_to, path
from yemba.core.site.library import ORDERS, USES, Query
from yemba.core.site.pictures import Use, framing, in_words_of, picture_size, uses
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.core.value.brand_colour import BrandColourChoice
from yemba.sites import uploads
from yemba.sites.models import Site
from yemba.studio.controls import control
from yemba.studio.desks.setting import Context
from yemba.studio.waiting import Waiting

_SIDES = labels({"left": "left", "top": "top", "right": "right", "bottom": "bottom"})


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    document = look.document
    if query.get("show") == "collection":
        return {"collection": _collection(site, look, query)}
    if query.get("show") == "files":
        return {"files": _files(look), "room": room.FILES.warning(len(document.files)) or uploads.warning(site.owner)}
    return {
        "file_count": len(document.files),
        "page_id": _page_of(look, query),
        "count": len(document.pictures),
        "library": _library(query),
        "pictures": [
            _entry(site, look, key, picture, key == query.get("picture"))
            for key, picture in library.search(look, _asked(query), always=query.get("picture", ""))
        ],
        "room": room.PICTURES.warning(len(document.pictures)) or uploads.warning(site.owner),
        "binned": [(key, binned.picture) for key, binned in document.bin.items() if binned.picture],
    }


def _page_of(look: Look, query: Mapping[str, str]) -> str:
    """A page that shows the open picture, the one in the windows where it does; "" for none."""
    shown_on = [use.page for use in uses(look.document).get(query.get("picture", ""), []) if use.page]
    return query["page"] if query.get("page") in shown_on else next(iter(shown_on), "")


def _asked(query: Mapping[str, str]) -> Query:
    """What the library is asked for."""
    return Query(*(query.get(field, "") for field in Query._fields))


def _library(query: Mapping[str, str]) -> Context:
    """The questions to it, as they are asked now."""
    asked = _asked(query)
    picks = (
        ("use", Message("Use"), USES),
        ("shape", Message("Shape"), library.SHAPES),
        ("order", Message("Order"), ORDERS),
    )
    return {
        "words": asked.words,
        "asked": any(asked[:3]),
        "picks": [(slug, name, getattr(asked, slug), choices.items()) for slug, name, choices in picks],
        "kept": urlencode({key: value for key, value in asked._asdict().items() if value}),
    }


def _entry(site: Site, look: Look, key: str, picture: Picture, is_open: bool) -> Context:
    """One picture of the library; what takes time is worked out for an open one alone."""
    used = uses(look.document)[key]
    entry = {
        "id": key,
        "picture": look.pictures[key],
        "open": is_open,
        "shown": in_words_of(picture),
        "size": picture_size(picture),
        "added": date.fromisoformat(picture.added[:10]) if picture.added else None,
        "uses": [_use(site, look, use) for use in used],
        "is_unsaid": library.is_unsaid(picture, used),
        "needs": _needs(look, picture, used),
    }
    return entry | _opened(look, picture, used) if is_open else entry


def _needs(look: Look, picture: Picture, used: Sequence[Use]) -> int:
    """The width in px that its widest place would need; 0 where it is wide enough, or a drawing."""
    widths = [drawn_wide(look, use) for use in used if use.standing]
    widest = max(widths, default=0)
    return widest if picture.format != "svg" and widest > picture_size(picture)[0] else 0


def _opened(look: Look, picture: Picture, used: Sequence[Use]) -> Context:
    """What the tools of one picture show."""
    frame = framing(picture)
    across, down = frame.upright(picture.width, picture.height)
    width, height = picture_size(picture)
    return {
        "box": [(side, share, called) for (side, called), share in zip(_SIDES.items(), frame.box, strict=True)],
        "straight": round(frame.degrees, 1),
        "upright": (round(across), round(down)),
        "shapes": [(shape, _is(shape, width / height)) for shape in SHAPES],
        "filters": FILTERS.items(),
        "tints": BrandColourChoice().choices(look),
        "proposals": [words for words in library.proposals(picture, used) if words != picture.alt],
    }


def _is(shape: str, ratio: float) -> bool:
    return abs((ratio_of(shape) or 1) / ratio - 1) < 0.01


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
