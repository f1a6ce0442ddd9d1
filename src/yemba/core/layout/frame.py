"""The frame of a page: how wide it is, where it stands in a window, and what stands beside its content."""

from __future__ import annotations

from typing import NamedTuple

FULL, FIXED = "full", "fixed"
START, MIDDLE, END = "start", "middle", "end"
NONE = "none"
LEAST_MAIN = 480
"""px; a content narrower than this has no sidebar beside it. Common practice, no source."""


class Span(NamedTuple):
    """From the edge of a window where lines start, in px."""

    left: float
    width: float

    @property
    def right(self) -> float:
        return self.left + self.width


class Boxes(NamedTuple):
    """`header` stands at the side; None where it has none, or stands above. `sidebar` stands beside the content; None
    where it has none, or stands before or after it."""

    page: Span
    header: Span | None
    main: Span
    sidebar: Span | None


class Frame(NamedTuple):
    """All in px. The page's content is at most `width` wide, with a `margin` on both sides. One that is `form` FIXED
    is no wider than that, and stands at START, MIDDLE or END of a window; FULL lets grounds run to its edges.
    `side` is where the sidebar stands, START or END, or NONE. A header at the side has a `column` of the page, where
    lines start, in windows from `column_from` on; 0 for none."""

    form: str
    place: str
    width: float
    margin: float
    side: str
    sidebar: float
    gap: float
    column: float = 0
    column_from: float = 0

    @property
    def sheet(self) -> float:
        """The widest the page becomes, with its margins."""
        return self.width + 2 * self.margin

    @property
    def beside_from(self) -> int | None:
        """The first window in which the sidebar stands beside the content; None where there is no room in any."""
        needed = LEAST_MAIN + self.gap + self.sidebar
        room = self.sheet - self.column if self.form == FIXED else self.sheet
        if self.side == NONE or needed > room:
            return None
        with_column = needed + self.column
        return round(needed if self.column_from >= with_column else with_column)

    def boxes(self, window: float) -> Boxes:
        """Where everything stands in a window of that width."""
        page = self._page(window)
        column = self.column if window >= self.column_from else 0
        header = Span(page.left, column) if column else None
        content = Span(page.left + column, page.width - column)
        if self.beside_from is None or window < self.beside_from:
            return Boxes(page, header, content, None)
        row = self._row(content)
        main = row.width - self.gap - self.sidebar
        if self.side == START:
            return Boxes(page, header, Span(row.right - main, main), Span(row.left, self.sidebar))
        return Boxes(page, header, Span(row.left, main), Span(row.right - self.sidebar, self.sidebar))

    def _page(self, window: float) -> Span:
        if self.form != FIXED:
            return Span(0, window)
        width = min(window, self.sheet)
        return Span({START: 0.0, MIDDLE: (window - width) / 2, END: window - width}[self.place], width)

    def _row(self, content: Span) -> Span:
        """What content and sidebar have together; no wider than a sheet, though grounds run further."""
        width = min(content.width, self.sheet)
        return Span(content.left + (content.width - width) / 2, width)
