"""The subsets that font files are cut into: which characters each holds."""

from __future__ import annotations

from functools import cache

from yemba.core.message import labels

# As the makers of the shipped files cut them (CSS Fonts 4, unicode-range).
RANGES = {
    "latin": (
        "U+0000-00FF,U+0131,U+0152-0153,U+02BB-02BC,U+02C6,U+02DA,U+02DC,U+0304,U+0308,U+0329,U+2000-206F"
        ",U+20AC,U+2122,U+2191,U+2193,U+2212,U+2215,U+FEFF,U+FFFD"
    ),
    "latin-ext": (
        "U+0100-02BA,U+02BD-02C5,U+02C7-02CC,U+02CE-02D7,U+02DD-02FF,U+0304,U+0308,U+0329,U+1D00-1DBF"
        ",U+1E00-1E9F,U+1EF2-1EFF,U+2020,U+20A0-20AB,U+20AD-20C0,U+2113,U+2C60-2C7F,U+A720-A7FF"
    ),
    "vietnamese": (
        "U+0102-0103,U+0110-0111,U+0128-0129,U+0168-0169,U+01A0-01A1,U+01AF-01B0,U+0300-0301,U+0303-0304"
        ",U+0308-0309,U+0323,U+0329,U+1EA0-1EF9,U+20AB"
    ),
    "cyrillic": "U+0301,U+0400-045F,U+0490-0491,U+04B0-04B1,U+2116",
    "cyrillic-ext": "U+0460-052F,U+1C80-1C8A,U+20B4,U+2DE0-2DFF,U+A640-A69F,U+FE2E-FE2F",
    "greek": "U+0370-0377,U+037A-037F,U+0384-038A,U+038C,U+038E-03A1,U+03A3-03FF",
    "greek-ext": "U+1F00-1FFF",
    "hebrew": "U+0307-0308,U+0590-05FF,U+200C-2010,U+20AA,U+25CC,U+FB1D-FB4F",
    "arabic": (
        "U+0600-06FF,U+0750-077F,U+0870-088E,U+0890-0891,U+0897-08E1,U+08E3-08FF,U+200C-200E,U+2010-2011"
        ",U+204F,U+2E41,U+FB50-FDFF,U+FE70-FE74,U+FE76-FEFC,U+102E0-102FB,U+10E60-10E7E,U+10EC2-10EC4"
        ",U+10EFC-10EFF,U+1EE00-1EE03,U+1EE05-1EE1F,U+1EE21-1EE22,U+1EE24,U+1EE27,U+1EE29-1EE32,U+1EE34-1EE37"
        ",U+1EE39,U+1EE3B,U+1EE42,U+1EE47,U+1EE49,U+1EE4B,U+1EE4D-1EE4F,U+1EE51-1EE52,U+1EE54,U+1EE57,U+1EE59"
        ",U+1EE5B,U+1EE5D,U+1EE5F,U+1EE61-1EE62,U+1EE64,U+1EE67-1EE6A,U+1EE6C-1EE72,U+1EE74-1EE77"
        ",U+1EE79-1EE7C,U+1EE7E,U+1EE80-1EE89,U+1EE8B-1EE9B,U+1EEA1-1EEA3,U+1EEA5-1EEA9,U+1EEAB-1EEBB"
        ",U+1EEF0-1EEF1"
    ),
}
SAMPLES = {"cyrillic": "Жф", "greek": "Ωξ", "hebrew": "אש", "arabic": "عي", "vietnamese": "ếợ"}
"""Letters that a font which is not cut into subsets has where it has the script."""
SCRIPTS = labels(
    {"cyrillic": "Cyrillic", "greek": "Greek", "hebrew": "Hebrew", "arabic": "Arabic", "vietnamese": "Vietnamese"}
)
"""Subsets beyond Latin that a family may be said to have."""


@cache
def _spans(subset: str) -> tuple[tuple[int, int], ...]:
    """First and last code point of each part of a subset."""
    spans = []
    for part in RANGES[subset].split(","):
        first, _, last = part.removeprefix("U+").partition("-")
        spans.append((int(first, 16), int(last or first, 16)))
    return tuple(spans)


@cache
def subset_of(character: str) -> str:
    """The subset that holds a character, the first where several do; "" where none does."""
    code = ord(character)
    return next((name for name in RANGES if any(first <= code <= last for first, last in _spans(name))), "")
