"""A logo freed of the plain background it stands on, and of the empty room round its marks, by its pixels."""

from __future__ import annotations

from typing import Any, NamedTuple

import numpy as np
from numpy.typing import NDArray

from yemba.core.colour.from_picture import oklab
from yemba.core.colour.srgb import Colour

_SOLID = 128  # alpha from which a pixel belongs to the picture
_FAINT = 16  # alpha up to which a pixel is no mark
_BORDER = 2  # px; how deep the outermost ring is that tells of a background
_OF_BORDER = 0.9  # of that ring must be of one colour; marks may reach an edge
_GRAIN, _MOST_GRAIN = 0.02, 0.05  # OKLab distances within which a background is plain: clean, and after lossy saving
_SPECK = 0.1  # OKLab distance below which what is left beside the background is a trace of lossy saving
_SOFT = 2  # px; how wide an edge is that was drawn soft over the background
_LEAST = 12  # px of marks, or of background between them, that are worth a question
Pixels = NDArray[np.uint8]
Mask = NDArray[np.bool_]


class Plain(NamedTuple):
    """A background of one colour; `within` is the OKLab distance from it up to which a pixel belongs to it."""

    colour: Colour
    within: float


class Box(NamedTuple):
    """In px; `right` and `bottom` are outside."""

    left: int
    top: int
    right: int
    bottom: int


def plain_background(pixels: Pixels) -> Plain | None:
    """The one colour that a picture (height x width x RGBA) is edged by; None where it is see-through there, where the
    edge is of several colours, as in a photograph or on a gradient, and where nothing stands on it, as in a frame."""
    ring = np.ones(pixels.shape[:2], dtype=bool)
    ring[_BORDER:-_BORDER, _BORDER:-_BORDER] = False
    border = pixels[ring]
    if np.mean(border[:, 3] >= _SOLID) < _OF_BORDER:
        return None
    median = np.median(border[:, :3], axis=0)
    distances = _distances(border[:, :3], median)
    grain = float(np.quantile(distances, _OF_BORDER))
    if grain > _MOST_GRAIN:
        return None
    red, green, blue = (round(channel) for channel in median)
    plain = Plain(Colour(red, green, blue), max(_GRAIN, 1.5 * grain))
    return plain if int((~_near(pixels, plain)).sum()) >= _LEAST else None


def has_enclosed(pixels: Pixels, plain: Plain) -> bool:
    """Whether that background also shows where marks close it in, as within an “o”."""
    near = _near(pixels, plain)
    return int((near & ~_flooded(near)).sum()) >= _LEAST


def without_background(pixels: Pixels, plain: Plain, *, enclosed: bool) -> Pixels:
    """The picture with that background see-through, from its edge inward, and `enclosed` parts of it too.

    Edges that were drawn soft over the background become soft again: what a pixel has of the mark is read off between
    the background and the mark beside it, in gamma-coded sRGB, as drawing programs and browsers lay one over another.
    """
    near = _near(pixels, plain)
    cut = near if enclosed else _flooded(near)
    out = pixels.copy()
    out[cut, 3] = 0
    edge = _grown(cut, _SOFT) & ~cut
    rows, columns = np.nonzero(edge)
    behind = np.array(plain.colour, dtype=np.float64)
    own = pixels[rows, columns, :3].astype(np.float64) - behind
    beside = _strongest_beside(pixels, rows, columns, behind)
    mark = beside - behind
    length = (mark**2).sum(axis=1)
    share = np.clip((own * mark).sum(axis=1) / np.maximum(length, 1), 0, 1)
    share[_distances(beside, behind) < _SPECK] = 0
    whole = share < 1
    freed = np.clip(behind + own / np.maximum(share, 0.02)[:, None], 0, 255)
    out[rows[whole], columns[whole], :3] = np.round(freed[whole])
    out[rows, columns, 3] = np.round(share * pixels[rows, columns, 3])
    return out


def marks_box(pixels: Pixels, plain: Plain | None = None) -> Box | None:
    """The smallest box that holds every mark on nothing, or on this background; None where there is none."""
    seen = pixels[:, :, 3] > _FAINT if plain is None else ~_near(pixels, plain)
    if not seen.any():
        return None
    left, right = _ends(np.flatnonzero(seen.any(axis=0)))
    top, bottom = _ends(np.flatnonzero(seen.any(axis=1)))
    return Box(left, top, right, bottom)


def _ends(places: NDArray[np.intp]) -> tuple[int, int]:
    """The first of them, and the one after the last."""
    return int(places[0]), int(places[-1]) + 1


def _distances(colours: NDArray[Any], from_colour: NDArray[np.float64]) -> NDArray[np.float64]:
    labs, middle = oklab(colours / 255), oklab(from_colour[None, :] / 255)
    return np.asarray(np.sqrt(((labs - middle) ** 2).sum(axis=-1)))


def _near(pixels: Pixels, plain: Plain) -> Mask:
    """Where a pixel is of the background's colour, or see-through."""
    words = np.ascontiguousarray(pixels).view(np.uint32)  # a pixel each: every colour is measured once
    different, places = np.unique(words, return_inverse=True)
    colours = different.view(np.uint8).reshape(-1, 4)
    background = np.array(plain.colour, dtype=np.float64)
    near = _distances(colours[:, :3], background) <= plain.within
    near |= colours[:, 3] < _SOLID
    return np.asarray(near[places.reshape(-1)].reshape(pixels.shape[:2]))


def _flooded(near: Mask) -> Mask:
    """What of `near` is connected with the picture's edge, along rows and columns by turns until nothing is added."""
    wet = np.zeros_like(near)
    wet[0], wet[-1], wet[:, 0], wet[:, -1] = near[0], near[-1], near[:, 0], near[:, -1]
    before = -1
    while before != (before := int(wet.sum())):
        wet = _along_rows(near, wet)
        wet = _along_rows(near.T, wet.T).T
    return wet


def _along_rows(near: Mask, wet: Mask) -> Mask:
    """Every run of `near` within a row that has a wet pixel becomes wet as a whole."""
    starts = near.copy()
    starts[:, 1:] &= ~near[:, :-1]
    runs = np.cumsum(starts.reshape(-1)).reshape(near.shape)
    reached = np.zeros(int(runs.max(initial=0)) + 1, dtype=bool)
    reached[runs[wet & near]] = True
    return np.asarray(reached[runs] & near)


def _grown(mask: Mask, by: int) -> Mask:
    for _ in range(by):
        wider = mask.copy()
        wider[1:] |= mask[:-1]
        wider[:-1] |= mask[1:]
        wider[:, 1:] |= mask[:, :-1]
        wider[:, :-1] |= mask[:, 1:]
        mask = wider
    return mask


def _strongest_beside(
    pixels: Pixels, rows: NDArray[np.intp], columns: NDArray[np.intp], behind: NDArray[np.float64]
) -> NDArray[np.float64]:
    """For each of these pixels the colour within reach that stands out most from the background: the mark's own."""
    height, width = pixels.shape[:2]
    best = pixels[rows, columns, :3].astype(np.float64)
    far = ((best - behind) ** 2).sum(axis=1)
    reach = range(-_SOFT - 1, _SOFT + 2)
    for down, across in ((down, across) for down in reach for across in reach):
        beside = pixels[np.clip(rows + down, 0, height - 1), np.clip(columns + across, 0, width - 1), :3]
        distance = ((beside - behind) ** 2).sum(axis=1)
        better = distance > far
        best[better], far[better] = beside[better], distance[better]
    return best
