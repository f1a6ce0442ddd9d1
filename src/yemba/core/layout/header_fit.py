"""At which window width the navigation must fold into a menu."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from math import ceil
from typing import NamedTuple

from yemba.core.layout.arrangement import Arrangement
from yemba.core.site.catalogue import Family
from yemba.core.template.manifest import Measures
from yemba.core.type.levels import Text

SIDE_COLUMN = 240  # px; width of a header at the side, where its words need no more
_WIDEST_COLUMN = 340  # px; a word that is wider still is hyphenated
_SIDE_FROM = 960  # px; below it the pages beside a side header would be narrower than a tablet's
_NARROWEST = 480  # px; a phone's menu is always folded
_LINK_PADDING = 16  # px; on both sides of an entry together
_BETWEEN = 48  # px; least gap between title and navigation
_HALF = 0.58  # of its width that a tagline takes in two balanced lines; common practice, no source
_ROUNDING = 1.01  # browsers round advances; common practice, no source


class Fit(NamedTuple):
    """Widths in px. `fold` is the first window width at which everything stands unfolded, `column` the width of a
    header at the side."""

    title: float
    navigation: float
    fold: int
    column: int = SIDE_COLUMN


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
