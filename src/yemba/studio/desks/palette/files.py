"""Palettes in and out: by file and by paste."""

from __future__ import annotations

from collections.abc import Mapping

from yemba.core.colour.formats.format import formats
from yemba.core.colour.srgb import from_hex
from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.setting import Context


def view(site: Site, look: Look, chosen: dict[str, str], query: Mapping[str, str]) -> Context:
    colours = [(colour["name"], from_hex(colour["hex"])) for colour in look.value("palette")]
    name = f"{look.document.name}"
    return {
        "forms": [
            {
                "slug": slug,
                "name": form.name,
                "ending": form.ending,
                "loses": form.loses,
                "text": form.write(name, colours),
            }
            for slug, form in formats().items()
        ]
    }
