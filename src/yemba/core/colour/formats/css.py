"""CSS custom properties (CSS Custom Properties for Cascading Variables 1); the name as typed stands in a comment."""

from __future__ import annotations

import re
from collections.abc import Sequence

from yemba.core.colour.formats.format import Format, Named, Parsed, one_line, unlike
from yemba.core.colour.srgb import read
from yemba.core.errors import Fault

_PROPERTY = re.compile(r"--([\w-]+)\s*:\s*([^;{}]+);?[ \t]*(?:/\*\s*(.*?)\s*\*/)?")


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
    return re.search(r"--[\w-]+\s*:", text) is not None


def _parse(text: str) -> Parsed:
    colours = []
    for key, value, remark in _PROPERTY.findall(text):
        try:
            colours.append((remark or key.replace("-", " ").strip().capitalize(), read(value)))
        except Fault:
            continue  # a property that is no colour
    return colours


FORMAT = Format("CSS custom properties", "css", 3, _write, _recognises, _parse)
