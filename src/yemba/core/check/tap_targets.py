"""Links and buttons that are too small, and too near to others, for a finger (WCAG 2.2 SC 2.5.8)."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from math import hypot

from yemba.core.check.finding import Finding, Inspected, Target, place_of, where
from yemba.core.message import Message

NAME = Message("Tap targets")
LEAST = 24
"""px, on both sides. Links within a sentence are free of it."""
_TOLERANCE = 0.5  # px; boxes come rounded


def find(inspected: Inspected) -> Iterator[Finding]:
    """Each fragment of a page once, with its smallest target; from the boxes that the phone window measured."""
    for page_id, measured in inspected.measured.items():
        if page_id not in inspected.look.document.pages:
            continue
        for fragment, target in _smallest(too_small(measured.targets)).items():
            sentence = Message(
                "“{value}” in {where} is {width:.0f} x {height:.0f} px and stands close to another; a finger needs "
                "{least} px.",
                value=target.words or Message("A button"),
                where=where(inspected.look, page_id, fragment),
                width=target.width,
                height=target.height,
                least=LEAST,
            )
            yield Finding(sentence, place_of(fragment), page_id)


def _smallest(targets: Sequence[Target]) -> dict[str, Target]:
    """By fragment, the smallest ones first."""
    small: dict[str, Target] = {}
    for target in sorted(targets, key=_side):
        small.setdefault(target.place, target)
    return small


def _side(target: Target) -> float:
    return min(target.width, target.height)


def _is_small(target: Target) -> bool:
    return _side(target) < LEAST - _TOLERANCE


def too_small(targets: Sequence[Target]) -> list[Target]:
    """Those below 24 px whose 24 px circle, set on their middle, meets another target or its circle."""
    small = [target for target in targets if _is_small(target)]
    return [one for one in small if any(_meets(one, other) for other in targets if other is not one)]


def _meets(one: Target, other: Target) -> bool:
    """Whether the circle of a small target meets another target: its circle where that is small too, else its box."""
    x, y = _middle(one)
    if _is_small(other):
        other_x, other_y = _middle(other)
        return hypot(x - other_x, y - other_y) < LEAST - _TOLERANCE
    near_x = min(max(x, other.x), other.x + other.width)
    near_y = min(max(y, other.y), other.y + other.height)
    return hypot(x - near_x, y - near_y) < LEAST / 2 - _TOLERANCE


def _middle(target: Target) -> tuple[float, float]:
    return target.x + target.width / 2, target.y + target.height / 2
