"""Sizes from a base and a ratio, fluid between a phone and a wide window."""

from __future__ import annotations

from typing import NamedTuple

PHONE_WIDTH, WIDE_WIDTH = 360, 1240  # CSS px between which sizes grow
SMALLEST = 16.0  # px; body text on a phone, common practice, no source
SMALL_FLOOR = 13.0  # px; captions and prices' small print, common practice, no source
ENLARGE_LIMIT = 2.5  # largest / smallest, or zooming to 200 % fails (WCAG 2.2 SC 1.4.4)
_REM = 16

# Step of each level on the scale; body is 0. Common practice, no source.
STEPS = {"h1": 5, "h2": 4, "h3": 3, "h4": 2, "h5": 1, "h6": 0, "lead": 1, "body": 0, "small": -1}
_PHONE_CALM = 0.62  # a phone shows this share of the wide ratio's growth


class Fluid(NamedTuple):
    """A size in px on a phone (`low`) and on a wide window (`high`)."""

    low: float
    high: float

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


def scale(base: float, ratio: float) -> dict[str, Fluid]:
    """Every level's size for a wide `base` (px, 16 to 24) and `ratio` (1.05 to 1.6).

    The phone's base is a little smaller but never under 16 px, its ratio is calmer, so that
    a heading that commands a wall screen still fits 360 px. No level shrinks under its floor or
    towards the wide end, and none grows by more than 2.5 between the two.
    """
    bases = Fluid(max(SMALLEST, base * 0.95), max(SMALLEST, base))
    ratios = Fluid(1 + (ratio - 1) * _PHONE_CALM, ratio)
    return {level: _held(step(number, bases, ratios), level) for level, number in STEPS.items()}


def _held(size: Fluid, level: str) -> Fluid:
    floor = SMALL_FLOOR if level == "small" else SMALLEST
    low = max(floor, size.low)
    return Fluid(low, max(low, min(size.high, low * ENLARGE_LIMIT)))


def line_height(size: float, measure: float) -> float:
    """Unitless line height for a size in px and a measure in characters.

    Larger type wants less, longer lines want more; 1.05 to 1.7. Common practice, no source.
    """
    by_size = 1.62 - 0.011 * (size - 16)
    by_measure = (measure - 60) * 0.004
    return round(min(1.7, max(1.05, by_size + by_measure)), 3)
