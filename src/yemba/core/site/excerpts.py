"""What a page says of itself where another leads to it: its name, its first words, its leading picture."""

from __future__ import annotations

from textwrap import shorten
from typing import NamedTuple

from yemba.core.site.document import Page, Picture, ordered_items
from yemba.core.site.journal import heading_of
from yemba.core.site.pictures import leading_picture
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain

MOST = 180  # letters
_LEADS = ("lead", "body", "text", "intro")
"""Fields that hold running words, the likeliest first."""


class Excerpt(NamedTuple):
    """`words` end within MOST letters, at a word; "" where the page has none. `posted` and `tags` are those of a
    post."""

    name: str
    words: str
    picture: Picture | None
    posted: str = ""
    tags: tuple[str, ...] = ()


def excerpt(look: Look, page_id: str) -> Excerpt | None:
    """None for a page that is gone, or that visitors do not see."""
    document = look.document
    if not document.is_published(page_id):
        return None
    page = document.pages[page_id]
    words = shorten(page.description or _first_words(page), MOST, placeholder=" …")
    name = heading_of(look, page) if page.posted else page.name
    return Excerpt(name, words, leading_picture(look, page), page.posted, tuple(page.tags))


def _first_words(page: Page) -> str:
    """The first running words that stand on a page."""
    for _, section in page.ordered():
        field_sets = [section.fields, *(item.fields for _, item in ordered_items(section))]
        words = (plain(fields.get(slug, "")) for fields in field_sets for slug in _LEADS)
        if first := next(filter(None, words), ""):
            return first
    return ""
