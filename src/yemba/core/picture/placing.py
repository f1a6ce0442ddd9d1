"""How a picture stands in a box that has another shape: its fit, and the place that it is held at."""

from __future__ import annotations

FILL, WHOLE, TILE = "fill", "whole", "tile"
FITS = {FILL: "Fills it", WHOLE: "Whole", TILE: "As tiles"}
_ACROSS = {"left": "left", "center": "middle", "right": "right"}
_DOWN = {"top": "top", "center": "middle", "bottom": "bottom"}
ANCHORS = {
    f"{across} {down}": "in the middle" if across == down == "center" else f"{low}, {side}"
    for down, low in _DOWN.items()
    for across, side in _ACROSS.items()
}
"""Nine places, as CSS says them (CSS Images 3, "object-position")."""
TILE_WIDTH = 240  # px, of a tile behind a section


def classes(fit: str, anchor: str) -> list[str]:
    """What a page shows a picture by; nothing for one that fills its box about its focal spot."""
    shown = [f"fits-{fit}"] if fit not in ("", FILL) else []
    return [*shown, f"held-{anchor.replace(' ', '-')}"] if anchor else shown
