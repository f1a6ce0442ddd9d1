"""A page as a small drawing: its sections as bands in the colours of their grounds."""

from __future__ import annotations

from collections.abc import Collection
from typing import Any

from yemba.core.site.document import ordered_sections
from yemba.core.site.resolve import Look

_MOST = 6
_TOP, _STEP = 7, 9


def bands(look: Look, page: str, touched: Collection[str] = ()) -> list[dict[str, Any]]:
    """The first sections from the top; `touched` are ids of those to be marked, the last stands for those below it."""
    held = ordered_sections(look.document.pages[page])
    drawn = [
        {
            "y": _TOP + _STEP * n,
            "fill": look.grounds[look.ground(section).value].fill.hex,
            "ink": look.grounds[look.ground(section).value].heading.hex,
            "touched": key in touched,
        }
        for n, (key, section) in enumerate(held[:_MOST])
    ]
    if drawn and any(key in touched for key, _ in held[_MOST:]):
        drawn[-1]["touched"] = True
    return drawn
