"""The journal: its posts, the newest first, with what each is to visitors."""

from __future__ import annotations

from datetime import datetime

from yemba.core.calendar.in_words import day_in_words
from yemba.core.message import Joined, Message
from yemba.core.site import journal
from yemba.core.site.document import Page
from yemba.core.site.resolve import Look
from yemba.studio.desks.setting import Context
from yemba.studio.desks.when import now

DRAFT = Message("Draft: not published")


def journal_desk(look: Look) -> Context:
    """What the view of the journal lists."""
    here = now(look)
    posts = [(key, page) for key, page in look.document.ordered_pages() if page.posted]
    posts.sort(key=lambda post: post[1].posted, reverse=True)
    return {
        "posts": [
            {"id": key, "name": journal.heading_of(look, page), "tags": page.tags, **_told(page, here)}
            for key, page in posts
        ],
        "today": here.date().isoformat(),
        "list_page": journal.list_page(look),
    }


def of_page(look: Look, page: Page) -> Context:
    """The day, the time and the tags of a page, as its desk has them."""
    day, _, time = page.posted.partition("T")
    tags = ", ".join(page.tags)
    return {"day": day, "time": time, "tags": tags, "known": journal.every_tag(look.document), **_told(page, now(look))}


def _told(page: Page, here: datetime) -> Context:
    """When it appears, in words, and what that makes it to visitors."""
    if not page.posted:
        return {"says": "", "state": ""}
    day, _, time = page.posted.partition("T")
    says = Joined(", ", filter(None, (day_in_words(day), time)))
    coming = "" if journal.is_due(page, here) else Message("Appears {when}", when=says)
    return {"says": says, "state": DRAFT if page.unpublished else coming}
