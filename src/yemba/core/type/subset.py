"""A font file cut down to the letters that are shown, by HarfBuzz' subsetter."""

from __future__ import annotations

from collections.abc import Collection
from functools import lru_cache
from io import BytesIO
from typing import Any

import uharfbuzz as harfbuzz
from fontTools.ttLib import TTFont

from yemba.core import apart
from yemba.core.type.facts import Face

Span = tuple[str, float, float]
"""An axis of variation and the ends that are kept of it."""
_SECONDS, _PATIENCE = 60.0, 600.0  # publishing waits its turn
VERSION = 2
"""Grows when the same letters of the same file come out as other bytes."""


def cut(
    face: Face, letters: Collection[int], features: Collection[str] = (), axes: Collection[Span] = (("wght", 1, 1000),)
) -> bytes:
    """A WOFF2 with these code points of a face, and what its layout needs for them.

    What scripts ask for is always kept; `features` (OpenType tags) of those that texts must ask for. Axes of
    variation are narrowed to their span; those that have none stand at their default.
    """
    wanted = harfbuzz.SubsetInput()
    wanted.unicode_set.update(letters)
    wanted.layout_feature_tag_set.update(map(tag, features))
    wanted.flags = harfbuzz.SubsetFlags.NO_HINTING
    spans = {name: (low, high) for name, low, high in axes}
    for name, (least, default, most) in face.axes.items():
        low, high = spans.get(name, (default, default))
        low = min(max(low, least), most)
        high = max(low, min(high, most))
        wanted.set_axis_range(face.whole, name, low, high, min(max(default, low), high))
    return packed(harfbuzz.subset(face.whole, wanted).blob.data)


def cut_apart(data: bytes, letters: Collection[int], features: Collection[str], axes: Collection[Span]) -> bytes:
    """As `cut` of the font file `data`, in a process of its own. Raises ValueError where that comes to nothing."""
    arguments = {"letters": sorted(letters), "features": list(features), "axes": [list(axis) for axis in axes]}
    try:
        return bytes(apart.work("cut-font", seconds=_SECONDS, patience=_PATIENCE, data=data, **arguments))
    except apart.Failed as error:
        raise ValueError(f"the font cannot be cut: {error}") from error


def cut_here(data: bytes, letters: list[int], features: list[str], axes: list[list[Any]]) -> bytes:
    """What `cut` makes, for a process apart; the last few files stay open there."""
    return cut(_opened(data), letters, features, [(str(name), low, high) for name, low, high in axes])


@lru_cache(maxsize=4)
def _opened(data: bytes) -> Face:
    return Face(data)


def tag(name: str) -> int:
    """A tag as HarfBuzz' sets hold it."""
    return int.from_bytes(name.encode(), "big")


def packed(data: bytes) -> bytes:
    """A font as WOFF2 (W3C WOFF File Format 2.0)."""
    font, out = TTFont(BytesIO(data), lazy=True, recalcTimestamp=False), BytesIO()
    font.flavor = "woff2"
    font.save(out)
    return out.getvalue()
