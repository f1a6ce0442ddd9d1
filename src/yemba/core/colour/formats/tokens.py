"""Design tokens: W3C Design Tokens Format Module 2025.10, with its color module: a group of tokens of type color."""

from __future__ import annotations

import json
import re
from collections.abc import Iterator, Sequence
from typing import Any
from urllib.parse import quote, unquote

from yemba.core.colour.formats.format import Format, Named, Parsed, unlike
from yemba.core.colour.srgb import Read, read
from yemba.core.errors import Fault
from yemba.core.limits import PALETTE_COLOURS
from yemba.core.message import Message
from yemba.core.untrusted import read_json

_DEEPEST, _LONGEST_ALIAS = 40, 10
_FUNCTIONS = ("lab", "lch", "oklab", "oklch")


def _write(title: str, colours: Sequence[Named]) -> str:
    group: dict[str, Any] = {"$type": "color", "$description": title}
    for name, colour in colours:
        components = [round(channel / 255, 5) for channel in colour]
        token: dict[str, Any] = {
            "$value": {"colorSpace": "srgb", "components": components, "alpha": 1, "hex": colour.hex}
        }
        key = unlike(re.sub(r"[{}.]", "·", name).lstrip("$") or "colour", group)
        if key != name:
            token["$extensions"] = {"yemba": {"name": quote(name)}}
        group[key] = token
    return json.dumps({"palette": group}, ensure_ascii=False, indent=2) + "\n"


def _recognises(text: str) -> bool:
    return text.lstrip().startswith(("{", "["))


def _parse(text: str) -> Parsed:
    try:
        whole = read_json(text)
    except (ValueError, RecursionError) as error:
        reason = Message("This is not whole JSON: {error}. Export the tokens again.", error=str(error))
        raise Fault("palette-unreadable", reason, "file") from error
    colours: Parsed = []
    for name, token in _tokens(whole, "", False):
        colours.append((_own_name(token.get("$extensions")) or name, _colour(_followed(token["$value"], whole), name)))
        if len(colours) > PALETTE_COLOURS:
            break
    return colours


def _tokens(node: Any, name: str, of_colour: bool, depth: int = 0) -> Iterator[tuple[str, dict[str, Any]]]:
    """Tokens of type color in groups within groups; `$type` is handed down by groups."""
    if not isinstance(node, dict) or depth > _DEEPEST:
        return
    of_colour = node.get("$type", "color" if of_colour else "") == "color"
    if "$value" in node:
        if of_colour:
            yield name, node
        return
    for key, inner in node.items():
        if not key.startswith("$"):
            yield from _tokens(inner, key, of_colour, depth + 1)


def _own_name(extensions: Any) -> str:
    """The name as it was typed, where Yemba wrote the file and the name could not be a key. It is percent-encoded:
    other readers take braces anywhere for an alias."""
    ours = extensions.get("yemba") if isinstance(extensions, dict) else None
    return unquote(str(ours.get("name", ""))) if isinstance(ours, dict) else ""


def _followed(value: Any, whole: Any) -> Any:
    """What an alias in braces stands for."""
    for _ in range(_LONGEST_ALIAS):
        if not (isinstance(value, str) and value.startswith("{") and value.endswith("}")):
            return value
        at = whole
        for step in value[1:-1].split("."):
            at = at.get(step) if isinstance(at, dict) else None
        value = at.get("$value") if isinstance(at, dict) else None
    return value


def _colour(value: Any, name: str) -> Read:
    try:
        return read(value if isinstance(value, str) else _as_css(value))
    except (Fault, KeyError, TypeError, ValueError, AttributeError) as error:
        reason = Message(
            "The token “{name}” holds no colour that can be read: {value}.", name=name, value=json.dumps(value)[:60]
        )
        raise Fault("palette-unreadable", reason, "file") from error


def _as_css(value: Any) -> str:
    """A colour of the color module as CSS writes it."""
    space = value["colorSpace"]
    alpha = float(value.get("alpha", 1))
    parts = ["none" if part == "none" else f"{float(part):g}" for part in value["components"]]
    if space in ("hsl", "hwb"):
        hue, *shares = parts
        parts = [hue, *(f"{share}%" for share in shares)]
    channels = f"{' '.join(parts)} / {alpha:g}"
    return f"{space}({channels})" if space in _FUNCTIONS else f"color({space} {channels})"


FORMAT = Format(Message("Design tokens"), "tokens.json", 1, _write, _recognises, _parse)
