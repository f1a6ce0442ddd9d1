"""Pictures of the collection as a document keeps them."""

from __future__ import annotations

from hashlib import sha256
from typing import Any

from yemba.core.picture.collection import Drawing, in_own_colours


def of_drawing(drawing: Drawing) -> dict[str, Any]:
    """A picture's JSON values."""
    (x, y), size = drawing.focal, {"width": drawing.width, "height": drawing.height}
    plain = {"file": sha256(in_own_colours(drawing)).hexdigest(), "format": "svg", **size}
    plain |= {"name": drawing.name, "alt": drawing.alt, "collection": drawing.slug}
    return plain | ({"focal_x": x} if x != 50 else {}) | ({"focal_y": y} if y != 50 else {})
