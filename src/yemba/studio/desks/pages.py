"""The Pages chapter: the map of the site, its sections and what stands in them."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from django.utils.text import Truncator

from yemba.core import room
from yemba.core.change.commands.pages import has_own_address
from yemba.core.message import Message
from yemba.core.picture.sharing import COMPOSITIONS
from yemba.core.site.document import Binned, Document
from yemba.core.site.resolve import Look
from yemba.core.site.titles import title_of, usual_title
from yemba.core.trade.begin import purposes
from yemba.core.trade.suggestions import suggestions
from yemba.render.page import card_path
from yemba.sites.models import Site
from yemba.studio.desks.journal import journal_desk, of_page
from yemba.studio.desks.languages import languages_desk
from yemba.studio.desks.languages import of_page as versions_of
from yemba.studio.desks.little_page import drawing
from yemba.studio.desks.sections import entries, kinds, offered, says, texts
from yemba.studio.desks.setting import Context
from yemba.studio.desks.standing import elsewhere
from yemba.studio.sentences import SENTENCES
from yemba.studio.waiting import Waiting


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    document = look.document
    page_id = _page_of(document, query)
    if query.get("show") == "words":
        return {"page_id": page_id, "page": document.pages[page_id], "texts": texts(look, page_id)}
    if query.get("show") == "languages":
        return {"page_id": page_id, "page": document.pages[page_id], "show": "languages", **languages_desk(look)}
    if query.get("show") == "journal":
        return {"page_id": page_id, "page": document.pages[page_id], "show": "journal", **journal_desk(look)}
    drawings, drawing_of = _drawings(look)
    return {
        "pages": [
            {"id": key, "name": page.name, "chosen": key == page_id, "drawing": str(drawing_of[key])}
            for key, page in document.ordered_pages()
            if key == page_id or (not page.posted and page.language == document.pages[page_id].language)
        ],
        "posts_count": sum(bool(page.posted) for page in document.pages.values()),
        "versions": versions_of(look, page_id),
        "own_address": has_own_address(document.pages[page_id]),
        "post": of_page(look, document.pages[page_id]),
        "every_page": [(key, page.name) for key, page in document.ordered_pages()],
        "drawings": drawings,
        "purposes": list(purposes(look).items()),
        "page_id": page_id,
        "page": document.pages[page_id],
        "result": _result(look, page_id),
        "cards": [("", Message("as the site’s")), *COMPOSITIONS.items()],
        "card_path": card_path(page_id, document.pages[page_id]),
        "sections": entries(look, ("pages", page_id), query),
        "kinds": kinds(look),
        "others_standing": [{**one, "says": says(look, one["section"])} for one in elsewhere(look, page_id)],
        "suggested": [(offered(look, look.catalogue.kind(one.kind)), one.why) for one in suggestions(look, page_id)],
        "ground_names": list(look.ground_names.items()),
        "add_after": _after(document.pages[page_id].order, query),
        "pictures_count": len(document.pictures),
        "rooms": [
            room.PAGES.warning(len(document.pages)),
            room.KILOBYTES.warning(len(site.document.encode()) // 1000),
        ],
        "room_here": room.SECTIONS.warning(len(document.pages[page_id].order)),
        "binned": [
            {"id": key, "page": binned.page is not None, "name": _binned_name(look, binned)}
            for key, binned in document.bin.items()
            if not binned.picture
        ],
    }


def _after(order: Sequence[str], query: Mapping[str, str]) -> str | None:
    """The section after which one is to be added, "" for before all; None where nobody asks."""
    wanted = query.get("add", "")
    return "" if wanted == "first" else wanted if wanted in order else None


_MOST_TITLE, _MOST_DESCRIPTION = 60, 155  # letters that search engines show (common practice, no source)
_NO_DESCRIPTION = Message("Without a description, search engines show words of the page that they choose themselves.")


def _result(look: Look, page_id: str) -> Context:
    """The page as a search result: its title and description as far as there is room, and how long they are."""
    page, name, tagline = look.document.pages[page_id], look.document.name, look.document.tagline
    title = title_of(page, name, tagline)
    lengths = {"title": len(title), "description": len(page.description)}
    lengths |= {"most_title": _MOST_TITLE, "most_description": _MOST_DESCRIPTION}
    return {
        "address": f"› {page.slug}" if page.slug else "",
        "usual_title": usual_title(page, name, tagline),
        "usual_description": _NO_DESCRIPTION,
        "title": Truncator(title).chars(_MOST_TITLE),
        "description": Truncator(page.description or _NO_DESCRIPTION).chars(_MOST_DESCRIPTION),
        "most_title": _MOST_TITLE,
        "most_description": _MOST_DESCRIPTION,
        "lengths": str(SENTENCES["result_lengths"]).format(**lengths),
    }


def _page_of(document: Document, query: Mapping[str, str]) -> str:
    """The page that is asked for, by itself or by one of its sections; the first otherwise."""
    section, page = query.get("section", ""), query.get("page", "")
    holding = [key for key in document.order if section in document.holds(key).sections]
    chosen = page if page in holding or not section else next(iter(holding), page)
    return chosen if chosen in document.pages else document.order[0]


def _drawings(look: Look) -> tuple[list[tuple[int, str]], dict[str, int]]:
    """Pages as small drawings; those drawn alike share one. The number of each page's."""
    numbers: dict[str, int] = {}
    number_of = {}
    for page in look.document.order:
        number_of[page] = numbers.setdefault(drawing(look, page), len(numbers))
    return [(number, drawn) for drawn, number in numbers.items()], number_of


def _binned_name(look: Look, binned: Binned) -> str:
    if binned.page:
        return Message("Page {name}", name=binned.page.name)
    return look.catalogue.kind(binned.section.kind).name if binned.section else ""
