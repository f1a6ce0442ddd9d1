"""The shape language of a logo: round or angular, of thick strokes or thin, measured on its marks."""

from __future__ import annotations

from io import BytesIO
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray
from PIL import Image

from yemba.core.colour.from_picture import oklab

_SIDE = 160  # px the marks are looked at in
_SOLID = 128  # alpha from which a pixel belongs to a mark
_UNLIKE = 0.12  # OKLab distance from a plain background at which marks begin
_SECTORS, _STRAIGHT = 36, 4  # directions an edge may face, and how many of them straight-sided marks face at most
_ROUND_FROM, _THICK_FROM = 0.6, 0.2  # common practice, no source

_SIDES = ((0, 1), (0, -1), (1, 0), (-1, 0))
_CORNERS = ((1, 1), (1, -1), (-1, 1), (-1, -1))

Array = NDArray[np.float64]


class Shape(NamedTuple):
    """`roundness` is 0 where all edges face few directions, 1 where they face all alike, as a disc's do. `stroke` is
    the width of the strokes as a share of the marks' height."""

    roundness: float
    stroke: float

    @property
    def is_round(self) -> bool:
        return self.roundness >= _ROUND_FROM

    @property
    def is_thick(self) -> bool:
        return self.stroke >= _THICK_FROM


def shape_of(data: bytes) -> Shape | None:
    """The shape of the marks of a raster picture; None where it has none."""
    marks = _marks(data)
    if marks is None:
        return None
    return Shape(_roundness(marks), min(1.0, 4 * float(_distances(marks).mean()) / marks.shape[0]))


def _marks(data: bytes) -> NDArray[np.bool_] | None:
    """The pixels of the marks, cut to their bounds. A picture without see-through parts stands on a plain background:
    its corners'."""
    with Image.open(BytesIO(data)) as opened:
        small = opened.convert("RGBA")
        small.thumbnail((_SIDE, _SIDE))
    pixels = np.asarray(small, dtype=np.float64)
    solid = pixels[:, :, 3] >= _SOLID
    if solid.all():
        labs = oklab(pixels[:, :, :3].reshape(-1, 3) / 255).reshape(*solid.shape, 3)
        background = np.median(labs[[0, 0, -1, -1], [0, -1, 0, -1]], axis=0)
        solid = np.linalg.norm(labs - background, axis=2) >= _UNLIKE
    rows, columns = np.nonzero(solid)
    if len(rows) < 9:
        return None
    return solid[rows.min() : rows.max() + 1, columns.min() : columns.max() + 1]


def _roundness(marks: NDArray[np.bool_]) -> float:
    """By which share of the outline faces elsewhere than the few directions it faces most."""
    padded = _blurred(np.pad(marks.astype(np.float64), 6))
    down: Array = np.asarray(np.gradient(padded, axis=0))
    across: Array = np.asarray(np.gradient(padded, axis=1))
    steepness = np.hypot(down, across)
    edge = steepness > 0.5 * steepness.max()
    sectors = np.floor((np.arctan2(down[edge], across[edge]) / (2 * np.pi) % 1) * _SECTORS + 0.5) % _SECTORS
    weights: list[float] = np.bincount(sectors.astype(int), steepness[edge], _SECTORS).tolist()
    straight = sum(sorted(weights)[-_STRAIGHT:]) / sum(weights)
    return (1 - straight) / (1 - _STRAIGHT / _SECTORS)


def _blurred(field: Array) -> Array:
    """Each pixel the mean of the five by five around it, twice."""
    for _ in range(2):
        for axis in (0, 1):
            field = np.asarray(np.mean([np.roll(field, by, axis) for by in range(-2, 3)], axis=0))
    return field


def _distances(marks: NDArray[np.bool_]) -> Array:
    """How far each pixel of the marks is from the nearest that is none, in px; steps straight and to all eight sides
    by turns, which is near enough to a circle."""
    left = np.pad(marks, 1)
    total = np.zeros(left.shape)
    steps = 0
    while left.any():
        total += left
        left = _eroded(left, corners=steps % 2 == 1)
        steps += 1
    return np.asarray(total[np.pad(marks, 1)]) - 0.5


def _eroded(marks: NDArray[np.bool_], *, corners: bool) -> NDArray[np.bool_]:
    eroded = marks.copy()
    for step in (*_SIDES, *_CORNERS) if corners else _SIDES:
        eroded &= np.roll(marks, step, axis=(0, 1))
    return eroded
