"""Words as they are stored: a small, clean subset of HTML."""

from __future__ import annotations

import html
import re

import nh3

from yemba.core.site.pasted import blocks, ranked

_TAGS = {"p", "strong", "em", "a", "ul", "ol", "li", "br", "h3", "h4", "blockquote"}


def clean_words(typed: str) -> str:
    """Paragraphs, bold, italic, links, lists, quotes and headings of two levels; everything else is taken out,
    its words kept. Plain text becomes paragraphs at its blank lines."""
    if "<" not in typed:
        lines = (" ".join(block.split()) for block in re.split(r"\n\s*\n", typed))
        return "".join(f"<p>{html.escape(block, quote=False)}</p>" for block in lines if block)
    return safe("".join(block.markup for block in ranked(blocks(typed))))


def safe(markup: str) -> str:
    """Markup without anything but what words may hold."""
    return nh3.clean(
        markup,
        tags=_TAGS,
        attributes={"a": {"href"}},
        url_schemes={"http", "https", "mailto", "tel", "page", "file", "new"},
        link_rel=None,
    )


def plain(words: str) -> str:
    """The words alone, for titles, search and comparing."""
    return " ".join(html.unescape(re.sub(r"<[^>]+>", " ", words)).split())
