"""A palette from a picture: its colours, with how much of it each has and where."""

from __future__ import annotations

from io import BytesIO
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray
from PIL import Image

from yemba.core.colour.srgb import Colour

_SIDE = 120  # px; what is smaller than 1/120 of a picture is no brand colour
_ROUNDS = 8
_ALIKE = 0.055  # OKLab distance under which two clusters are one colour to the eye
_LEAST_SHARE = 0.004
Array = NDArray[np.float64]


class Found(NamedTuple):
    """A colour of a picture; `share` of its seen area (0 to 1); `x` and `y` a spot of that colour, in % of the
    picture."""

    colour: Colour
    share: float
    x: int
    y: int


def from_picture(data: bytes, most: int = 6) -> list[Found]:
    """The colours that make up a raster picture, the ones that matter most first; the same answer every time.

    Clusters in OKLab. A colour matters by its area and by how far it stands out from the picture's mean, so that a
    small red seal on grey paper is not lost. Pixels more than half see-through do not count.
    """
    with Image.open(BytesIO(data)) as opened:
        opened.draft("RGB", (_SIDE * 2, _SIDE * 2))
        opened.thumbnail((_SIDE, _SIDE), Image.Resampling.BOX, reducing_gap=2.0)
        cells = np.asarray(opened.convert("RGBA"), dtype=np.float64)
    return _clusters(cells, most)


def _clusters(cells: Array, most: int) -> list[Found]:
    height, width = cells.shape[:2]
    solid = cells[:, :, 3] > 127
    if not solid.any():
        return []
    rows, columns = np.nonzero(solid)
    colours = cells[solid][:, :3]
    labs = oklab(colours / 255)
    centres = _spread(labs, 16)
    for _ in range(_ROUNDS):
        nearest = _nearest(labs, centres)
        centres = np.array(
            [labs[nearest == n].mean(axis=0) if (nearest == n).any() else c for n, c in enumerate(centres)]
        )
    nearest = _nearest(labs, _merged(centres, np.bincount(nearest, minlength=len(centres))))
    mean = labs.mean(axis=0)
    clusters: list[tuple[float, Array, Found]] = []
    for n in np.unique(nearest):
        own = np.flatnonzero(nearest == n)
        share = len(own) / len(labs)
        middle = np.median(labs[own], axis=0)
        near = own[np.argsort(((labs[own] - middle) ** 2).sum(axis=1), kind="stable")[: max(1, len(own) // 8)]]
        across, down = np.median(columns[near]), np.median(rows[near])
        spot = near[np.argmin((columns[near] - across) ** 2 + (rows[near] - down) ** 2)]
        if share >= _LEAST_SHARE:
            place = int(100 * (columns[spot] + 0.5) / width), int(100 * (rows[spot] + 0.5) / height)
            red, green, blue = (round(channel) for channel in colours[spot])
            stands_out = float(np.linalg.norm(labs[spot] - mean)) + float(np.hypot(*labs[spot][1:]))
            weight = share**0.4 * (0.1 + stands_out)
            clusters.append((weight, labs[spot], Found(Colour(red, green, blue), share, *place)))
    return _chosen(clusters, most)


def _chosen(clusters: list[tuple[float, Array, Found]], most: int) -> list[Found]:
    """The weightiest first, and of the rest ever the one that adds most: what is like one that is there adds little."""
    left = sorted(clusters, key=lambda one: (-one[0], one[2].colour))
    chosen: list[Found] = []
    labs: list[Array] = []

    def adds(one: tuple[float, Array, Found]) -> float:
        return one[0] * min((float(np.linalg.norm(one[1] - lab)) for lab in labs), default=1.0)

    while left and len(chosen) < most:
        best = max(left, key=adds)
        left.remove(best)
        chosen.append(best[2])
        labs.append(best[1])
    return chosen


def oklab(srgb: Array) -> Array:
    """OKLab of gamma-coded sRGB, rows of channels 0 to 1 (Ottosson; the matrices of ``oklch``)."""
    light = np.where(srgb <= 0.04045, srgb / 12.92, ((srgb + 0.055) / 1.055) ** 2.4)
    cones = np.cbrt(light @ _TO_CONES.T)
    return np.asarray(cones @ _TO_LAB.T)


_TO_CONES = np.array(
    [
        [0.4122214708, 0.5363325363, 0.0514459929],
        [0.2119034982, 0.6806995451, 0.1073969566],
        [0.0883024619, 0.2817188376, 0.6299787005],
    ]
)
_TO_LAB = np.array(
    [
        [0.2104542553, 0.7936177850, -0.0040720468],
        [1.9779984951, -2.4285922050, 0.4505937099],
        [0.0259040371, 0.7827717662, -0.8086757660],
    ]
)


def _spread(labs: Array, count: int) -> Array:
    """Starting points: the mean's nearest, then ever the one furthest from those there (no chance in it)."""
    centres = [labs[np.argmin(((labs - labs.mean(axis=0)) ** 2).sum(axis=1))]]
    far = ((labs - centres[0]) ** 2).sum(axis=1)
    for _ in range(count - 1):
        centres.append(labs[np.argmax(far)])
        far = np.minimum(far, ((labs - centres[-1]) ** 2).sum(axis=1))
    return np.array(centres)


def _nearest(labs: Array, centres: Array) -> NDArray[np.intp]:
    return np.asarray(np.argmin(((labs[:, None, :] - centres[None, :, :]) ** 2).sum(axis=2), axis=1))


def _merged(centres: Array, counts: NDArray[np.intp]) -> Array:
    """Centres that look alike as one, the larger cluster's."""
    distinct: list[Array] = []
    for n in np.argsort(-counts, kind="stable"):
        if counts[n] and all(np.linalg.norm(centres[n] - other) >= _ALIKE for other in distinct):
            distinct.append(centres[n])
    return np.array(distinct)
