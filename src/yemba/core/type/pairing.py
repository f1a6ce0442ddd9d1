"""How well a heading and a body face go together, judged from measured facts, and why, in words."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from typing import NamedTuple, Protocol

from yemba.core.message import Joined, Message, labels
from yemba.core.type.facts import Facts


class Drawn(Protocol):
    """A family as far as pairing goes: `kind` is serif, sans or hand; `scripts` what it has beyond Latin."""

    @property
    def name(self) -> str: ...
    @property
    def kind(self) -> str: ...
    @property
    def facts(self) -> Facts: ...
    @property
    def scripts(self) -> list[str]: ...


class Judged(NamedTuple):
    """`score` is higher for the better pair, about 0 to 10; `reasons` are sentences, the weightiest first."""

    score: float
    reasons: tuple[str, ...]


class Ranked(NamedTuple):
    slug: str
    score: float
    reason: str


# What counts how much: common practice, no source. Shares and ratios are those of `measures`.
_EVEN_X, _UNEVEN_X = 0.03, 0.09
_STRONG_CONTRAST = 1.6
_NARROWER, _HEAVIER = 0.85, 1.25
_FINE_BODY, _SMALL_BODY = 2.8, 0.42


class Measures(NamedTuple):
    """Per em: x-height, average width, stroke; `contrast` is thick over thin."""

    x_height: float
    width: float
    stroke: float
    contrast: float


def measures(facts: Facts) -> Measures:
    units = facts.units_per_em
    return Measures(
        facts.x_height / units, facts.average_width / units, facts.thick / units, facts.thick / max(1, facts.thin)
    )


def judge(heading: Drawn, body: Drawn) -> Judged:
    """The pair as a whole. A face over itself is calm and never wrong, and says little."""
    if heading.name == body.name:
        return Judged(
            4.5 + _as_body(body)[0], (Message("One face for all: calm, and told apart by size and weight alone."),)
        )
    entries = [*_kinds(heading, body), _x_heights(heading, body), *_contrasts(heading, body), _scripts(heading, body)]
    entries.append(_as_body(body))
    reasons = sorted((entry for entry in entries if entry[1]), key=lambda entry: -abs(entry[0]))
    return Judged(4 + sum(score for score, _ in entries), tuple(sentence for _, sentence in reasons))


def ranked(families: Mapping[str, Drawn], heading: str = "", body: str = "") -> list[Ranked]:
    """Every body face for a heading face, or every heading face for a body face, the best first."""
    pairs = []
    for slug, family in families.items():
        judged = judge(families[heading], family) if heading else judge(family, families[body])
        pairs.append(Ranked(slug, judged.score, reason(judged)))
    return sorted(pairs, key=lambda pair: (-pair.score, pair.slug))


def reason(judged: Judged) -> str:
    """The two weightiest reasons as one text."""
    return Joined(" ", judged.reasons[:2])


Entry = tuple[float, str]


def _kinds(heading: Drawn, body: Drawn) -> Iterable[Entry]:
    named = labels({"serif": "a serif", "sans": "a sans", "hand": "a handwriting"})
    if heading.kind != body.kind:
        yield (
            2.0,
            Message(
                "{named} over {named_2}: two clearly different voices.",
                named=named[heading.kind].capitalize(),
                named_2=named[body.kind],
            ),
        )
        return
    one, other = measures(heading.facts), measures(body.facts)
    apart = (
        abs(one.width / other.width - 1) + abs(one.stroke / other.stroke - 1) + abs(one.contrast / other.contrast - 1)
    )
    if apart < 0.35:
        yield (
            -2.5,
            Message(
                "Both are {named} faces of nearly one make: they look like a mistake beside each other.",
                named=named[body.kind][2:],
            ),
        )


def _x_heights(heading: Drawn, body: Drawn) -> Entry:
    one, other = measures(heading.facts).x_height, measures(body.facts).x_height
    apart = abs(one / other - 1)
    if apart <= _EVEN_X:
        return 1.0, Message("Their small letters are equally tall, to {max} %.", max=max(1, round(100 * apart)))
    if apart >= _UNEVEN_X:
        taller, shorter = (heading, body) if one > other else (body, heading)
        share = round(100 * (max(one, other) / min(one, other) - 1))
        return (
            -0.8,
            Message(
                "The small letters of {name} are {share} % taller than those of {name_2}; mind the sizes.",
                name=taller.name,
                share=share,
                name_2=shorter.name,
            ),
        )
    return 0.3, ""


def _contrasts(heading: Drawn, body: Drawn) -> Iterable[Entry]:
    one, other = measures(heading.facts), measures(body.facts)
    if one.contrast / other.contrast >= _STRONG_CONTRAST:
        yield (
            1.2,
            (
                Message(
                    "{name} draws thick and thin, {contrast:.1f} to 1, over the even strokes of {name_2}, "
                    "{contrast_2:.1f} to 1.",
                    name=heading.name,
                    contrast=one.contrast,
                    name_2=body.name,
                    contrast_2=other.contrast,
                )
            ),
        )
    if one.width / other.width <= _NARROWER:
        yield (
            0.9,
            Message(
                "{name} is {value} % narrower: headings say more on a line.",
                name=heading.name,
                value=round(100 * (1 - one.width / other.width)),
            ),
        )
    if one.stroke / other.stroke >= _HEAVIER:
        yield (
            0.7,
            Message(
                "{name} is drawn {value} % heavier and leads by weight.",
                name=heading.name,
                value=round(100 * (one.stroke / other.stroke - 1)),
            ),
        )


def _scripts(heading: Drawn, body: Drawn) -> Entry:
    wanted = [script for script in body.scripts if script != "Vietnamese"]
    lacking = [script for script in wanted if script not in heading.scripts]
    if lacking:
        return -0.4 * len(lacking), Message(
            "{name} lacks {listed}, which {name_2} has.",
            name=heading.name,
            listed=Joined(" and ", lacking),
            name_2=body.name,
        )
    if wanted:
        return 0.4, Message("Both have {listed}.", listed=Joined(" and ", wanted))
    return 0.0, ""


def _as_body(body: Drawn) -> Entry:
    """Whether a face serves for running text."""
    measured = measures(body.facts)
    if body.kind == "hand":
        return -4.0, Message("{name} is a handwriting: a line of it charms, a page tires.", name=body.name)
    if measured.contrast > _FINE_BODY:
        return -1.5, Message("The hairlines of {name} grow faint in small text.", name=body.name)
    if measured.x_height < _SMALL_BODY:
        return (
            -0.6,
            Message(
                "{name} has small letters, {value:.0f} % of its size; set the text a little larger.",
                name=body.name,
                value=100 * measured.x_height,
            ),
        )
    if measured.width < 0.38:
        return -1.5, Message("{name} is too narrow for long text.", name=body.name)
    return 0.4, ""
