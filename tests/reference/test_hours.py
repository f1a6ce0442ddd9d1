"""What the lines of test_hours.txt say about opening days, and that some say nothing that is true of every week (common
practice, no source).

Behind each line stand its days as digits, 0 for Monday.
"""

from __future__ import annotations

from pathlib import Path

import pytest

from yemba.core.calendar.weekdays import DAYS, days_in

LINES = Path(__file__).with_suffix(".txt").read_text().splitlines()


@pytest.mark.parametrize("line", LINES)
def test_days_are_read_or_left_out(line: str) -> None:
    words, _, days = line.rpartition(": ")
    assert days_in(words) == [DAYS[int(day)] for day in days.removeprefix("none")]


def test_there_are_enough_of_both() -> None:
    assert len(LINES) > 200
    assert sum(line.endswith(": none") for line in LINES) > 50
