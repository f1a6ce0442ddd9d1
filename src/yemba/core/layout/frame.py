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
    """`sidebar` stands beside the content; None where it has none, or stands before or after it."""

    page: Span
    main: Span
    sidebar: Span | None


class Frame(NamedTuple):
    """All in px. The page's content is at most `width` wide, with a `margin` on both sides. One that is `form` FIXED
    is no wider than that, and stands at START, MIDDLE or END of a window; FULL lets grounds run to its edges.
    `side` is where the sidebar stands, START or END, or NONE."""

    form: str
    place: str
    width: float
    margin: float
    side: str
    sidebar: float
    gap: float

    @property
    def sheet(self) -> float:
        """The widest the page becomes, with its margins."""
        return self.width + 2 * self.margin

    @property
    def beside_from(self) -> int | None:
        """The first window in which the sidebar stands beside the content; None where there is no room in any."""
        needed = LEAST_MAIN + self.gap + self.sidebar
        return None if self.side == NONE or needed > self.sheet else round(needed)

    def boxes(self, window: float) -> Boxes:
        """Where everything stands in a window of that width."""
        row = self._row(window)
        if self.beside_from is None or window < self.beside_from:
            whole = row if self.form == FIXED else Span(0, window)
            return Boxes(whole, whole, None)
        page = row if self.form == FIXED else Span(0, window)
        main = row.width - self.gap - self.sidebar
        if self.side == START:
            return Boxes(page, Span(row.right - main, main), Span(row.left, self.sidebar))
        return Boxes(page, Span(row.left, main), Span(row.right - self.sidebar, self.sidebar))

    def _row(self, window: float) -> Span:
        """What content and sidebar have together."""
        width = min(window, self.sheet)
        place = self.place if self.form == FIXED else MIDDLE
        return Span({START: 0.0, MIDDLE: (window - width) / 2, END: window - width}[place], width)
