"""GIMP palette: the format GIMP reads and writes (docs.gimp.org, "Palettes"; devel-docs, gpl.txt)."""

from __future__ import annotations

import re
from collections.abc import Sequence

from yemba.core.colour.formats.format import Format, Named, Parsed, one_line
from yemba.core.colour.srgb import Colour, Read
from yemba.core.errors import Fault
from yemba.core.limits import PALETTE_COLOURS
from yemba.core.message import Message

_HEAD = re.compile(r"(Name|Columns|Channels)\s*:")
_ROW = re.compile(r"\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})\s*(.*)")


def _write(title: str, colours: Sequence[Named]) -> str:
    rows = [f"{c.red:3d} {c.green:3d} {c.blue:3d}\t{one_line(name)}" for name, c in colours]
    return "\n".join(["GIMP Palette", f"Name: {one_line(title)}", "Columns: 0", "#", *rows, ""])


def _recognises(text: str) -> bool:
    return text.lstrip().startswith("GIMP Palette")


def _parse(text: str) -> Parsed:
    rows = enumerate(text.lstrip().splitlines()[1:], 2)
    colours = [(n, row) for n, row in rows if row.strip() and not row.lstrip().startswith("#") and not _HEAD.match(row)]
    return [_row(number, row) for number, row in colours[: 4 * PALETTE_COLOURS]]


def _row(number: int, row: str) -> tuple[str, Read]:
    match = _ROW.match(row)
    channels = [int(channel) for channel in match.groups()[:3]] if match else []
    if match is None or max(channels) > 255:
        reason = Message(
            "Line {number} of this GIMP palette, “{row}”, is not three numbers up to 255 and a name.",
            number=number,
            row=row.strip()[:40],
        )
        raise Fault("palette-unreadable", reason, "file")
    name = match[4].strip()
    return "" if name == "Untitled" else name, Read(Colour(*channels))


FORMAT = Format(Message("GIMP palette"), "gpl", 2, _write, _recognises, _parse)
