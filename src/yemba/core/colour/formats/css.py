"""CSS custom properties (CSS Custom Properties for Cascading Variables 1); the name as typed stands in a comment."""

from __future__ import annotations

import re
from collections.abc import Sequence
from itertools import islice

from yemba.core.colour.formats.format import Format, Named, Parsed, one_line, unlike
from yemba.core.colour.srgb import read
from yemba.core.errors import Fault
from yemba.core.limits import PALETTE_COLOURS
from yemba.core.message import Message

# Each name is begun once and nothing that was taken is given back, so that no text takes longer than its length.
_NAME = r"(?<![\w-])--([\w-]++)\s*+:"
_BEGINS = re.compile(_NAME)
_PROPERTY = re.compile(_NAME + r"([^;{}]++);?[ \t]*+(?:/\*((?:[^*\n]|\*(?!/)){0,200}+)\*/)?")


def _write(title: str, colours: Sequence[Named]) -> str:
    used: dict[str, str] = {}
    for name, colour in colours:
        used[unlike(_slug(name), used)] = f"{colour.hex}; {_comment(name)}"
    rows = [f"  --{key}: {value}" for key, value in used.items()]
    return "\n".join([_comment(title), ":root {", *rows, "}", ""])


def _comment(words: str) -> str:
    return f"/* {one_line(words).replace('*/', '')} */"


def _slug(name: str) -> str:
    return re.sub(r"[^\w]+", "-", name.casefold()).strip("-") or "colour"


def _recognises(text: str) -> bool:
    return _BEGINS.search(text) is not None


def _parse(text: str) -> Parsed:
    colours = []
    for key, value, remark in (one.groups("") for one in islice(_PROPERTY.finditer(text), 4 * PALETTE_COLOURS)):
        try:
            colours.append((remark.strip() or key.replace("-", " ").strip().capitalize(), read(value)))
        except Fault:
            continue  # a property that is no colour
    return colours


FORMAT = Format(Message("CSS custom properties"), "css", 3, _write, _recognises, _parse)
