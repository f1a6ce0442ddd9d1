"""What the header stands on, and how it ends."""

from __future__ import annotations

from collections.abc import Mapping

from yemba.core.layout.arrangement import OVER
from yemba.core.site.backdrop import of_header
from yemba.core.site.resolve import Look
from yemba.studio.desks.setting import Context, setting
from yemba.studio.desks.tint import tint_desk

_MEASURES = ("width", "padding", "line", "line_style", "line_colour", "corner", "shadow")


def view(look: Look, query: Mapping[str, str]) -> Context:
    return {
        "over": look.arrangement.stands == OVER,
        "ground": setting(look, "header.ground"),
        "backdrop": setting(look, "header.backdrop"),
        "tint": tint_desk(look, of_header(look)),
        "tint_set": setting(look, "header.tint"),
        "measures": [setting(look, f"header.{name}") for name in _MEASURES],
    }
