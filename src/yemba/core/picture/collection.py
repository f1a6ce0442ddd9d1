"""The picture collection: drawings whose colours are roles, which a site's palette fills.

In a drawing a colour is written ``var(--ROLE, #hex)`` (CSS custom properties): with a role's colour put in, or as it
stands there by itself.
"""

from __future__ import annotations

import re
from collections.abc import Collection, Iterable, Mapping
from functools import lru_cache
from typing import NamedTuple

from yemba.core.colour.grounds import Ground
from yemba.core.colour.harmony import turned
from yemba.core.colour.oklch import difference
from yemba.core.colour.srgb import Colour, mix
from yemba.core.message import Label

ROLES = ("paper", "tint", "lead", "second", "deep", "ink")
_ROLE = re.compile(r"var\(--([a-z]+),(#[0-9a-f]{6})\)")
_APART = 0.12  # OKLab distance from which two colours can be told apart in a drawing; common practice, no source
_WORD = re.compile(r"\w+")

RoleColours = tuple[tuple[str, str], ...]
"""Codes by role."""


class Drawing(NamedTuple):
    """A drawing of the collection; `alt` is proposed as its alt text, `focal` the spot that no crop may lose, in %."""

    slug: str
    name: Label
    alt: str
    tags: tuple[str, ...]
    svg: str
    width: int
    height: int
    focal: tuple[int, int] = (50, 50)


def role_colours(grounds: Mapping[str, Ground], palette: Iterable[Colour]) -> RoleColours:
    """What a site's palette makes of the roles: grounds give paper, tint, lead and ink; second is the first colour of
    the palette unlike all these, else a neighbour of the lead; deep stands between lead and ink."""
    paper, tint, lead, ink = (grounds[slug].fill for slug in ("light", "tinted", "strong", "dark"))
    (neighbour,) = turned(lead, [40])
    second = next((one for one in palette if _is_unlike(one, (paper, tint, lead, ink))), neighbour)
    deep = mix(ink, lead, 0.55)
    colours = (paper, tint, lead, second, deep, ink)
    return tuple((role, colour.hex) for role, colour in zip(ROLES, colours, strict=True))


def _is_unlike(colour: Colour, others: Iterable[Colour]) -> bool:
    return all(difference(colour, other) >= _APART for other in others)


@lru_cache(maxsize=512)
def coloured(svg: str, roles: RoleColours) -> bytes:
    """A drawing in these colours; without any, in its own."""
    codes = dict(roles)
    return _ROLE.sub(lambda match: codes.get(match[1], match[2]), svg).encode()


def in_own_colours(drawing: Drawing) -> bytes:
    return coloured(drawing.svg, ())


def roles_in(svg: str) -> set[str]:
    """The roles that a drawing has colours in."""
    return {match[1] for match in _ROLE.finditer(svg)}


def search(drawings: Iterable[Drawing], words: str, tags: Collection[str] = ()) -> list[Drawing]:
    """Those that all the words are in, by name, alt text or tag; those with one of `tags` first."""
    stems = [_stem(word) for word in _WORD.findall(words.lower())]
    matching = [drawing for drawing in drawings if _has(drawing, stems)]
    wanted = set(tags)
    return sorted(matching, key=lambda drawing: len(wanted.intersection(drawing.tags)), reverse=True)


def _stem(word: str) -> str:
    is_plural = word.endswith("s") and len(word) > 3
    return word[:-1] if is_plural else word


def _has(drawing: Drawing, stems: Iterable[str]) -> bool:
    text = f"{drawing.name} {drawing.alt} {' '.join(drawing.tags)}"
    words = _WORD.findall(text.lower())
    return all(any(word.startswith(stem) for word in words) for stem in stems)
