"""Grounds from a palette of three to eight colours, every role on them readable.

A ground is a background with all that stands on it. AA holds by construction: each role
starts from the colour a designer would reach for and moves no further than it must. What an
owner sets by hand is taken as it is, and the roles that depend on it are worked out around it.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping, Sequence
from functools import lru_cache
from typing import NamedTuple

from yemba.core.colour.contrast import EDGE, TEXT, nearest, ratio
from yemba.core.colour.oklch import Oklch, difference, to_colour, to_oklch
from yemba.core.colour.srgb import BLACK, WHITE, Colour, Read, mix
from yemba.core.message import Message, labels

GROUND_NAMES = labels({"light": "Light", "tinted": "Tinted", "strong": "Strong", "dark": "Dark"})

# Common practice, no source: where a designer stops calling a colour paper, ink or an accent.
_PAPER_FROM, _INK_TO, _PLAIN_BELOW = 0.88, 0.42, 0.04
_COMFORT = 7.0  # running text aims for the stricter ratio of SC 1.4.6
_VISIBLE = 0.03  # OKLab distance by which a state differs from rest


class Ground(NamedTuple):
    """A background and every role on it.

    `link_underlined` is true where only the underline tells a link from the text around it
    (their ratio is below 3:1, SC 1.4.1).
    """

    fill: Colour
    heading: Colour
    text: Colour
    quiet: Colour
    link: Colour
    link_hover: Colour
    visited: Colour
    button: Colour
    button_text: Colour
    button_edge: Colour
    button_hover: Colour
    button_pressed: Colour
    button_disabled: Colour
    button_disabled_text: Colour
    line: Colour
    field: Colour
    focus: Colour
    link_underlined: bool


class Requirement(NamedTuple):
    """What a role must reach: `ratio` against the role named `against`."""

    role: str
    against: str
    ratio: float

    def on(self, ground: Ground) -> float:
        """The ratio that a ground has there."""
        return ratio(getattr(ground, self.role), getattr(ground, self.against))


REQUIREMENTS = (
    *(Requirement(role, "fill", TEXT) for role in ("heading", "text", "quiet", "link", "link_hover", "visited")),
    *(Requirement("button_text", against, TEXT) for against in ("button", "button_hover", "button_pressed")),
    *(Requirement(role, "fill", EDGE) for role in ("button_edge", "field", "focus")),
)
ROLE_NAMES = labels(
    {
        "fill": "background",
        "heading": "headings",
        "text": "text",
        "quiet": Message("quiet text"),
        "link": "links",
        "link_hover": Message("links under the pointer"),
        "visited": Message("visited links"),
        "button": "button",
        "button_text": Message("button text"),
        "button_edge": Message("button edge"),
        "button_hover": Message("button under the pointer"),
        "button_pressed": Message("button pressed"),
        "button_disabled": Message("disabled button"),
        "button_disabled_text": Message("disabled button’s text"),
        "line": "lines",
        "field": Message("field edges"),
        "focus": Message("focus ring"),
    }
)


class ByHand(NamedTuple):
    """A role of a ground as its owner set it."""

    ground: str
    role: str
    value: Read


@lru_cache(maxsize=256)
def work_out(
    palette: tuple[Colour, ...], own: tuple[tuple[str, Colour], ...] = (), by_hand: tuple[ByHand, ...] = ()
) -> dict[str, Ground]:
    """The grounds light, tinted, strong and dark for a palette whose first colour leads, then the owner's `own`,
    given by slug and background."""
    paper = _paper(palette)
    ink = _ink(palette)
    lead = _lead(palette, (paper, ink))
    tinted = _tinted(palette, paper, lead)
    strong = lead if ratio(lead, paper) >= EDGE else nearest(lead, paper, EDGE)
    accents = [lead, *(c for c in palette if c not in (paper, ink, tinted, lead)), ink, paper]
    fills = {"light": paper, "tinted": tinted, "strong": strong, "dark": ink, **dict(own)}
    set_on: dict[str, dict[str, Read]] = {slug: {} for slug in fills}
    for hand in by_hand:
        if hand.ground in set_on:
            set_on[hand.ground][hand.role] = hand.value
    return {
        slug: _ground(fill, ink, paper, [paper, *accents] if slug == "strong" else accents, set_on[slug])
        for slug, fill in fills.items()
    }


def failures(ground: Ground) -> list[tuple[Requirement, float]]:
    """The requirements this ground misses, each with the ratio it has."""
    return [(requirement, got) for requirement in REQUIREMENTS if (got := requirement.on(ground)) < requirement.ratio]


def gave_way(lead: Colour, ground: Ground) -> list[str]:
    """The roles ("button", "link") in which the leading colour would not read here and another stands for it."""
    if lead == ground.fill or ratio(lead, ground.fill) >= TEXT:
        return []
    return [role for role in ("button", "link") if getattr(ground, role) != lead]


def _paper(palette: Sequence[Colour]) -> Colour:
    lightest = max(palette, key=lambda c: to_oklch(c).lightness)
    if to_oklch(lightest).lightness >= _PAPER_FROM:
        return lightest
    return to_colour(Oklch(0.975, 0.008, to_oklch(palette[0]).hue))


def _ink(palette: Sequence[Colour]) -> Colour:
    darkest = min(palette, key=lambda c: to_oklch(c).lightness)
    if to_oklch(darkest).lightness <= _INK_TO:
        return darkest
    return to_colour(Oklch(0.24, 0.02, to_oklch(palette[0]).hue))


def _lead(palette: Sequence[Colour], used: Iterable[Colour]) -> Colour:
    """The first brand colour that is neither paper nor ink, nor another near-white or near-grey."""
    free = [colour for colour in palette if colour not in set(used)] or list(palette)
    vivid = [c for c in free if to_oklch(c).chroma >= _PLAIN_BELOW and to_oklch(c).lightness < _PAPER_FROM]
    return (vivid or free)[0]


def _tinted(palette: Sequence[Colour], paper: Colour, lead: Colour) -> Colour:
    """The next lightest brand colour that still is a paper, else a breath of the lead on paper."""
    others = [c for c in palette if to_oklch(c).lightness >= 0.82 and difference(c, paper) >= 0.015]
    if others:
        return max(others, key=lambda c: to_oklch(c).lightness)
    return next(
        (tint for share in (0.1, 0.2, 0.3) if difference(tint := mix(paper, lead, share), paper) >= 0.015),
        mix(paper, BLACK, 0.06),
    )


def _ground(fill: Colour, ink: Colour, paper: Colour, accents: Sequence[Colour], hand: Mapping[str, Read]) -> Ground:
    def role(name: str, behind: Colour, worked_out: Callable[[], Colour]) -> Colour:
        """What was set by hand, laid over what lies behind it; else what is worked out."""
        by_hand = hand.get(name)
        return mix(behind, by_hand.colour, by_hand.alpha) if by_hand else worked_out()

    fill = role("fill", WHITE, lambda: fill)
    text = role("text", fill, lambda: _body_text(fill, ink, paper))
    link = role("link", fill, lambda: _link(fill, text, accents))
    button = role("button", fill, lambda: _button_fill(fill, accents))
    button_text = role("button_text", button, lambda: _on_button(button, ink, paper))
    states = _states(to_oklch(button), button, button_text)
    disabled = role("button_disabled", fill, lambda: _disabled(fill, text, (button, *states)))
    return Ground(
        fill=fill,
        heading=role("heading", fill, lambda: text),
        text=text,
        quiet=role("quiet", fill, lambda: nearest(mix(text, fill, 0.3), fill, TEXT)),
        link=link,
        link_hover=role("link_hover", fill, lambda: _link_hover(link, fill, text)),
        visited=role("visited", fill, lambda: link),
        button=button,
        button_text=button_text,
        button_edge=role("button_edge", fill, lambda: nearest(button, fill, EDGE)),
        button_hover=role("button_hover", fill, lambda: states[0]),
        button_pressed=role("button_pressed", fill, lambda: states[1]),
        button_disabled=disabled,
        button_disabled_text=role("button_disabled_text", disabled, lambda: _faint(text, disabled)),
        line=role("line", fill, lambda: mix(fill, text, 0.22)),
        field=role("field", fill, lambda: nearest(mix(text, fill, 0.45), fill, EDGE)),
        focus=role("focus", fill, lambda: nearest(text, fill, EDGE)),
        link_underlined=ratio(link, text) < EDGE,
    )


def _faint(text: Colour, fill: Colour) -> Colour:
    """Text of a disabled control, which may be faint (SC 1.4.3 leaves it out) and yet is made to be seen."""
    return nearest(mix(text, fill, 0.45), fill, EDGE)


def _disabled(fill: Colour, text: Colour, others: Sequence[Colour]) -> Colour:
    """A fill so near the ground that it says "not now", and unlike the button's other states."""
    tried = [mix(fill, text, share) for share in (0.12, 0.07, 0.18, 0.25, 0.33, 0.42)]
    return next((c for c in tried if all(difference(c, other) >= _VISIBLE for other in others)), tried[0])


def _body_text(fill: Colour, ink: Colour, paper: Colour) -> Colour:
    """The brand's ink or paper where it reads in comfort, else black or white bent to its hue."""
    best = max((ink, paper), key=lambda c: ratio(c, fill))
    if ratio(best, fill) >= TEXT:
        return best
    end = max((BLACK, WHITE), key=lambda c: ratio(c, fill))
    return nearest(best, fill, min(_COMFORT, ratio(end, fill)))


def _link(fill: Colour, text: Colour, accents: Sequence[Colour]) -> Colour:
    """The leading accent if it reads here; else the nearest to it that does."""
    for accent in accents[:3]:
        if accent not in (fill, text) and ratio(accent, fill) >= TEXT:
            return accent
    wanted = next((c for c in accents if c not in (fill, text)), text)
    return nearest(wanted, fill, TEXT)


def _link_hover(link: Colour, fill: Colour, text: Colour) -> Colour:
    """Visibly another than the link at rest, and still readable.

    Where the ground leaves no such colour, the one that is furthest; there the thicker underline tells the state.
    """
    rest = to_oklch(link)
    tried = [text, *(to_colour(rest._replace(lightness=rest.lightness + s)) for s in _SHIFTS), BLACK, WHITE]
    readable = [c for c in tried if ratio(c, fill) >= TEXT]
    seen = [c for c in readable if difference(c, link) >= _VISIBLE]
    return seen[0] if seen else max(readable, key=lambda c: difference(c, link), default=link)


def _button_fill(fill: Colour, accents: Sequence[Colour]) -> Colour:
    for accent in accents:
        if accent != fill and ratio(accent, fill) >= EDGE:
            return accent
    return nearest(accents[0], fill, EDGE)


def _on_button(button: Colour, ink: Colour, paper: Colour) -> Colour:
    for wanted in sorted((paper, ink), key=lambda c: -ratio(c, button)):
        if ratio(wanted, button) >= TEXT:
            return wanted
    return max((WHITE, BLACK), key=lambda c: ratio(c, button))


_SHIFTS = (-0.07, 0.07, -0.14, 0.14, -0.22, 0.22)


def _states(rest: Oklch, button: Colour, text: Colour) -> list[Colour]:
    """Under the pointer and pressed: two more fills that the button's text still reads on; where a text set by hand
    reads on none, two that are seen."""
    away = 1 if ratio(text, BLACK) < ratio(text, WHITE) else -1  # a move that gains contrast
    for required in (TEXT, EDGE, 1.0):
        states: list[Colour] = []
        for step in range(1, 40):
            for sign in (away, -away):
                tried = to_colour(rest._replace(lightness=rest.lightness + sign * 0.035 * step))
                seen = all(difference(tried, other) >= _VISIBLE for other in (button, *states))
                if seen and ratio(text, tried) >= required:
                    states.append(tried)
                    if len(states) == 2:
                        return states
    raise AssertionError(f"no states for a button of {button.hex}")
