"""The mark of a template on what it draws beside its pages: the card of a link and the icon of a site without a logo.

A drawing fills `width` x `height` px, given as SVG elements; `marked` and `behind` are the colours of the mark and of
what stands round the tile. It leaves the middle of the tile alone.
"""

from __future__ import annotations

from collections.abc import Callable

Drawing = Callable[[float, float, str, str], str]


def _slope(width: float, height: float, marked: str, _: str) -> str:
    """A slope across the foot, as high at its end as a tenth of the tile."""
    low, high = height * 0.97, height * 0.9
    return f'<path fill="{marked}" d="M0 {low:.1f}L{width} {high:.1f}V{height}H0z"/>'


def _frame(width: float, height: float, marked: str, behind: str) -> str:
    """A ruled frame, with the wall behind it."""
    edge, rule = height * 0.04, height * 0.03
    inner = edge + rule / 2
    return (
        f'<path fill="{behind}" fill-rule="evenodd" d="M0 0h{width}v{height}H0z'
        f'M{edge:.1f} {edge:.1f}v{height - 2 * edge:.1f}h{width - 2 * edge:.1f}v{2 * edge - height:.1f}z"/>'
        f'<rect x="{inner:.1f}" y="{inner:.1f}" width="{width - 2 * inner:.1f}" height="{height - 2 * inner:.1f}" '
        f'fill="none" stroke="{marked}" stroke-width="{rule:.1f}"/>'
    )


def _sheet(width: float, height: float, _: str, behind: str) -> str:
    """A sheet with round corners in a room."""
    edge, corner = height * 0.05, height * 0.12
    across, down = width - 2 * edge - 2 * corner, height - 2 * edge - 2 * corner
    turns = [(corner, corner), (-corner, corner), (-corner, -corner), (corner, -corner)]
    arcs = [f"a{corner:.1f} {corner:.1f} 0 0 1 {x:.1f} {y:.1f}" for x, y in turns]
    sides = [f"h{across:.1f}", f"v{down:.1f}", f"h{-across:.1f}", f"v{-down:.1f}"]
    sheet = "".join(side + arc for side, arc in zip(sides, arcs, strict=True))
    return (
        f'<path fill="{behind}" fill-rule="evenodd" d="M0 0h{width}v{height}H0z'
        f'M{edge + corner:.1f} {edge:.1f}{sheet}z"/>'
    )


def _none(width: float, height: float, marked: str, behind: str) -> str:
    return ""


SIGNATURES: dict[str, Drawing] = {"none": _none, "slope": _slope, "frame": _frame, "sheet": _sheet}
