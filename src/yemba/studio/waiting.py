"""The waiting changes of a site, each with its reach, ready to be shown."""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Collection
from typing import NamedTuple

from pydantic import ValidationError

from yemba.core.change.difference import Change, difference
from yemba.core.change.operation import apply
from yemba.core.change.subset import closed, take
from yemba.core.errors import Fault
from yemba.core.site.document import Document
from yemba.hosting import services as hosting
from yemba.render.reach import Place, State, of_change
from yemba.sites import services as sites
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site


class Waiting(NamedTuple):
    """A change, the places it touches, and these in words."""

    change: Change
    places: list[Place]
    reach: str

    @property
    def marks(self) -> str:
        """The ids of the places, for marking them in the windows."""
        return " ".join(dict.fromkeys(place.section for place in self.places))

    @property
    def pages(self) -> str:
        """The ids of the pages, for marking them on the map."""
        return " ".join(dict.fromkeys(place.page for place in self.places))

    @property
    def short(self) -> str:
        """The reach without its pages."""
        return self.reach.partition(",")[0]


def waiting(site: Site) -> list[Waiting]:
    """What differs from the live edition; before the first publishing nothing waits, all is new."""
    live = hosting.live_document(site)
    if live is None:
        return []
    return compare(live, sites.document(site))


def chosen(site: Site, keys: Collection[str]) -> tuple[Document, list[Change]]:
    """The live document with the chosen changes and what must come along, and these changes.

    Raises Fault ``nothing-chosen`` or ``needs-others``.
    """
    live, draft = hosting.live_document(site), sites.document(site)
    if live is None:
        return draft, []
    every = difference(live, draft, catalogue())
    going = closed(keys, every)
    if not going:
        raise Fault("nothing-chosen", "Nothing is ticked. Tick what should go out.")
    return take(live, draft, going, catalogue()), [change for change in every if change.key in going]


def without(site: Site, key: str) -> Document:
    """The draft as it would be without one waiting change; as it is where that cannot be."""
    live, draft = hosting.live_document(site), sites.document(site)
    if live is None:
        return draft
    change = next((change for change in difference(live, draft, catalogue()) if change.key == key), None)
    try:
        return apply(draft, change.back) if change else draft
    except ValidationError:  # another change stands on it
        return draft


def compare(live: Document, draft: Document) -> list[Waiting]:
    reached = _reached(live)
    shown = []
    for change in difference(live, draft, catalogue()):
        steps = repr(change.steps)
        if steps not in reached.places:
            reached.places[steps] = of_change(change, reached.state)
        places = reached.places[steps]
        shown.append(Waiting(change, places, _said(places, len(draft.pages))))
    return shown


class _Reached(NamedTuple):
    """What is known of the reach of steps upon one live document; it follows from these two alone."""

    state: State
    places: dict[str, list[Place]]


_KEPT, _MOST = 8, 2000
_known: OrderedDict[int, _Reached] = OrderedDict()


def _reached(live: Document) -> _Reached:
    """Kept for the object: the same text comes back as the same document (`sites.read_again`)."""
    found = _known.pop(id(live), None)
    state = State(hosting.rendering(live))
    same = found is not None and found.state.look.document is live and found.state.site.today == state.site.today
    if found is None or not same or len(found.places) > _MOST:
        found = _Reached(state, {})
    _known[id(live)] = found
    while len(_known) > _KEPT:
        _known.popitem(last=False)
    return found


def _said(places: list[Place], pages: int) -> str:
    """Reach in words: "14 places, 5 pages"; a part that stands on every page counts once."""
    sections = {place.section for place in places}
    touched = {place.page for place in places}
    if not places:
        return "nothing seen changes"
    if sections <= {"header", "footer"}:
        return "every page" if len(touched) >= pages else f"{len(touched)} pages"
    count = f"{len(sections)} place{'s' if len(sections) > 1 else ''}"
    return f"{count}, {len(touched)} page{'s' if len(touched) > 1 else ''}"
