"""Words as they are stored: a small, clean subset of HTML."""

from __future__ import annotations

import html
import re

import nh3

_TAGS = {"p", "strong", "em", "a", "ul", "ol", "li", "br", "h3", "blockquote"}
_SAME = {"b": "strong", "i": "em", "div": "p", "h1": "h3", "h2": "h3", "h4": "h3", "h5": "h3", "h6": "h3"}
_TAG = re.compile(r"<(/?)(\w+)")
_EMPTY = re.compile(r"<(p|li|h3|strong|em|blockquote)>(?:\s|&nbsp;|<br>)*</\1>")
_BLOCK = re.compile(r"^\s*<(p|ul|ol|h3|blockquote)\b")


def clean_words(typed: str) -> str:
    """Paragraphs, bold, italic, links, lists, quotes and small headings; everything else is taken out,
    its words kept. Plain text becomes paragraphs at its blank lines."""
    if "<" not in typed:
        blocks = (" ".join(block.split()) for block in re.split(r"\n\s*\n", typed))
        return "".join(f"<p>{html.escape(block, quote=False)}</p>" for block in blocks if block)
    renamed = _TAG.sub(lambda m: f"<{m.group(1)}{_SAME.get(m.group(2).lower(), m.group(2))}", typed)
    safe = nh3.clean(
        renamed,
        tags=_TAGS,
        attributes={"a": {"href"}},
        url_schemes={"http", "https", "mailto", "tel", "page"},
        link_rel=None,
    )
    full = _EMPTY.sub("", safe).strip()
    return full if not full or _BLOCK.match(full) else f"<p>{full}</p>"


def plain(words: str) -> str:
    """The words alone, for titles, search and comparing."""
    return " ".join(html.unescape(re.sub(r"<[^>]+>", " ", words)).split())
