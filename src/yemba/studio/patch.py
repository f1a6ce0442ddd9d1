"""What the windows must change to show another state of the same page."""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Collection
from typing import Any, NamedTuple

from yemba.core.site.document import Document
from yemba.hosting.services import rendering
from yemba.render.files import style_names
from yemba.render.reach import State
from yemba.render.style import style


class Shown(NamedTuple):
    """A page as the windows have it: what all its places share, and the markup of each."""

    state: State
    shared: dict[str, Any]
    pieces: dict[str, str]


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
    if before is None or page not in before.pages:
        shown = _shown(after, page)
        return shown.shared | {"fragments": shown.pieces}
    was = _shown(before, page)
    shown = _shown(after, page, was)
    again = streamed or ()
    pieces = {place: html for place, html in shown.pieces.items() if was.pieces.get(place) != html or place in again}
    shared = {key: value for key, value in shown.shared.items() if streamed is not None or was.shared[key] != value}
    return shared | {"fragments": pieces}


_KEPT = 8
_kept: OrderedDict[tuple[int, str], Shown] = OrderedDict()


def _shown(document: Document, page: str, like: Shown | None = None) -> Shown:
    """What a page shows. The last few are kept: what an edit ends with, the next begins with."""
    site = rendering(document, draft=True)
    shown = _kept.pop((id(document), page), None)
    if shown is None or shown.state.look.document is not document or shown.state.site.today != site.today:
        look = style(site.look, draft=True)
        state = State(site)
        order = document.pages[page].order
        pieces = {place: _piece(state, page, place, like) for place in ("header", *order, "footer")}
        shared = {"values": look.values, "rules": style_names(look)[0], "order": order}
        shown = Shown(state, shared | {"arrangement": site.look.value("header.arrangement")}, pieces)
    _kept[id(document), page] = shown
    while len(_kept) > _KEPT:
        _kept.popitem(last=False)
    return shown


def _piece(state: State, page: str, place: str, like: Shown | None) -> str:
    """The markup of a place; that of the page as it was, where it is made from the same."""
    if like is not None and place in like.pieces and like.state.facts(page, place) == state.facts(page, place):
        return like.pieces[place]
    return state.written(page, place)
