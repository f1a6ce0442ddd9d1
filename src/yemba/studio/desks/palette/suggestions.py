"""Palettes on offer: from one colour, from a picture, ready ones, and those to go back to."""

from __future__ import annotations

from collections.abc import Mapping
from functools import lru_cache

from yemba import catalogue as shipped
from yemba.core.colour.formats.format import Named, formats
from yemba.core.colour.from_picture import Found, from_picture
from yemba.core.colour.harmony import harmonies, named
from yemba.core.colour.ready import HUES, MOODS
from yemba.core.colour.srgb import Colour, from_hex
from yemba.core.message import Message
from yemba.core.picture.drawing import raster
from yemba.core.site.document import Picture
from yemba.core.site.resolve import Look
from yemba.sites import brand_sheets
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site
from yemba.studio.desks.setting import Context


def view(site: Site, look: Look, chosen: dict[str, str], query: Mapping[str, str]) -> Context:
    mood, hue = query.get("mood", ""), query.get("hue", "")
    ready = [p for p in shipped.palettes() if mood in ("", p.mood) and hue in ("", p.hue)]
    pictures = look.document.pictures
    picked = query.get("from", "") if query.get("from") in pictures else look.value("logo.picture")
    return {
        "harmonies": [offer(s.name, s.colours) for s in harmonies(from_hex(chosen["hex"]))],
        "pictures": [(key, p.name) for key, p in pictures.items()],
        "picked": _from_picture(pictures[picked], picked) if picked in pictures else None,
        "ready": [offer(p.name, p.colours) for p in ready],
        "moods": [("", Message("Any mood")), *MOODS.items()],
        "hues": [("", Message("Any hue")), *HUES.items()],
        "mood": mood,
        "hue": hue,
        "back": _back(site, look),
    }


def offer(name: str, colours: tuple[Named, ...]) -> Context:
    """A palette as a form sends it."""
    return {"name": name, "colours": [c.hex for _, c in colours], "codes": formats()["gimp"].write(name, colours)}


def _from_picture(picture: Picture, key: str) -> Context:
    suggested = _from_file(picture.file, picture.format)
    colours = named([one.colour for one in suggested])
    spots = {one.colour: one for one in suggested}
    return {
        "id": key,
        "name": picture.name,
        "height": 100 * picture.height / picture.width,
        "offer": offer(Message("from {name}", name=picture.name), colours) if colours else None,
        "spots": [
            {"n": str(n), "name": name, "hex": c.hex, "x": spots[c].x, "share": 100 * spots[c].share}
            | {"y": spots[c].y * picture.height / picture.width}
            for n, (name, c) in enumerate(colours, 1)
        ],
    }


@lru_cache(maxsize=64)
def _from_file(file: str, form: str) -> list[Found]:
    """What a stored picture is made of; the file is named by its bytes, so that this holds for ever."""
    return from_picture(raster(catalogue().load(file), form, 240))


def _back(site: Site, look: Look) -> list[Context]:
    """The palettes that are always there to go back to: the template's own, and the brand sheet's."""
    known = [(Message("{name}’s own", name=look.template.name), look.template.sheets[0].values.get("palette"))]
    if look.document.ready_sheet:
        sheet = look.catalogue.ready_sheet(look.document.ready_sheet)
        known.append((Message("brand sheet {name}", name=sheet.name), sheet.values.get("palette")))
    if look.document.own_sheet:
        mine = [s for s in brand_sheets.sheets_of(site.owner) if s.name == look.document.own_sheet]
        known += [(Message("brand sheet {name}", name=s.name), s.values.get("palette")) for s in mine]
    return [offer(name, _named(palette)) for name, palette in known if palette]


def _named(palette: list[dict[str, str]]) -> tuple[tuple[str, Colour], ...]:
    return tuple((colour["name"], from_hex(colour["hex"])) for colour in palette)
