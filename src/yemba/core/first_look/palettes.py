"""Palettes for the three voices of a first look, from the colours an owner gave."""

from __future__ import annotations

from collections.abc import Sequence
from enum import StrEnum

from yemba.core.colour.harmony import named, neutral, turned
from yemba.core.colour.naming import name_for
from yemba.core.colour.oklch import Oklch, to_colour, to_oklch
from yemba.core.colour.srgb import Colour

# Common practice, no source: where a colour is paper or ink, and from where it counts as one at all.
_PAPER_FROM, _INK_TO, _COLOURED_FROM = 0.9, 0.36, 0.04
_AGAINST = 150.0  # degrees of hue to a partner that stands against the lead


class Voice(StrEnum):
    """How loud a first look speaks."""

    CLOSE = "close"
    QUIET = "quiet"
    BOLD = "bold"


def leading(colours: Sequence[Colour]) -> Colour:
    """The first that is a colour and neither paper nor ink; else the darkest."""
    lively = (one for one in colours if to_oklch(one).chroma >= _COLOURED_FROM and not _is_paper(one))
    return next(lively, min(colours, key=lambda one: to_oklch(one).lightness))


def palette(colours: Sequence[Colour], voice: Voice) -> tuple[tuple[str, Colour], ...]:
    """Three to six colours with names, the leading one first, with a paper and an ink among them."""
    lead = leading(colours)
    makers = {Voice.CLOSE: _close, Voice.QUIET: _quiet, Voice.BOLD: _bold}
    return _enough(named(makers[voice](lead, colours)), lead)


def _close(lead: Colour, colours: Sequence[Colour]) -> list[Colour]:
    """The owner's colours as they are."""
    others = [one for one in colours if one != lead]
    partners = [one for one in others if not _is_paper(one) and not _is_ink(one)]
    paper = next(filter(_is_paper, colours), neutral(lead, 0.965))
    ink = next(filter(_is_ink, others), neutral(lead, 0.24))
    return [lead, *partners[:2], paper, ink]


def _quiet(lead: Colour, _: Sequence[Colour]) -> list[Colour]:
    """The lead, dimmed, among greys that lean to it."""
    seen = to_oklch(lead)
    dimmed = to_colour(Oklch(min(seen.lightness, 0.48), seen.chroma * 0.55, seen.hue))
    return [dimmed, neutral(lead, 0.975), neutral(lead, 0.25), neutral(lead, 0.91)]


def _bold(lead: Colour, colours: Sequence[Colour]) -> list[Colour]:
    """The lead in full, with a partner against it, on paper and in ink of its hue."""
    seen = to_oklch(lead)
    others = [one for one in colours if one != lead and to_oklch(one).chroma >= _COLOURED_FROM]
    partner = others[0] if others else turned(lead, [_AGAINST])[0]
    paper = to_colour(Oklch(0.95, min(seen.chroma, 0.035), seen.hue))
    ink = to_colour(Oklch(0.22, min(seen.chroma, 0.06), seen.hue))
    return [lead, partner, paper, ink]


def _enough(colours: tuple[tuple[str, Colour], ...], lead: Colour) -> tuple[tuple[str, Colour], ...]:
    """At least three: of colours that look alike some fell away."""
    made = list(colours)
    for lightness in (0.97, 0.22, 0.6):
        grey = neutral(lead, lightness)
        if len(made) < 3 and grey not in [colour for _, colour in made]:
            made.append((name_for(grey, [name for name, _ in made]), grey))
    return tuple(made)


def _is_paper(colour: Colour) -> bool:
    return to_oklch(colour).lightness >= _PAPER_FROM


def _is_ink(colour: Colour) -> bool:
    return to_oklch(colour).lightness <= _INK_TO
