"""What the windows must change to show another state of the same page."""

from __future__ import annotations

from collections.abc import Collection
from datetime import date
from typing import Any, NamedTuple

from yemba.core.cache import Cache
from yemba.core.change.command import read_command
from yemba.core.change.operation import apply
from yemba.core.site.document import Document
from yemba.core.site.feeds import addresses
from yemba.core.site.frame import sidebar_on
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look
from yemba.hosting.services import rendering
from yemba.render.files import style_names
from yemba.render.page import fragments, path_of
from yemba.render.recorder import Answers
from yemba.render.style import style
from yemba.sites import feeds, starter
from yemba.sites.catalogue import catalogue


class PageState(NamedTuple):
    """A page as the windows have it: what all its places share, and the markup of each. `document`, `day` and
    `fetched`, the states of its feeds, are what it was made from."""

    document: Document
    day: date
    fetched: tuple[str, ...]
    shared: dict[str, Any]
    markup: dict[str, str]


_STATES: Cache[tuple[int, str], PageState] = Cache(
    "pages as windows show them",
    most=8_000_000,
    weigh=lambda state: 300_000 + sum(map(len, state.markup.values())),
)


def rehearse() -> None:
    """Make a patch of a site that nobody has, so that the first who drags a colour does not wait until the templates
    of fragments, the words of a language and the rules of a stylesheet are read."""
    shipped = catalogue()
    before = starter.document("Rehearsal", next(iter(shipped.templates)), shipped, new_id)
    colour = Look(before, shipped).value("palette")[0]["id"]
    command = read_command("set-colour", {"colour": colour, "hex": "#123456"})
    patch(before, apply(before, command.plan(Look(before, shipped), new_id)), before.order[0], ())


def patch(
    before: Document | None, after: Document, page: str, streamed: Collection[str] | None = None
) -> dict[str, Any]:
    """Values, rules and fragments of `page` in `after` that differ from `before`; None: all of them.

    While something is dragged the windows show neither, but the last state that was `streamed`: then what all
    share is given whole, and the fragments of these places too.

    Where the page is no longer there, `follow` names the one to show instead; where it has another address, itself,
    with the `path` it now stands at.
    """
    if page not in after.pages:
        return {"follow": after.order[0]}
    path = path_of(after.pages[page])
    if before is not None and page in before.pages and path_of(before.pages[page]) != path:
        return {"follow": page, "path": path.removesuffix("index.html")}
    now = _state(after, page)
    if before is None or page not in before.pages:
        return now.shared | {"fragments": now.markup}
    was = _state(before, page)
    again = streamed or ()
    differing = {p: html for p, html in now.markup.items() if was.markup.get(p) != html or p in again}
    shared = {key: value for key, value in now.shared.items() if streamed is not None or was.shared[key] != value}
    return shared | {"fragments": differing}


def _state(document: Document, page: str) -> PageState:
    """What a page shows. The last few are kept: what an edit ends with, the next begins with."""
    site = rendering(document, draft=True)
    cached, fetched = _STATES.get((id(document), page)), feeds.state(addresses(document))
    if cached and cached.document is document and (cached.day, cached.fetched) == (site.today, fetched):
        return cached
    answers = Answers(site)
    made = style(answers.of_page(page).look, draft=True)
    markup = {place: fragment.html for place, fragment in fragments(answers, page).items()}
    shared = {
        "values": made.values,
        "rules": style_names(made)[0],
        "order": document.shown(page).order,
        "arrangement": site.look.value("header.arrangement"),
        "ground": site.look.template.page,
        "frame": {"sidebar": sidebar_on(site.look, page), "folds": site.look.value("sidebar.folds")},
    }
    return _STATES.put((id(document), page), PageState(document, site.today, fetched, shared, markup))
