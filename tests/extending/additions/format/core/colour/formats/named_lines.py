"""A name and a code on each line, parted by a tab."""

from __future__ import annotations

from collections.abc import Sequence

from yemba.core.colour.formats.format import Format, Named, Parsed, one_line
from yemba.core.colour.srgb import read


def _write(title: str, colours: Sequence[Named]) -> str:
    return "".join(f"{one_line(name)}\t{colour.hex}\n" for name, colour in colours)


def _recognises(text: str) -> bool:
    return all("\t" in line for line in text.strip().splitlines())


def _parse(text: str) -> Parsed:
    rows = (line.rpartition("\t") for line in text.strip().splitlines())
    return [(name.strip(), read(code)) for name, _, code in rows]


FORMAT = Format("Named lines", "lines.txt", 4, _write, _recognises, _parse)
