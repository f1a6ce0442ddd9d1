"""Pictures of the collection as a document keeps them."""

from __future__ import annotations

from hashlib import sha256
from typing import Any

from yemba.core.picture.collection import Drawing, in_own_colours


def of_drawing(drawing: Drawing) -> dict[str, Any]:
    """A picture's JSON values."""
    digest = sha256(in_own_colours(drawing)).hexdigest()
    plain = {"file": digest, "format": "svg", "width": drawing.width, "height": drawing.height}
    plain |= {"name": drawing.name, "alt": drawing.alt, "collection": drawing.slug}
    focal = dict(zip(("focal_x", "focal_y"), drawing.focal, strict=True))
    return plain | {side: share for side, share in focal.items() if share != 50}
