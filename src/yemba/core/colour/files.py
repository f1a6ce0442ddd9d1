"""Palettes in and out of files: design tokens, GIMP palette, CSS custom properties, hex list."""

from __future__ import annotations

import json
import re
from collections.abc import Callable, Collection, Sequence
from typing import Any, NamedTuple
from urllib.parse import quote, unquote

from yemba.core.colour.naming import name_for
from yemba.core.colour.srgb import Colour, Read, read, read_many
from yemba.core.errors import Fault

MOST_BYTES = 1_000_000
Named = tuple[str, Colour]


class Palette(NamedTuple):
    """What a file or a pasted text holds: every colour with a name, and what could not be kept, in sentences."""

    colours: list[Named]
    lost: list[str]


class Form(NamedTuple):
    """A kind of palette file: how it is called, its ending, and what writing it loses ("" for nothing)."""

    name: str
    ending: str
    loses: str
    write: Callable[[str, Sequence[Named]], str]


def read_palette(data: bytes | str) -> Palette:
    """Read any of the forms, told apart by what stands in them.

    Raises Fault ``file-too-large``, ``palette-unreadable`` where it is none of them or broken, ``no-colours``.
    """
    text = text_of(data)
    if text.lstrip().startswith("GIMP Palette"):
        found = _read_gimp(text)
    elif text.lstrip().startswith(("{", "[")):
        found = _read_tokens(text)
    elif re.search(r"--[\w-]+\s*:", text):
        found = _read_css(text)
    else:
        found = [("", one) for one in read_many(text)]
    if not found:
        raise Fault(
            "no-colours", "No colour was found in this. Paste hex codes such as #8c3b2a, one after another.", "codes"
        )
    return _palette(found)


def text_of(data: bytes | str) -> str:
    """The words of a palette file. Raises Fault ``file-too-large``, ``palette-unreadable`` where it is no text."""
    if len(data) > MOST_BYTES:
        raise Fault("file-too-large", "This has more than 1 MB; no palette needs that. Choose a palette file.", "file")
    if isinstance(data, str):
        return data
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError:
        text = "\0"
    if "\0" in text:
        offered = ", ".join(form.name for form in FORMS.values())
        raise Fault("palette-unreadable", f"This file is no palette that Yemba reads. It reads: {offered}.", "file")
    return text


def _palette(found: Sequence[tuple[str, Read]]) -> Palette:
    colours: list[Named] = []
    clear, mapped, unnamed = 0, 0, 0
    for name, one in found:
        clear += one.alpha < 1
        mapped += one.mapped
        unnamed += not name
        colours.append((name or name_for(one.colour, [known for known, _ in colours]), one.colour))
    lost = [
        f"{clear} see-through colour{_s(clear)} became solid." if clear else "",
        f"{mapped} colour{_s(mapped)} outside what screens show in sRGB came as near as can be." if mapped else "",
        "There were no names in it; these are proposed." if unnamed == len(found) else "",
    ]
    return Palette(colours, [sentence for sentence in lost if sentence])


def _s(count: int) -> str:
    return "" if count == 1 else "s"


# GIMP palette: the format GIMP reads and writes (docs.gimp.org, "Palettes"; devel-docs, gpl.txt).
def _write_gimp(title: str, colours: Sequence[Named]) -> str:
    rows = [f"{c.red:3d} {c.green:3d} {c.blue:3d}\t{_line(name)}" for name, c in colours]
    return "\n".join(["GIMP Palette", f"Name: {_line(title)}", "Columns: 0", "#", *rows, ""])


def _read_gimp(text: str) -> list[tuple[str, Read]]:
    found = []
    for number, row in enumerate(text.lstrip().splitlines()[1:], 2):
        if not row.strip() or row.lstrip().startswith("#") or re.match(r"(Name|Columns|Channels)\s*:", row):
            continue
        match = re.match(r"\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})\s*(.*)", row)
        if match is None or any(int(channel) > 255 for channel in match.groups()[:3]):
            said = (
                f"Line {number} of this GIMP palette, “{row.strip()[:40]}”, is not three numbers up to 255 and a name."
            )
            raise Fault("palette-unreadable", said, "file")
        red, green, blue = (int(channel) for channel in match.groups()[:3])
        name = match[4].strip()
        found.append(("" if name == "Untitled" else name, Read(Colour(red, green, blue))))
    return found


# W3C Design Tokens Format Module 2025.10, with its color module: a group of tokens of type color.
def _write_tokens(title: str, colours: Sequence[Named]) -> str:
    group: dict[str, Any] = {"$type": "color", "$description": title}
    for name, colour in colours:
        parts = [round(channel / 255, 5) for channel in colour]
        value = {"colorSpace": "srgb", "components": parts, "alpha": 1, "hex": colour.hex}
        key = _unlike(re.sub(r"[{}.]", "·", name).lstrip("$") or "colour", group)
        group[key] = {"$value": value} | ({"$extensions": {"yemba": {"name": quote(name)}}} if key != name else {})
    return json.dumps({"palette": group}, ensure_ascii=False, indent=2) + "\n"


def _read_tokens(text: str) -> list[tuple[str, Read]]:
    try:
        told = json.loads(text)
    except (ValueError, RecursionError) as error:
        raise Fault(
            "palette-unreadable", f"This is not whole JSON: {error}. Export the tokens again.", "file"
        ) from error
    found: list[tuple[str, Read]] = []
    _walk(told, "", False, found, told)
    return found


def _walk(told: Any, name: str, of_colour: bool, found: list[tuple[str, Read]], whole: Any, depth: int = 0) -> None:
    """Tokens in groups within groups; `$type` is handed down by groups, an alias in braces is followed."""
    if not isinstance(told, dict) or len(found) > 500 or depth > 40:
        return
    of_colour = told.get("$type", "color" if of_colour else "") == "color"
    if "$value" in told:
        value = _followed(told["$value"], whole)
        if of_colour:
            found.append((_own_name(told.get("$extensions")) or name, _token(value, name)))
        return
    for key, inner in told.items():
        if not key.startswith("$"):
            _walk(inner, key, of_colour, found, whole, depth + 1)


def _own_name(extensions: Any) -> str:
    """The name as it was typed, where Yemba wrote the file and the name could not be a key. It is percent-encoded:
    other readers take braces anywhere for an alias."""
    ours = extensions.get("yemba") if isinstance(extensions, dict) else None
    return unquote(str(ours.get("name", ""))) if isinstance(ours, dict) else ""


def _followed(value: Any, whole: Any) -> Any:
    for _ in range(10):
        if not (isinstance(value, str) and value.startswith("{") and value.endswith("}")):
            return value
        at = whole
        for step in value[1:-1].split("."):
            at = at.get(step) if isinstance(at, dict) else None
        value = at.get("$value") if isinstance(at, dict) else None
    return value


def _token(value: Any, name: str) -> Read:
    try:
        if isinstance(value, str):
            return read(value)
        space, parts, alpha = value["colorSpace"], value["components"], value.get("alpha", 1)
        numbers = " ".join("none" if part == "none" else f"{float(part):g}" for part in parts)
        if space in ("hsl", "hwb"):
            hue, *shares = numbers.split()
            return read(f"{space}({hue} {' '.join(f'{share}%' for share in shares)} / {float(alpha):g})")
        written = f"{space}({numbers}" if space in ("lab", "lch", "oklab", "oklch") else f"color({space} {numbers}"
        return read(f"{written} / {float(alpha):g})")
    except (Fault, KeyError, TypeError, ValueError, AttributeError) as error:
        said = f"The token “{name}” holds no colour that can be read: {json.dumps(value)[:60]}."
        raise Fault("palette-unreadable", said, "file") from error


# CSS Custom Properties (CSS Variables 1); the name as typed stands beside each in a comment.
def _write_css(title: str, colours: Sequence[Named]) -> str:
    used: dict[str, str] = {}
    for name, colour in colours:
        used[_unlike(_slug(name), used)] = f"{colour.hex}; /* {_line(name).replace('*/', '')} */"
    rows = [f"  --{key}: {value}" for key, value in used.items()]
    return "\n".join([f"/* {_line(title).replace('*/', '')} */", ":root {", *rows, "}", ""])


def _read_css(text: str) -> list[tuple[str, Read]]:
    found = []
    for key, value, remark in re.findall(r"--([\w-]+)\s*:\s*([^;{}]+);?[ \t]*(?:/\*\s*(.*?)\s*\*/)?", text):
        try:
            found.append((remark or key.replace("-", " ").strip().capitalize(), read(value)))
        except Fault:
            continue  # a property that is no colour
    return found


def _slug(name: str) -> str:
    return re.sub(r"[^\w]+", "-", name.casefold()).strip("-") or "colour"


def _write_hexes(title: str, colours: Sequence[Named]) -> str:
    return "".join(f"{colour.hex}\n" for _, colour in colours)


def _line(name: str) -> str:
    return " ".join(name.split())


def _unlike(key: str, used: Collection[str]) -> str:
    return next(tried for n in range(1, 1000) if (tried := key if n == 1 else f"{key}-{n}") not in used)


FORMS = {
    "tokens": Form("Design tokens", "tokens.json", "", _write_tokens),
    "gimp": Form("GIMP palette", "gpl", "", _write_gimp),
    "css": Form("CSS custom properties", "css", "", _write_css),
    "hex": Form("Hex list", "txt", "Names are not kept.", _write_hexes),
}
