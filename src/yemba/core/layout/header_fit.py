"""At which window width the navigation must fold into a menu."""

from __future__ import annotations

from collections.abc import Sequence
from math import ceil
from typing import NamedTuple

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


Shown = tuple[Family, Text]


def fit(
    arrangement: str,
    title: str,
    entries: Sequence[str],
    title_as: Shown,
    entries_as: Shown,
    measures: Measures,
    logo_width: float | None = None,
) -> Fit:
    """Measure a header from its words as they are set on a wide window.

    `logo_width` stands in for the title's width where the logo is a picture.
    """
    title_width = logo_width or _width(title_as, title)
    widths = [_width(entries_as, entry) + _LINK_PADDING for entry in entries]
    navigation = sum(widths) + measures.nav_gap * max(0, len(widths) - 1)
    edges = 2 * measures.gutter
    match arrangement:
        case "side":
            widest = max([title_width if logo_width else 0, *widths])
            fold = _SIDE_FROM if widest + edges <= SIDE_COLUMN else _NEVER
        case "stack":
            fold = ceil(max(title_width, navigation) + edges)
        case _:
            fold = ceil(title_width + _BETWEEN * bool(entries) + navigation + edges)
    return Fit(title_width, navigation, max(_NARROWEST, fold))


def _width(shown: Shown, words: str) -> float:
    family, text = shown
    return _ROUNDING * family.text_width(text, words, text.size.high)
