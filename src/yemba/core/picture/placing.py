"""How a picture stands in a box that has another shape: its fit, and the place that it is held at."""

from __future__ import annotations

from yemba.core.message import labels

FILL, WHOLE, TILE = "fill", "whole", "tile"
FITS = labels({FILL: "Fills it", WHOLE: "Whole", TILE: "As tiles"})
ANCHORS = labels(
    {
        "left top": "top, left",
        "center top": "top, middle",
        "right top": "top, right",
        "left center": "middle, left",
        "center center": "in the middle",
        "right center": "middle, right",
        "left bottom": "bottom, left",
        "center bottom": "bottom, middle",
        "right bottom": "bottom, right",
    }
)
"""Nine places, as CSS says them (CSS Images 3, "object-position")."""
TILE_WIDTH = 240  # px, of a tile behind a section


def classes(fit: str, anchor: str) -> list[str]:
    """What a page shows a picture by; nothing for one that fills its box about its focal spot."""
    names = [f"fits-{fit}"] if fit not in ("", FILL) else []
    return [*names, f"held-{anchor.replace(' ', '-')}"] if anchor else names
