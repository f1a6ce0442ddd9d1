"""A fallback that takes up the same room, so that nothing jumps when the font arrives.

The rule is that of CSS Fonts 5 descriptors size-adjust and *-override, worked as
@capsizecss/core does.
"""

from __future__ import annotations

from typing import NamedTuple

from yemba.core.type.facts import Facts


class Fallback(NamedTuple):
    """Descriptors in percent for an @font-face that dresses up a local font."""

    local: str
    size_adjust: float
    ascent_override: float
    descent_override: float
    line_gap_override: float


# Average width per em of fonts that stand on nearly every device: @capsizecss/metrics 4.3.0,
# xWidthAvg / unitsPerEm of timesNewRoman and arial.
LOCAL_WIDTHS = {"Times New Roman": 832 / 2048, "Arial": 913 / 2048}


def fallback(facts: Facts, local: str) -> Fallback:
    """Descriptors that make `local` ("Times New Roman" or "Arial") take up the room of `facts`."""
    em = facts.units_per_em
    adjust = facts.average_width / em / LOCAL_WIDTHS[local]
    return Fallback(
        local=local,
        size_adjust=100 * adjust,
        ascent_override=100 * facts.ascent / em / adjust,
        descent_override=100 * abs(facts.descent) / em / adjust,
        line_gap_override=100 * facts.line_gap / em / adjust,
    )
