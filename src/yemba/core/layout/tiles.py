"""Rows of tiles without a lone one at their end: what share of the row each has, and how wide its picture is drawn.

In a wide window three stand in a row. Where that would leave one over, the last four stand two and two; where two,
these two share a row. On a phone two stand in a row, and of an odd number the first has one to itself; in templates
that give the width of one of two abreast, in a wide window too. The stylesheets of the kinds say the same.
"""

from __future__ import annotations

import re
from typing import NamedTuple

_LEAST = re.compile(r"min-width: (\d+)px")


class TileSizes(NamedTuple):
    """HTML's attribute "sizes" of a tile that has a third of a row, half of it, or the whole; `first` is that of a
    first tile that leads, two of three columns wide, "" where the template has it as the others; `two` that of one of
    two abreast, "" where three are. Each says its widths in narrower windows too; `half` and `whole` are "" where a
    layout is none of tiles. From `abreast` px on three stand in a row. `in_rows` says that each picture keeps its shape
    and takes of `whole` what its shape asks for."""

    third: str
    half: str = ""
    whole: str = ""
    first: str = ""
    two: str = ""
    abreast: float = 860
    in_rows: bool = False


def shares(count: int, leads: bool = False) -> list[str]:
    """The share of its row of each of `count` tiles in a wide window: a field of TileSizes."""
    if count == 1:
        return ["whole"]
    halves = {0: 0, 1: 4, 2: 2}[count % 3]
    names = ["third"] * (count - halves) + ["half"] * halves
    if leads and names[:1] == ["third"]:
        names[0] = "first"
    return names


def tile_sizes(sizes: TileSizes, count: int) -> list[str]:
    """The attribute of each of `count` pictures, in order."""
    if sizes.two:
        alone = [sizes.whole] * (count % 2)
        return [*alone, *[sizes.two] * (count - len(alone))]
    if not sizes.half:
        return [sizes.first or sizes.third, *[sizes.third] * (count - 1)] if count else []
    widths = [getattr(sizes, share) for share in shares(count, bool(sizes.first))]
    if count % 2 and widths:
        widths[0] = ", ".join([*wide(widths[0], sizes.abreast), *narrow(sizes.whole, sizes.abreast)])
    return widths


def wide(sizes: str, abreast: float) -> list[str]:
    """The parts of the attribute that are about windows where three stand in a row."""
    return [part for part in sizes.split(", ") if _least(part) >= abreast]


def narrow(sizes: str, abreast: float) -> list[str]:
    """The others."""
    return [part for part in sizes.split(", ") if _least(part) < abreast]


def _least(part: str) -> int:
    match = _LEAST.search(part)
    return int(match[1]) if match else 0
