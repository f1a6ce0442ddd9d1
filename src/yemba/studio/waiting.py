"""The waiting changes of a site, each with its reach, ready to be shown."""

from __future__ import annotations

from typing import NamedTuple

from yemba.catalogue import catalogue
from yemba.core.change.difference import Change, difference
from yemba.core.change.reach import Place, of_change
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.models import Site


class Waiting(NamedTuple):
    """A change, the places it touches, and these in words."""

    change: Change
    places: list[Place]
    reach: str

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


def compare(live: Document, draft: Document) -> list[Waiting]:
    was, now = Look(live, catalogue()), Look(draft, catalogue())
    shown = []
    for change in difference(live, draft, catalogue()):
        places = of_change(change, was, now)
        shown.append(Waiting(change, places, _said(places, len(draft.pages))))
    return shown


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
