"""The waiting changes of a site, each with its reach, ready to be shown."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from typing import NamedTuple

from pydantic import ValidationError

from yemba.core.cache import Cache
from yemba.core.change.bin import left_by_what_stands
from yemba.core.change.difference import Change, difference
from yemba.core.change.operation import apply
from yemba.core.change.subset import closed, document_with
from yemba.core.errors import Fault
from yemba.core.message import Joined, Message, Plural
from yemba.core.part.part import parts
from yemba.core.place import OfPage, OfSetting, Place
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.hosting import services as hosting
from yemba.render.reach import Spot, State, of_change, part_of, reach
from yemba.sites import services as sites
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site
from yemba.studio.controls import Control, control


class Waiting(NamedTuple):
    """A change, the places it touches, these in words, and the control that decides it."""

    change: Change
    spots: list[Spot]
    reach: str
    control: Control
    address: str

    @property
    def marks(self) -> str:
        """The ids of the places, for marking them in the windows."""
        return " ".join(dict.fromkeys(spot.place for spot in self.spots))

    @property
    def pages(self) -> str:
        """The ids of the pages, for marking them on the map."""
        return " ".join(dict.fromkeys(spot.page for spot in self.spots))

    @property
    def short(self) -> str:
        """The reach without its pages."""
        return self.reach.parts[0] if isinstance(self.reach, Joined) else self.reach


def waiting_changes(site: Site) -> list[Change]:
    """What differs from the live edition; before the first publishing nothing waits, all is new."""
    live = hosting.live_document(site)
    return difference(live, sites.document(site), catalogue()) if live else []


def waiting(site: Site) -> list[Waiting]:
    """The waiting changes, each with the places that it touches."""
    live = hosting.live_document(site)
    if live is None:
        return []
    look = sites.look(site)
    reached, entries = _reached(site, live), []
    changes = difference(live, look.document, catalogue())
    for change in changes:
        spots = reached.spots(change, changes, look.document)
        decides = control(change.place, look)
        reach = in_words(spots, len(look.document.pages)) or _beside_pages(change.place)
        entries.append(Waiting(change, spots, reach, decides, decides.address(site)))
    return entries


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
        raise Fault("nothing-chosen", Message("Nothing is ticked. Tick what should go out."))
    return document_with(live, draft, going, catalogue()), [change for change in every if change.key in going]


def without(site: Site, keys: Collection[str]) -> Document:
    """The draft as it would be without these waiting changes, each as far as it can be: one that another stands on
    stays. What comes back leaves the bin."""
    live, draft = hosting.live_document(site), sites.document(site)
    if live is None:
        return draft
    for key in keys:
        change = next((change for change in difference(live, draft, catalogue()) if change.key == key), None)
        try:
            draft = apply(draft, change.back) if change else draft
        except ValidationError:
            continue
    return left_by_what_stands(draft)


class _Reached:
    """What is known of the reach of changes upon one live document; it follows from their steps."""

    def __init__(self, state: State) -> None:
        self.state = state
        self._spots: Cache[str, list[Spot]] = Cache(
            "reach of changes", most=4_000_000, weigh=lambda spots: 100 * len(spots)
        )

    def spots(self, change: Change, changes: Sequence[Change], draft: Document) -> list[Spot]:
        """The places that a change touches: alone, or else with what else waits for its part."""
        alone = self._spots.get_or_make(repr(change.steps), lambda: of_change(change, self.state))
        part = part_of(change)
        others = [other for other in changes if other.key != change.key and part_of(other) == part]
        if alone or part is None or not others:
            return alone
        key = repr([change.steps, *(other.steps for other in others)])
        return self._spots.get_or_make(key, lambda: self._upon(others, change, changes, draft))

    def _upon(self, others: Sequence[Change], change: Change, changes: Sequence[Change], draft: Document) -> list[Spot]:
        """The places that it touches once it comes to `others`: a section of a sidebar that is new too."""
        live = self.state.look.document
        keys = [other.key for other in others]
        try:
            before = document_with(live, draft, closed(keys, changes), catalogue())
            after = document_with(live, draft, closed([*keys, change.key], changes), catalogue())
        except Fault:  # a change of the others cannot go alone
            return []
        return reach(self.state.of(before), self.state.of(after))


_STATES: Cache[int, _Reached] = Cache(
    "states of live sites", most=100_000_000, weigh=lambda reached: 60_000 * len(reached.state.look.document.pages)
)


def _reached(site: Site, live: Document) -> _Reached:
    """Kept for the object: the same text comes back as the same document (`sites.read_again`)."""
    cached = _STATES.get(id(live))
    today = hosting.rendering(live).today
    if cached and cached.state.look.document is live and cached.state.site.today == today:
        return cached
    state = hosting.live_state(site) or State(hosting.rendering(live))
    return _STATES.put(id(live), _Reached(state))


def live_look(site: Site) -> Look | None:
    """The live site, resolved; None before the first publishing."""
    live = hosting.live_document(site)
    return _reached(site, live).state.look if live else None


def in_words(spots: list[Spot], pages: int) -> str:
    """Reach in words: "14 places, 5 pages"; a part that stands on every page counts once. "" for none."""
    places = {spot.place for spot in spots}
    touched = {spot.page for spot in spots}
    if not spots:
        return ""
    if places <= parts().keys():
        return Message("every page") if len(touched) >= pages else Message("{number} pages", number=len(touched))
    count = Plural("{number} place", "{number} places", len(places))
    return Joined(", ", [count, Plural("{number} page", "{number} pages", len(touched))])


def _beside_pages(place: Place) -> str:
    """What a change touches that is on no page."""
    key = place.key if isinstance(place, OfSetting) else ""
    if key.startswith("sharing.") or (isinstance(place, OfPage) and place.what == "card"):
        return Message("the picture for sharing")
    if key.startswith("icon."):
        return Message("the site icon")
    if isinstance(place, OfPage) and place.what in ("title", "description"):
        return Message("search results")
    return Message("nothing seen changes")
