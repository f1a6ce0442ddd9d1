"""What an arrangement of the footer makes of what stands in it, as boxes to look at."""

from __future__ import annotations

from typing import NamedTuple

WIDTH = 120
"""Of a drawing; it is as high as what it shows."""
_MARGIN, _GAP, _BETWEEN = 6.0, 4.0, 5.0
NAME, WORDS, ENTRY, SMALL, SECTION, RULE = "name", "words", "entry", "small", "section", "rule"
_SIZES = {NAME: (20, 5), WORDS: (34, 3), ENTRY: (9, 3), SMALL: (24, 2), SECTION: (24, 14), RULE: (108, 0.75)}
_MOST_ENTRIES, _MOST_SECTIONS = 5, 4  # that are drawn


class Contents(NamedTuple):
    """Whether the name or logo stands in it, whether the owner's words do; how many entries and sections it has."""

    name: bool
    words: bool
    entries: int
    sections: int


class Box(NamedTuple):
    """One piece: `role` says what it stands for."""

    role: str
    left: float
    top: float
    width: float
    height: float


class Drawing(NamedTuple):
    """`boxes` in a space of WIDTH by `height`."""

    boxes: list[Box]
    height: float


def draw(arrangement: str, contents: Contents) -> Drawing:
    """The boxes of an arrangement, a key of ``core.part.footer.ARRANGEMENTS``; the template's is drawn in a line."""
    if arrangement == "columns":
        return _columns(contents)
    return _rows(_ROWS.get(arrangement, _line)(contents))


def _pieces(contents: Contents, *roles: str) -> list[str]:
    """Those of the roles that are there."""
    many = {
        NAME: int(contents.name),
        WORDS: int(contents.words),
        ENTRY: min(contents.entries, _MOST_ENTRIES),
        SECTION: min(contents.sections, _MOST_SECTIONS),
    }
    return [role for role in roles for _ in range(many.get(role, 1))]


Row = tuple[list[str], str]
"""Roles beside each other, and how they stand: "start", "center", "apart" (the last at the end) or "spread"."""


def _line(contents: Contents) -> list[Row]:
    return [(_pieces(contents, SECTION), "spread"), (_pieces(contents, NAME, WORDS, ENTRY, SMALL), "apart")]


def _split(contents: Contents) -> list[Row]:
    first = _pieces(contents, NAME, WORDS), _pieces(contents, ENTRY)
    return [
        (_pieces(contents, SECTION), "spread"),
        ([*first[0], "", *first[1]], "start"),
        ([RULE], "start"),
        ([SMALL], "start"),
    ]


def _below(contents: Contents) -> list[Row]:
    roles = _pieces(contents, NAME, WORDS, ENTRY)
    single = [([role], "start") for role in roles]
    return [(_pieces(contents, SECTION), "spread"), *single, ([SMALL], "start")]


def _centred(contents: Contents) -> list[Row]:
    rows = ([NAME], [WORDS], [ENTRY])
    return [
        (_pieces(contents, SECTION), "spread"),
        *((_pieces(contents, *row), "center") for row in rows),
        ([SMALL], "center"),
    ]


def _sign(contents: Contents) -> list[Row]:
    return [
        (_pieces(contents, SECTION), "spread"),
        (["sign"], "start"),
        (_pieces(contents, WORDS, ENTRY, SMALL), "apart"),
    ]


def _fine(contents: Contents) -> list[Row]:
    return [(_pieces(contents, SECTION), "spread"), (["fine", *(["fine"] * min(contents.entries, 4))], "start")]


_ROWS = {"line": _line, "split": _split, "stack": _below, "centred": _centred, "sign": _sign, "fine": _fine}
_LARGE = {"sign": (NAME, 100, 14), "fine": (SMALL, 16, 2)}


def _size(role: str) -> tuple[str, float, float]:
    """What a piece is drawn as, and its width and height."""
    return _LARGE[role] if role in _LARGE else (role, *_SIZES[role])


def _rows(rows: list[Row]) -> Drawing:
    boxes: list[Box] = []
    top = _MARGIN
    for roles, stand in rows:
        if not any(roles):
            continue
        boxes += _row(roles, stand, top)
        top = max(box.top + box.height for box in boxes) + _BETWEEN
    return Drawing(boxes, top - _BETWEEN + _MARGIN)


def _row(roles: list[str], stand: str, top: float) -> list[Box]:
    """Pieces beside each other; "" pushes what follows to the end."""
    sizes = [_size(role) if role else ("", 0.0, 0.0) for role in roles]
    room = WIDTH - 2 * _MARGIN
    width_needed = sum(width for _, width, _ in sizes) + _GAP * (len(sizes) - 1)
    shrink = min(1.0, room / width_needed)
    free = max(0.0, room - width_needed)
    left = _MARGIN + (free / 2 if stand == "center" else 0)
    high = max(height for *_, height in sizes)
    boxes = []
    for place, (role, width, height) in enumerate(sizes):
        last = place == len(sizes) - 1
        if not role or (stand == "apart" and last and place):
            left += free
        if role:
            boxes.append(Box(role, left, top + (high - height), width * shrink, height))
        spread = free / max(1, len(sizes) - 1) if stand == "spread" else 0
        left += (width + _GAP) * shrink + spread
    return boxes


def _columns(contents: Contents) -> Drawing:
    """Name and words, each section and the navigation, each a column; small print below."""
    columns = [_pieces(contents, NAME, WORDS), *([SECTION] for _ in range(min(contents.sections, _MOST_SECTIONS)))]
    columns = [column for column in [*columns, _pieces(contents, ENTRY)] if column] or [[]]
    width = (WIDTH - 2 * _MARGIN - _GAP * (len(columns) - 1)) / len(columns)
    boxes = []
    for place, column in enumerate(columns):
        top = _MARGIN
        for role in column:
            wide, high = _SIZES[role]
            boxes.append(Box(role, _MARGIN + place * (width + _GAP), top, min(wide, width), high))
            top += high + 3
    foot = max([box.top + box.height for box in boxes], default=_MARGIN) + _BETWEEN
    boxes.append(Box(SMALL, _MARGIN, foot, *_SIZES[SMALL]))
    return Drawing(boxes, foot + _SIZES[SMALL][1] + _MARGIN)
