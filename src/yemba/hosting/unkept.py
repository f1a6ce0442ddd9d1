"""Pictures as a document shows them that the draft is not: the address of each says, signed, what it is made of."""

from __future__ import annotations

import re
from collections.abc import Callable
from typing import Any

from django.core import signing

from yemba.core.picture.collection import coloured
from yemba.core.site.document import Document, Picture, Tones
from yemba.core.site.resolve import Look
from yemba.render.files import File, picture_files
from yemba.render.pictures import stem
from yemba.sites.catalogue import catalogue

_SIGNER = signing.Signer(salt="picture that is not kept")
QUERY = "as"


def addressed(patch: dict[str, Any], preview: Document, draft: Document) -> dict[str, Any]:
    """A patch for windows on the draft, which show another document: the draft has no file for pictures that look
    otherwise there (in other colours, framed otherwise, taken out since), so their addresses say how."""
    fragments = patch.get("fragments", {})
    markup = "".join(fragments.values())
    if preview is draft or "assets/" not in markup:
        return patch
    look, draft_look = Look(preview, catalogue()), Look(draft, catalogue())
    for key, picture in look.pictures.items():
        if draft_look.pictures.get(key) == picture or f"assets/{stem(picture)}-" not in markup:
            continue
        name = re.compile(rf"(assets/{re.escape(stem(picture))}-\d+\.\w+)")
        made_of = rf"\1?{QUERY}={_made_of(picture, look)}"
        fragments = {place: name.sub(made_of, html) for place, html in fragments.items()}
    return patch | {"fragments": fragments}


def _made_of(picture: Picture, look: Look) -> str:
    roles = look.role_colours if look.in_colours(picture) else ()
    payload = (picture.model_dump(mode="json", exclude_defaults=True), picture.tones, roles)
    return _SIGNER.sign_object(payload, compress=True)


def picture_at(path: str, token: str, load: Callable[[str], bytes]) -> File | None:
    """The file of a draft at `path` whose address says that it is made of what stands in the token; None for any that
    was not signed here."""
    try:
        plain, tones, roles = _SIGNER.unsign_object(token)
    except signing.BadSignature:
        return None
    picture = Picture.model_validate(plain | {"tones": tones and Tones(*tones)})
    drawing = catalogue().collection.get(picture.collection)
    if not drawing or not roles:
        return picture_files(picture, load).get(path)
    data = coloured(drawing.svg, tuple(map(tuple, roles)))
    file = picture_files(picture, lambda _: data).get(path)
    return file and File(file.make)  # a colour that is dragged has dozens, none of which is worth keeping
