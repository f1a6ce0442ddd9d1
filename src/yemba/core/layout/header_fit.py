"""At which window width the navigation must fold into a menu."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from math import ceil
from typing import NamedTuple

from yemba.core.layout.arrangement import Arrangement
from yemba.core.site.catalogue import Family
from yemba.core.template.manifest import Measures
from yemba.core.type.levels import Text

SIDE_COLUMN = 240  # px; width of a header at the side
_SIDE_FROM = 960  # px; below it the pages beside a side header would be narrower than a tablet's
_NARROWEST, _NEVER = 480, 4000  # px; a phone's menu is always folded; wider than any window: always folded
_LINK_PADDING = 16  # px; on both sides of an entry together
_BETWEEN = 48  # px; least gap between title and navigation
_ROUNDING = 1.01  # browsers round advances; common practice, no source


class Fit(NamedTuple):
    """Widths in px. `fold` is the first window width at which everything stands unfolded."""

    title: float
    navigation: float
    fold: int


class Setting(NamedTuple):
    """The face that a piece of the header is set in, and how."""

    family: Family
    text: Text

    def width(self, words: str) -> float:
        """Width in px of one line on a wide window."""
        return _ROUNDING * self.family.text_width(self.text, words, self.text.size.high)


def fit(
    arrangement: Arrangement,
    title: str,
    entries: Sequence[str],
    title_as: Setting,
    entries_as: Setting,
    measures: Measures,
    logo_width: float | None = None,
) -> Fit:
    """Measure a header from its words as they are set on a wide window.

    `logo_width` stands in for the title's width where the logo is a picture.
    """
    title_width = logo_width or title_as.width(title)
    widths = [entries_as.width(entry) + _LINK_PADDING for entry in entries]
    navigation = sum(widths) + measures.nav_gap * max(0, len(widths) - 1)
    edges = 2 * measures.gutter
    if arrangement.column:
        widest = max([title_width if logo_width else 0, *widths])
        fold = _SIDE_FROM if widest + edges <= SIDE_COLUMN else _NEVER
    else:
        pieces = {"title": title_width, "navigation": navigation}
        fold = ceil(_widest_row(arrangement, pieces) + edges)
    return Fit(title_width, navigation, max(_NARROWEST, fold))


def _widest_row(arrangement: Arrangement, pieces: Mapping[str, float]) -> float:
    return max(_row_width([pieces[piece] for piece in row if pieces[piece]]) for row in arrangement.rows)


def _row_width(widths: Sequence[float]) -> float:
    return sum(widths) + _BETWEEN * max(0, len(widths) - 1)
