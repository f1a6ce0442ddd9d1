"""Looks for a new site, three at a time: one that follows what was given most closely, one quieter, one bolder."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any, NamedTuple
from zlib import crc32

from yemba.core.colour.ready import ReadyPalette
from yemba.core.colour.srgb import Colour
from yemba.core.first_look.brief import Brief
from yemba.core.first_look.palettes import Voice, leading, palette
from yemba.core.first_look.reasons import reason
from yemba.core.message import labels
from yemba.core.site.catalogue import Catalogue, Family, Pairing
from yemba.core.template.manifest import Template
from yemba.core.type.facts import REGULAR
from yemba.core.type.pairing import judge

VOICES = labels({Voice.CLOSE: "Closest", Voice.QUIET: "Quieter", Voice.BOLD: "Bolder"})
_OF_AIM = {
    "found": "hours-and-place",
    "work": "gallery",
    "bookings": "contact-form",
    "dates": "dates",
    "sell": "offers",
    "sign-ups": "contact-form",
}
"""The kind of section by which an aim is served most."""
_LIKED = {
    Voice.CLOSE: frozenset[str](),
    Voice.QUIET: frozenset({"quiet", "crafted", "plain"}),
    Voice.BOLD: frozenset({"bold", "playful", "dark"}),
}
_MOOD_OF_PALETTE = {"plain": "quiet", "crafted": "earthy", "playful": "bold"}
_ROUND_CORNER, _SHARP_CORNER = 12, 0  # px; common practice, no source
_FINE, _MIDDLE, _HEAVY = 0.11, 0.15, 0.26  # strokes as shares of the height of capitals; common practice, no source
_SEVERAL = 6  # pairings that a voice chooses from


class FirstLook(NamedTuple):
    """A whole design: `sheet` and `parts` are values by setting key, `reason` says why it was chosen."""

    voice: Voice
    template: str
    sheet: dict[str, Any]
    parts: dict[str, Any]
    reason: str

    @property
    def name(self) -> str:
        return VOICES[self.voice]


def rounds(brief: Brief, catalogue: Catalogue, palettes: Sequence[ReadyPalette]) -> list[list[FirstLook]]:
    """All looks that fit, three by three, as many rounds as there are templates: in none of them does a template stand
    twice, and none stands twice for a voice. The same input gives the same looks."""
    columns = list(zip(*_rows(brief, catalogue), strict=True))
    return [
        [
            _look(brief, voice, template, number, catalogue, palettes)
            for voice, template in zip(VOICES, column, strict=True)
        ]
        for number, column in enumerate(columns)
    ]


def _rows(brief: Brief, catalogue: Catalogue) -> list[list[Template]]:
    """For each voice all templates, the best first as far as no round has one twice."""
    rows: list[list[Template]] = []
    for voice in VOICES:
        templates = sorted(catalogue.templates.values(), key=lambda one: (-_score(brief, voice, one), one.slug))
        rows.append(_apart(templates, rows) or templates)
    return rows


def _apart(ranked: Sequence[Template], rows: Sequence[Sequence[Template]]) -> list[Template]:
    """These in an order in which none stands under itself in another row, the first that there is; [] where none is."""
    place = len(rows[0]) - len(ranked) if rows else 0
    if not ranked:
        return []
    for template in ranked:
        if any(row[place].slug == template.slug for row in rows):
            continue
        rest = [other for other in ranked if other is not template]
        after = _apart(rest, rows)
        if after or not rest:
            return [template, *after]
    return []


def fitting(brief: Brief, catalogue: Catalogue) -> list[Template]:
    """All templates, those that fit best first."""
    return sorted(catalogue.templates.values(), key=lambda one: (-_score(brief, Voice.CLOSE, one), one.slug))


def _score(brief: Brief, voice: Voice, template: Template) -> float:
    """How well a template fits: moods and strengths that the trade asks for, aims, the shape of the logo, the voice."""
    score = 1.5 * len(_LIKED[voice] & set(template.moods))
    for place, mood in enumerate(brief.trade.moods):
        if mood in template.moods:
            score += 2.0 / (place + 1)
    score += sum(kind in template.strengths for kind in brief.trade.leads)
    score += 0.7 * sum(_OF_AIM[aim] in template.strengths for aim in brief.aims)
    if brief.shape and brief.shape.is_round == template.is_round:
        score += 1.0
    if brief.photo and "opening" in template.strengths:
        score += 1.5
    return score


def _look(
    brief: Brief,
    voice: Voice,
    template: Template,
    number: int,
    catalogue: Catalogue,
    palettes: Sequence[ReadyPalette],
) -> FirstLook:
    colours = _palette(brief, voice, number, palettes)
    type_ = _type(brief, voice, template, number, catalogue)
    sheet: dict[str, Any] = {"palette": _entries(colours.colours)}
    if type_:
        sheet |= {"type.heading": type_.pairing.heading, "type.body": type_.pairing.body}
        sheet |= {"type.heading_weight": type_.weight}
    if brief.shape:
        sheet["shape.corner"] = _ROUND_CORNER if brief.shape.is_round else _SHARP_CORNER
    ground = {Voice.QUIET: "light", Voice.BOLD: "strong"}.get(voice)
    parts = {"header.ground": ground} if ground else {}
    why = reason(brief, voice, template, colours.lead, colours.name, type_.pairing if type_ else None)
    return FirstLook(voice, template.slug, sheet, parts, why)


class _Palette(NamedTuple):
    """`lead` is the colour it begins from; `name` is "" where it was worked out from what was given."""

    lead: Colour
    name: str
    colours: tuple[tuple[str, Colour], ...]


def _palette(brief: Brief, voice: Voice, number: int, palettes: Sequence[ReadyPalette]) -> _Palette:
    """From the colours that were given; further rounds let another of them lead. Without any, a ready one of a mood of
    the trade, or of the voice."""
    if brief.colours:
        by = number % len(brief.colours)
        colours = (*brief.colours[by:], *brief.colours[:by])
        return _Palette(leading(colours), "", palette(colours, voice))
    of_trade = brief.trade.moods[number % len(brief.trade.moods)]
    wanted = {Voice.CLOSE: of_trade, Voice.QUIET: "quiet", Voice.BOLD: "bold"}[voice]
    mood = _MOOD_OF_PALETTE.get(wanted, wanted)
    fitting = [one for one in palettes if one.mood == mood]
    start = crc32(f"{brief.trade.slug} {voice}".encode())  # another trade begins with another
    chosen = fitting[(start + number) % len(fitting)]
    return _Palette(chosen.colours[0][1], chosen.name, chosen.colours)


def _entries(colours: Sequence[tuple[str, Colour]]) -> list[dict[str, str]]:
    return [{"id": f"c{n}", "name": str(name), "hex": colour.hex} for n, (name, colour) in enumerate(colours, 1)]


class _Type(NamedTuple):
    pairing: Pairing
    weight: int


def _type(brief: Brief, voice: Voice, template: Template, number: int, catalogue: Catalogue) -> _Type | None:
    """A ready pairing and a weight of its headings: of strokes like the logo's, or fine for the quieter look, heavy for
    the bolder. Those alone that have every letter of the site. None, the template's own typefaces, for the closest
    look where no logo asks for others."""
    if voice is Voice.CLOSE and brief.shape is None and _covers(brief, template, catalogue):
        return None
    of_logo = brief.shape.stroke if brief.shape else _MIDDLE
    wanted = {Voice.CLOSE: of_logo, Voice.QUIET: _FINE, Voice.BOLD: _HEAVY}[voice]
    fitting = [pairing for pairing in catalogue.pairings.values() if _has_letters(brief, pairing, catalogue)]
    order = sorted(fitting, key=lambda pairing: _distance(wanted, pairing, catalogue))
    if not order:
        return None
    # A logo is followed to the stroke; else another trade begins with another of those that do.
    start = 0 if brief.shape and voice is Voice.CLOSE else crc32(f"{brief.trade.slug} {voice}".encode())
    pairing = order[(start + number) % min(len(order), _SEVERAL)]
    return _Type(pairing, weight_for(catalogue.families[pairing.heading], wanted))


def _covers(brief: Brief, template: Template, catalogue: Catalogue) -> bool:
    """Whether a template's own typefaces have every letter of the site."""
    faces = [template.value(key) for key in ("type.heading", "type.body")]
    return not any(catalogue.families[face].lacks(brief.letters) for face in faces if face in catalogue.families)


def _has_letters(brief: Brief, pairing: Pairing, catalogue: Catalogue) -> bool:
    faces = catalogue.families[pairing.heading], catalogue.families[pairing.body]
    return not any(face.lacks(brief.letters) for face in faces)


def _distance(wanted: float, pairing: Pairing, catalogue: Catalogue) -> tuple[float, str]:
    """How far a pairing's headings are from the strokes wanted, then how well the pair is judged."""
    heading, body = catalogue.families[pairing.heading], catalogue.families[pairing.body]
    off = abs(wanted - stroke_of(heading, weight_for(heading, wanted)))
    return 10 * off - 0.1 * judge(heading, body).score, pairing.slug


def weight_for(family: Family, wanted: float) -> int:
    """The weight, in fifties, at which a family's strokes are nearest to a share of the height of its capitals."""
    low, high = family.weights
    weights = range(-(-low // 50) * 50, high + 1, 50)
    return min(weights, key=lambda weight: abs(stroke_of(family, weight) - wanted), default=low)


def stroke_of(family: Family, weight: int) -> float:
    """The width of its strokes at a weight, as a share of the height of its capitals; at 700 they are half as thick
    again as at 400 (common practice, no source)."""
    facts = family.facts
    return facts.thick / max(1, facts.cap_height) * (1 + 0.5 * (weight - REGULAR) / 300)


def dressed(plain: Mapping[str, Any], look: FirstLook) -> dict[str, Any]:
    """A document's JSON values in a look: its template, and over its values those of the look."""
    sheet = {**plain.get("sheet", {}), **look.sheet}
    parts = {**plain.get("parts", {}), **look.parts}
    return {**plain, "template": look.template, "sheet": sheet, "parts": parts}
