"""What the windows must change to show another state of the same page."""

from __future__ import annotations

from collections.abc import Collection
from typing import Any

from yemba.core.site.document import Document
from yemba.hosting.services import rendering
from yemba.render.files import style_names
from yemba.render.page import fragments
from yemba.render.style import values


def patch(
    before: Document | None, after: Document, page: str, streamed: Collection[str] | None = None
) -> dict[str, Any]:
    """Values, rules and fragments of `page` in `after` that differ from `before`; None: all of them.

    While something is dragged the windows show neither, but the last state that was `streamed`: then what all
    share is given whole, and the fragments of these places too.

    Where the page is no longer there, `follow` names the one to show instead.
    """
    if page not in after.pages:
        return {"follow": after.order[0]}
    shown, pieces = _state(after, page)
    if before is not None and page in before.pages:
        was, old_pieces = _state(before, page)
        again = streamed or ()
        pieces = {place: html for place, html in pieces.items() if old_pieces.get(place) != html or place in again}
        if streamed is None:
            shown = {key: value for key, value in shown.items() if was[key] != value}
    return shown | {"fragments": pieces}


def _state(document: Document, page: str) -> tuple[dict[str, Any], dict[str, str]]:
    site = rendering(document, draft=True)
    made = fragments(site, page)
    shown = {"values": values(site.look), "rules": style_names(site.look)[0]}
    return shown | {"order": made.order, "arrangement": made.arrangement}, made.pieces
