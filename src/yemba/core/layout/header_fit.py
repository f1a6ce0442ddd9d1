"""At which window width the navigation must fold into a menu."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from math import ceil
from typing import NamedTuple

from yemba.core.layout.arrangement import Arrangement
from yemba.core.site.catalogue import Family
from yemba.core.template.manifest import Measures
from yemba.core.type.levels import Text
from yemba.core.type.scale import WIDE_WIDTH

SIDE_COLUMN = 240  # px; width of a header at the side, where its words need no more
_WIDEST_COLUMN = 340  # px; a word that is wider still is hyphenated
_SIDE_FROM = 960  # px; below it the pages beside a side header would be narrower than a tablet's
_NARROWEST = 480  # px; a phone's menu is always folded
_LINK_PADDING = 16  # px; on both sides of an entry together
_BETWEEN = 48  # px; least gap between title and navigation
_HALF = 0.58  # of its width that a tagline takes in two balanced lines; common practice, no source
_AROUND = 72  # px; padding, gaps and rules above and below, the most of any arrangement and template
_AROUND_FOLDED = 28  # px; the same where the menu is folded
_SIGN = 1.2  # em; what a name set on a plate has round it, above and below
FOLDED_FROM = (240, 390, 768)
"""Widths in px at which ranges of windows begin, for each of which a folded header is told of."""
_BESIDE = 132  # px; gutters, gap and the button of a folded menu
_UNEVEN = 1.35  # lines are not filled to their ends; common practice, no source
_ROUNDING = 1.01  # browsers round advances; common practice, no source


class Fit(NamedTuple):
    """Widths in px. `fold` is the first window width at which everything stands unfolded, `column` the width of a
    header at the side."""

    title: float
    navigation: float
    fold: int
    column: int = SIDE_COLUMN


class Heights(NamedTuple):
    """At most so high in px a header stands: where its menu is unfolded, and where it is folded in windows of each
    range of FOLDED_FROM."""

    unfolded: int
    folded: tuple[int, ...]


class Least(NamedTuple):
    """How high in px it is set to be at least, on a wide window and on a phone."""

    wide: float
    phone: float


class Setting(NamedTuple):
    """The face that a piece of the header is set in, and how."""

    family: Family
    text: Text

    def width(self, words: str) -> float:
        """Width in px of one line on a wide window."""
        return _ROUNDING * self.family.text_width(self.text, words, self.text.size.high)

    def two_lines(self, words: str) -> float:
        """Width in px where the words may stand in two lines."""
        return max(_HALF * self.width(words), self.longest([words]))

    def lines(self, count: int) -> float:
        """Height in px of so many lines on a wide window."""
        return count * self.text.size.high * self.text.leading

    def broken(self, words: str, room: float, window: float) -> float:
        """Height in px at most of words that break into lines in a room, in a window of that width; both in px. Their
        size gives way to the longest word, as that of titles does."""
        longest = max(self.family.text_width(self.text, word, 1) for word in words.split() or [words])
        size = min(self.text.size.at(window), room / max(longest, 1))
        lines = ceil(_UNEVEN * self.family.text_width(self.text, words, size) / room)
        return (lines * self.text.leading + _SIGN) * size

    def longest(self, texts: Iterable[str]) -> float:
        """Width in px of the longest word of all these."""
        return max((self.width(word) for text in texts for word in text.split()), default=0.0)


def fit(
    arrangement: Arrangement,
    title: str,
    entries: Sequence[str],
    title_as: Setting,
    entries_as: Setting,
    measures: Measures,
    logo_width: float | None = None,
    tagline: float = 0.0,
) -> Fit:
    """Measure a header from its words as they are set on a wide window.

    `logo_width` stands in for the title's width where the logo is a picture, `tagline` is its width, 0 for none.
    """
    title_width = logo_width or title_as.width(title)
    widths = [entries_as.width(entry) + _LINK_PADDING for entry in entries]
    navigation = _menu_width(arrangement, widths, measures.nav_gap)
    edges = 2 * measures.gutter
    if arrangement.column:
        column = min(_WIDEST_COLUMN, max(SIDE_COLUMN, ceil(entries_as.longest(entries) + _LINK_PADDING + edges)))
        return Fit(title_width, navigation, _SIDE_FROM, column)
    pieces = {"title": title_width, "tagline": tagline, "navigation": navigation}
    fold = ceil(_widest_row(arrangement, pieces) + edges)
    return Fit(title_width, navigation, max(_NARROWEST, fold))


def heights(
    arrangement: Arrangement,
    entries: int,
    title_as: Setting,
    tagline_as: Setting | None,
    entries_as: Setting,
    least: Least,
    title: str,
    logo_share: float | None = None,
) -> Heights:
    """How high a header stands at most; `least` is what is set, `title` the name.

    `logo_share` is the height of the logo as a share of the header's, where the logo is a picture. A name breaks into
    lines beside a folded menu's button.
    """
    rows = arrangement.menu_rows or arrangement.menu_lines
    wide = {
        "title": least.wide * logo_share if logo_share else title_as.lines(1) + _SIGN * title_as.text.size.high,
        "tagline": tagline_as.lines(2) if tagline_as else 0.0,
        "navigation": entries_as.lines(rows) + rows * _LINK_PADDING if entries else 0.0,
    }
    unfolded = 0 if arrangement.column else max(least.wide, _rows_height(arrangement, wide) + _AROUND)
    folded = []
    for ends in zip(FOLDED_FROM, (*FOLDED_FROM[1:], WIDE_WIDTH), strict=True):
        broken = max(title_as.broken(title, window - _BESIDE, window) for window in ends)
        name = least.phone * logo_share if logo_share else broken
        folded.append(ceil(max(least.phone, name + _AROUND_FOLDED)))
    return Heights(ceil(unfolded), tuple(folded))


def _rows_height(arrangement: Arrangement, pieces: Mapping[str, float]) -> float:
    """In px; a piece that stands in several rows stands beside them all."""
    named = [piece for row in arrangement.rows for piece in row]
    beside = {piece for piece in named if named.count(piece) > 1}
    rows = sum(max((pieces[piece] for piece in row if piece not in beside), default=0) for row in arrangement.rows)
    return max([rows, *(pieces[piece] for piece in beside)])


def _menu_width(arrangement: Arrangement, entries: Sequence[float], gap: float) -> float:
    """In px, of entries of these widths: in columns, or in lines each of which may have an entry more."""
    if arrangement.menu_rows:
        rows = arrangement.menu_rows
        columns = [max(entries[start : start + rows]) for start in range(0, len(entries), rows)]
        return sum(columns) + gap * max(0, len(columns) - 1)
    line = sum(entries) + gap * max(0, len(entries) - 1)
    if arrangement.menu_lines == 1:
        return line
    return min(line, line / arrangement.menu_lines + max(entries, default=0.0))


def _widest_row(arrangement: Arrangement, pieces: Mapping[str, float]) -> float:
    return max(_row_width([pieces[piece] for piece in row if pieces[piece]]) for row in arrangement.rows)


def _row_width(widths: Sequence[float]) -> float:
    return sum(widths) + _BETWEEN * max(0, len(widths) - 1)
