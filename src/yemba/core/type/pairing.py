"""How well a heading and a body face go together, judged from measured facts, and why, in words."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from typing import NamedTuple, Protocol

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
        return Judged(4.5 + _as_body(body)[0], ("One face for all: calm, and told apart by size and weight alone.",))
    entries = [*_kinds(heading, body), _x_heights(heading, body), *_contrasts(heading, body), _scripts(heading, body)]
    entries.append(_as_body(body))
    reasons = sorted((entry for entry in entries if entry[1]), key=lambda entry: -abs(entry[0]))
    return Judged(4 + sum(score for score, _ in entries), tuple(sentence for _, sentence in reasons))


def ranked(families: Mapping[str, Drawn], heading: str = "", body: str = "") -> list[Ranked]:
    """Every body face for a heading face, or every heading face for a body face, the best first."""
    pairs = ((slug, (families[heading], one) if heading else (one, families[body])) for slug, one in families.items())
    judgements = [(slug, judge(*pair)) for slug, pair in pairs]
    judgements.sort(key=lambda entry: (-entry[1].score, entry[0]))
    return [Ranked(slug, judged.score, reason(judged)) for slug, judged in judgements]


def reason(judged: Judged) -> str:
    """The two weightiest reasons as one text."""
    return " ".join(judged.reasons[:2])


Entry = tuple[float, str]


def _kinds(heading: Drawn, body: Drawn) -> Iterable[Entry]:
    named = {"serif": "a serif", "sans": "a sans", "hand": "a handwriting"}
    if heading.kind != body.kind:
        yield 2.0, f"{named[heading.kind].capitalize()} over {named[body.kind]}: two clearly different voices."
        return
    one, other = measures(heading.facts), measures(body.facts)
    apart = (
        abs(one.width / other.width - 1) + abs(one.stroke / other.stroke - 1) + abs(one.contrast / other.contrast - 1)
    )
    if apart < 0.35:
        yield (
            -2.5,
            f"Both are {named[body.kind][2:]} faces of nearly one make: they look like a mistake beside each other.",
        )


def _x_heights(heading: Drawn, body: Drawn) -> Entry:
    one, other = measures(heading.facts).x_height, measures(body.facts).x_height
    apart = abs(one / other - 1)
    if apart <= _EVEN_X:
        return 1.0, f"Their small letters are equally tall, to {max(1, round(100 * apart))} %."
    if apart >= _UNEVEN_X:
        taller, shorter = (heading, body) if one > other else (body, heading)
        share = round(100 * (max(one, other) / min(one, other) - 1))
        return (
            -0.8,
            f"The small letters of {taller.name} are {share} % taller than those of {shorter.name}; mind the sizes.",
        )
    return 0.3, ""


def _contrasts(heading: Drawn, body: Drawn) -> Iterable[Entry]:
    one, other = measures(heading.facts), measures(body.facts)
    if one.contrast / other.contrast >= _STRONG_CONTRAST:
        yield (
            1.2,
            (
                f"{heading.name} draws thick and thin, {one.contrast:.1f} to 1, over the even strokes of {body.name}, "
                f"{other.contrast:.1f} to 1."
            ),
        )
    if one.width / other.width <= _NARROWER:
        yield (
            0.9,
            f"{heading.name} is {round(100 * (1 - one.width / other.width))} % narrower: headings say more on a line.",
        )
    if one.stroke / other.stroke >= _HEAVIER:
        yield (
            0.7,
            f"{heading.name} is drawn {round(100 * (one.stroke / other.stroke - 1))} % heavier and leads by weight.",
        )


def _scripts(heading: Drawn, body: Drawn) -> Entry:
    wanted = [script for script in body.scripts if script != "Vietnamese"]
    lacking = [script for script in wanted if script not in heading.scripts]
    if lacking:
        return -0.4 * len(lacking), f"{heading.name} lacks {' and '.join(lacking)}, which {body.name} has."
    if wanted:
        return 0.4, f"Both have {' and '.join(wanted)}."
    return 0.0, ""


def _as_body(body: Drawn) -> Entry:
    """Whether a face serves for running text."""
    drawn = measures(body.facts)
    if body.kind == "hand":
        return -4.0, f"{body.name} is a handwriting: a line of it charms, a page tires."
    if drawn.contrast > _FINE_BODY:
        return -1.5, f"The hairlines of {body.name} grow faint in small text."
    if drawn.x_height < _SMALL_BODY:
        return (
            -0.6,
            f"{body.name} has small letters, {100 * drawn.x_height:.0f} % of its size; set the text a little larger.",
        )
    if drawn.width < 0.38:
        return -1.5, f"{body.name} is too narrow for long text."
    return 0.4, ""
