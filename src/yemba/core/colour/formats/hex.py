"""A list of codes, one a line; any text with codes in it is read."""

from __future__ import annotations

from collections.abc import Sequence

from yemba.core.colour.formats.format import Format, Named, Parsed
from yemba.core.colour.srgb import misread, read_many
from yemba.core.message import Message


def _write(title: str, colours: Sequence[Named]) -> str:
    return "".join(f"{colour.hex}\n" for _, colour in colours)


def _parse(text: str) -> Parsed:
    return [("", one) for one in read_many(text)]


FORMAT = Format(Message("Hex list"), "txt", 99, _write, lambda _: True, _parse, Message("Names are not kept."), misread)
