"""Links and buttons that are too small, and too near to others, for a finger (WCAG 2.2 SC 2.5.8)."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from math import hypot

from yemba.core.check.finding import Finding, Inspected, Target, where

NAME = "Tap targets"
LEAST = 24
"""px, on both sides. Links within a sentence are free of it."""


def find(inspected: Inspected) -> Iterator[Finding]:
    """Each place once, with its smallest target; from the boxes that the phone window measured."""
    for page_id, measured in inspected.measured.items():
        if page_id not in inspected.look.document.pages:
            continue
        told: set[str] = set()
        for target in sorted(too_small(measured.targets), key=lambda target: min(target.width, target.height)):
            if target.place in told:
                continue
            told.add(target.place)
            said = (
                f"“{target.words or 'A button'}” in {where(inspected.look, page_id, target.place)} is "
                f"{target.width:.0f} x {target.height:.0f} px and stands close to another; a finger needs {LEAST} px."
            )
            chapter = target.place if target.place in ("header", "footer") else "pages"
            yield Finding(said, chapter, page_id, "" if chapter != "pages" else target.place)


def too_small(targets: Sequence[Target]) -> list[Target]:
    """Those below 24 px whose 24 px circle, set on their middle, meets another target or its circle."""
    small = [target for target in targets if min(target.width, target.height) < LEAST - 0.5]
    return [one for one in small if any(_meets(one, other) for other in targets if other is not one)]


def _meets(one: Target, other: Target) -> bool:
    across, along = one.x + one.width / 2, one.y + one.height / 2
    if min(other.width, other.height) < LEAST - 0.5:
        return hypot(across - other.x - other.width / 2, along - other.y - other.height / 2) < LEAST - 0.5
    near_x = min(max(across, other.x), other.x + other.width)
    near_y = min(max(along, other.y), other.y + other.height)
    return hypot(across - near_x, along - near_y) < LEAST / 2 - 0.5
