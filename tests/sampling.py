"""What takes long is gone through in part at each run, and whole where YEMBA_TESTS is "every"."""

from __future__ import annotations

import os
from collections.abc import Sequence
from typing import TypeVar

EVERY = os.environ.get("YEMBA_TESTS") == "every"
Case = TypeVar("Case")


def fewer(examples: int) -> int:
    """How many examples a property is tried on, of as many as prove it at length."""
    return examples if EVERY else examples // 4


def some(cases: Sequence[Case], one_in: int) -> Sequence[Case]:
    """The first of each `one_in` cases."""
    return cases if EVERY else cases[::one_in]
