"""A font file cut down to the letters that are shown, by HarfBuzz' subsetter."""

from __future__ import annotations

from collections.abc import Collection
from io import BytesIO

import uharfbuzz as harfbuzz
from fontTools.ttLib import TTFont

from yemba.core.type.facts import opened

VERSION = 1
"""Grows when the same letters of the same file come out as other bytes."""


def cut(
    data: bytes, letters: Collection[int], features: Collection[str] = (), axes: Collection[str] = ("wght",)
) -> bytes:
    """A WOFF2 with these code points of a font file, and what its layout needs for them.

    What scripts ask for is always kept; `features` (OpenType tags) of those that texts must ask for. Axes of
    variation that are not in `axes` stand at their default.
    """
    font = TTFont(BytesIO(data), lazy=True)
    wanted = harfbuzz.SubsetInput()
    wanted.unicode_set.update(letters)
    wanted.layout_feature_tag_set.update(map(tag, features))
    wanted.flags = harfbuzz.SubsetFlags.NO_HINTING
    face = opened(font)
    if "fvar" in font.reader:
        for axis in {axis.axisTag for axis in font["fvar"].axes} - set(axes):
            wanted.pin_axis_to_default(face, axis)
    return packed(harfbuzz.subset(face, wanted).blob.data)


def tag(name: str) -> int:
    """A tag as HarfBuzz' sets hold it."""
    return int.from_bytes(name.encode(), "big")


def packed(data: bytes) -> bytes:
    """A font as WOFF2 (W3C WOFF File Format 2.0)."""
    font, out = TTFont(BytesIO(data), lazy=True, recalcTimestamp=False), BytesIO()
    font.flavor = "woff2"
    font.save(out)
    return out.getvalue()
