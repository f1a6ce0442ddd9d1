"""The journal: pages with a day are its posts. Which of them visitors see when, by tag and by month."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable
from datetime import datetime, time
from typing import NamedTuple
from zoneinfo import ZoneInfo

from yemba.core.site.addresses import free_slug
from yemba.core.site.document import Document, Page, Section
from yemba.core.site.kinds import EXCERPTS, POST
from yemba.core.site.resolve import Look

POSTS = "posts"
"""What a section of excerpts shows that lists the journal."""
USUAL, MOST = 6, 100
"""How many excerpts a section shows where nothing else is chosen, and how many at most."""


class Ways(NamedTuple):
    """Into the journal: its tags and its months ("2026-10"), each with how many posts it has."""

    tags: dict[str, int]
    months: dict[str, int]


def moment_of(page: Page, zone: ZoneInfo) -> datetime:
    """When a post appears: at the time it is told for, else as its day begins. `zone` is that of the site."""
    day = datetime.fromisoformat(page.posted)
    return day.replace(tzinfo=zone) if "T" in page.posted else datetime.combine(day.date(), time(), zone)


def is_due(page: Page, now: datetime) -> bool:
    """Whether the moment of a post has come; `now` is told in the zone of the site. Of any other page it always has."""
    here = now.replace(tzinfo=None).isoformat(timespec="minutes")
    return page.posted <= (here if "T" in page.posted else here[:10])


def has_posts(document: Document) -> bool:
    """Whether any page is a post."""
    return any(page.posted for page in document.pages.values())


def posts(document: Document, now: datetime, *, tag: str = "", month: str = "") -> list[str]:
    """The ids of the posts that visitors see now, the newest first; those of a tag, or of a month, alone."""
    dated = [
        (page.posted, -place, key)
        for place, (key, page) in enumerate(document.published_pages())
        if page.posted
        and is_due(page, now)
        and page.posted.startswith(month)
        and (not tag or tag in page.tags)
        and page.language == document.seen_in
    ]
    return [key for _, _, key in sorted(dated, reverse=True)]


def tagged_pages(document: Document, tag: str) -> list[str]:
    """The ids of the pages of a tag that are no posts, in their order; all that have any where none is given."""
    here = ((key, page) for key, page in document.published_pages() if page.language == document.seen_in)
    return [key for key, page in here if not page.posted and (tag in page.tags if tag else page.tags)]


def ways(document: Document, now: datetime) -> Ways:
    """The tags of the posts that visitors see, by their letters, and the months, the newest first."""
    pages = [document.pages[key] for key in posts(document, now)]
    tags = Counter(tag for page in pages for tag in page.tags)
    return Ways(
        tags={tag: tags[tag] for tag in sorted(tags, key=str.casefold)},
        months=dict(Counter(page.posted[:7] for page in pages)),
    )


def every_tag(document: Document) -> list[str]:
    """The tags of all pages, by their letters."""
    return sorted({tag for page in document.pages.values() for tag in page.tags}, key=str.casefold)


def tag_slugs(tags: Iterable[str]) -> dict[str, str]:
    """The last step of the address of each tag."""
    slugs: dict[str, str] = {}
    for tag in sorted(tags):
        slugs[tag] = free_slug(tag, slugs.values())
    return slugs


def neighbours(document: Document, page: str, now: datetime) -> tuple[str, str]:
    """The ids of the posts before and after one in time, "" where there is none; one that visitors do not see yet has
    the place it will have."""
    every = posts(document, now)
    if page not in every:
        every = sorted([page, *every], key=lambda key: document.pages[key].posted, reverse=True)
    place = every.index(page)
    return next(iter(every[place + 1 :]), ""), every[place - 1] if place else ""


def list_page(look: Look) -> str:
    """The id of the page on which all posts are listed; "" where there is none."""
    for key, page in look.document.published_pages():
        is_here = page.language == look.document.seen_in and not page.posted
        if is_here and any(_lists_all(look, section) for section in look.document.shown(key).sections.values()):
            return key
    return ""


def _lists_all(look: Look, section: Section) -> bool:
    is_list = EXCERPTS in look.catalogue.kind(section.kind).roles and section.fields.get("shows") == POSTS
    return is_list and not section.fields.get("tag")


def heading_of(look: Look, page: Page) -> str:
    """What a post is called in the journal: as its head says, else as its page is named."""
    heads = (section for _, section in page.ordered() if POST in look.catalogue.kind(section.kind).roles)
    return next((head.fields["heading"] for head in heads if head.fields.get("heading")), page.name)


def as_at(document: Document, now: datetime) -> Document:
    """The document as visitors see it at a moment: posts whose moment is still to come are not published."""
    waiting = [key for key, page in document.pages.items() if not is_due(page, now) and not page.unpublished]
    if not waiting:
        return document
    hidden = {key: document.pages[key].model_copy(update={"unpublished": True}) for key in waiting}
    return document.model_copy(update={"pages": document.pages | hidden})


def next_due(document: Document, now: datetime, zone: ZoneInfo) -> datetime | None:
    """When the next post appears of those that are to; None where none is."""
    coming = (page for _, page in document.published_pages() if not is_due(page, now))
    return min((moment_of(page, zone) for page in coming), default=None)
