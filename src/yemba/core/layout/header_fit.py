"""How a header fits: what gives way as a window grows narrower, where its menu folds, how high it stands at most."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Iterator, Mapping, Sequence
from functools import partial
from itertools import pairwise
from math import ceil
from typing import NamedTuple

from yemba.core.layout.arrangement import FOLDED, NONE, Arrangement
from yemba.core.layout.lines import broken
from yemba.core.site.catalogue import Family
from yemba.core.type.levels import Text
from yemba.core.type.scale import PHONE_WIDTH, WIDE_WIDTH

HIGHEST_LOGO = 160  # px; a logo is a share of a header’s height up to this
SIDE_COLUMN = 240  # px; width of a header at the side, where its words need no more
TIGHT_GAP = 8  # px; the least gap between entries of a menu
SMALLER = 0.9  # of their size that entries are set in before a menu folds
FULL, GAP, TAGLINE, SIZE = "full", "gap", "tagline", "size"
"""What gave way last: nothing, the gap of the menu, the tagline, the size of the menu."""
_SMALLEST = 13.5  # px; entries are not set smaller so that they fit
_WIDEST_COLUMN = 340  # px; a word that is wider still is hyphenated
_SIDE_FROM = 960  # px; below it the pages beside a side header would be narrower than a tablet's
_NARROWEST = 480  # px; a phone's menu is always folded
_LINK_PADDING = 16  # px; on both sides of an entry together
_OPENER = 28  # px; the button beside an entry that has others below it
BETWEEN = 48  # px; least gap between title and navigation
BEFORE_ACTION = 24  # px; gap between menu and call to action
_BUTTON_AROUND = 2.6  # em; padding on both sides of a button together
_BUTTON_ABOVE = 1.4  # em; the same above and below
_BUTTON_EDGES = 4  # px
_HALF = 0.58  # of its width that a tagline takes in two balanced lines; common practice, no source
_AROUND_FOLDED = 28  # px; padding and rules above and below where the menu is folded
_BETWEEN_ROWS = 12  # px; gap between the rows of a bar
_SIGN = 1.2  # em; what a name set on a plate has round it, above and below
FOLDED_FROM = (240, 280, 320, 350, 390, 430, 480, 560, 660, 768, 900, 1080)
"""Widths in px at which ranges of windows begin, for each of which a folded header is told of."""
_BUTTON_BESIDE = 100  # px; the button of a folded menu and the gap before it, in every language
BETWEEN_FOLDED = 12  # px; between the pieces beside it
_LEAST_TITLE = 96  # px; what is left of a name beside a call to action
ROUNDING = 1.01  # browsers round advances; common practice, no source


class Stage(NamedTuple):
    """What gave way last, from a window width in px on."""

    gives: str
    width: int


class Fit(NamedTuple):
    """Widths in px. `fold` is the first window width at which everything stands unfolded, `column` the width of a
    header at the side. `stages` are what gives way, the widest first and the last at the fold. A call to action stands
    beside a folded menu's button from `action_from` on."""

    title: float
    navigation: float
    fold: int
    column: int = SIDE_COLUMN
    stages: tuple[Stage, ...] = ()
    action_from: int = 0


NEVER = 100_000
"""px; no window is so wide."""


def within(fitting: Fit, widest: float | None) -> Fit:
    """How a header fits that never becomes wider than so many px, however wide the window."""
    if widest is None or fitting.stages[0].width <= widest:
        return fitting
    stages = tuple(stage._replace(width=stage.width if stage.width <= widest else NEVER) for stage in fitting.stages)
    return fitting._replace(fold=fitting.fold if fitting.fold <= widest else NEVER, stages=stages)


class Heights(NamedTuple):
    """At most so high in px a header stands: where its menu is unfolded, and where it is folded in windows of each
    range of FOLDED_FROM."""

    unfolded: int
    folded: tuple[int, ...]


class Least(NamedTuple):
    """How high in px it is set to be at least, on a wide window and on a phone, and what a logo’s height is a share of
    there."""

    wide: float
    phone: float
    logo_wide: float
    logo_phone: float


class Setting(NamedTuple):
    """The face that a piece of the header is set in, and how."""

    family: Family
    text: Text

    def width(self, words: str) -> float:
        """Width in px of one line on a wide window."""
        return self.width_at(words, WIDE_WIDTH)

    def width_at(self, words: str, window: float) -> float:
        """Width in px of one line in a window of that width."""
        return ROUNDING * self.family.text_width(self.text, words, self.text.size.at(window))

    def two_lines(self, words: str) -> float:
        """Width in px where the words may stand in two lines."""
        return max(_HALF * self.width(words), self.longest([words]))

    def lines(self, count: int) -> float:
        """Height in px of so many lines on a wide window."""
        return count * self.text.size.high * self.text.leading

    def broken(self, lines: Sequence[str], room: float, window: float, beside: float = 0) -> float:
        """Height in px of lines that break where they are wider than a room, in a window of that width; both in px.
        Their size gives way to the longest word, as that of titles does; `beside` them something may stand, in em."""
        words = " ".join(lines).split() or [""]
        longest = beside + max(self.family.text_width(self.text, word, 1) for word in words)
        size = min(self.text.size.at(window), room / max(longest, 0.01))
        left = room - beside * size
        width = partial(self._width_of_line, size)
        count = sum(len(broken(words, width, left, 99)) for words in lines)
        return (count * self.text.leading + _SIGN) * size

    def _width_of_line(self, size: float, words: str) -> float:
        """In px, set at `size` px."""
        return ROUNDING * self.family.text_width(self.text, words, size)

    def longest(self, texts: Iterable[str]) -> float:
        """Width in px of the longest word of all these."""
        return max((self.width(word) for text in texts for word in text.split()), default=0.0)

    def button(self, words: str, window: float) -> float:
        """Width in px of a button with these words in a window of that width."""
        return self.width_at(words, window) + _BUTTON_AROUND * self.text.size.at(window) + _BUTTON_EDGES

    @property
    def button_height(self) -> float:
        """In px, on a wide window."""
        return self.text.size.high * (self.text.leading + _BUTTON_ABOVE) + _BUTTON_EDGES


class Faces(NamedTuple):
    """What the pieces of a header are set in."""

    title: Setting
    navigation: Setting
    tagline: Setting
    action: Setting


class Contents(NamedTuple):
    """What stands in a header: words, "" for what does not.

    `opening` are the entries of the menu that have others below them. The title stands in `lines`, in one where there
    are none, with `beside` em of something before them. `logo` is the width of a logo over its height,
    None where the name is set in type; `logo_share` says how much of the header's height it takes. Of title,
    tagline and action it is said whether they stand beside an unfolded menu, and on a phone.
    """

    title: str
    entries: tuple[str, ...] = ()
    opening: frozenset[str] = frozenset()
    tagline: str = ""
    action: str = ""
    logo: float | None = None
    logo_share: float = 1.0
    lines: tuple[str, ...] = ()
    beside: float = 0
    title_wide: bool = True
    title_on_phone: bool = True
    tagline_on_phone: bool = False
    action_on_phone: bool = True


class Spaces(NamedTuple):
    """Between entries of the menu, between the header's pieces and the edges of the window, and on both sides of a name
    in type together; in px."""

    gap: float
    gutter: float
    plate: float = 0


class Header(NamedTuple):
    """A header with all that its measures depend on; `least` is how high it is set to be. `widths` are those of
    the entries, where they are known. What its properties and methods tell is in px, on a wide window."""

    arrangement: Arrangement
    contents: Contents
    faces: Faces
    spaces: Spaces
    least: Least
    widths: tuple[float, ...] = ()

    @property
    def title(self) -> float:
        """The width of the name with what stands beside it, or of the logo that stands for it."""
        contents, face = self.contents, self.faces.title
        if not contents.title_wide:
            return 0.0
        if contents.logo:
            return self.least.logo_wide * contents.logo_share * contents.logo
        beside = contents.beside * face.text.size.high
        return self.spaces.plate + beside + max(face.width(line) for line in self.title_lines)

    @property
    def title_lines(self) -> tuple[str, ...]:
        """The lines that the name is set in."""
        return self.contents.lines or (self.contents.title,)

    @property
    def tagline(self) -> float:
        """The width of the tagline in two lines."""
        return self.faces.tagline.two_lines(self.contents.tagline) if self.contents.tagline else 0.0

    @property
    def action(self) -> float:
        """The width of the call to action."""
        return self.faces.action.button(self.contents.action, WIDE_WIDTH) if self.contents.action else 0.0

    def entries(self, size: float = 1) -> list[float]:
        """The widths of the entries, set in that share of their size."""
        opening = [_OPENER if entry in self.contents.opening else 0 for entry in self.contents.entries]
        widths = self.widths or widths_of(self.contents, self.faces)
        return [size * width + _LINK_PADDING + more for width, more in zip(widths, opening, strict=True)]

    def menu(self, gap: float, size: float = 1) -> float:
        """The width of the menu, with the call to action beside it."""
        action = self.action + BEFORE_ACTION if self.action else 0.0
        return _menu_width(self.arrangement, self.entries(size), gap, action)

    def needs(self, gap: float, tagline: bool, size: float) -> float:
        """How wide its widest row is, unfolded."""
        if self.arrangement.split:
            return self.title + 2 * max(self._sides(self.half, gap, size)) + 2 * BETWEEN
        tagline_width = self.tagline if tagline else 0.0
        pieces = {"title": self.title, "tagline": tagline_width, "navigation": self.menu(gap, size)}
        return _widest_row(self.arrangement, pieces)

    def size_at(self, fit: Fit, window: float) -> float:
        """The share of their size that the entries of an unfolded menu are set in, in a window of that width."""
        ways = {stage.gives for before, stage in pairwise(fit.stages) if window < before.width}
        return SMALLER if SIZE in ways else 1.0

    @property
    def beside(self) -> float:
        """How much of a window is taken beside a name where the menu is folded: gutters, gap and the menu's button."""
        return 2 * self.spaces.gutter + _BUTTON_BESIDE

    @property
    def half(self) -> int:
        """How many entries stand before a title that stands between them: so many that both sides are about as wide."""
        count = len(self.contents.entries)
        return min(range(count + 1), key=lambda half: max(self._sides(half, self.spaces.gap, 1)))

    def _sides(self, half: int, gap: float, size: float) -> tuple[float, float]:
        """The widths on both sides of a title that so many entries stand before; a call to action stands behind it."""
        widths = self.entries(size)
        action = self.action + BEFORE_ACTION if self.action else 0.0
        return line(widths[:half], gap), line(widths[half:], gap) + action

    def action_from(self) -> int:
        """From which window on the call to action stands beside the button of a folded menu; 0 where it never does."""
        contents, faces = self.contents, self.faces
        if not contents.action or not contents.action_on_phone:
            return 0
        for window in (PHONE_WIDTH, WIDE_WIDTH):
            action = faces.action.button(contents.action, window)
            needs = self.beside + BETWEEN_FOLDED + action + self._least_title(window)
            if needs <= window:
                break
        return ceil(needs)

    def _least_title(self, window: float) -> float:
        """What the name needs beside a folded menu: its longest word, or the logo."""
        contents, face = self.contents, self.faces.title
        if not contents.title_on_phone:
            return 0.0
        if contents.logo:
            return max(_LEAST_TITLE, self.least.logo_phone * contents.logo_share * contents.logo)
        longest = max(face.width_at(word, window) for word in contents.title.split() or [""])
        return max(_LEAST_TITLE, longest + contents.beside * face.text.size.at(window))


def widths_of(contents: Contents, faces: Faces) -> tuple[float, ...]:
    """The widths of the words of the menu's entries, in px on a wide window."""
    return tuple(faces.navigation.width(entry) for entry in contents.entries)


def fit(header: Header) -> Fit:
    """Measure a header from its words as they are set on a wide window."""
    menu, title = header.menu(header.spaces.gap), header.title
    edges = 2 * header.spaces.gutter
    action_from = header.action_from()
    if header.arrangement.column:
        words = ceil(header.faces.navigation.longest(header.contents.entries) + _LINK_PADDING + edges)
        column = min(_WIDEST_COLUMN, max(SIDE_COLUMN, words))
        return Fit(title, menu, _SIDE_FROM, column, (Stage(FULL, _SIDE_FROM),), action_from)
    stages = tuple(_stages(header, edges))
    return Fit(title, menu, stages[-1].width, SIDE_COLUMN, stages, action_from)


def _stages(header: Header, edges: float) -> Iterator[Stage]:
    """What gives way, the widest first: of what is left to give, the first that makes the header narrower."""
    ways: tuple[str, ...] = ()
    left = [GAP, TAGLINE, SIZE]
    if SMALLER * header.faces.navigation.text.size.high < _SMALLEST:
        left.remove(SIZE)
    last = _width_with(header, ways, edges)
    yield Stage(FULL, last)
    while narrower := [way for way in left if _width_with(header, (*ways, way), edges) < last]:
        way = narrower[0]
        left.remove(way)
        ways = (*ways, way)
        last = _width_with(header, ways, edges)
        yield Stage(way, last)


def _width_with(header: Header, ways: Sequence[str], edges: float) -> int:
    """From which window on it stands unfolded where these have given way; in px."""
    gap = min(header.spaces.gap, TIGHT_GAP) if GAP in ways else header.spaces.gap
    needs = header.needs(gap, TAGLINE not in ways, SMALLER if SIZE in ways else 1.0)
    return max(_NARROWEST, ceil(needs + edges))


def heights(header: Header) -> Heights:
    """How high a header stands at most. A name breaks into lines beside a folded menu's button."""
    arrangement, least = header.arrangement, header.least
    if arrangement.menu == NONE:
        return Heights(0, (0,) * len(FOLDED_FROM))
    rows = _rows_height(arrangement, wide_heights(header)) + arrangement.around
    unfolded = 0 if arrangement.column else ceil(max(least.wide, rows))
    ranges = zip(FOLDED_FROM, (*FOLDED_FROM[1:], 2 * WIDE_WIDTH), strict=True)
    folded = (max(folded_height(header, window) for window in ends) for ends in ranges)
    return Heights(unfolded, tuple(ceil(height) for height in folded))


def bar_heights(header: Header) -> Heights:
    """How high it stands at most once it has shrunk to a bar: as high as what stands in it needs."""
    around = _AROUND_FOLDED + _BETWEEN_ROWS * (len(header.arrangement.rows) - 1)
    arrangement = header.arrangement.model_copy(update={"around": around})
    return heights(header._replace(arrangement=arrangement, least=header.least._replace(wide=0, phone=0)))


def wide_heights(header: Header) -> Mapping[str, float]:
    """The heights of the pieces in px where the menu is unfolded."""
    arrangement, contents, faces, _, least, _ = header
    name = faces.title.lines(len(header.title_lines)) + _SIGN * faces.title.text.size.high
    title = least.logo_wide * contents.logo_share if contents.logo else name
    rows = arrangement.menu_rows or arrangement.menu_lines
    menu = faces.navigation.lines(rows) + rows * _LINK_PADDING if contents.entries else 0.0
    return {
        "title": title if contents.title_wide else 0.0,
        "tagline": faces.tagline.lines(2) if contents.tagline else 0.0,
        "navigation": max(menu, faces.action.button_height if contents.action else 0.0),
    }


def folded_height(header: Header, window: float) -> float:
    """The height in px in a window of that width where the menu is folded."""
    arrangement, contents, faces, _, least, _ = header
    room = window - header.beside
    if contents.action and contents.action_on_phone and window >= header.action_from():
        room -= faces.action.button(contents.action, window)
    wide = arrangement.menu == FOLDED and window >= _NARROWEST
    logo = (least.logo_wide if wide else least.logo_phone) * contents.logo_share
    room = max(room, _LEAST_TITLE)
    of_name = max(room - header.spaces.plate, _LEAST_TITLE)
    name = logo if contents.logo else faces.title.broken(header.title_lines, of_name, window, contents.beside)
    if not (contents.title_wide if wide else contents.title_on_phone):
        name = 0.0
    tagline = 0.0
    if contents.tagline and contents.tagline_on_phone:
        tagline = faces.tagline.broken([contents.tagline], room, window)
    return max(name + tagline + _AROUND_FOLDED, least.wide if wide else least.phone)


def _rows_height(arrangement: Arrangement, pieces: Mapping[str, float]) -> float:
    """In px; a piece that stands in several rows stands beside them all."""
    times = Counter(piece for row in arrangement.rows for piece in row)
    beside = [pieces[piece] for piece, count in times.items() if count > 1]
    rows = [[pieces[piece] for piece in row if times[piece] == 1] for row in arrangement.rows]
    stacked = sum(max(row, default=0) for row in rows)
    return max([stacked, *beside])


def line(widths: Sequence[float], gap: float) -> float:
    """The width of pieces in a line, with a gap between them."""
    return sum(widths) + gap * max(0, len(widths) - 1)


def _menu_width(arrangement: Arrangement, entries: Sequence[float], gap: float, action: float) -> float:
    """In px, of entries of these widths with the action beside them: in columns, or in lines each of which may have an
    entry more."""
    if arrangement.menu == FOLDED:
        return _BUTTON_BESIDE + action
    if arrangement.menu_rows:
        rows = arrangement.menu_rows
        columns = [max(entries[start : start + rows]) for start in range(0, len(entries), rows)]
        return line(columns, gap) + action
    whole = line(entries, gap)
    if arrangement.menu_lines == 1:
        return whole + action
    return min(whole, whole / arrangement.menu_lines + max(entries, default=0.0)) + action


def _widest_row(arrangement: Arrangement, pieces: Mapping[str, float]) -> float:
    rows = [[pieces[piece] for piece in row if pieces[piece]] for row in arrangement.rows]
    return max((_row_width(row) for row in rows), default=0.0)


def _row_width(widths: Sequence[float]) -> float:
    return sum(widths) + BETWEEN * max(0, len(widths) - 1)
