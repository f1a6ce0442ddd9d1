"""Palettes out of files and pasted text, of whichever kind (``core.colour.formats``)."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from yemba.core.colour.formats.format import Named, formats
from yemba.core.colour.naming import name_for
from yemba.core.colour.srgb import Read
from yemba.core.errors import Fault
from yemba.core.limits import PALETTE_BYTES, PALETTE_COLOURS
from yemba.core.message import Message, Plural


class Palette(NamedTuple):
    """What a file or a pasted text holds: every colour with a name, and what could not be kept, in sentences."""

    colours: list[Named]
    lost: list[str]


_NAMED = 5  # that a sentence names


def read_palette(data: bytes | str) -> Palette:
    """Read any of the formats, told apart by what stands in them.

    Raises Fault ``file-too-large``, ``palette-unreadable`` where it is none of them or broken, ``no-colours``.
    """
    text = text_of(data)
    known = next(known for known in formats().values() if known.recognises(text))
    parsed, wrong = known.parse(text), known.misread(text)
    if not parsed:
        sentence = Message("No colour was found in this. Paste hex codes such as #8c3b2a, one after another.")
        raise Fault("no-colours", no_colours(wrong) if wrong else sentence, "codes")
    colours, lost = _palette(parsed)
    return Palette(colours, [no_colours(wrong), *lost] if wrong else lost)


def no_colours(wrong: Sequence[str]) -> Message:
    """That these, as typed, are none."""
    return Message(
        "No colour: {codes}. A code has three or six digits after the #, of 0 to 9 and a to f.",
        codes=", ".join(wrong[:_NAMED]),
    )


def text_of(data: bytes | str) -> str:
    """The words of a palette file. Raises Fault ``file-too-large``, ``palette-unreadable`` where it is no text."""
    if len(data) > PALETTE_BYTES:
        raise Fault(
            "file-too-large", Message("This has more than 1 MB; no palette needs that. Choose a palette file."), "file"
        )
    if isinstance(data, str):
        return data
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError:
        text = "\0"
    if "\0" in text:
        offered = ", ".join(known.name for known in formats().values())
        raise Fault(
            "palette-unreadable",
            Message("This file is no palette that Yemba reads. It reads: {offered}.", offered=offered),
            "file",
        )
    return text


def _palette(parsed: Sequence[tuple[str, Read]]) -> tuple[list[Named], list[str]]:
    colours: list[Named] = []
    more, parsed = len(parsed) > PALETTE_COLOURS, parsed[:PALETTE_COLOURS]
    for name, one in parsed:
        colours.append((name or str(name_for(one.colour, [known for known, _ in colours])), one.colour))
    clear, mapped = sum(one.alpha < 1 for _, one in parsed), sum(one.mapped for _, one in parsed)
    lost: list[str] = []
    if more:
        lost.append(
            Message(
                "It holds more than {palette_colours} colours; the first {palette_colours} were read.",
                palette_colours=PALETTE_COLOURS,
            )
        )
    if clear:
        lost.append(
            Plural("{number} see-through colour became solid.", "{number} see-through colours became solid.", clear)
        )
    if mapped:
        lost.append(
            Plural(
                "{number} colour outside what screens show in sRGB came as near as can be.",
                "{number} colours outside what screens show in sRGB came as near as can be.",
                mapped,
            )
        )
    if not any(name for name, _ in parsed):
        lost.append(Message("There were no names in it; these are proposed."))
    return colours, lost
