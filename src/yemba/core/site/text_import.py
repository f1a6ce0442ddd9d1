"""A text from elsewhere as sections of words: it is parted at its headings of the first rank, and where that is its
title alone, of the second too."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from itertools import pairwise
from typing import NamedTuple

from markdown_it import MarkdownIt

from yemba.core.errors import Fault
from yemba.core.limits import TEXT_LETTERS
from yemba.core.message import Message
from yemba.core.site.pasted import Block, blocks, ranked
from yemba.core.site.words import plain, safe

_MARKUP = re.compile(r"<(?:p|h[1-6]|div|ul|ol|li|br|b|strong|em|i|table|span|blockquote|a)\b", re.IGNORECASE)


class ImportedSection(NamedTuple):
    """A section to be: its heading, "" for none, and its words as they are stored."""

    heading: str
    words: str


def sections_of(text: str, longest_heading: int) -> list[ImportedSection]:
    """The sections of a text, which is HTML, or CommonMark with tables (as plain text is too). What stands before its
    first heading has none; a heading of more letters than `longest_heading` stays among the words.

    Raises Fault beside ``text`` where nothing is in it, or too much.
    """
    if len(text) > TEXT_LETTERS:
        reason = Message(
            "This text has {number} letters. At most {text_letters} can be brought in at once; bring it in parts.",
            number=len(text),
            text_letters=TEXT_LETTERS,
        )
        raise Fault("too-long", reason, "text")
    parsed = blocks(text if _MARKUP.search(text) else MarkdownIt("commonmark").enable("table").render(text))
    if not parsed:
        raise Fault("empty", Message("Nothing to bring in yet. Paste a text, or choose a file."), "text")
    return [_section(part, longest_heading) for part in _parted(parsed)]


def _parted(parsed: Sequence[Block]) -> Iterator[Sequence[Block]]:
    """The blocks from each main heading to the next."""
    headings = _main_headings([block.tag for block in parsed])
    starts = [place for place, block in enumerate(parsed) if block.tag in headings]
    for start, end in pairwise(sorted({0, *starts, len(parsed)})):
        yield parsed[start:end]


def _main_headings(tags: Sequence[str]) -> list[str]:
    """The tags of the headings that part a text: those of its first rank; a title at its head is followed by others."""
    ranks = sorted({tag for tag in tags if tag.startswith("h")})
    title_alone = ranks[:1] == [tags[0]] and tags.count(tags[0]) == 1
    return ranks[:2] if title_alone else ranks[:1]


def _section(part: Sequence[Block], longest_heading: int) -> ImportedSection:
    heading = plain(part[0].inner) if part[0].tag.startswith("h") else ""
    if not heading or len(heading) > longest_heading:
        return ImportedSection("", _words(part))
    return ImportedSection(heading, _words(part[1:]))


def _words(part: Sequence[Block]) -> str:
    return safe("".join(block.markup for block in ranked(part)))
