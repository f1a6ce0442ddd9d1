"""A fallback that takes up the same room, so that nothing jumps when the font arrives.

The rule is that of CSS Fonts 5 descriptors size-adjust and *-override, worked as
@capsizecss/core does.
"""

from __future__ import annotations

from typing import NamedTuple

from yemba.core.type.facts import Facts


class Fallback(NamedTuple):
    """Descriptors in percent for an @font-face that dresses up a local font."""

    size_adjust: float
    ascent_override: float
    descent_override: float
    line_gap_override: float


class Local(NamedTuple):
    """A font that stands on many devices, under every `name` it or one of the same widths goes by; `width` is its
    average per em, `bold` that of its bold."""

    names: tuple[str, ...]
    width: float
    bold: float


# Average width per em: @capsizecss/metrics 4.3.0, xWidthAvg / unitsPerEm of timesNewRoman, arial, roboto and
# notoSerif; of the two bolds as measured in Liberation Serif Bold and Liberation Sans Bold 2.1, whose letters are as
# wide as those of Times New Roman Bold and Arial Bold.
TIMES = Local(("Times New Roman", "Liberation Serif", "Tinos", "Times"), 832 / 2048, 886 / 2048)
ARIAL = Local(("Arial", "Liberation Sans", "Arimo", "Helvetica"), 913 / 2048, 983 / 2048)
NOTO_SERIF = Local(("Noto Serif",), 481 / 1000, 481 / 1000)
ROBOTO = Local(("Roboto",), 911 / 2048, 911 / 2048)
LOCALS = {"serif": (TIMES, NOTO_SERIF), "sans": (ARIAL, ROBOTO), "hand": (ARIAL, ROBOTO)}
"""By the kind of a family: first what desks have, then what phones have."""
BOLD_FROM = 600
"""Browsers take a local font's bold from this weight on (CSS Fonts 4, section 5.2)."""


def fallback(facts: Facts, width: float, local: float) -> Fallback:
    """Descriptors that make a local font of `local` average width take up the room of one whose average is `width`,
    both per em."""
    em = facts.units_per_em
    adjust = width / local
    return Fallback(
        size_adjust=100 * adjust,
        ascent_override=100 * facts.ascent / em / adjust,
        descent_override=100 * abs(facts.descent) / em / adjust,
        line_gap_override=100 * facts.line_gap / em / adjust,
    )
