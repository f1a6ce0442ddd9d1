"""A page as a small drawing: its sections as bands in the colours of their grounds."""

from __future__ import annotations

from collections.abc import Collection
from functools import lru_cache
from typing import NamedTuple

from django.utils.safestring import SafeString, mark_safe

from yemba.core.part.part import BEFORE, parts
from yemba.core.site.resolve import Look

_MOST = 6
_TOP, _STEP = 7, 9
_ABOVE, _BELOW = 3.5, 58.5  # where a drawing shows the parts before and after the content


class Band(NamedTuple):
    """A section: the colours of its ground's fill and headings; whether it is marked as touched."""

    fill: str
    ink: str
    touched: bool


def drawing(look: Look, page: str, touched: Collection[str] = ()) -> SafeString:
    """SVG in a box of 46 x 62; `touched` are the places to be marked, ids of sections and slugs of parts."""
    before = {part.stands == BEFORE for part in parts().values() if part.slug in touched}
    return _drawn(tuple(_bands(look, page, touched)), True in before, False in before)


def _bands(look: Look, page: str, touched: Collection[str]) -> list[Band]:
    """The first sections from the top; the last stands for those below it."""
    sections = look.document.shown(page).ordered()
    bands = []
    for key, section in sections[:_MOST]:
        ground = look.grounds[look.ground(section).value]
        bands.append(Band(ground.fill.hex, ground.heading.hex, key in touched))
    if bands and any(key in touched for key, _ in sections[_MOST:]):
        bands[-1] = bands[-1]._replace(touched=True)
    return bands


@lru_cache(maxsize=512)
def _drawn(bands: tuple[Band, ...], above: bool, below: bool) -> SafeString:
    """Pages drawn alike share a drawing. Colours are hex codes, worked out."""
    paths = ['<path d="M.5.5h45v61H.5z" class="map-sheet" />']
    for n, band in enumerate(bands):
        y = _TOP + _STEP * n
        paths.append(f'<path d="M4 {y}h38v8H4z" fill="{band.fill}" />')
        paths.append(f'<path d="M7 {y + 3}h16" stroke="{band.ink}" stroke-width="1.6" />')
        if band.touched:
            paths.append(f'<path class="map-touched" d="M4.5 {y + 0.5:g}h37v7h-37z" />')
    marks = [_ABOVE] * above + [_BELOW] * below
    paths += [f'<path class="map-part" d="M4 {y}h38" />' for y in marks]
    return mark_safe("".join(paths))
