"""A header drawn small, in its true proportions: where its pieces stand in a window, as boxes."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import pairwise
from typing import NamedTuple

from yemba.core.layout.arrangement import FOLDED, FOOT, NONE, OVER
from yemba.core.layout.header_fit import (
    BEFORE_ACTION,
    BETWEEN,
    GAP,
    SIDE_COLUMN,
    SIZE,
    SMALLER,
    TAGLINE,
    TIGHT_GAP,
    Fit,
    Header,
    folded_height,
    line,
    wide_heights,
)

TITLE, ENTRY, SMALL, ACTION, BUTTON, PICTURE, PAGE = (
    "title",
    "entry",
    "tagline",
    "action",
    "button",
    "picture",
    "page",
)
"""What a box stands for; a picture is that of the page's opening, a page the lines beside a header at the side."""
_MENU_BUTTON = 76.0  # px; its width
_OPENING = 200.0  # px; how much of the opening is drawn
_TALL = 260.0  # px; how much of a column is drawn
_AIR = 18.0  # px; between rows, and above the first


class Box(NamedTuple):
    """In px, from the start and the top of the header."""

    what: str
    x: float
    y: float
    width: float
    height: float


class Drawing(NamedTuple):
    """Boxes in a window `width` px wide, and how high the drawing is."""

    width: float
    height: float
    boxes: tuple[Box, ...]


class _Room(NamedTuple):
    """How the pieces of a header stand in a window: the gap of the menu, the share of its size, a tagline or none."""

    header: Header
    window: float
    gap: float
    size: float
    tagline: bool

    @property
    def entries(self) -> list[float]:
        return self.header.entries(self.size)

    @property
    def height(self) -> float:
        """Of a line of the menu."""
        return self.header.faces.navigation.lines(1) + 16

    @property
    def edges(self) -> tuple[float, float]:
        gutter = self.header.spaces.gutter
        return gutter, self.window - gutter


def drawing(header: Header, window: float, unfolded: bool, fit: Fit | None = None) -> Drawing:
    """The header in a window of that width, its menu `unfolded` or behind its button; given how it fits, with what
    gives way there."""
    arrangement = header.arrangement
    if arrangement.menu == NONE:
        return Drawing(window, _OPENING, (Box(PICTURE, 0, 0, window, _OPENING),))
    room = _room(header, window, fit)
    if not unfolded or arrangement.menu == FOLDED:
        boxes = list(_folded(room, fit))
        height = max(header.least.wide if unfolded else folded_height(header, window), header.least.phone)
    elif arrangement.column:
        return Drawing(window, _TALL, tuple(_column(room)))
    elif arrangement.split:
        boxes, height = _split(room)
    else:
        boxes, height = _rows(room)
    if arrangement.stands == OVER:
        return Drawing(window, _OPENING, (Box(PICTURE, 0, 0, window, _OPENING), *boxes))
    if arrangement.stands == FOOT:
        below = (box._replace(y=box.y + _OPENING) for box in boxes)
        return Drawing(window, _OPENING + height, (Box(PICTURE, 0, 0, window, _OPENING), *below))
    return Drawing(window, height, tuple(boxes))


def _room(header: Header, window: float, fit: Fit | None) -> _Room:
    stages = fit.stages if fit else ()
    ways = {stage.gives for before, stage in pairwise(stages) if window < before.width}
    gap = header.spaces.gap
    if GAP in ways:
        gap = min(gap, TIGHT_GAP)
    shrunk = SMALLER if SIZE in ways else 1.0
    return _Room(header, window, gap, shrunk, TAGLINE not in ways)


def _title(room: _Room) -> Box:
    header = room.header
    height = wide_heights(header)["title"]
    if not header.contents.logo:
        height = header.faces.title.lines(1)
    return Box(TITLE, room.edges[0], 0, header.title, height)


def _folded(room: _Room, fit: Fit | None) -> Iterator[Box]:
    """A name, the button of the menu, and the call to action between them where it fits."""
    header = room.header
    start, end = room.edges
    high = max(header.least.phone, folded_height(header, room.window))
    title = min(header.title, room.window - header.beside)
    yield Box(TITLE, start, high / 2 - 12, title, 24)
    yield Box(BUTTON, end - _MENU_BUTTON, high / 2 - 18, _MENU_BUTTON, 36)
    starts = fit.action_from if fit else header.action_from()
    if header.contents.action and starts and room.window >= starts:
        x = end - _MENU_BUTTON - 12 - header.action
        yield Box(ACTION, x, high / 2 - 18, header.action, 36)


def _menu(room: _Room, start: float, top: float) -> Iterator[Box]:
    """The entries from a point on, in a line, in lines or in columns, and the call to action behind them."""
    arrangement, widths = room.header.arrangement, room.entries
    rows = _lines(room, widths)
    action = room.header.action
    whole = max((line(row, room.gap) for row in rows), default=0.0)
    if arrangement.menu_rows:
        columns = [widths[at : at + arrangement.menu_rows] for at in range(0, len(widths), arrangement.menu_rows)]
        x = start
        for column in columns:
            yield from (Box(ENTRY, x, top + at * room.height, width, room.height) for at, width in enumerate(column))
            x += max(column) + room.gap
        whole = x - start - room.gap if columns else 0.0
    else:
        for at, row in enumerate(rows):
            x = start + (whole - line(row, room.gap)) / 2
            for width in row:
                yield Box(ENTRY, x, top + at * room.height, width, room.height)
                x += width + room.gap
    if action:
        x = start + whole + (BEFORE_ACTION if whole else 0)
        yield Box(ACTION, x, top, action, room.header.faces.action.button_height)


def _menu_width(room: _Room) -> float:
    """Of the menu and the call to action behind it, in no more lines than it needs."""
    header = room.header
    if header.arrangement.menu_lines == 1:
        return header.menu(room.gap, room.size)
    widest = max(line(row, room.gap) for row in _lines(room, room.entries))
    return widest + (BEFORE_ACTION + header.action if header.action else 0)


def _equal_parts(room: _Room, top: float) -> Iterator[Box]:
    """Each entry in the middle of its part of the width; the call to action at the end."""
    (start, end), action = room.edges, room.header.action
    if action:
        yield Box(ACTION, end - action, top, action, room.header.faces.action.button_height)
        end -= action + BEFORE_ACTION
    shares = len(room.entries)
    part = (end - start - (shares - 1) * room.gap) / max(1, shares)
    for at, width in enumerate(room.entries):
        middle = start + at * (part + room.gap) + part / 2
        yield Box(ENTRY, middle - width / 2, top, width, room.height)


def _lines(room: _Room, widths: Sequence[float]) -> list[list[float]]:
    """The entries in as many lines as they need of those that the arrangement has, filled from the first."""
    count = room.header.arrangement.menu_lines
    most = room.edges[1] - room.edges[0]
    rows: list[list[float]] = [[]]
    for width in widths:
        if count > 1 and rows[-1] and line([*rows[-1], width], room.gap) > most and len(rows) < count:
            rows.append([])
        rows[-1].append(width)
    return rows


def _split(room: _Room) -> tuple[list[Box], float]:
    """Half of the menu on each side of the title, the tagline below; and how high they are together."""
    header, title = room.header, _title(room)
    has_tagline = header.contents.tagline and room.tagline
    below = _AIR + header.faces.tagline.lines(1) if has_tagline else 0.0
    height = max(header.least.wide, 2 * _AIR + title.height + below)
    boxes = list(_around(room, title, (height - below) / 2))
    if below:
        x = (room.window - header.tagline) / 2
        y = (height - below + title.height) / 2 + _AIR
        boxes.append(Box(SMALL, x, y, header.tagline, below - _AIR))
    return boxes, height


def _around(room: _Room, title: Box, centre: float) -> Iterator[Box]:
    """The title in the middle of the window, half of the entries on each side of it; `centre` is how far down."""
    widths, half, middle = room.entries, room.header.half, (room.window - title.width) / 2
    top = centre - room.height / 2
    yield title._replace(x=middle, y=centre - title.height / 2)
    x = middle - BETWEEN - line(widths[:half], room.gap)
    for at, width in enumerate(widths):
        if at == half:
            x = middle + title.width + BETWEEN
        yield Box(ENTRY, x, top, width, room.height)
        x += width + room.gap
    if room.header.action:
        yield Box(ACTION, room.edges[1] - room.header.action, top, room.header.action, room.height)


def _column(room: _Room) -> Iterator[Box]:
    """The pieces one under the other, and the page beside them."""
    start, y = room.edges[0], 2 * _AIR
    wide = SIDE_COLUMN - 2 * start
    title = _title(room)
    yield title._replace(y=y, width=min(wide, title.width))
    y += title.height + _AIR
    for width in room.entries:
        if y + room.height < _TALL:
            yield Box(ENTRY, start, y, min(wide, width), room.height)
        y += room.height
    yield Box(PAGE, SIDE_COLUMN, 0, room.window - SIDE_COLUMN, _TALL)


def _rows(room: _Room) -> tuple[list[Box], float]:
    """The rows of an arrangement one under the other, and how high they are together."""
    arrangement, header = room.header.arrangement, room.header
    heights = {**wide_heights(header), "title": _title(room).height}
    there = {
        "title": True,
        "tagline": bool(header.contents.tagline) and room.tagline,
        "navigation": bool(header.entries()),
    }
    rows = [[piece for piece in row if there[piece]] for row in arrangement.rows]
    named = [piece for row in rows for piece in row]
    high = [max((heights[piece] for piece in row if named.count(piece) == 1), default=0.0) for row in rows]
    whole = sum(high) + _AIR * (sum(1 for one in high if one) - 1)
    height = max(header.least.wide, whole + 2 * _AIR)
    boxes: list[Box] = []
    y, placed = (height - whole) / 2, set[str]()
    for row, tall in zip(rows, high, strict=True):
        for piece in row:
            spans = named.count(piece) > 1
            if piece in placed:
                continue
            placed.add(piece)
            top, room_for = ((height - heights[piece]) / 2, heights[piece]) if spans else (y, tall)
            boxes += _placed(room, piece, row, top, room_for)
        y += tall + (_AIR if tall else 0)
    return boxes, height


def _start_of_tagline(room: _Room, row: Sequence[str]) -> float:
    width, (start, end) = room.header.tagline, room.edges
    if len(row) == 1:
        return (room.window - width) / 2
    if row[0] == "tagline":
        return start
    if row[-1] == "tagline":
        return end - width
    return min(start + room.header.title + BETWEEN, end - width)


def _placed(room: _Room, piece: str, row: Sequence[str], top: float, tall: float) -> Iterator[Box]:
    """A piece in its row: alone in the middle, else the title at the start and the others at the end; a tagline between
    title and menu behind the title."""
    header, (start, end), alone = room.header, room.edges, len(row) == 1
    if piece == "title":
        title = _title(room)
        x = (room.window - title.width) / 2 if alone else start
        yield title._replace(x=x, y=top + (tall - title.height) / 2)
    elif piece == "tagline":
        yield Box(SMALL, _start_of_tagline(room, row), top, header.tagline, header.faces.tagline.lines(1))
    elif header.arrangement.equal:
        yield from _equal_parts(room, top + (tall - room.height) / 2)
    else:
        wide = _menu_width(room)
        x = (room.window - wide) / 2 if alone else end - wide
        yield from _menu(room, x, top + (tall - wide_heights(header)["navigation"]) / 2)
