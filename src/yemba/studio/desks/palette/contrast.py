"""What each brand colour may carry on each ground, and the palette as other eyes see it."""

from __future__ import annotations

from collections.abc import Mapping

from yemba.core.colour.contrast import EDGE, TEXT, ratio
from yemba.core.colour.srgb import Colour, from_hex
from yemba.core.colour.vision import VISIONS, Collapse, collapses, seen
from yemba.core.message import Message
from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.setting import Context

_CARRIES = (
    (TEXT, "text", "Aa"),
    (EDGE, Message("large text and edges"), "A"),
    (1.5, Message("shapes only"), "■"),
    (0, "nothing", "–"),
)


def view(site: Site, look: Look, chosen: dict[str, str], query: Mapping[str, str]) -> Context:
    palette = look.value("palette")
    return {
        "columns": [(name, look.grounds[slug].fill.hex) for slug, name in look.ground_names.items()],
        "rows": [
            {
                "colour": colour,
                "cells": [_cell(from_hex(colour["hex"]), look.grounds[slug].fill) for slug in look.ground_names],
            }
            for colour in palette
        ],
        "legend": [(sign, words) for _, words, sign in _CARRIES],
        "visions": [
            {
                "slug": slug,
                "matrix": vision.as_filter(),
                "name": vision.name,
                "said": vision.said,
                "colours": [seen(c, slug).hex for c in look.colours],
            }
            for slug, vision in VISIONS.items()
        ],
        "pairs": [_pair(palette, pair) for pair in collapses(look.colours)],
    }


def _cell(colour: Colour, fill: Colour) -> Context:
    got = ratio(colour, fill)
    words, sign = next((words, sign) for least, words, sign in _CARRIES if got >= least)
    return {"ratio": got, "words": words, "sign": sign}


def _pair(palette: list[dict[str, str]], pair: Collapse) -> Context:
    first, second = palette[pair.first], palette[pair.second]
    return {
        "vision": VISIONS[pair.vision].name,
        "first": first,
        "second": second,
        "seen": [seen(from_hex(c["hex"]), pair.vision).hex for c in (first, second)],
        "apart": pair.apart,
        "parted": pair.parted.hex if pair.parted else "",
    }
