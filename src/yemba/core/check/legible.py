"""What the settings of a level of text do to reading: every effect told, and those past a limit warned of."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from yemba.core.check.contrast import grounds_in_use
from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.colour.contrast import LARGE, ratio
from yemba.core.message import Message
from yemba.core.place import OfSetting
from yemba.core.site.resolve import COMFORTABLE, Look
from yemba.core.type.levels import LEVELS, Level, Text
from yemba.core.type.scale import ENLARGE_LIMIT, SMALL_FLOOR, SMALLEST

NAME = Message("Sizes and effects")

# Limits of what reads well: common practice, no source, where none is named.
_RUNNING = ("body", "lead", "quote")
_LINES = (1.25, 2.0)  # line height of running text; WCAG 2.2 SC 1.4.12 asks that 1.5 can be had
_TIGHT, _LOOSE = -0.03, 0.12  # em; letter spacing of running text (SC 1.4.12 asks that 0.12 can be had)
_TITLES_TIGHT = -0.06  # em
_LIGHT, _HEAVY = 300, 600
_WIDEST_MEASURE = 80  # characters; WCAG 2.2 SC 1.4.8


class Remark(NamedTuple):
    """A sentence about one property of a level; `warns` says that a limit is passed."""

    level: str
    name: str
    sentence: str
    warns: bool

    @property
    def key(self) -> str:
        """Of the setting that it is about."""
        return f"{self.level}.{self.name}"


def remarks(look: Look, slug: str) -> list[Remark]:
    """All that can be said of a level as it is set."""
    level, text = LEVELS[slug], look.texts[slug]
    made = [
        *_sizes(look, level, text),
        *_spacing(level, text),
        *_letters(look, level, text),
        *_effects(look, level, text),
    ]
    return [Remark(slug, name, sentence, warns) for name, sentence, warns in made]


_Warning = tuple[str, str, bool]


def _sizes(look: Look, level: Level, text: Text) -> Iterator[_Warning]:
    low, high = text.size
    floor = SMALLEST if level.slug in _RUNNING or level.slug == "button" else SMALL_FLOOR
    for end, size, where in (("phone", low, Message("on a phone")), ("wide", high, Message("on a wide window"))):
        if size < floor:
            yield (
                end,
                Message(
                    "{size:.3g} px {where} is hard to read; {floor:g} px is the least.",
                    size=size,
                    where=where,
                    floor=floor,
                ),
                True,
            )
    if max(low, high) > ENLARGE_LIMIT * min(low, high):
        times = max(low, high) / min(low, high)
        yield (
            "wide",
            Message(
                "One end is {times:.1f} times the other; past {enlarge_limit:g} enlarging the page fails.",
                times=times,
                enlarge_limit=ENLARGE_LIMIT,
            ),
            True,
        )
    number = int(level.slug[1]) if level.slug[1:].isdigit() else 6
    above = look.sizes.get(f"h{number - 1}")
    if number < 6 and above and (low > above.low + 0.01 or high > above.high + 0.01):
        yield "wide", Message("Larger than Heading {number} above it.", number=number - 1), True


def _spacing(level: Level, text: Text) -> Iterator[_Warning]:
    running = level.slug in _RUNNING
    if running:
        closest, widest = _LINES
        reads = Message("{closest:g} to {widest:g} reads well", closest=closest, widest=widest)
        if text.leading < closest:
            yield (
                "leading",
                Message("Lines stand too close: {leading:g}; {reads}.", leading=text.leading, reads=reads),
                True,
            )
        if text.leading > widest:
            yield (
                "leading",
                Message("Lines stand too far apart: {leading:g}; {reads}.", leading=text.leading, reads=reads),
                True,
            )
    tight, loose = (_TIGHT, _LOOSE) if running else (_TITLES_TIGHT, 0.3)
    reads = Message("{tight:g} to {loose:g} em reads well", tight=tight, loose=loose)
    if text.spacing < tight:
        yield "spacing", Message("At {spacing:g} em letters touch; {reads}.", spacing=text.spacing, reads=reads), True
    if text.spacing > loose:
        yield (
            "spacing",
            Message("At {spacing:g} em letters fall apart; {reads}.", spacing=text.spacing, reads=reads),
            True,
        )


def _letters(look: Look, level: Level, text: Text) -> Iterator[_Warning]:
    running, family = level.slug in _RUNNING, look.families[text.face]
    if text.case == "uppercase":
        yield "case", Message("Capitals have one height: words lose their outline and are read more slowly."), running
    if text.case == "small-caps" and "smcp" not in family.facts.features:
        yield (
            "case",
            Message(
                "{name} has no small capitals; browsers draw shrunken capitals, which look thin.", name=family.name
            ),
            True,
        )
    if running and not _LIGHT <= text.weight <= _HEAVY:
        yield (
            "weight",
            Message(
                "Weight {weight} in long text; {light} to {heavy} reads well.",
                weight=text.weight,
                light=_LIGHT,
                heavy=_HEAVY,
            ),
            True,
        )
    if text.style == "italic":
        slanted = (
            ""
            if family.italic
            else Message(" {name} has no italics of its own; browsers slant its letters.", name=family.name)
        )
        tires = Message("Long text in italics tires.") if running else Message("Italics read a little more slowly.")
        yield "style", f"{tires}{slanted}", running


def _effects(look: Look, level: Level, text: Text) -> Iterator[_Warning]:
    facts = look.families[text.face].facts
    if text.line == "line-through":
        share = 100 * max(facts.thin, 1) / max(facts.x_height, 1)
        yield (
            "line",
            Message(
                "The line covers about {share:.0f} % of each small letter, and says that it no longer holds.",
                share=share,
            ),
            True,
        )
    if text.line == "underline":
        links = look.value("link.underline") == "always"
        sentence = Message("It crosses the tails of letters.")
        if links:
            sentence = Message("It crosses the tails of letters, and links are underlined too: it looks like one.")
        yield "line", sentence, links
    if text.shadow == "soft":
        yield (
            "shadow",
            Message("A glow in the ground’s own colour: it changes nothing there, and helps over a picture."),
            False,
        )
    if text.shadow == "hard":
        worst = min(grounds_in_use(look), key=lambda slug: _against_shadow(look, slug))
        got, name = _against_shadow(look, worst), look.ground_names[worst]
        yield (
            "shadow",
            Message(
                "Letters have {got:.1f} : 1 against their shadow on {name}; {large:g} : 1 is needed.",
                got=got,
                name=name,
                large=LARGE,
            ),
            got < LARGE,
        )
    if text.outline:
        edge = min(ratio(look.grounds[slug].heading, look.grounds[slug].fill) for slug in grounds_in_use(look))
        stroke = facts.thick / facts.units_per_em
        thick = text.outline > stroke
        more = (
            Message(
                " It is thicker than the strokes of the letters, {stroke:.2f} em: their openings fill.", stroke=stroke
            )
            if thick
            else ""
        )
        yield (
            "outline",
            Message("Over a picture every letter keeps an edge of {edge:.1f} : 1.{more}", edge=edge, more=more),
            thick,
        )


def _against_shadow(look: Look, ground: str) -> float:
    return ratio(look.grounds[ground].heading, look.grounds[ground].line)


def measure_remark(look: Look) -> str:
    """What is wrong with the longest line, "" where nothing is."""
    low, high = COMFORTABLE
    if low <= look.measure <= high:
        return ""
    past = (
        Message(" WCAG asks for at most {widest_measure}.", widest_measure=_WIDEST_MEASURE)
        if look.measure > _WIDEST_MEASURE
        else ""
    )
    return Message(
        "{measure:g} characters in a line; {low} to {high} is comfortable.{past}",
        measure=look.measure,
        low=low,
        high=high,
        past=past,
    )


def find(inspected: Inspected) -> Iterator[Finding]:
    """Every warning, cured by what the template or the scale would give where the owner set it."""
    look = inspected.look
    for slug, level in LEVELS.items():
        for remark in remarks(look, slug):
            if remark.warns:
                mine = look.resolve(remark.key).set_by_owner
                cure = Cure(Message("Return it"), "return-value", {"key": remark.key}) if mine else None
                yield Finding(f"{level.name}: {remark.sentence}", OfSetting(remark.key), cure=cure)
    if reason := measure_remark(look):
        cure = Cure(Message("Return it"), "return-value", {"key": "type.measure"})
        yield Finding(Message("Longest line: {reason}", reason=reason), OfSetting("type.measure"), cure=cure)
