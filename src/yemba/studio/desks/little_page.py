"""A page as a small drawing: its sections as bands in the colours of their grounds."""

from __future__ import annotations

from collections.abc import Collection
from typing import Any

from yemba.core.site.resolve import Look

_MOST = 6
_TOP, _STEP = 7, 9


def bands(look: Look, page: str, touched: Collection[str] = ()) -> list[dict[str, Any]]:
    """The first sections from the top; `touched` are ids of those to be marked, the last stands for those below it."""
    held = look.document.pages[page].ordered()
    grounds = [look.grounds[look.ground(section).value] for _, section in held[:_MOST]]
    drawn = [
        {"y": _TOP + _STEP * n, "fill": ground.fill.hex, "ink": ground.heading.hex, "touched": key in touched}
        for n, ((key, _), ground) in enumerate(zip(held, grounds, strict=False))
    ]
    if drawn and any(key in touched for key, _ in held[_MOST:]):
        drawn[-1]["touched"] = True
    return drawn
