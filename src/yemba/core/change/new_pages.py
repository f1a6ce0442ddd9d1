"""Links to pages that do not exist yet: they are made in the same edit, so that one undo takes both back."""

from __future__ import annotations

import html
import re
from typing import Any

from yemba.core import room
from yemba.core.change.operation import Operation, put
from yemba.core.limits import NAME_LETTERS
from yemba.core.message import Joined, Message
from yemba.core.site.addresses import free_slug
from yemba.core.site.ids import Ids
from yemba.core.site.resolve import Look
from yemba.core.trade.begin import new_page, purposes
from yemba.core.value.kind import Kind
from yemba.core.value.line import Line
from yemba.core.value.link import NEW, PAGE, Link
from yemba.core.value.words import Words

_IN_WORDS = re.compile(rf'href="{NEW}([^"]*)"')
_NAME = Line(NAME_LETTERS, empty=False)


def with_new_pages(look: Look, ids: Ids, kind: Kind, value: str, key: str) -> tuple[str, list[Operation]]:
    """A link, or words with links, of which those to new pages lead to pages; and the steps that make them.

    A page of that name that is there already is led to. Raises Fault beside `key` for a name that is none.
    """
    names = _names(kind, value)
    if not names:
        return value, []
    pages = {page.name.casefold(): page_id for page_id, page in look.document.ordered_pages()}
    steps: list[Operation] = []
    slugs = {page.slug for page in look.document.pages.values()}
    added: list[str] = []
    for typed in names:
        name = _NAME.read(typed, Message("The name of the new page"), key)
        if name.casefold() in pages:
            continue
        room.PAGES.check(len(look.document.pages) + len(added), key)
        page_id, slug = ids(), free_slug(name, slugs)
        steps.append(put(look.document, ("pages", page_id), _begun(look, name, slug, ids)))
        pages[name.casefold()] = page_id
        slugs.add(slug)
        added.append(page_id)
    if added:
        steps.append(put(look.document, ("order",), [*look.document.order, *added]))
    return _linked(kind, value, {name: pages[_NAME.read(name, "", key).casefold()] for name in names}), steps


def also_made(look: Look, kind: Kind, typed: str) -> str:
    """ ", and the new page Tea", for the words in which an edit is told; "" where it makes none."""
    known = {page.name.casefold() for page in look.document.pages.values()}
    new = dict.fromkeys(name.strip() for name in _names(kind, typed) if name.strip().casefold() not in known)
    return Message(", and the new page {listed}", listed=Joined(" and ", new)) if new else ""


def _begun(look: Look, name: str, slug: str, ids: Ids) -> dict[str, Any]:
    """With the sections of a page that is called so in the site's trade, else with words."""
    alike = (page.sections for page in purposes(look).values() if page.name.casefold() == name.casefold())
    return {"name": name, "slug": slug, **new_page(look, next(alike, ["words"]), ids)}


def _names(kind: Kind, value: str) -> list[str]:
    if isinstance(kind, Link):
        return [value.removeprefix(NEW)] if value.startswith(NEW) else []
    if isinstance(kind, Words):
        return [html.unescape(name) for name in _IN_WORDS.findall(value)]
    return []


def _linked(kind: Kind, value: str, pages: dict[str, str]) -> str:
    if isinstance(kind, Link):
        return f"{PAGE}{pages[value.removeprefix(NEW)]}"
    return _IN_WORDS.sub(lambda match: f'href="{PAGE}{pages[html.unescape(match[1])]}"', value)
