"""Pictures in rows, each in its own shape: which of them share a row, and how much of it each takes.

In a row all are of one height, so that each takes of its width as much as its shape asks for. Rows are chosen as the
lines of a paragraph are: all together, so that their heights differ as little as can be.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from math import log

from yemba.core.layout.tiles import narrow, wide

TRACKS = 24
ABREAST, ABREAST_ON_PHONE = 3, 2
USUAL = 4 / 3
"""Width over height of a usual picture, and of a place that has none yet."""
_LENGTH = re.compile(r"([\d.]+)(?=px$|vw$)")
_SMALL = 4  # times as bad (a choice by looking at galleries of 1 to 12 pictures)
_FILLED = 0.6  # of the wanted: a last row of less is not stretched to the whole width, since it would be too high


def spans(shapes: Sequence[float], abreast: int) -> list[int]:
    """How many of a row's TRACKS each of these pictures takes, in order; `shapes` are widths over heights.

    Rows hold about `abreast` usual pictures. The sum in every row is TRACKS, in the last one at most.
    """
    wanted = abreast * USUAL
    rows = _rows(shapes, wanted)
    widths = [sum(row) for row in rows]
    if rows:
        widths[-1] = max(widths[-1], _FILLED * wanted)
    return [span for row, width in zip(rows, widths, strict=True) for span in _tracks(row, width)]


def row_sizes(whole: str, wide_spans: Sequence[int], phone_spans: Sequence[int], abreast: float) -> list[str]:
    """HTML's "sizes" of each picture, where `whole` is that of a picture that has a row to itself, and from `abreast`
    px on the wide spans hold."""
    in_narrow = narrow(whole, abreast)
    in_wide = [*wide(whole, abreast), f"(min-width: {abreast:g}px) {in_narrow[0].rpartition(' ')[2]}"]
    return [
        ", ".join([*_shares(in_wide, across), *_shares(in_narrow, on_phone)])
        for across, on_phone in zip(wide_spans, phone_spans, strict=True)
    ]


def _rows(shapes: Sequence[float], wanted: float) -> list[Sequence[float]]:
    """The partition whose rows miss the wanted width by the least, on a scale of ratios."""
    best = [(0.0, 0)]  # for the first so many: what they miss, and where their last row begins
    for end in range(1, len(shapes) + 1):
        begins = range(max(0, end - TRACKS // 2), end)
        best.append(min((best[begin][0] + _miss(sum(shapes[begin:end]) / wanted), begin) for begin in begins))
    rows: list[Sequence[float]] = []
    end = len(shapes)
    while end:
        begin = best[end][1]
        rows.insert(0, shapes[begin:end])
        end = begin
    return rows


def _miss(ratio: float) -> float:
    """What a row misses the wanted width by; small pictures are worse than large ones."""
    return log(ratio) ** 2 * (_SMALL if ratio > 1 else 1)


def _tracks(row: Sequence[float], width: float) -> list[int]:
    """Whole tracks in proportion, one at least: those that miss their share by the most give or take one."""
    shares = [TRACKS * shape / width for shape in row]
    wanted = max(len(row), round(sum(shares)))
    tracks = [max(1, int(share)) for share in shares]
    while (lacking := wanted - sum(tracks)) != 0:
        step = 1 if lacking > 0 else -1
        misses = [step * (share - track) for share, track in zip(shares, tracks, strict=True)]
        able = [place for place, track in enumerate(tracks) if track + step]
        tracks[max(able, key=misses.__getitem__)] += step
    return tracks


def _shares(parts: Sequence[str], span: int) -> list[str]:
    """Each part with its length, in px or vw, times the share."""
    return [_LENGTH.sub(lambda match: f"{float(match[1]) * span / TRACKS:.1f}", part) for part in parts]
