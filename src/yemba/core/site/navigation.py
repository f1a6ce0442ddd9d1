"""The menu of a site: pages and links, in an order, at most one level deep."""

from __future__ import annotations

from typing import NamedTuple

from yemba.core.cache import by_document
from yemba.core.site.document import Document
from yemba.core.value.link import PAGE


class Entry(NamedTuple):
    """An entry of the menu by its id, with where it leads (as ``core.value.link`` stores it) and what is `below` it."""

    key: str
    name: str
    link: str
    below: tuple[Entry, ...] = ()


def menu(document: Document) -> list[str]:
    """The ids of all entries in menu order, hidden ones too: pages by their ids, links by theirs. Posts
    stand in the journal, not in the menu; pages of another language in the menu there."""
    navigation = document.navigation
    here = document.seen_in
    pages = [key for key in document.order if not (page := document.pages[key]).posted and page.language == here]
    known = dict.fromkeys(key for key in navigation.order if key in pages or key in navigation.links)
    rest = (key for key in (*pages, *sorted(navigation.links)) if key not in known)
    return [*known, *rest]


def name_of(document: Document, key: str) -> str:
    """What the menu calls an entry."""
    navigation = document.navigation
    if key in navigation.links:
        return navigation.links[key].name
    return navigation.names.get(key, document.pages[key].name)


def parent(document: Document, key: str) -> str:
    """The entry that one stands under; "" at the top, as where that one is gone or itself under another."""
    over = _over(document, key)
    return "" if over == key or _over(document, over) else over


def _over(document: Document, key: str) -> str:
    """What an entry is stored under, if it is still there."""
    over = document.navigation.under.get(key, "")
    is_page = over in document.pages and not document.pages[over].posted
    return over if is_page or over in document.navigation.links else ""


def siblings(document: Document, under: str) -> list[str]:
    """The ids of the entries under one, "" for those at the top, in menu order, hidden ones too."""
    return grouped(document).get(under, [])


@by_document("menu entries by what they stand under")
def grouped(document: Document) -> dict[str, list[str]]:
    """The ids of the entries in menu order, hidden ones too, by what they stand under, "" for those at the top."""
    groups: dict[str, list[str]] = {}
    for key in menu(document):
        groups.setdefault(parent(document, key), []).append(key)
    return groups


def entries(document: Document) -> list[Entry]:
    """What the menu shows. What stands under a hidden entry is hidden with it."""
    groups, hidden = grouped(document), set(document.navigation.hidden)

    def shown(under: str) -> list[Entry]:
        keys = [key for key in groups.get(under, []) if key not in hidden]
        return [_entry(document, key, tuple(shown(key)) if not under else ()) for key in keys]

    return shown("")


def leads_home(document: Document) -> bool:
    """Whether the menu shows the first page."""
    home = f"{PAGE}{document.order[0]}"
    every = entries(document)
    return any(home in (entry.link, *(below.link for below in entry.below)) for entry in every)


def _entry(document: Document, key: str, below: tuple[Entry, ...] = ()) -> Entry:
    return Entry(key, name_of(document, key), _link(document, key), below)


def _link(document: Document, key: str) -> str:
    links = document.navigation.links
    return links[key].link if key in links else f"{PAGE}{key}"


def trail(document: Document, page: str) -> list[Entry]:
    """The entries that lead to a page from the first one, its own last; empty where it stands at the top."""
    over = parent(document, page) if page in document.pages else ""
    if not over:
        return []
    steps = dict.fromkeys([document.order[0], over, page])
    return [_entry(document, key) for key in steps]
