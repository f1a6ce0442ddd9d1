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
    edge = height * 0.05
    corner = height * 0.12
    across = width - 2 * (edge + corner)
    down = height - 2 * (edge + corner)
    arc = f"a{corner:.1f} {corner:.1f} 0 0 1"
    sheet = (
        f"h{across:.1f}{arc} {corner:.1f} {corner:.1f}"
        f"v{down:.1f}{arc} {-corner:.1f} {corner:.1f}"
        f"h{-across:.1f}{arc} {-corner:.1f} {-corner:.1f}"
        f"v{-down:.1f}{arc} {corner:.1f} {-corner:.1f}"
    )
    return (
        f'<path fill="{behind}" fill-rule="evenodd" d="M0 0h{width}v{height}H0z'
        f'M{edge + corner:.1f} {edge:.1f}{sheet}z"/>'
    )


def _ornament(width: float, height: float, marked: str, _: str) -> str:
    """Three lozenges in a row at the foot."""
    half, middle = height * 0.022, height * 0.94
    places = (width / 2 + number * half * 3.2 for number in (-1, 0, 1))
    lozenges = (
        f"M{x - half:.1f} {middle:.1f}l{half:.1f} {-half:.1f} {half:.1f} {half:.1f} {-half:.1f} {half:.1f}z"
        for x in places
    )
    return f'<path fill="{marked}" d="{"".join(lozenges)}"/>'


def _label(width: float, height: float, marked: str, behind: str) -> str:
    """A label in the lowest corner, on a wall."""
    across, down = width * 0.16, height * 0.1
    x, y = width - across, height - down
    return f'<rect x="{x:.1f}" y="{y:.1f}" width="{across:.1f}" height="{down:.1f}" fill="{behind}"/>'


def _pieces(width: float, height: float, marked: str, behind: str) -> str:
    """Unequal pieces along the foot."""
    down, between = height * 0.08, height * 0.012
    first, second = width * 0.5, width * 0.3
    starts = (0.0, first + between, first + second + 2 * between)
    widths = (first, second, width - starts[2])
    fills = (marked, behind, marked)
    pieces = zip(starts, widths, fills, strict=True)
    return "".join(
        f'<rect x="{x:.1f}" y="{height - down:.1f}" width="{across:.1f}" height="{down:.1f}" fill="{fill}"/>'
        for x, across, fill in pieces
    )


def _rules(width: float, height: float, marked: str, _: str) -> str:
    """A thick rule and a thin one across the head."""
    thick, thin = height * 0.03, height * 0.008
    return (
        f'<rect width="{width}" height="{thick:.1f}" fill="{marked}"/>'
        f'<rect y="{thick + 2 * thin:.1f}" width="{width}" height="{thin:.1f}" fill="{marked}"/>'
    )


def _tag(width: float, height: float, marked: str, _: str) -> str:
    """A shelf along the foot, with a tag that hangs from it."""
    shelf, across, down = height * 0.02, height * 0.12, height * 0.06
    top, start = height * 0.9, width * 0.1
    return (
        f'<rect y="{top:.1f}" width="{width}" height="{shelf:.1f}" fill="{marked}"/>'
        f'<rect x="{start:.1f}" y="{top:.1f}" width="{across:.1f}" height="{shelf + down:.1f}" fill="{marked}"/>'
    )


def _none(width: float, height: float, marked: str, behind: str) -> str:
    return ""


SIGNATURES: dict[str, Drawing] = {
    "none": _none,
    "slope": _slope,
    "frame": _frame,
    "sheet": _sheet,
    "ornament": _ornament,
    "label": _label,
    "pieces": _pieces,
    "rules": _rules,
    "tag": _tag,
}
