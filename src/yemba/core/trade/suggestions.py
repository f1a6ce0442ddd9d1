"""Kinds of section that a page would do well to have: by the trade, by what the site is for, by what is missing."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from yemba.core.message import Message
from yemba.core.site.document import Page
from yemba.core.site.resolve import Look
from yemba.core.trade.trade import AIMS, kind_of

MOST = 4
_OF_AIMS = {
    "found": ("hours-and-place", "map"),
    "work": ("gallery", "showcase"),
    "bookings": ("contact-form",),
    "dates": ("dates",),
    "sell": ("products", "price-list", "feature"),
    "sign-ups": ("sign-up", "contact-form"),
}
"""The kinds that serve an aim, the nearest first."""


class Suggestion(NamedTuple):
    """A kind of section by its slug, and why, as a sentence."""

    kind: str
    why: str


def suggestions(look: Look, page_id: str) -> list[Suggestion]:
    """At most four that the page does not have, the most wanted first, each kind once."""
    page = look.document.pages[page_id]
    here = {section.kind for section in page.sections.values()}
    first: dict[str, Suggestion] = {}
    for one in _all(look, page):
        if one.kind in look.catalogue.kinds and one.kind not in here:
            first.setdefault(one.kind, one)
    return [*first.values()][:MOST]


def _all(look: Look, page: Page) -> Iterator[Suggestion]:
    if not page.order:
        yield Suggestion("opening", Message("A page begins with one."))
    on_site = {section.section.kind for section in look.document.standing()}
    trade = look.trade
    if trade:
        alike = [one for one in trade.pages if one.slug == page.slug or one.name.casefold() == page.name.casefold()]
        for name in (name for one in alike for name in one.sections):
            yield Suggestion(kind_of(name), Message("Pages like this often have it ({name}).", name=trade.name))
    for aim in str(look.value("site.aims") or "").split():
        kinds = _OF_AIMS.get(aim, ())
        if kinds and not on_site & set(kinds):
            yield Suggestion(
                kinds[0], Message("“{aims}” is what the site is for, and nothing on it does that yet.", aims=AIMS[aim])
            )
    if "hours-and-place" not in on_site:
        yield Suggestion("hours-and-place", Message("Nothing on the site says when you are there, and where."))
    if "contact-form" not in on_site:
        yield Suggestion("contact-form", Message("Nobody can write to you from the site yet."))
    if trade:
        missing = (kind for kind in trade.leads if kind not in on_site)
        yield from (
            Suggestion(kind, Message("It matters most in this trade ({name}).", name=trade.name)) for kind in missing
        )
