"""Sizes from a base and a ratio, fluid between a phone and a wide window."""

from __future__ import annotations

from collections.abc import Mapping
from typing import NamedTuple

PHONE_WIDTH, WIDE_WIDTH = 360, 1240  # CSS px between which sizes grow
SMALLEST = 16.0  # px; body text on a phone, common practice, no source
SMALL_FLOOR = 13.0  # px; captions and prices' small print, common practice, no source
ENLARGE_LIMIT = 2.5  # largest / smallest, or zooming to 200 % fails (WCAG 2.2 SC 1.4.4)
_REM = 16

_PHONE_CALM = 0.62  # a phone shows this share of the wide ratio's growth


class Fluid(NamedTuple):
    """A size in px on a phone (`low`) and on a wide window (`high`)."""

    low: float
    high: float

    def at(self, window: float) -> float:
        """The size in px in a window of that width."""
        share = min(1.0, max(0.0, (window - PHONE_WIDTH) / (WIDE_WIDTH - PHONE_WIDTH)))
        return self.low + share * (self.high - self.low)

    def css(self) -> str:
        """CSS clamp() in rem and vw: a straight line through both ends.

        Four decimals, as utopia-core writes it. Where both ends agree the size alone is given.
        """
        if abs(self.high - self.low) < 0.005:
            return f"{_short(self.high / _REM)}rem"
        slope = (self.high - self.low) / (WIDE_WIDTH - PHONE_WIDTH)
        start = self.low - slope * PHONE_WIDTH
        ends = sorted((self.low, self.high))
        return (
            f"clamp({_short(ends[0] / _REM)}rem, "
            f"{_short(start / _REM)}rem + {_short(slope * 100)}vw, {_short(ends[1] / _REM)}rem)"
        )


def _short(value: float) -> str:
    return f"{value:.4f}".rstrip("0").rstrip(".")


def step(number: int, base: Fluid, ratio: Fluid) -> Fluid:
    """base x ratio^number at both ends."""
    return Fluid(base.low * ratio.low**number, base.high * ratio.high**number)


def calm(ratio: float) -> float:
    """The phone's ratio where none is set: the wide one's growth, reduced."""
    return round(1 + (ratio - 1) * _PHONE_CALM, 4)


def calm_size(size: float) -> float:
    """What a size in px shrinks to on a phone where only the wide one is set."""
    return round(SMALLEST + (size - SMALLEST) * _PHONE_CALM, 2) if size > SMALLEST else size


def phone_base(base: float) -> float:
    """The phone's base where none is set: a little smaller, never under 16 px."""
    return max(SMALLEST, base * 0.95)


def scale(bases: Fluid, ratios: Fluid, steps: Mapping[str, int], by_hand: Mapping[str, Fluid]) -> dict[str, Fluid]:
    """The size of every level in `steps`, for bases in px and ratios on a phone and on a wide window.

    A level of `by_hand` keeps what was set; an end of it that is 0 is worked out like the rest. Of the others none
    stands under its floor (16 px, 13 for those below the text, or the base where that is less), shrinks towards the
    wide end, or grows by more than 2.5 between the two.
    """
    sizes = {}
    for level, number in steps.items():
        by_owner = by_hand.get(level, Fluid(0, 0))
        size = step(number, bases, ratios)
        floor = min(SMALL_FLOOR if number < 0 else SMALLEST, bases.low)
        low = by_owner.low or max(floor, size.low)
        sizes[level] = Fluid(low, by_owner.high or max(low, min(size.high, low * ENLARGE_LIMIT)))
    return sizes


def line_height(size: float, measure: float) -> float:
    """Unitless line height for a size in px and a measure in characters.

    Larger type wants less, longer lines want more; 1.05 to 1.7. Common practice, no source.
    """
    by_size = 1.62 - 0.011 * (size - 16)
    by_measure = (measure - 60) * 0.004
    return round(min(1.7, max(1.05, by_size + by_measure)), 3)
