"""Where the time of one answer goes. Marks are set along the way; the answer tells them as Server-Timing (W3C)."""

from __future__ import annotations

import itertools
import time
from contextvars import ContextVar

_MARKS: ContextVar[list[tuple[str, float]] | None] = ContextVar("marks", default=None)


def begin() -> None:
    """From here on marks are kept, in this thread."""
    _MARKS.set([("", time.perf_counter())])


def mark(stage: str) -> None:
    """A stage has ended: what passed since the last mark was its. Without `begin` nothing is kept."""
    marks = _MARKS.get()
    if marks is not None:
        marks.append((stage, time.perf_counter()))


def header() -> str:
    """The value of the header: each stage with its milliseconds, in order. Ends what `begin` began."""
    marks = _MARKS.get() or []
    _MARKS.set(None)
    spans = itertools.pairwise(marks)
    return ", ".join(f"{stage};dur={(end - start) * 1000:.1f}" for (_, start), (stage, end) in spans)
