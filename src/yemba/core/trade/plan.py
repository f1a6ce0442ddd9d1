"""The plan of pages: what a new site is to have, before anything is made."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from typing import NamedTuple

from yemba.core.errors import Fault
from yemba.core.limits import NAME_LETTERS
from yemba.core.message import Message
from yemba.core.trade.trade import Trade
from yemba.core.value.line import Line

_OWN = "own-"


class PlannedPage(NamedTuple):
    """A page of a plan: `key` is the slug of a page of the trade, or "own-N" for one that was added; `sections` are
    names of sections of the trade, those in `without` left out. One that is not `kept` is left out."""

    key: str
    name: str
    sections: tuple[str, ...]
    kept: bool = True
    without: tuple[str, ...] = ()

    @property
    def chosen(self) -> tuple[str, ...]:
        """The sections that are not left out."""
        return tuple(name for name in self.sections if name not in self.without)


def proposed(trade: Trade, aims: Collection[str]) -> list[PlannedPage]:
    """All pages of a trade in its order; those that serve none of the aims are left out, and can be put in."""
    wanted = trade.pages_for(aims)
    return [PlannedPage(page.slug, page.name, tuple(page.sections), page in wanted) for page in trade.pages]


def merged(plan: Sequence[PlannedPage], fresh: Sequence[PlannedPage]) -> list[PlannedPage]:
    """A plan brought to what is proposed anew: of the same trade with its names, its order and what was left out, of
    another trade with the pages that were added. Which pages are kept follows the proposal."""
    known = {page.key: page for page in fresh}
    if {page.key for page in plan if page.key in known and page.sections == known[page.key].sections} != known.keys():
        return [*fresh, *(page for page in plan if page.key.startswith(_OWN))]
    return [page._replace(kept=known[page.key].kept) if page.key in known else page for page in plan]


def moved(pages: Sequence[PlannedPage], key: str, by: int) -> list[PlannedPage]:
    """The page `by` places further down; the first page of the site stays first."""
    order = list(pages)
    place = next((n for n, page in enumerate(order) if page.key == key), None)
    if not place:
        return order
    page = order.pop(place)
    order.insert(max(1, place + by), page)
    return order


def named(page: PlannedPage, typed: str, field: str, kept: Collection[str]) -> PlannedPage:
    """The page with a name, and with those of its sections that are kept. Raises Fault beside the `field` that the name
    was typed in."""
    name = Line(NAME_LETTERS, empty=False).read(typed, Message("The name of “{name}”", name=page.name), field)
    return page._replace(name=name, without=tuple(one for one in page.sections if one not in kept))


def changed(pages: Sequence[PlannedPage], act: str, key: str) -> list[PlannedPage]:
    """After one of the acts of a page, "up", "down", "out" (left out) or "in"; any other changes nothing."""
    if act in ("up", "down"):
        return moved(pages, key, -1 if act == "up" else 1)
    if act in ("out", "in"):
        return [page._replace(kept=act == "in") if page.key == key else page for page in pages]
    return list(pages)


def with_page(pages: Sequence[PlannedPage], typed: str) -> list[PlannedPage]:
    """With one more page of one's own at the end, with a heading and words. Raises Fault where it has no name, or one
    that is too long."""
    if not typed.strip():
        raise Fault("empty", Message("Give the new page a name first."), "page_name")
    name = Line(NAME_LETTERS).read(typed, Message("The page’s name"), "page_name")
    keys = {page.key for page in pages}
    key = next(f"{_OWN}{n}" for n in range(1, len(pages) + 2) if f"{_OWN}{n}" not in keys)
    return [*pages, PlannedPage(key, name, ("words",))]
