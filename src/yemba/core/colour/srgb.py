"""A colour as eight-bit sRGB, and the ways an owner may write one."""

from __future__ import annotations

import re
from collections.abc import Iterable
from itertools import islice
from string import hexdigits
from typing import NamedTuple

from coloraide import Color

from yemba.core.errors import Fault
from yemba.core.limits import PALETTE_COLOURS
from yemba.core.message import Message

_LONGEST = 120  # letters of any colour that CSS writes
_HEX = re.compile(r"#?([0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})", re.IGNORECASE)
_FUNCTION = r"\b(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\([^()]{3,80}\)"
# A code without # counts only with six or eight digits, one of them a figure: "facade" is a word.
_BARE = r"(?<![\w#&])(?=\w*\d|[fF]+\b)(?:[0-9a-fA-F]{8}|[0-9a-fA-F]{6})\b"
_IN_TEXT = re.compile(rf"{_FUNCTION}|(?<![\w&])#(?:[0-9a-fA-F]{{8}}|[0-9a-fA-F]{{6}}|[0-9a-fA-F]{{3,4}})\b|{_BARE}")
# What was meant as a code: digits of one, too few or too many, or one of the six mistaken for a letter like it.
_MEANT_BARE = r"(?<![\w#&.-])(?=\d*[a-fA-F])(?=[a-fA-F]*\d)[0-9a-fA-F]{5}(?:[0-9a-fA-F]{2})?\b"
_MEANT = re.compile(rf"(?<![\w&])#[0-9a-zA-Z]{{5,12}}\b|{_MEANT_BARE}")
_FEWEST_DIGITS = 4  # of six, from which on another letter among them is a slip
_BETWEEN = re.compile(r"[,;/&+\n]|\band\b")  # what stands between names
_MOST_NAMES = 4000  # letters of a text that may be names


class Colour(NamedTuple):
    """Eight-bit sRGB; each channel 0 to 255."""

    red: int
    green: int
    blue: int

    @property
    def hex(self) -> str:
        """Lower-case ``#rrggbb``."""
        return f"#{self.red:02x}{self.green:02x}{self.blue:02x}"


BLACK = Colour(0, 0, 0)
WHITE = Colour(255, 255, 255)


class Read(NamedTuple):
    """A colour as typed: what it is in sRGB, how much of it covers (0 to 1), and whether it had to be mapped in."""

    colour: Colour
    alpha: float = 1
    mapped: bool = False


def read(text: str, field: str = "colour") -> Read:
    """Read hex (3, 4, 6 or 8 digits, # or not) or any CSS colour.

    What lies outside sRGB is mapped in: lightness and hue held, chroma brought down as in CSS Color 4.
    Raises Fault ``colour-unreadable`` where the text is no colour.
    """
    typed = text[: _LONGEST + 1].strip().rstrip(";,")
    if match := _HEX.fullmatch(typed):
        typed = "#" + match.group(1)
    try:
        colour = Color(typed if len(text) <= _LONGEST else "")
    except ValueError:
        raise Fault(
            "colour-unreadable",
            Message(
                "“{text}” is not a colour. Write a hex code such as #8c3b2a, or a CSS colour such as teal.",
                text=text[:40],
            ),
            field,
        ) from None
    srgb = colour.convert("srgb")
    fitted = srgb.clone().fit(method="oklch-chroma")
    red, green, blue = (round(255 * channel) for channel in fitted.coords(nans=False))
    return Read(Colour(red, green, blue), colour.alpha(nans=False), not srgb.in_gamut(tolerance=0.001))


def parse(text: str, field: str = "colour") -> Colour:
    """As ``read``, for a brand colour, which is what it is on every background.

    Raises Fault ``colour-unreadable``, or ``colour-see-through`` where the colour has an alpha below one.
    """
    parsed = read(text, field)
    if parsed.alpha < 1:
        raise Fault(
            "colour-see-through",
            Message("“{text}” is see-through. A brand colour is solid: leave out the last two digits.", text=text),
            field,
        )
    return parsed.colour


def read_many(text: str) -> list[Read]:
    """Every colour in a pasted text, in its order, each once: hex codes with # (or alone in their line, list or
    quotes), and the functions rgb(), hsl(), hwb(), lab(), lch(), oklab(), oklch() and color(). Where it is nothing but
    codes and names, the names that CSS has for colours too, "dark red" as well as "darkred"."""
    codes = (match[0] for match in islice(_IN_TEXT.finditer(text), 4 * PALETTE_COLOURS))
    return _each_once(_names(text) or codes)


def misread(text: str) -> list[str]:
    """What was meant as a hex code in a pasted text and is none, as typed, each once: "#12345", "2f5d5", "#8c3b2O"."""
    codes = (match[0] for match in islice(_MEANT.finditer(text), 4 * PALETTE_COLOURS))
    return list(dict.fromkeys(code for code in codes if not _HEX.fullmatch(code) and _is_slip(code.lstrip("#"))))


def _is_slip(digits: str) -> bool:
    right = sum(digit in hexdigits for digit in digits)
    return right == len(digits) or (len(digits) == 6 and right >= _FEWEST_DIGITS and not digits.isalpha())


def _each_once(codes: Iterable[str]) -> list[Read]:
    colours: dict[str, Read] = {}
    for code in codes:
        try:
            one = read(code)
        except Fault:
            continue
        colours.setdefault(f"{one.colour.hex}{one.alpha}", one)
    return list(colours.values())


def _names(text: str) -> list[str]:
    """Names and codes of a text that is nothing else, "red, #8c3b2a and dark green"; none of "the red of our van"."""
    if len(text) > _MOST_NAMES:
        return []
    pieces = [piece.strip() for piece in _BETWEEN.split(text.lower()) if piece.strip()]
    names = [piece if _IN_TEXT.fullmatch(piece) else _name(piece) for piece in pieces]
    return names if all(names) else []


def _name(words: str) -> str:
    """The name of a colour as CSS writes it, "" for other words."""
    name = "".join(words.split())
    return name if name.isalpha() and name != "transparent" and Color.match(name) else ""


def from_hex(code: str) -> Colour:
    """Read the stored form, ``#rrggbb``, and nothing else."""
    return Colour(int(code[1:3], 16), int(code[3:5], 16), int(code[5:7], 16))


def mix(first: Colour, second: Colour, share: float) -> Colour:
    """Lay `second` at opacity `share` (0 to 1) over `first`: source-over in gamma-coded sRGB,
    as browsers do it (W3C Compositing and Blending Level 1, section 5.1)."""
    blend = (round(a + (b - a) * share) for a, b in zip(first, second, strict=True))
    return Colour(*blend)
