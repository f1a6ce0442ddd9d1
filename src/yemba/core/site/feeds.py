"""Calendar feeds: sections of dates show what calendars elsewhere say, beside their own entries."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping
from hashlib import sha256
from typing import NamedTuple, TypeVar

from yemba.core.cache import by_document, by_identity
from yemba.core.calendar.ics_file import CalendarFile
from yemba.core.site.dates import fields_of
from yemba.core.site.document import STANDING, Document, Holder, Item, Section

AnyHolder = TypeVar("AnyHolder", bound=Holder)
FIELD = "feed"
"""The field of a section that holds the address."""
FETCHED = "feed-"
"""What the ids of fetched entries begin with; they are never stored with a document."""


class Fetched(NamedTuple):
    """The entries of a feed, in the order of their days. Equal feeds are the same object, so that what is made from
    them is made once."""

    entries: tuple[tuple[str, Item], ...]


def entries_of(calendar: CalendarFile) -> Fetched:
    """The events of a calendar as entries; ids follow from what they say, so that the same event has the same."""
    entries: dict[str, Item] = {}
    for event in calendar.happenings:
        fields = {name: value for name, value in fields_of(event).items() if value}
        key = f"{FETCHED}{sha256(repr(sorted(fields.items())).encode()).hexdigest()[:10]}"
        entries[key] = Item(fields=fields)
    return Fetched(tuple(entries.items()))


def addresses(document: Document) -> list[str]:
    """The address of each feed that is shown, each once."""
    return _addresses_of(*document.holding())


@by_document("feeds of sites")
def _addresses_of(*holders: Holder) -> list[str]:
    return list(dict.fromkeys(address for holder in holders for address in _addresses_in(holder)))


@by_identity("feeds of pages", most=1_000_000, weigh=lambda listed: 56 + 200 * len(listed))
def _addresses_in(holder: Holder) -> list[str]:
    return [section.fields[FIELD] for section in holder.sections.values() if section.fields.get(FIELD)]


def pages_with(document: Document, address: str) -> Iterator[str]:
    """The ids of the pages that show a feed, those among them that show it in a part of every page."""
    in_parts = any(address in _addresses_in(holder) for slug, holder in document.shared.items() if slug != STANDING)
    for key in document.order:
        if in_parts or address in _addresses_in(document.shown(key)):
            yield key


def with_feeds(document: Document, load: Callable[[str], Fetched | None]) -> Document:
    """The document with the entries of its feeds among those of their sections; `load` gives what was last fetched
    of an address. It is only ever shown, never stored."""
    copies = {address: fetched for address in addresses(document) if (fetched := load(address))}
    if not copies:
        return document
    pages = {key: _filled(page, copies) for key, page in document.pages.items()}
    shared = {slug: _filled(holder, copies) for slug, holder in document.shared.items()}
    return document.model_copy(update={"pages": pages, "shared": shared})


def _filled(holder: AnyHolder, copies: Mapping[str, Fetched]) -> AnyHolder:
    """A page, or what a part holds, with them; the same as before where nothing of it has a feed."""
    for key, section in holder.sections.items():
        if fetched := copies.get(section.fields.get(FIELD, "")):
            holder = _with_section(holder, key, _with_entries(section, fetched))
    return holder


@by_identity("pages with feeds", most=8_000_000, weigh=lambda holder: 2_000 + 100 * len(holder.order))
def _with_section(holder: AnyHolder, key: str, section: Section) -> AnyHolder:
    return holder.model_copy(update={"sections": holder.sections | {key: section}})


@by_identity("sections with feeds", most=8_000_000, weigh=lambda section: 1_000 + 500 * len(section.order))
def _with_entries(section: Section, fetched: Fetched) -> Section:
    items = dict(fetched.entries)
    return section.model_copy(update={"items": section.items | items, "order": [*section.order, *items]})
